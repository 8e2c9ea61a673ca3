/** How full hair comes out at a gap, and the gap for a hair: the look, worked out without laying a row. */
export { cellPiece, type HairGaps, hairGaps } from './for-hair.ts';
export { ZONE_SPARES } from './gaps.ts';
export { groundOf, zoneAt } from './ground.ts';
export { ReachStore } from './reach.ts';
