/**
 * Undo and redo as patches: a step holds what leads to another state of the plan from the one that lies nearer to now,
 * as JSON Patch (RFC 6902, IETF 2013), which is also how the store keeps it.
 */
import { dequal } from 'dequal';
import { applyPatch, createPatch, type Operation } from 'rfc6902';
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
  patch: createPatch(nearer.plan, state.plan),
});

function stateAt(nearer: PlanChange, { words, patch }: Step): PlanChange {
  const plan = clone(nearer.plan);
  const wrong = applyPatch(plan, [...patch]).find((error) => error !== null);
  if (wrong) throw new Error(`The step “${words}” does not fit this plan: ${wrong.message}`);
  return { words, plan };
}
