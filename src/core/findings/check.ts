/** What every check of a plan looks at. */
import type { PlanInputs } from '../pipeline/inputs.ts';
import type { PlanResult } from '../pipeline/result.ts';
import type { Finding } from './finding.ts';

export type Result = Omit<PlanResult, 'findings'>;
export type Check = (inputs: PlanInputs, result: Result) => Finding | undefined;

export const mm = (v: number) => `${(v / 10).toFixed(1)} cm`;
