/** What is wrong, risky or worth knowing about a plan, each with its fix. */
export type { Finding, Fix, NamedFix } from './finding.ts';
export { type Judged, judge } from './judge.ts';
export { type LookTold, lookTold } from './look-told.ts';
export { type PlanResult, planWithFindings } from './plan-result.ts';
