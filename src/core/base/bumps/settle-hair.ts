/** Volumes of parked hair by vertex made heights. Volume is kept. */
import { evenOut, type SurfaceMesh, slide } from '../../geometry/index.ts';

/** Steepest that pinned hair stands under a net, rise over run (guess). */
const STEEPEST = 0.55;

/** Passes of a mean over neighbours: hair has no edges. */
const SMOOTHING = 3;

/** Hair that would stand steeper than a net lets it slides down to its neighbours, and what is left is smoothed. */
export function heights(mesh: SurfaceMesh, volume: Float64Array): Float64Array {
  const height = volume.map((v, i) => v / mesh.vertexAreasMm2[i]);
  slide(mesh, height, STEEPEST);
  evenOut(mesh, height, SMOOTHING);
  return height;
}
