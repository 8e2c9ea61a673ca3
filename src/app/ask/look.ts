/** How the plan looks: for the tally at every change, for Check as she wants to see it, and what the guesses leave open. */
import { POSES, type WornAs } from '../../core/fall/index.ts';
import type { LookTold } from '../../core/findings/index.ts';
import type { DirectionDeg } from '../../core/head/index.ts';
import type { GuessRange, HairOnHead, Look, LookAsked, WhyHere } from '../../core/plan/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { useWornAs } from '../view/room.ts';
import type { HairView } from '../view/view-store.ts';
import { type Answer, useAnswer, useAsk, useResting } from './ask.ts';
import { painter, planner } from './clients.ts';
import { inputsOf } from './fineness.ts';

/** While a finger drags, rows and knots follow it, and the look when it lingers, ms. */
const LINGER_MS = 120;
/** What the guesses leave open takes half a second: asked for when she looks, not while she works. */
const RANGE_REST_MS = 1500;

/** At rest and finished: what the tally shows. */
export function useLook(plan: PlanDocument, isDraft: boolean): Answer<LookTold> | undefined {
  const lingering = useResting(plan, LINGER_MS);
  const asked = isDraft ? lingering : plan;
  const { answer } = useAsk(planner, 'look', asked && { inputs: inputsOf(asked) });
  return useAnswer(answer?.value, answer?.isCurrent === true && asked === plan);
}

/** What Check asks for besides the plan: how she is looked at. */
function askedOf(view: HairView, wornAs: WornAs, knotsIn: number | undefined): Omit<LookAsked, 'inputs'> {
  const { state } = POSES[view.pose];
  return {
    state: {
      ...state,
      ...(wornAs === 'offFace' ? {} : { wornAs }),
      ...(view.finger ? { finger: view.finger } : {}),
    },
    age: view.age,
    ...(view.soFar && knotsIn !== undefined ? { knotsIn } : {}),
  };
}

export function isPlainView(view: HairView): boolean {
  return view.pose === 'rest' && view.age === 'finished' && !view.soFar && view.finger === undefined;
}

/** The look in the chosen pose and age; that of the tally where nothing else is chosen. */
export function useLookAs(
  plan: PlanDocument,
  view: HairView,
  plain: Answer<Look> | undefined,
  knotsIn: number | undefined,
) {
  const [wornAs] = useWornAs(plan.base.family);
  const isPlain = isPlainView(view) && wornAs === 'offFace';
  const asked = isPlain ? undefined : { inputs: inputsOf(plan), ...askedOf(view, wornAs, knotsIn) };
  const { answer } = useAsk(planner, 'lookAs', asked);
  // Until the other pose is worked out the one at rest stays.
  const meanwhile = useAnswer(plain?.value, false);
  return isPlain ? plain : (answer ?? meanwhile);
}

/** Hair in space, only where it is drawn or measured; while a finger drags, as it hung before. */
export function useFallingHair(
  plan: PlanDocument,
  view: HairView,
  wanted: boolean,
  isDraft: boolean,
  knotsIn: number | undefined,
): Answer<HairOnHead> | undefined {
  const [wornAs] = useWornAs(plan.base.family);
  const asked = wanted && !isDraft ? { inputs: inputsOf(plan), ...askedOf(view, wornAs, knotsIn) } : undefined;
  const { answer } = useAsk(painter, 'fallingHair', asked);
  return wanted ? answer : undefined;
}

export function useGuessRange(plan: PlanDocument, isDraft: boolean): GuessRange | undefined {
  const resting = useResting(isDraft ? undefined : plan, RANGE_REST_MS);
  const { answer } = useAsk(painter, 'guessRange', resting && { inputs: inputsOf(resting) });
  return answer?.isCurrent && resting === plan ? answer.value : undefined;
}

/** What covers one place; for the plan at rest. */
export function useWhy(plan: PlanDocument, at: DirectionDeg | undefined): WhyHere | undefined {
  const { answer } = useAsk(planner, 'why', at && { inputs: inputsOf(plan), at });
  return at && answer?.value;
}
