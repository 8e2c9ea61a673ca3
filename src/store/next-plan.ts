/** The plan that follows a style: begun with the first change that is taken over from it, changed by the others, each with undo. */
import { dealAll } from '../model/colours.ts';
import { record } from '../model/history.ts';
import type { PlanDocument } from '../model/plan.ts';
import type { PlanChange } from '../model/plan-change.ts';
import type { MeshworkDatabase } from './database.ts';
import { addPlan, openRecord, savePlan } from './plans.ts';

/** The plan that was begun as the next after a style, and what of the proposals is in it. */
export interface NextPlan {
  readonly planId: string;
  readonly taken: readonly string[];
}

export async function nextPlanOf(db: MeshworkDatabase, entryId: string): Promise<NextPlan | undefined> {
  const kept = await db.settings.get(`next-${entryId}`);
  try {
    return kept ? (JSON.parse(kept.value) as NextPlan) : undefined;
  } catch {
    return undefined;
  }
}

async function keepNextPlan(db: MeshworkDatabase, entryId: string, next: NextPlan): Promise<void> {
  await db.settings.put({ key: `next-${entryId}`, value: JSON.stringify(next) });
}

export interface TakenOver {
  /** Line of the style in the log, and the plan that its wearer is known by. */
  readonly entryId: string;
  readonly planId: string;
  readonly key: string;
  /** Made to the plan that the style followed last, or to the next one as it is. */
  readonly change: PlanChange;
  /** Id of the next plan, where it is not begun yet. */
  readonly freshId: string;
}

const MOST_LETTERS = 120;
const nextName = (name: string) => `${name.slice(0, MOST_LETTERS - 6).replace(/, next$/, '')}, next`;

/** @throws Error where the store refuses, or where another tab has changed it meanwhile: nothing is taken then */
export async function takeIntoNext(
  db: MeshworkDatabase,
  { entryId, planId, key, change, freshId }: TakenOver,
  nowMs: number,
): Promise<void> {
  await db.transaction('rw', db.plans, db.wearers, db.settings, async () => {
    const begun = await nextPlanOf(db, entryId);
    const there = begun && (await db.plans.get(begun.planId));
    if (begun && there && there.deletedAtMs === 0) {
      const read = openRecord(there);
      if (!read.ok) throw new Error(read.why);
      const changed = { words: change.words, plan: { ...change.plan, id: there.id } };
      const saved = await savePlan(db, there.id, there.revision, record(read.history, changed), nowMs);
      if (saved.state !== 'saved') throw new Error('The next plan could not be changed just now.');
      await keepNextPlan(db, entryId, { planId: there.id, taken: [...begun.taken, key] });
      return;
    }
    const own = (plan: PlanDocument): PlanDocument => ({
      ...plan,
      id: freshId,
      name: nextName(plan.name),
      settled: [],
    });
    // Of a new plan no piece is in.
    const fresh = own(dealAll(change.plan).plan);
    const wearer = (await db.plans.get(planId))?.wearer;
    await addPlan(db, fresh, change.words, nowMs, wearer);
    await keepNextPlan(db, entryId, { planId: freshId, taken: [key] });
  });
}
