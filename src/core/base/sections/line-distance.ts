/** How far a vertex lies from the line between two sections, and how far along it. */
import type { SurfaceMesh } from '../../geometry/index.ts';

export interface LinePoints {
  readonly count: number;
  nearest(v: number): { readonly distanceMm: number; readonly share: number };
}

/**
 * The line as the midpoints of the edges that cross it. Straight distance stands for distance on the scalp:
 * lines are moved by fingers, where the two differ by less than a tenth of a millimetre.
 */
export function borderPoints(
  mesh: SurfaceMesh,
  labels: Int32Array,
  a: number,
  b: number,
  /** Vertices among which those of a are; all if left out. */
  among?: readonly number[],
): LinePoints {
  const p = mesh.positionsMm;
  const points: number[] = [];
  for (let i = 0; i < (among ? among.length : labels.length); i++) {
    const v = among ? among[i] : i;
    if (labels[v] !== a) continue;
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      const u = mesh.neighbours[k];
      if (labels[u] !== b) continue;
      for (let c = 0; c < 3; c++) points.push((p[3 * v + c] + p[3 * u + c]) / 2);
    }
  }
  const q = Float64Array.from(points);
  const share = sharesAlong(q);
  return {
    count: share.length,
    nearest(v) {
      const x = p[3 * v];
      const y = p[3 * v + 1];
      const z = p[3 * v + 2];
      let best = 0;
      let nearest = Number.POSITIVE_INFINITY;
      for (let i = 0; i < q.length; i += 3) {
        const d = (q[i] - x) * (q[i] - x) + (q[i + 1] - y) * (q[i + 1] - y) + (q[i + 2] - z) * (q[i + 2] - z);
        if (d < nearest) {
          nearest = d;
          best = i / 3;
        }
      }
      return { distanceMm: Math.sqrt(nearest), share: share[best] };
    },
  };
}

/** 0 at the front (or her left) end of the line, 1 at the other: by the place along its longest stretch. */
function sharesAlong(q: Float64Array): Float64Array {
  const low = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
  const high = low.map((v) => -v);
  for (let i = 0; i < q.length; i++) {
    low[i % 3] = Math.min(low[i % 3], q[i]);
    high[i % 3] = Math.max(high[i % 3], q[i]);
  }
  const extent = low.map((v, c) => high[c] - v);
  const axis = extent.indexOf(Math.max(...extent));
  // Left has positive x, front positive z, up positive y: the line starts at the high end of each.
  return Float64Array.from({ length: q.length / 3 }, (_, i) =>
    extent[axis] > 0 ? (high[axis] - q[3 * i + axis]) / extent[axis] : 0,
  );
}
