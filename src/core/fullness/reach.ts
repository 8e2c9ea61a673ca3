/**
 * Where hair that is hooked in one cell comes to lie: how much scalp the strands of a piece hide, and what share of its
 * length lies, in every cell of the head. Followed as the look follows them, from the middle of each cell.
 */
import { fullWidthAt, KERNEL_MEAN, type Ribbons, ribbonAngle, StrandTracer } from '../fall/index.ts';
import type { SurfaceMesh } from '../geometry/index.ts';
import type { Cells } from './cells.ts';

export interface Reach {
  /** Scalp that one piece hooked in cell `from` hides in cell `to`, at `from * count + to`, mm², ribbons over each other counted each. */
  readonly hidesMm2: Float64Array;
  /** Share of its hair that lies on the scalp, by the cell it is hooked in. */
  readonly lies: Float64Array;
}

/** Of a fan so many strands are followed: the look of all of them to within half a point. */
const FOLLOWED = 4;

/** @param ribbons of the piece hooked in each cell */
export function reachOfPieces(
  mesh: SurfaceMesh,
  { count, middles, of }: Cells,
  ways: Float64Array,
  ribbons: readonly Ribbons[],
): Reach {
  const hidesMm2 = new Float64Array(count * count);
  const lies = new Float64Array(count);
  const tracer = new StrandTracer(mesh, ways);
  const p = mesh.positionsMm;
  for (let from = 0; from < count; from++) {
    const piece = ribbons[from];
    const v = middles[from];
    const strands = Math.min(FOLLOWED, piece.count);
    const hides = (piece.count / strands) * piece.widthMm * KERNEL_MEAN * piece.opacity;
    for (let j = 0; j < strands; j++) {
      const angle = ribbonAngle({ count: strands, fanRad: piece.fanRad }, j);
      tracer.trace(p[3 * v], p[3 * v + 1], p[3 * v + 2], v, angle, piece.fanReachMm, piece.lengthMm);
      const { steps, arcMm, middles: under } = tracer;
      for (let i = 0; i < steps; i++) {
        const stepMm = arcMm[i + 1] - arcMm[i];
        hidesMm2[from * count + of[under[i]]] += hides * stepMm * fullWidthAt(piece, arcMm[i] + stepMm / 2);
      }
      lies[from] += arcMm[steps] / piece.lengthMm / strands;
    }
  }
  return { hidesMm2, lies };
}
