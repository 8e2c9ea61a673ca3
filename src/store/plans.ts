/** Plans in the store: open, save, copy, rename, delete with undo, import. */

import { dealAll } from '../model/colours.ts';
import { isAsSheIs, isHerOwn } from '../model/herself.ts';
import { type History, historyOf, type Step, startHistory, statesOf } from '../model/history.ts';
import { PLAN_VERSION, type PlanDocument } from '../model/plan.ts';
import type { PlanChange } from '../model/plan-change.ts';
import { readPlan } from '../model/read-plan.ts';
import type { MeshworkDatabase, PlanRecord } from './database.ts';
import type { OfWearer } from './records.ts';
import { hers, wearers } from './wearers.ts';

/** Undo steps that are kept over a reload. */
const KEPT_STEPS = 40;

export type SaveOutcome =
  | { readonly state: 'saved'; readonly revision: number }
  /** Another tab wrote first: what is in the store now. */
  | { readonly state: 'conflict'; readonly theirs: PlanRecord }
  | { readonly state: 'failed'; readonly message: string };

/** What a record is called, whatever it holds. */
export function nameOf(record: PlanRecord): string {
  const name: unknown = record.history?.present?.plan?.name;
  return typeof name === 'string' && name.trim() !== '' ? name : 'A plan without a name';
}

export async function keptPlans(db: MeshworkDatabase): Promise<PlanRecord[]> {
  const all = await db.plans.where('deletedAtMs').equals(0).toArray();
  return all.sort((a, b) => b.updatedAtMs - a.updatedAtMs);
}

/** The newest plan that was deleted and can still be brought back. */
export async function lastDeleted(db: MeshworkDatabase): Promise<PlanRecord | undefined> {
  const gone = await db.plans.where('deletedAtMs').above(0).toArray();
  return gone.sort((a, b) => b.deletedAtMs - a.deletedAtMs)[0];
}

export async function addPlan(
  db: MeshworkDatabase,
  plan: PlanDocument,
  words: string,
  nowMs: number,
  wearer?: OfWearer,
): Promise<void> {
  await db.plans.add({
    id: plan.id,
    revision: 1,
    updatedAtMs: nowMs,
    deletedAtMs: 0,
    history: startHistory(plan, words),
    ...(wearer ? { wearer } : {}),
  });
}

/** Writes a plan's history if nobody else wrote since `revision`. Never throws: a failed write is an answer. */
export async function savePlan(
  db: MeshworkDatabase,
  id: string,
  revision: number,
  history: History,
  nowMs: number,
): Promise<SaveOutcome> {
  const kept: History = {
    past: history.past.slice(-KEPT_STEPS),
    present: history.present,
    future: history.future.slice(0, KEPT_STEPS),
  };
  try {
    return await db.transaction('rw', db.plans, db.wearers, async (): Promise<SaveOutcome> => {
      const current = await db.plans.get(id);
      if (current && current.revision !== revision) return { state: 'conflict', theirs: current };
      const before = current?.history.present.plan ?? kept.present.plan;
      const wearer = await hers(db, current?.wearer, before, kept.present.plan, nowMs);
      await db.plans.put({
        id,
        revision: revision + 1,
        updatedAtMs: nowMs,
        deletedAtMs: 0,
        history: kept,
        ...(wearer ? { wearer } : {}),
      });
      return { state: 'saved', revision: revision + 1 };
    });
  } catch (error) {
    return { state: 'failed', message: storageSentence(error) };
  }
}

/** Whether the disk is full. */
export function isFull(error: unknown): boolean {
  const name = error instanceof Error ? `${error.name} ${(error as { inner?: Error }).inner?.name ?? ''}` : '';
  return /Quota/.test(name);
}

export function storageSentence(error: unknown): string {
  if (isFull(error)) return 'The disk is full: nothing was lost, but this change is not kept yet.';
  return 'The browser did not keep this change: it is still on the screen.';
}

export async function copyPlan(
  db: MeshworkDatabase,
  id: string,
  newId: string,
  nowMs: number,
): Promise<PlanDocument | undefined> {
  const source = await db.plans.get(id);
  if (!source) return undefined;
  // Of a copy no piece is in.
  const { plan: fresh } = dealAll(source.history.present.plan);
  const plan = { ...fresh, id: newId, name: `${fresh.name}, copy` };
  await addPlan(db, plan, 'Copied', nowMs, source.wearer);
  return plan;
}

export async function deletePlan(db: MeshworkDatabase, id: string, nowMs: number): Promise<void> {
  await db.plans.update(id, { deletedAtMs: nowMs });
}

export async function restorePlan(db: MeshworkDatabase, id: string): Promise<void> {
  await db.plans.update(id, { deletedAtMs: 0 });
}

/** Adds an imported plan; one whose id is taken comes in beside the other under a new id. It is hers whom it holds as she is; else nobody’s yet. */
export async function importPlan(
  db: MeshworkDatabase,
  plan: PlanDocument,
  newId: string,
  nowMs: number,
): Promise<PlanDocument> {
  const taken = await db.plans.get(plan.id);
  const added = taken
    ? { ...plan, id: newId, name: sameName(taken, plan) ? `${plan.name}, imported` : plan.name }
    : plan;
  const her = (await wearers(db)).find((w) => isHerOwn(plan) && isAsSheIs(plan, w.her));
  await addPlan(db, added, 'Imported', nowMs, her && { id: her.id, revision: her.revision });
  return added;
}

function sameName(record: PlanRecord, plan: PlanDocument): boolean {
  return record.history.present.plan.name === plan.name;
}

/**
 * A record as it was stored, checked once more on the way in: an older version is brought up to date. Steps of undo are
 * as this version wrote them and are looked at when they are taken; of an older plan those that can't be read are left
 * out.
 */
export function openRecord(
  record: PlanRecord,
): { readonly ok: true; readonly history: History } | { readonly ok: false; readonly why: string } {
  const stored = record.history?.present?.plan;
  const present = readPlan(stored);
  if (!present.ok) return { ok: false, why: present.why };
  const history = {
    past: stepsIn(record.history.past),
    present: { ...record.history.present, plan: present.value },
    future: stepsIn(record.history.future),
  };
  return { ok: true, history: stored.version === PLAN_VERSION ? history : broughtUp(record.history, history) };
}

/** A damaged list of steps is none; the plan itself is whole. */
function stepsIn(list: unknown): Step[] {
  const isStep = (step: Step | null) => typeof step?.words === 'string' && Array.isArray(step.patch);
  return Array.isArray(list) && list.every(isStep) ? list : [];
}

function broughtUp(stored: History, { present }: History): History {
  try {
    const { past, future } = statesOf(stored);
    return historyOf({ past: past.flatMap(read), present, future: future.flatMap(read) });
  } catch {
    return { past: [], present, future: [] };
  }
}

const read = (state: PlanChange): PlanChange[] => {
  const plan = readPlan(state.plan);
  return plan.ok ? [{ ...state, plan: plan.value }] : [];
};
