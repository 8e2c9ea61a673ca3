/** What of scalp and knots shows through the hair. */
export { type Concealment, concealments } from './conceal.ts';
export { meetsTheEye, michelson } from './contrast.ts';
export { hiddenShare, logOf, SIDE_TO_EYE, SIDES, type Side, seenShare, showing } from './cover.ts';
export type { ShownOnHead } from './difference.ts';
export { reachOf } from './footprint.ts';
export { type Isoline, isolines } from './isolines.ts';
export { LINE_INFO, LINE_KINDS, type LineShown, linesShown } from './lines.ts';
export { OWN_STRAND, ownHairPrints } from './own-hair.ts';
export { type BarePatch, barePatches, brushRadiusMm } from './places.ts';
export { PrintStore } from './prints.ts';
export { type OutlineBox, SIZE_VIEWS, Silhouette, type SizeView } from './size.ts';
export { type RowOver, rowsOver } from './why.ts';
