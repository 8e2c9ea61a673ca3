/** Wearers in plans that were kept before there were any. */
import { type Herself, herselfOf, isAsSheIs, isHerOwn } from '../model/herself.ts';
import { PLAN_VERSION, type PlanDocument } from '../model/plan.ts';
import { readPlan } from '../model/read-plan.ts';
import type { OfWearer, PlanRecord, WearerRecord } from './records.ts';

/** One of each name, as her newest plan has her; older ones stay as they were made. */
export function wearersIn(records: readonly PlanRecord[]): {
  readonly wearers: WearerRecord[];
  readonly links: ReadonlyMap<string, OfWearer>;
} {
  const found = new Map<string, WearerRecord>();
  const links = new Map<string, OfWearer>();
  for (const record of [...records].sort((a, b) => b.updatedAtMs - a.updatedAtMs)) {
    const plan = planIn(record);
    if (!plan || !isHerOwn(plan)) continue;
    const key = plan.wearer.trim().toLowerCase();
    const known = found.get(key);
    const her: Herself = herselfOf(plan);
    const wearer = known ?? { id: `wearer-${record.id}`, revision: 1, updatedAtMs: record.updatedAtMs, her };
    found.set(key, wearer);
    links.set(record.id, {
      id: wearer.id,
      ...(isAsSheIs(plan, wearer.her) ? { revision: 1 } : { revision: 0, staysAt: 1 }),
    });
  }
  return { wearers: [...found.values()], links };
}

/** A plan of an older version is brought up as it is read; one that can't be read is nobody's. */
export function planIn(record: PlanRecord): PlanDocument | undefined {
  const stored = record.history?.present?.plan;
  if (stored?.version === PLAN_VERSION && typeof stored.wearer === 'string' && stored.madeFor) return stored;
  const read = readPlan(stored);
  return read.ok ? read.value : undefined;
}
