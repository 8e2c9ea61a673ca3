/** Level sets of a field that is linear on each triangle, walked from triangle to triangle. */
import { nearestVertex, type SurfaceMesh } from './surface-mesh.ts';

/**
 * A curve on the mesh. Point i lies on the edge from vertex `fromVertex[i]` to `toVertex[i]`, at the share
 * `share[i]` of the way, so that any vertex field can be read along the curve.
 */
export interface SurfaceCurve {
  readonly pointCount: number;
  readonly pointsMm: Float64Array;
  readonly fromVertex: Int32Array;
  readonly toVertex: Int32Array;
  readonly share: Float64Array;
  readonly closed: boolean;
  /** Length from the first point, mm. */
  readonly arcMm: Float64Array;
  readonly lengthMm: number;
}

/** Curves of every level, index for index. Levels rise. A level that meets no triangle gives an empty list. */
export function contours(mesh: SurfaceMesh, field: Float64Array, levels: ArrayLike<number>): SurfaceCurve[][] {
  const buckets = bucketTriangles(mesh, field, levels);
  const visited = new Int32Array(mesh.triangleCount).fill(-1);
  return Array.from(levels, (level, index) => {
    const crossing = buckets[index];
    const curves: SurfaceCurve[] = [];
    for (const t of crossing) {
      if (visited[t] === index) continue;
      curves.push(walk(mesh, field, level, t, visited, index));
    }
    return curves;
  });
}

function bucketTriangles(mesh: SurfaceMesh, field: Float64Array, levels: ArrayLike<number>): number[][] {
  const { triangles, vertexCount } = mesh;
  const buckets: number[][] = Array.from({ length: levels.length }, () => []);
  // How many levels each vertex reaches: a triangle is crossed by those that only some of its corners reach.
  const reached = new Int32Array(vertexCount);
  for (let v = 0; v < vertexCount; v++) {
    const value = field[v];
    reached[v] = value < Number.POSITIVE_INFINITY ? firstAbove(levels, value) : -1;
  }
  for (let t = 0; t < mesh.triangleCount; t++) {
    const a = reached[triangles[3 * t]];
    const b = reached[triangles[3 * t + 1]];
    const c = reached[triangles[3 * t + 2]];
    if ((a === b && b === c) || a < 0 || b < 0 || c < 0) continue;
    const to = Math.max(a, b, c);
    for (let i = Math.min(a, b, c); i < to; i++) buckets[i].push(t);
  }
  return buckets;
}

/** Index of the first level above the value; levels rise. */
function firstAbove(levels: ArrayLike<number>, value: number): number {
  let lo = 0;
  let hi = levels.length;
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (levels[mid] > value) hi = mid;
    else lo = mid + 1;
  }
  return lo;
}

/** Edge e of triangle t is crossed when exactly one end reaches the level. */
function crossed(mesh: SurfaceMesh, field: Float64Array, level: number, t: number, e: number): boolean {
  const a = field[mesh.triangles[3 * t + e]];
  const b = field[mesh.triangles[3 * t + ((e + 1) % 3)]];
  return a >= level !== b >= level;
}

function walk(
  mesh: SurfaceMesh,
  field: Float64Array,
  level: number,
  start: number,
  visited: Int32Array,
  mark: number,
): SurfaceCurve {
  const edges: number[] = [];
  for (let e = 0; e < 3; e++) if (crossed(mesh, field, level, start, e)) edges.push(3 * start + e);
  visited[start] = mark;
  const forward = follow(mesh, field, level, edges[1], visited, mark);
  if (forward.closed) return curveOf(mesh, field, level, forward.edges, true);
  const backward = follow(mesh, field, level, edges[0], visited, mark);
  return curveOf(mesh, field, level, [...backward.edges.reverse(), ...forward.edges], false);
}

/** Crossed edges from `edge` outwards, until the border or back at the start. */
function follow(
  mesh: SurfaceMesh,
  field: Float64Array,
  level: number,
  edge: number,
  visited: Int32Array,
  mark: number,
) {
  const edges = [edge];
  let current = edge;
  for (;;) {
    const t = mesh.acrossEdge[current];
    if (t < 0) return { edges, closed: false };
    if (visited[t] === mark) return { edges, closed: true };
    visited[t] = mark;
    const from = mesh.triangles[current];
    let exit = -1;
    for (let e = 0; e < 3; e++) {
      const a = mesh.triangles[3 * t + e];
      const b = mesh.triangles[3 * t + ((e + 1) % 3)];
      const entry = b === from && a === mesh.triangles[nextCorner(current)];
      if (!entry && crossed(mesh, field, level, t, e)) exit = 3 * t + e;
    }
    if (exit < 0) return { edges, closed: false };
    edges.push(exit);
    current = exit;
  }
}

function nextCorner(edge: number): number {
  const t = (edge / 3) | 0;
  return 3 * t + ((edge + 1) % 3);
}

function curveOf(
  mesh: SurfaceMesh,
  field: Float64Array,
  level: number,
  edges: number[],
  closed: boolean,
): SurfaceCurve {
  const n = edges.length;
  const fromVertex = new Int32Array(n);
  const toVertex = new Int32Array(n);
  const share = new Float64Array(n);
  edges.forEach((edge, i) => {
    const a = mesh.triangles[edge];
    const b = mesh.triangles[nextCorner(edge)];
    fromVertex[i] = a;
    toVertex[i] = b;
    share[i] = (level - field[a]) / (field[b] - field[a]);
  });
  return curveFromEdges(mesh, fromVertex, toVertex, share, closed);
}

export function curveFromEdges(
  mesh: SurfaceMesh,
  fromVertex: Int32Array,
  toVertex: Int32Array,
  share: Float64Array,
  closed: boolean,
): SurfaceCurve {
  const n = fromVertex.length;
  const p = mesh.positionsMm;
  const pointsMm = new Float64Array(3 * n);
  const arcMm = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < 3; k++) {
      const a = p[3 * fromVertex[i] + k];
      pointsMm[3 * i + k] = a + share[i] * (p[3 * toVertex[i] + k] - a);
    }
    if (i > 0) arcMm[i] = arcMm[i - 1] + gap(pointsMm, i - 1, i);
  }
  const lengthMm = n === 0 ? 0 : arcMm[n - 1] + (closed ? gap(pointsMm, n - 1, 0) : 0);
  return { pointCount: n, pointsMm, fromVertex, toVertex, share, closed, arcMm, lengthMm };
}

function gap(p: Float64Array, i: number, j: number): number {
  const dx = p[3 * i] - p[3 * j];
  const dy = p[3 * i + 1] - p[3 * j + 1];
  const dz = p[3 * i + 2] - p[3 * j + 2];
  return Math.sqrt(dx * dx + dy * dy + dz * dz);
}

/** A vertex field read at point i of the curve. */
export function fieldAt(curve: SurfaceCurve, field: Float64Array, i: number): number {
  const a = field[curve.fromVertex[i]];
  return a + curve.share[i] * (field[curve.toVertex[i]] - a);
}

/** Points from..to (inclusive, open) of a curve as a curve of their own. */
export function sliceCurve(curve: SurfaceCurve, from: number, to: number): SurfaceCurve {
  const start = curve.arcMm[from];
  return {
    pointCount: to - from + 1,
    pointsMm: curve.pointsMm.slice(3 * from, 3 * (to + 1)),
    fromVertex: curve.fromVertex.slice(from, to + 1),
    toVertex: curve.toVertex.slice(from, to + 1),
    share: curve.share.slice(from, to + 1),
    closed: false,
    arcMm: curve.arcMm.slice(from, to + 1).map((a) => a - start),
    lengthMm: curve.arcMm[to] - start,
  };
}

/** The same curve run the other way. */
export function reverseCurve(curve: SurfaceCurve): SurfaceCurve {
  const n = curve.pointCount;
  const pointsMm = new Float64Array(3 * n);
  const arcMm = new Float64Array(n);
  const end = n > 0 ? curve.arcMm[n - 1] : 0;
  for (let i = 0; i < n; i++) {
    const from = n - 1 - i;
    for (let c = 0; c < 3; c++) pointsMm[3 * i + c] = curve.pointsMm[3 * from + c];
    arcMm[i] = end - curve.arcMm[from];
  }
  return {
    ...curve,
    pointsMm,
    arcMm,
    fromVertex: curve.fromVertex.slice().reverse(),
    toVertex: curve.toVertex.slice().reverse(),
    share: curve.share.slice().reverse(),
  };
}

/** A way over the mesh that was not traced: each point reads fields at the vertex nearest to it. */
export function curveFromPoints(mesh: SurfaceMesh, pointsMm: Float64Array, closed = false): SurfaceCurve {
  const n = pointsMm.length / 3;
  const nearest = new Int32Array(n);
  const arcMm = new Float64Array(n);
  let near = 0;
  for (let i = 0; i < n; i++) {
    near = nearestVertex(mesh, pointsMm[3 * i], pointsMm[3 * i + 1], pointsMm[3 * i + 2], near);
    nearest[i] = near;
    if (i > 0) arcMm[i] = arcMm[i - 1] + gap(pointsMm, i - 1, i);
  }
  const lengthMm = n === 0 ? 0 : arcMm[n - 1] + (closed ? gap(pointsMm, n - 1, 0) : 0);
  return {
    pointCount: n,
    pointsMm,
    fromVertex: nearest,
    toVertex: nearest,
    share: new Float64Array(n),
    closed,
    arcMm,
    lengthMm,
  };
}

/** Index of the last point at or before the given length along the curve. */
export function pointBefore(curve: SurfaceCurve, arc: number): number {
  let lo = 0;
  let hi = curve.pointCount - 1;
  while (lo < hi) {
    const mid = (lo + hi + 1) >> 1;
    if (curve.arcMm[mid] <= arc) lo = mid;
    else hi = mid - 1;
  }
  return lo;
}
