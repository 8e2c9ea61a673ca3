/** Heights over a mesh, evened out and let slide down where they are too steep. What leaves one vertex arrives at another: no volume is lost. */
import { distanceMm, type SurfaceMesh } from './surface-mesh.ts';

/** Edges of a mesh once each, and how heights are exchanged along them so that no volume is lost. */
interface Edges {
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** What a height exchanged along it adds at either end, over the smaller of both areas. */
  readonly atFrom: Float64Array;
  readonly atTo: Float64Array;
  readonly lengthMm: Float64Array;
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
    lengthMm: Float64Array.from(from, (v, i) => distanceMm(p, v, p, to[i])),
  };
  edgesOf.set(mesh, edges);
  return edges;
}

/** Of a difference of height, the share that is evened out along one edge in a pass; more would overshoot. */
const EVENING = 0.28;

/** Evens heights out along edges, so often. In place. */
export function evenOut(mesh: SurfaceMesh, heightMm: Float64Array, passes: number) {
  const { from, to, atFrom, atTo } = meshEdges(mesh);
  for (let pass = 0; pass < passes; pass++) {
    for (let e = 0; e < from.length; e++) {
      const a = from[e];
      const b = to[e];
      const moved = EVENING * (heightMm[a] - heightMm[b]);
      heightMm[a] -= moved * atFrom[e];
      heightMm[b] += moved * atTo[e];
    }
  }
}

/** Each pass moves a wave by an edge or more; so many reach across the widest tail. */
const SLIDES = 22;

/** Of what stands too steep, the share that goes over to one neighbour in a pass. */
const SLIDE_SHARE = 0.3;

/** No slope is steeper than allowed by more than this, mm: good enough. */
const SLID_MM = 0.3;

/** Lets what stands steeper than `steepest` (rise over run) slide to its neighbours. In place. */
export function slide(mesh: SurfaceMesh, heightMm: Float64Array, steepest: number) {
  const { from, to, atFrom, atTo, lengthMm } = meshEdges(mesh);
  for (let pass = 0; pass < SLIDES; pass++) {
    let most = 0;
    for (let e = 0; e < from.length; e++) {
      const a = from[e];
      const b = to[e];
      const drop = heightMm[a] - heightMm[b];
      const step = steepest * lengthMm[e];
      if (drop <= step && drop >= -step) continue;
      const over = drop > 0 ? drop - step : drop + step;
      const moved = SLIDE_SHARE * over;
      heightMm[a] -= moved * atFrom[e];
      heightMm[b] += moved * atTo[e];
      const size = over < 0 ? -over : over;
      if (size > most) most = size;
    }
    if (most < SLID_MM) break;
  }
}
