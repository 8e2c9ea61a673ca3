import type { Look, Plan, PlanInputs } from '../plan/index.ts';
import type { Finding } from './finding.ts';

/** What the finished look has against a plan. */
export type LookCheck = (inputs: PlanInputs, result: Plan, look: Look) => Finding | undefined;
