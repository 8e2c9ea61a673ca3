/** What every check of a plan looks at. */
import type { Section } from '../base/index.ts';
import type { Plan, PlanInputs } from '../plan/index.ts';
import { upperFirst } from '../trade/index.ts';
import type { Finding } from './finding.ts';

export type Result = Plan;
export type Check = (inputs: PlanInputs, result: Result) => Finding | undefined;

/** "Behind 1 of 4 and 3 more". */
export function named(sections: ReadonlyArray<Pick<Section, 'name'>>): string {
  const [first] = sections;
  const name = upperFirst(first.name).replace(', from your left', '');
  return sections.length === 1 ? name : `${name} and ${sections.length - 1} more`;
}

export const mm = (v: number) => `${(v / 10).toFixed(1)} cm`;
