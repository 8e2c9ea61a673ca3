/**
 * Wearers: each with her head, hair and hands as they are now. A plan holds them too, as they were when it was made. What she
 * changes in a plan that follows her is hers; a plan that stays as it was offers to follow.
 */
import { herselfOf, isAsSheIs, isHerOwn } from '../model/herself.ts';
import { record } from '../model/history.ts';
import type { PlanDocument } from '../model/plan.ts';
import type { MeshworkDatabase } from './database.ts';
import { holdsPlan, type OfWearer, type PlanRecord, type WearerRecord } from './records.ts';

export async function wearers(db: MeshworkDatabase): Promise<WearerRecord[]> {
  return (await db.wearers.orderBy('updatedAtMs').toArray()).filter((w) => !w.isAway).reverse();
}

export const wearerName = (w: WearerRecord) => w.her.wearer.trim() || 'You';

/** A wearer as a plan has her. */
export async function addWearer(
  db: MeshworkDatabase,
  plan: PlanDocument,
  id: string,
  nowMs: number,
): Promise<OfWearer> {
  await db.wearers.add({ id, revision: 1, updatedAtMs: nowMs, her: herselfOf(plan) });
  return { id, revision: 1 };
}

export async function linkPlan(db: MeshworkDatabase, planId: string, wearer: OfWearer): Promise<void> {
  await db.plans.update(planId, { wearer });
}

/** Under another name, in every plan that follows her too; those that stay keep the name they were made with. */
export async function renameWearer(db: MeshworkDatabase, id: string, name: string, nowMs: number): Promise<void> {
  await db.transaction('rw', db.plans, db.wearers, async () => {
    const kept = await db.wearers.get(id);
    if (!kept) return;
    const revision = kept.revision + 1;
    await db.wearers.put({ ...kept, revision, updatedAtMs: nowMs, her: { ...kept.her, wearer: name } });
    await db.plans
      .filter((p) => p.wearer?.id === id && p.wearer.revision === kept.revision && holdsPlan(p))
      .modify((p, ref) => {
        const { plan } = p.history.present;
        ref.value = {
          ...p,
          revision: p.revision + 1,
          wearer: { id, revision },
          history: record(p.history, { words: `Named ${name}`, plan: { ...plan, wearer: name } }),
        };
      });
  });
}

/** No longer offered for new plans. Her plans stay as they are, and hold her head and hair. */
export async function putAwayWearer(db: MeshworkDatabase, id: string, nowMs: number): Promise<void> {
  await db.wearers.update(id, { isAway: true, updatedAtMs: nowMs });
}

export async function bringBackWearer(db: MeshworkDatabase, id: string): Promise<void> {
  await db.wearers.update(id, { isAway: false });
}

/** How many plans each has. */
export async function plansByWearer(db: MeshworkDatabase): Promise<Map<string, number>> {
  const counts = new Map<string, number>();
  await db.plans
    .where('deletedAtMs')
    .equals(0)
    .each(({ wearer }) => wearer && counts.set(wearer.id, (counts.get(wearer.id) ?? 0) + 1));
  return counts;
}

/** The plan stays as it was made. */
export async function stayBehind(db: MeshworkDatabase, planId: string): Promise<void> {
  await db.transaction('rw', db.plans, db.wearers, async () => {
    const { wearer } = (await db.plans.get(planId)) ?? {};
    const her = wearer && (await db.wearers.get(wearer.id));
    if (her) await db.plans.update(planId, { wearer: { ...wearer, staysAt: her.revision } });
  });
}

/**
 * Within the transaction that writes the plan: what she changed of herself in a plan that follows her is hers.
 *
 * @param before the plan as it was written last
 * @returns the plan's link as it is now
 */
export async function hers(
  db: MeshworkDatabase,
  wearer: OfWearer | undefined,
  before: PlanDocument,
  plan: PlanDocument,
  nowMs: number,
): Promise<OfWearer | undefined> {
  const kept = wearer && (await db.wearers.get(wearer.id));
  if (!wearer || !kept || !isHerOwn(plan)) return wearer;
  const follows = wearer.revision === kept.revision;
  const { id } = kept;
  if (isAsSheIs(plan, kept.her)) {
    if (follows) return wearer;
    return { id, revision: kept.revision, was: { revision: wearer.revision, her: herselfOf(before) } };
  }
  if (!follows) return wearer;
  if (wearer.was && isAsSheIs(plan, wearer.was.her))
    return { id, revision: wearer.was.revision, staysAt: kept.revision };
  const revision = kept.revision + 1;
  await db.wearers.put({ ...kept, revision, updatedAtMs: nowMs, her: herselfOf(plan) });
  return { ...wearer, revision };
}

/** Whom a plan could follow: its wearer, where she is no longer as the plan has her and it was not told to stay. */
export function toFollow(
  { wearer }: Pick<PlanRecord, 'wearer'>,
  plan: PlanDocument,
  kept: WearerRecord | undefined,
): WearerRecord | undefined {
  if (!wearer || !kept || !isHerOwn(plan)) return undefined;
  if (kept.revision <= Math.max(wearer.revision, wearer.staysAt ?? 0)) return undefined;
  return isAsSheIs(plan, kept.her) ? undefined : kept;
}
