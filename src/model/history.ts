/**
 * Undo and redo as patches: a step holds what leads to another state of the plan from the one that lies nearer to now,
 * as JSON Patch (RFC 6902, IETF 2013), which is also how the store keeps it.
 *
 * Lists are compared by what they begin and end with alike, in one pass; the library's own way weighs every element
 * against every other and takes seconds for twenty strokes of a brush.
 */
import { dequal } from 'dequal';
import { applyPatch, createPatch, type Operation, type Pointer } from 'rfc6902';
import { clone } from 'rfc6902/util.js';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

/** A state of the plan before now or after it. */
export interface Step {
  /** How that state came about. */
  readonly words: string;
  /** From its neighbour nearer to now. */
  readonly patch: readonly Operation[];
}

export interface History {
  readonly past: readonly Step[];
  readonly present: PlanChange;
  readonly future: readonly Step[];
}

/** All states as whole plans, in order. */
export interface States {
  readonly past: readonly PlanChange[];
  readonly present: PlanChange;
  readonly future: readonly PlanChange[];
}

const LONGEST = 200;

export function startHistory(plan: PlanDocument, words = 'Opened'): History {
  return { past: [], present: { words, plan }, future: [] };
}

export function record(history: History, change: PlanChange): History {
  const { past, present } = history;
  if (dequal(change.plan, present.plan)) return history;
  return { past: [...past.slice(-LONGEST + 1), stepTo(present, change)], present: change, future: [] };
}

/** @throws when the step does not fit the plan: the record has been changed from outside. */
export function undo(history: History): History {
  const last = history.past.at(-1);
  if (!last) return history;
  const present = stateAt(history.present, last);
  return { past: history.past.slice(0, -1), present, future: [stepTo(history.present, present), ...history.future] };
}

/** @throws like undo */
export function redo(history: History): History {
  const [next, ...rest] = history.future;
  if (!next) return history;
  const present = stateAt(history.present, next);
  return { past: [...history.past, stepTo(history.present, present)], present, future: rest };
}

/** The plan as it was so many changes ago, or as it was first; undefined where nothing was changed. */
export function planBefore({ past, present }: History, steps: number): PlanDocument | undefined {
  const back = past.slice(-steps).reverse();
  return back.length === 0 ? undefined : back.reduce(stateAt, present).plan;
}

export function statesOf({ past, present, future }: History): States {
  const follow = (steps: readonly Step[]) => {
    let state = present;
    return steps.map((step) => {
      state = stateAt(state, step);
      return state;
    });
  };
  return { past: follow([...past].reverse()).reverse(), present, future: follow(future) };
}

export function historyOf({ past, present, future }: States): History {
  return {
    past: past.map((state, i) => stepTo(state, past[i + 1] ?? present)),
    present,
    future: future.map((state, i) => stepTo(state, future[i - 1] ?? present)),
  };
}

const stepTo = (state: PlanChange, nearer: PlanChange): Step => ({
  words: state.words,
  patch: createPatch(nearer.plan, state.plan, listDifference),
});

/** What lies between the common beginning and the common end is replaced, taken out or put in, element by element. */
function listDifference(from: unknown, to: unknown, at: Pointer): Operation[] | undefined {
  if (!Array.isArray(from) || !Array.isArray(to)) return undefined;
  const shorter = Math.min(from.length, to.length);
  let start = 0;
  while (start < shorter && dequal(from[start], to[start])) start++;
  let end = 0;
  while (end < shorter - start && dequal(from[from.length - 1 - end], to[to.length - 1 - end])) end++;
  const path = (i: number) => at.add(String(i)).toString();
  const replaced = shorter - end;
  return [
    ...to.slice(start, replaced).map((value, i): Operation => ({ op: 'replace', path: path(start + i), value })),
    ...from.slice(replaced, from.length - end).map((): Operation => ({ op: 'remove', path: path(replaced) })),
    ...to
      .slice(replaced, to.length - end)
      .map((value, i): Operation => ({ op: 'add', path: path(replaced + i), value })),
  ];
}

function stateAt(nearer: PlanChange, { words, patch }: Step): PlanChange {
  const plan = clone(nearer.plan);
  const wrong = applyPatch(plan, [...patch]).find((error) => error !== null);
  if (wrong) throw new Error(`The step “${words}” no longer fits this plan.`);
  return { words, plan };
}
