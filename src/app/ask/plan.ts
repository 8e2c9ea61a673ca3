/** What the workers are asked of a plan: itself, its head, what one step more would change, and advice. */

import type { Candidate } from '../../core/base/index.ts';
import type { PlanResult } from '../../core/findings/index.ts';
import type { MeasureEffect } from '../../core/head/index.ts';
import type { HeadScene, SpacingStep } from '../../core/plan/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { type Asked, useAsk, useResting } from './ask.ts';
import { painter, planner } from './clients.ts';
import { headInputsOf, inputsOf } from './fineness.ts';

/** What is asked for beside the plan waits until she rests, ms. */
const REST_MS = 250;

export function useResult(plan: PlanDocument | undefined): Asked<PlanResult> {
  const { answer, why } = useAsk(planner, 'plan', plan && inputsOf(plan));
  return { answer, why: why && `This plan could not be worked out: ${why}` };
}

/** The picture of her head; only the tape and the hairline change it. */
export function useScene(plan: PlanDocument | undefined): HeadScene | undefined {
  return useAsk(painter, 'headScene', plan && headInputsOf(plan)).answer?.value;
}

/** What a quarter finger would change. */
export function useSpacingStep(plan: PlanDocument, isDraft: boolean): SpacingStep | undefined {
  const resting = useResting(isDraft ? undefined : plan, REST_MS);
  return useAsk(planner, 'spacingStep', resting && inputsOf(resting)).answer?.value;
}

/** Ways of sectioning laid on her head, the best first. */
export function useRecommended(plan: PlanDocument, isDraft: boolean): readonly Candidate[] | undefined {
  const resting = useResting(isDraft ? undefined : plan, REST_MS);
  return useAsk(painter, 'recommend', resting && inputsOf(resting)).answer?.value;
}

export function useMeasureEffects(plan: PlanDocument, isDraft: boolean): readonly MeasureEffect[] | undefined {
  const resting = useResting(isDraft ? undefined : plan, REST_MS);
  return useAsk(painter, 'measureEffects', resting && inputsOf(resting)).answer?.value;
}
