/** A scan of a head: cleaned, set upright, measured, and taken for its shape. */
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
  guessPose,
  type Pose,
  posed,
  SCAN_UNITS,
  type ScanUnit,
  seated,
  seatOf,
  sizeTrouble,
  UPS,
  type Up,
} from './pose.ts';
export { type BrushStroke, radiiOf, withoutHair } from './radii.ts';
export { coarse, extentOf, LEAST_TRIANGLES, largestPiece, MOST_TRIANGLES, type ScanMesh, welded } from './scan-mesh.ts';
