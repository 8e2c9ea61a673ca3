/** How the plan looks: for the tally at every change, for Check as she wants to see it, and what the guesses leave open. */
import { useEffect, useRef, useState } from 'react';
import { POSES } from '../../core/fall/poses.ts';
import type { DirectionDeg } from '../../core/head/marks.ts';
import type { GuessRange, HairOnHead, Look, LookAsked, WhyHere } from '../../core/plan/look-result.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { planInputs } from '../../model/to-inputs.ts';
import type { Outcome } from '../../workers/client.ts';
import { painter, planner } from './clients.ts';
import { type CheckView, useView } from './view-store.ts';

/** An answer, the plan that it is of, and what else it hangs on: while the next one is on its way it is the last one. */
export interface Of<T> {
  readonly plan: PlanDocument;
  readonly key: string;
  readonly value: T;
}

/** At rest and finished: what the tally shows. While a finger drags, rows and knots follow it, and the look when it lingers. */
export function useLook(plan: PlanDocument, isDraft: boolean): Of<Look> | undefined {
  const lingering = useResting(plan, false, LINGER_MS);
  return useNewest(isDraft ? lingering : plan, '', (p) => planner.call('look', { inputs: planInputs(p) }));
}
const LINGER_MS = 120;

/** What Check asks for besides the plan: how she is looked at. */
function askedOf(view: CheckView, knotsIn: number | undefined): Omit<LookAsked, 'inputs'> {
  const { state } = POSES[view.pose];
  return {
    state: view.finger ? { ...state, finger: view.finger } : state,
    age: view.age,
    ...(view.soFar && knotsIn !== undefined ? { knotsIn } : {}),
  };
}

/** Whether an answer is that of this plan, looked at in this way. */
export function isOf<T>(
  answer: Of<T> | undefined,
  plan: PlanDocument,
  view: CheckView,
  knotsIn: number | undefined,
): answer is Of<T> {
  return answer?.plan === plan && answer.key === JSON.stringify(askedOf(view, knotsIn));
}

export function isPlainView(view: CheckView): boolean {
  return view.pose === 'rest' && view.age === 'finished' && !view.soFar && view.finger === undefined;
}

/** The look in the chosen pose and age; that of the tally where nothing else is chosen. */
export function useLookAs(plan: PlanDocument, plain: Of<Look> | undefined, knotsIn: number | undefined) {
  const view = useView((v) => v.check);
  const isPlain = isPlainView(view);
  const key = JSON.stringify(askedOf(view, knotsIn));
  const asked = useNewest(isPlain ? undefined : plan, key, (p) =>
    planner.call('lookAs', { inputs: planInputs(p), ...askedOf(view, knotsIn) }),
  );
  // Until the other pose is worked out the one at rest stays.
  return isPlain ? plain : (asked ?? plain);
}

/** Hair in space, only where it is drawn or measured; asked for when the plan rests. */
export function useFallingHair(plan: PlanDocument, wanted: boolean, isDraft: boolean, knotsIn: number | undefined) {
  const view = useView((v) => v.check);
  const asked = askedOf(view, knotsIn);
  const key = JSON.stringify(asked);
  return useNewest<HairOnHead>(wanted && !isDraft ? plan : undefined, key, (p) =>
    painter.call('fallingHair', { inputs: planInputs(p), ...asked }),
  );
}

export function useGuessRange(plan: PlanDocument, isDraft: boolean): Of<GuessRange> | undefined {
  const resting = useResting(plan, isDraft, REST_MS);
  return useNewest(resting, '', (p) => painter.call('guessRange', { inputs: planInputs(p) }));
}

/** What covers one place; for the plan at rest. */
export function useWhy(plan: PlanDocument, at: DirectionDeg | undefined): WhyHere | undefined {
  return useNewest(at && plan, JSON.stringify(at), (p) =>
    planner.call('why', { inputs: planInputs(p), at: at as DirectionDeg }),
  )?.value;
}

/** What the guesses leave open takes half a second: asked for when she looks, not while she works. */
const REST_MS = 1500;

function useResting(plan: PlanDocument, isDraft: boolean, afterMs: number): PlanDocument | undefined {
  const [resting, setResting] = useState<PlanDocument>();
  useEffect(() => {
    if (isDraft) return;
    const timer = setTimeout(() => setResting(plan), afterMs);
    return () => clearTimeout(timer);
  }, [plan, isDraft, afterMs]);
  return resting;
}

function useNewest<T>(
  plan: PlanDocument | undefined,
  key: string,
  ask: (plan: PlanDocument) => Promise<Outcome<T>>,
): Of<T> | undefined {
  const [answer, setAnswer] = useState<Of<T>>();
  const latest = useRef(ask);
  latest.current = ask;
  useEffect(() => {
    if (!plan) return;
    let abandoned = false;
    latest.current(plan).then((outcome) => {
      if (!abandoned && outcome.state === 'done') setAnswer({ plan, key, value: outcome.value });
    });
    return () => {
      abandoned = true;
    };
  }, [plan, key]);
  return answer && plan && answer.plan.id === plan.id ? answer : undefined;
}
