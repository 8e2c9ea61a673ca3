/** On, back and a rest: what the big touch, the arrows, the space bar, a pedal and a voice do. */
import { useCallback, useMemo } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import {
  type InstallState,
  type OrderStep,
  orderOfWork,
  type PlaceInOrder,
  placeIn,
  type Telling,
  toldTogether,
} from '../../../core/install/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { isSameKnot } from './mirror-words.ts';
import { runKey, type Took } from './run-card.tsx';
import type { Install } from './use-install.ts';

export interface InHand {
  readonly place: PlaceInOrder;
  readonly step: OrderStep | undefined;
  /** Knots that are told together now; none at a step of another kind. */
  readonly run: readonly PlannedKnot[];
}

function inHand(order: readonly OrderStep[], { knots }: PlanResult, state: InstallState, telling: Telling): InHand {
  const place = placeIn(order, state);
  const isIn = new Set(state.done.map((d) => d.knotId));
  const from = place.knotId === undefined ? -1 : knots.findIndex((k) => k.id === place.knotId);
  return {
    place,
    step: place.step === undefined ? undefined : order[place.step],
    run: from < 0 ? [] : toldTogether(knots, from, telling, (id) => isIn.has(id), isSameKnot),
  };
}

export function useWork(result: PlanResult, install: Install, telling: Telling, took: Took | undefined) {
  const { state, now, add } = install;
  const order = useMemo(() => orderOfWork(result), [result]);
  const held = useMemo(() => inHand(order, result, state, telling), [order, result, state, telling]);
  const next = useCallback(() => {
    const current = now();
    if (current.paused) return add('resume');
    const { step, run } = inHand(order, result, current, telling);
    if (!step) return;
    if (run.length === 0) return add('step', { stepId: step.id, outcome: 'done' });
    if (telling === 'knot') return add('knot', { knotId: run[0].id });
    // A count is of the run that it was made for, however quick the next touch is.
    const isCounted = took !== undefined && took.run === runKey(run);
    add('run', { knotIds: run.map((k) => k.id), ...(isCounted ? { pieces: took.pieces } : {}) });
  }, [add, now, order, result, telling, took]);
  const back = useCallback(() => {
    const { lastWork } = now();
    if (lastWork?.stepId !== undefined) return add('step', { stepId: lastWork.stepId, outcome: 'redo' });
    if (lastWork?.knotIds)
      add('back', {
        knotIds: lastWork.knotIds,
        ...(lastWork.pieces === undefined ? {} : { pieces: lastWork.pieces }),
      });
  }, [add, now]);
  const pause = useCallback(() => add(now().paused ? 'resume' : 'pause'), [add, now]);
  /** Places stay empty, a step is left out. */
  const leave = useCallback(() => {
    const { step, run } = inHand(order, result, now(), telling);
    if (!step) return;
    if (run.length === 0) add('step', { stepId: step.id, outcome: 'left' });
    else add('skip', { knotIds: run.map((k) => k.id), knotId: run[0].id });
  }, [add, now, order, result, telling]);
  return { order, held, next, back, pause, leave };
}
