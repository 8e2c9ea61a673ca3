/** What the list of things calls her cap. */
import type { Plan } from '../core/plan/index.ts';
import { DOME_INFO, isWorn, lowerFirst } from '../core/trade/index.ts';
import type { PlanDocument } from './plan.ts';

/** Undefined where there is none. */
export function capName(
  { cap, madeFor }: Pick<PlanDocument, 'cap' | 'madeFor'>,
  { cap: fit }: Pick<Plan, 'cap'>,
): string | undefined {
  if (cap.dome === 'none') return undefined;
  return `a cap, ${lowerFirst(DOME_INFO[cap.dome].name)}, ${fit.sizeName}${isWorn(madeFor) ? ', over the base' : ''}`;
}
