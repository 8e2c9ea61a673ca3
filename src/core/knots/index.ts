/** Where knots lie, what they are and why, and where a finger finds them. */
export { laidAsAsked } from './layout/as-asked.ts';
export { withBorder } from './layout/border.ts';
export { changeByHand } from './layout/by-hand.ts';
export { withFill } from './layout/fill.ts';
export { layKnots } from './layout/layout.ts';
export { isHooked, type LaidKnot } from './layout/measure.ts';
export { turnedKnots } from './layout/mirror.ts';
export { inOrderOfWork } from './layout/opened.ts';
export { inPasses, type Passes, type PassGround } from './layout/second-pass.ts';
export { decideKnots } from './place/decide.ts';
export { MOST_OVERRIDES, type Override } from './place/overrides.ts';
export type { PlannedKnot, PlannedRow } from './place/planned.ts';
export { type Laid, planRows } from './place/planned-rows.ts';
export { type PlaceSchools, schoolsByPlace } from './place/schools-here.ts';
export { exposure, holdsCap } from './place/situation.ts';
export { isLeftOfPart, whereContext } from './place/where.ts';
export { zoneOf } from './place/zone.ts';
export type { KnotDecision, KnotOverride } from './rules/situation.ts';
