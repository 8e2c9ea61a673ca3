/** Undo and redo as whole plans: small plain records, so a diff would save nothing worth its code. */
import { dequal } from 'dequal';
import type { Deed } from './deed.ts';
import type { PlanDocument } from './plan.ts';

export interface History {
  readonly past: readonly Deed[];
  readonly present: Deed;
  readonly future: readonly Deed[];
}

const LONGEST = 200;

export function startHistory(plan: PlanDocument, words = 'Opened'): History {
  return { past: [], present: { words, plan }, future: [] };
}

export function record(history: History, deed: Deed): History {
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
