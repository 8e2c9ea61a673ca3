/**
 * Distance on a surface from a point or a line, by fast marching over the triangles.
 *
 * Source: R. Kimmel and J. A. Sethian, "Computing geodesic paths on manifolds", PNAS 95 (1998), with the
 * update chosen by what a vertex was reached from: two vertices reached from the same point unfold to a
 * virtual source (exact on a plane), all others carry a plane wave (exact for a straight line source).
 * Holds for meshes with few obtuse triangles. Error on 10 242 vertices: mean below 0.2 %, worst below 1 %
 * beyond 10 mm for points; 0.3 % and 2.5 % for arcs (see eikonal.test.ts). Cost: O(n log n), about 10 ms.
 */
import { IndexedHeap } from './heap.ts';
import { forVerticesWithin, nearestVertex, type SurfaceMesh } from './surface-mesh.ts';

/** Reached from the inside of a line, not from one of its ends. */
const LINE = -1;
/** Seeds reach this many mean edges from the source, where straight distance is as good as any. */
const SEED_REACH_EDGES = 2.2;

/** A polyline on the surface, xyz interleaved in mm. One point is a point source. */
export interface SurfaceSource {
  readonly pointsMm: ArrayLike<number>;
  readonly closed?: boolean;
}

/** Distance in mm from the source to every vertex; Infinity where the mesh is not connected to it. */
export function distanceFrom(mesh: SurfaceMesh, source: SurfaceSource): Float64Array {
  const n = mesh.vertexCount;
  const distance = new Float64Array(n).fill(Infinity);
  const tag = new Int32Array(n).fill(LINE);
  seed(mesh, source, distance, tag);
  march(mesh, distance, tag);
  return distance;
}

function seed(mesh: SurfaceMesh, source: SurfaceSource, distance: Float64Array, tag: Int32Array) {
  const q = source.pointsMm;
  const count = q.length / 3;
  if (count < 1) throw new RangeError('a distance source needs at least one point');
  const reach = SEED_REACH_EDGES * mesh.meanEdgeMm;
  const stamp = new Int32Array(mesh.vertexCount).fill(-1);
  const segments = count === 1 ? 1 : source.closed ? count : count - 1;
  let near = 0;
  for (let i = 0; i < segments; i++) {
    const a = 3 * i;
    const b = 3 * ((i + 1) % count);
    const mx = (q[a] + q[b]) / 2;
    const my = (q[a + 1] + q[b + 1]) / 2;
    const mz = (q[a + 2] + q[b + 2]) / 2;
    near = nearestVertex(mesh, mx, my, mz, near);
    const half = Math.sqrt((q[a] - mx) ** 2 + (q[a + 1] - my) ** 2 + (q[a + 2] - mz) ** 2);
    forVerticesWithin(mesh, near, mx, my, mz, reach + half, stamp, i, (v) => {
      const { d, t } = pointToSegment(mesh.positionsMm, v, q, a, b);
      if (d > reach || d >= distance[v]) return;
      distance[v] = d;
      const atStart = !source.closed && i === 0 && t <= 0;
      const atEnd = !source.closed && i === segments - 1 && t >= 1;
      tag[v] = atStart ? 0 : atEnd ? 1 : LINE;
    });
  }
}

function pointToSegment(p: Float64Array, v: number, q: ArrayLike<number>, a: number, b: number) {
  const ex = q[b] - q[a];
  const ey = q[b + 1] - q[a + 1];
  const ez = q[b + 2] - q[a + 2];
  const px = p[3 * v] - q[a];
  const py = p[3 * v + 1] - q[a + 1];
  const pz = p[3 * v + 2] - q[a + 2];
  const lengthSq = ex * ex + ey * ey + ez * ez;
  const t = lengthSq > 0 ? Math.min(1, Math.max(0, (px * ex + py * ey + pz * ez) / lengthSq)) : 0;
  const dx = px - t * ex;
  const dy = py - t * ey;
  const dz = pz - t * ez;
  return { d: Math.sqrt(dx * dx + dy * dy + dz * dz), t };
}

/** How a front goes on over a triangle: what two accepted corners say of the third, or one along an edge. */
function frontOn({ positionsMm: p }: SurfaceMesh, distance: Float64Array, tag: Int32Array, heap: IndexedHeap) {
  const lower = (v: number, d: number, from: number) => {
    if (d >= distance[v]) return;
    distance[v] = d;
    tag[v] = from;
    heap.push(v);
  };

  /** Vertex c from the accepted edge a-b. */
  const across = (a: number, b: number, c: number) => {
    const abx = p[3 * b] - p[3 * a];
    const aby = p[3 * b + 1] - p[3 * a + 1];
    const abz = p[3 * b + 2] - p[3 * a + 2];
    const acx = p[3 * c] - p[3 * a];
    const acy = p[3 * c + 1] - p[3 * a + 1];
    const acz = p[3 * c + 2] - p[3 * a + 2];
    const width = Math.sqrt(abx * abx + aby * aby + abz * abz);
    const acSq = acx * acx + acy * acy + acz * acz;
    // The triangle unfolded: a at the origin, b on the x axis, c above it.
    const xC = (abx * acx + aby * acy + abz * acz) / width;
    const yC = Math.sqrt(Math.max(0, acSq - xC * xC));
    const dA = distance[a];
    const dB = distance[b];
    if (tag[a] === tag[b] && tag[a] >= 0) {
      const xS = (dA * dA - dB * dB + width * width) / (2 * width);
      const ySq = dA * dA - xS * xS;
      if (ySq >= 0) {
        const yS = Math.sqrt(ySq);
        const crossing = xS + (yS / (yS + yC)) * (xC - xS);
        if (crossing >= 0 && crossing <= width) {
          const rise = yC + yS;
          lower(c, Math.sqrt((xC - xS) * (xC - xS) + rise * rise), tag[a]);
          return;
        }
      }
    }
    const slope = (dB - dA) / width;
    if (Math.abs(slope) < 1) {
      const climb = Math.sqrt(1 - slope * slope);
      const foot = xC - (yC * slope) / climb;
      if (foot >= 0 && foot <= width) {
        lower(c, dA + slope * xC + climb * yC, foot < width / 2 ? tag[a] : tag[b]);
      }
    }
  };

  const along = (a: number, c: number) => {
    const dx = p[3 * c] - p[3 * a];
    const dy = p[3 * c + 1] - p[3 * a + 1];
    const dz = p[3 * c + 2] - p[3 * a + 2];
    lower(c, distance[a] + Math.sqrt(dx * dx + dy * dy + dz * dz), tag[a]);
  };
  return { across, along };
}

function march(mesh: SurfaceMesh, distance: Float64Array, tag: Int32Array) {
  const n = mesh.vertexCount;
  const { triangles, vertexStart, vertexTriangles } = mesh;
  const accepted = new Uint8Array(n);
  const heap = new IndexedHeap(n, distance);
  for (let v = 0; v < n; v++) if (distance[v] < Infinity) heap.push(v);
  const { across, along } = frontOn(mesh, distance, tag, heap);
  while (!heap.isEmpty) {
    const v = heap.pop();
    accepted[v] = 1;
    for (let k = vertexStart[v]; k < vertexStart[v + 1]; k++) {
      const t = 3 * vertexTriangles[k];
      let a = triangles[t];
      let b = triangles[t + 1];
      if (a === v) a = triangles[t + 2];
      else if (b === v) b = triangles[t + 2];
      if (!accepted[a]) {
        if (accepted[b]) across(v, b, a);
        along(v, a);
      }
      if (!accepted[b]) {
        if (accepted[a]) across(v, a, b);
        along(v, b);
      }
    }
  }
}
