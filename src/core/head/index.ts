/** Her head: measured, fitted, meshed, marked, parted. */
export { bust, bustBox, bustMesh, openness, type PictureMesh } from './bust.ts';
export {
  CONTRADICTION_LIMIT,
  fitHead,
  type HeadFit,
  REFUSE_CHI_SQUARE,
  type TapeSpreadsMm,
  type TapeValuesMm,
} from './fit.ts';
export {
  AS_FITTED,
  aboveHairline,
  azimuthOf,
  HAIRLINE_LIMIT_MM,
  HAIRLINE_POINT_NAMES,
  type Hairline,
  type HairlineOffsets,
  type HairlinePoint,
  hairline,
  hairlinePoints,
  NO_OFFSET,
  SIDE_POINTS,
  type SideOffsets,
  type SidePoint,
  turnedOffsets,
} from './hairline.ts';
export { type Head, layHead } from './head.ts';
export { type Landmarks, landmarks, type Point } from './landmarks.ts';
export {
  type DirectionDeg,
  directionDeg,
  directionOf,
  forStroke,
  type Mark,
  type MarkMasks,
  markMasks,
  onSurface,
  paintPlace,
  type Stroke,
} from './marks.ts';
export { EFFECTS_FREQUENCY, type MeasureEffect, measureEffects } from './measure-effects.ts';
export { HEAD_NORMS, NORM_SOURCE, type Standing, standings } from './norms.ts';
export { scoresOf } from './parameters.ts';
export {
  type LinePart,
  laidPart,
  onHerLeft,
  type Part,
  type Parting,
  partInWords,
  partPolyline,
  secondPart,
  turnedPart,
  turnedPoints,
} from './part.ts';
export { partsOnHead } from './part-on-head.ts';
export { MOST_READINGS, meanReading } from './readings.ts';
export {
  nodeDirection,
  nodeOf,
  nodesRound,
  RELIEF_NODES,
  RELIEF_TEXT,
  type Relief,
  reliefOf,
  reliefText,
  valueAt,
} from './relief.ts';
export { scalpMesh } from './scalp.ts';
export type { ScalpFields } from './scalp-fields.ts';
export { fittedGauge, gauge, type HeadShape, headShape } from './shape.ts';
export { tapePolyline, tapeReading } from './tape.ts';
