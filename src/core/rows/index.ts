/** The way rows run over a head, laid as lines. */
export {
  type BrushStroke,
  DEFAULT_ROWS,
  type HandChange,
  type RowChoice,
  type RowEdit,
  turnedBrush,
  turnedHand,
} from './choice.ts';
export { brushField } from './field/brush.ts';
export { factorsOnHead, isFieldScheme, schemeField } from './field/schemes.ts';
export {
  edgeFactor,
  faceEdgeFactors,
  gapFactor,
  ZONE_REACH_MM,
  type ZoneFactors,
  type ZoneShares,
  zoneShares,
} from './field/zones.ts';
export { borderRows } from './given/border.ts';
export { fringeArea, fringeMask } from './given/fringe.ts';
export { intoBaseRows, type TiedSection } from './given/into-base.ts';
export { fromLocked } from './given/locked.ts';
export { followedLines, type LineThere, linesThere } from './given/there.ts';
export { gapAfterRule } from './levels/dyadic.ts';
export { layRows } from './levels/lay.ts';
export type { Row, RowContext, RowKind, RowOptions, RowPlan, RowSpacing } from './levels/row.ts';
export { rowSlopes } from './levels/slopes.ts';
export { turnedRows } from './mirror.ts';
export { schemeOfBase } from './scheme-of-base.ts';
export { coilRimMm, laySchemeRows, NO_ROWS, passesLumps, rowOptions, tieOf, whyNot } from './scheme-rows.ts';
