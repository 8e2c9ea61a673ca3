/** Undo and redo as whole plans: small plain records, so a diff would save nothing worth its code. */
import { dequal } from 'dequal';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

export interface History {
  readonly past: readonly PlanChange[];
  readonly present: PlanChange;
  readonly future: readonly PlanChange[];
}

const LONGEST = 200;

export function startHistory(plan: PlanDocument, words = 'Opened'): History {
  return { past: [], present: { words, plan }, future: [] };
}

export function record(history: History, deed: PlanChange): History {
  if (dequal(deed.plan, history.present.plan)) return history;
  return { past: [...history.past.slice(-LONGEST + 1), history.present], present: deed, future: [] };
}

export function undo(history: History): History {
  const last = history.past.at(-1);
  if (!last) return history;
  return { past: history.past.slice(0, -1), present: last, future: [history.present, ...history.future] };
}

export function redo(history: History): History {
  const [next, ...rest] = history.future;
  if (!next) return history;
  return { past: [...history.past, history.present], present: next, future: rest };
}
