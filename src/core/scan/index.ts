/** A scan of a head: cleaned, set upright, measured, and taken for its shape. */
export { cleaned, headIn, poseIn } from './head-in.ts';
export {
  type HeldAgainst,
  heldAgainst,
  MIDDLE_MARKS,
  proposedMarks,
  reliefFrom,
  SCAN_MARK_NAMES,
  SCAN_MARKS,
  type ScanJudged,
  type ScanMark,
  type ScanMarks,
  scanTape,
  surfaceOf,
} from './measured.ts';
export {
  type Pose,
  posed,
  SCAN_UNITS,
  type ScanUnit,
  seated,
  sizeTrouble,
  UPS,
  type Up,
} from './pose.ts';
export { type BrushStroke, type Radii, withoutHair } from './radii.ts';
export { coarse, extentOf, LEAST_TRIANGLES, MOST_TRIANGLES, type ScanMesh } from './scan-mesh.ts';
