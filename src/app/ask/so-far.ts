/** What an install asks: how it is meant to look, and to hang, with so much of it in. */
import type { HairOnHead, Look } from '../../core/plan/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { useAsk } from './ask.ts';
import { painter } from './clients.ts';
import { inputsOf } from './fineness.ts';

/** How it is meant to look with so many knots in; undefined while nothing is asked. */
export function useLookSoFar(plan: PlanDocument | undefined, knotsIn: number): Look | undefined {
  return useAsk(painter, 'lookAs', plan && { inputs: inputsOf(plan), knotsIn }).answer?.value;
}

/** Hair as it hangs, trimmed and before; only of so many knots where they are told. Nothing is asked without a plan. */
export function useHairOf(plan: PlanDocument | undefined, knotsIn?: number): HairOnHead | undefined {
  const asked = plan && { inputs: inputsOf(plan), ...(knotsIn === undefined ? {} : { knotsIn }) };
  return useAsk(painter, 'fallingHair', asked).answer?.value;
}
