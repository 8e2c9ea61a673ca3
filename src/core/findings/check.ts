/** What every check of a plan looks at. */
import type { Plan, PlanInputs } from '../plan/index.ts';
import type { Finding } from './finding.ts';

export type Result = Plan;
export type Check = (inputs: PlanInputs, result: Result) => Finding | undefined;

export const mm = (v: number) => `${(v / 10).toFixed(1)} cm`;
