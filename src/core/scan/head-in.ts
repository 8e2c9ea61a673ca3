/** From what a scanner wrote to a head: the way that a page, a bench and the checks go. */
import { guessPose, type Pose, posed, type Seat, seated, seatOf } from './pose.ts';
import { type Radii, radiiOf } from './radii.ts';
import { coarse, extentOf, type Largest, largestPiece, type ScanMesh, welded } from './scan-mesh.ts';

/** Cells across the whole that do to guess a pose from. */
const CELLS = 110;

/** Copies of corners joined, and only the piece with the most surface. */
export const cleaned = (scan: ScanMesh): Largest => largestPiece(welded(scan));

export const poseIn = (mesh: ScanMesh): Pose => guessPose(coarse(mesh, extentOf(mesh.positions).across / CELLS));

export interface HeadIn extends Radii {
  readonly seat: Seat;
}

/** @throws RangeError with a sentence where no head is found in that pose */
export function headIn(mesh: ScanMesh, pose: Pose): HeadIn {
  const upright = posed(mesh, pose);
  const seat = seatOf(upright);
  return { seat, ...radiiOf({ positions: seated(upright, seat), triangles: mesh.triangles }) };
}
