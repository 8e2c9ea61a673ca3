/** The computed plan with what the core has to say about it: what the screen, a file and the command line show. */
import { type Plan, type PlanGraph, type PlanInputs, plan, stage } from '../plan/index.ts';
import type { Finding } from './finding.ts';
import { findings } from './findings.ts';

export interface PlanResult extends Plan {
  readonly findings: readonly Finding[];
}

const planResult = stage(
  'planResult',
  ({ inputs, of }) => ({ inputs, plan: of(plan) }),
  ({ inputs, plan: computed }): PlanResult => ({ ...computed, findings: findings(inputs, computed) }),
);

/** @throws RangeError where an input is outside what its stage can take */
export function planWithFindings(graph: PlanGraph, inputs: PlanInputs): PlanResult {
  return graph.ask({ inputs }).of(planResult);
}
