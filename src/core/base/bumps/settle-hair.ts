/** Volumes by vertex made heights, evened out, and let slide down where they are too steep. Volume is kept. */
import { distanceMm, type SurfaceMesh } from '../../geometry/index.ts';

/**
 * From volumes to heights. Hair that would stand steeper than a net lets it slides down to its neighbours, and
 * what is left is smoothed; both hand volume on, so that none is lost.
 */
export function heights(mesh: SurfaceMesh, volume: Float64Array): Float64Array {
  const height = volume.map((v, i) => v / mesh.vertexAreasMm2[i]);
  slide(mesh, height);
  smoothHeights(mesh, height, SMOOTHING);
  return height;
}

/** Edges of a mesh once each, and how heights are exchanged along them so that no volume is lost. */
interface Edges {
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** What a height exchanged along it adds at either end, over the smaller of both areas. */
  readonly atFrom: Float64Array;
  readonly atTo: Float64Array;
  /** Greatest difference of height that stands, mm. */
  readonly stepMm: Float64Array;
}

const edgesOf = new WeakMap<SurfaceMesh, Edges>();

function meshEdges(mesh: SurfaceMesh): Edges {
  const known = edgesOf.get(mesh);
  if (known) return known;
  const from: number[] = [];
  const to: number[] = [];
  for (let v = 0; v < mesh.vertexCount; v++) {
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      if (mesh.neighbours[k] <= v) continue;
      from.push(v);
      to.push(mesh.neighbours[k]);
    }
  }
  const { vertexAreasMm2: area, positionsMm: p } = mesh;
  const edges: Edges = {
    from: Int32Array.from(from),
    to: Int32Array.from(to),
    atFrom: Float64Array.from(from, (v, i) => Math.min(area[v], area[to[i]]) / area[v]),
    atTo: Float64Array.from(from, (v, i) => Math.min(area[v], area[to[i]]) / area[to[i]]),
    stepMm: Float64Array.from(from, (v, i) => STEEPEST * distanceMm(p, v, p, to[i])),
  };
  edgesOf.set(mesh, edges);
  return edges;
}

/** Of a difference of height, the share that is evened out along one edge in a pass; more would overshoot. */
const EVENING = 0.28;

/** Evens heights out along edges, so often; what leaves one vertex arrives at the other. In place. */
export function smoothHeights(mesh: SurfaceMesh, height: Float64Array, passes: number) {
  const { from, to, atFrom, atTo } = meshEdges(mesh);
  for (let pass = 0; pass < passes; pass++) {
    for (let e = 0; e < from.length; e++) {
      const a = from[e];
      const b = to[e];
      const moved = EVENING * (height[a] - height[b]);
      height[a] -= moved * atFrom[e];
      height[b] += moved * atTo[e];
    }
  }
}

/** Steepest that pinned hair stands under a net, rise over run (guess). */
const STEEPEST = 0.55;

/** Each pass moves a wave by an edge or more; so many reach across the widest tail. */
const SLIDES = 22;

/** Of what stands too steep, the share that goes over to one neighbour in a pass. */
const SLIDE_SHARE = 0.3;

/** No slope is steeper than allowed by more than this, mm: good enough. */
const SLID_MM = 0.3;

function slide(mesh: SurfaceMesh, height: Float64Array) {
  const { from, to, atFrom, atTo, stepMm } = meshEdges(mesh);
  for (let pass = 0; pass < SLIDES; pass++) {
    let steepest = 0;
    for (let e = 0; e < from.length; e++) {
      const a = from[e];
      const b = to[e];
      const drop = height[a] - height[b];
      const step = stepMm[e];
      if (drop <= step && drop >= -step) continue;
      const over = drop > 0 ? drop - step : drop + step;
      const moved = SLIDE_SHARE * over;
      height[a] -= moved * atFrom[e];
      height[b] += moved * atTo[e];
      const size = over < 0 ? -over : over;
      if (size > steepest) steepest = size;
    }
    if (steepest < SLID_MM) break;
  }
}

/** Passes of a mean over neighbours: hair has no edges. */
export const SMOOTHING = 3;
