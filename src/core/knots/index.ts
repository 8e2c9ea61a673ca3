/** Where knots lie, what they are and why, and where a finger finds them. */
export { laidAsAsked } from './layout/as-asked.ts';
export { changeByHand } from './layout/by-hand.ts';
export { layKnots } from './layout/layout.ts';
export { turnedKnots } from './layout/mirror.ts';
export { inOrderOfWork } from './layout/opened.ts';
export { inPasses } from './layout/second-pass.ts';
export { decideKnots } from './place/decide.ts';
export { MOST_OVERRIDES, type Override } from './place/overrides.ts';
export type { PlannedKnot, PlannedRow } from './place/planned.ts';
export { type Laid, planRows } from './place/planned-rows.ts';
export type { KnotDecision, KnotOverride } from './rules/situation.ts';
