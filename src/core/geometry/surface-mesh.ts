/**
 * A triangle mesh of a surface with the adjacency that distance, contours and areas need.
 * Indices are Int32: V8 reads them without the detour that unsigned ones take in hot loops.
 * Layout: positions xyz interleaved (mm); triangles three corners each, counter-clockwise seen from
 * outside; edge e of triangle t runs from corner e to corner (e + 1) % 3.
 */

export interface SurfaceMesh {
  readonly vertexCount: number;
  readonly triangleCount: number;
  readonly positionsMm: Float64Array;
  readonly triangles: Int32Array;
  /** Per triangle edge: the triangle on the other side, or -1 at the border. */
  readonly acrossEdge: Int32Array;
  /** Triangles round vertex v: vertexTriangles[vertexStart[v] .. vertexStart[v + 1]). */
  readonly vertexStart: Int32Array;
  readonly vertexTriangles: Int32Array;
  /** Neighbours of vertex v: neighbours[neighbourStart[v] .. neighbourStart[v + 1]). */
  readonly neighbourStart: Int32Array;
  readonly neighbours: Int32Array;
  readonly triangleAreasMm2: Float64Array;
  readonly vertexAreasMm2: Float64Array;
  readonly normals: Float64Array;
  /** Border vertices in order, one array a loop; the surface lies to the left. */
  readonly borders: ReadonlyArray<Int32Array>;
  readonly meanEdgeMm: number;
}

export function buildSurfaceMesh(positionsMm: Float64Array, corners: ArrayLike<number>): SurfaceMesh {
  const triangles = Int32Array.from(corners);
  const vertexCount = positionsMm.length / 3;
  const triangleCount = triangles.length / 3;
  const { vertexStart, vertexTriangles } = incidence(triangles, vertexCount);
  const acrossEdge = edgeAdjacency(triangles, vertexStart, vertexTriangles);
  const { neighbourStart, neighbours } = vertexNeighbours(triangles, vertexStart, vertexTriangles);
  const measure = areasAndNormals(positionsMm, triangles);
  return {
    vertexCount,
    triangleCount,
    positionsMm,
    triangles,
    acrossEdge,
    vertexStart,
    vertexTriangles,
    neighbourStart,
    neighbours,
    ...measure,
    borders: borderLoops(triangles, acrossEdge),
    meanEdgeMm: meanEdge(positionsMm, triangles),
  };
}

function incidence(triangles: Int32Array, vertexCount: number) {
  const vertexStart = new Int32Array(vertexCount + 1);
  for (let i = 0; i < triangles.length; i++) vertexStart[triangles[i] + 1]++;
  for (let v = 0; v < vertexCount; v++) vertexStart[v + 1] += vertexStart[v];
  const vertexTriangles = new Int32Array(triangles.length);
  const fill = vertexStart.slice();
  for (let i = 0; i < triangles.length; i++) {
    vertexTriangles[fill[triangles[i]]++] = (i / 3) | 0;
  }
  return { vertexStart, vertexTriangles };
}

function edgeAdjacency(triangles: Int32Array, vertexStart: Int32Array, vertexTriangles: Int32Array): Int32Array {
  const across = new Int32Array(triangles.length).fill(-1);
  for (let t = 0; t < triangles.length / 3; t++) {
    for (let e = 0; e < 3; e++) {
      const a = triangles[3 * t + e];
      const b = triangles[3 * t + ((e + 1) % 3)];
      for (let k = vertexStart[a]; k < vertexStart[a + 1]; k++) {
        const u = vertexTriangles[k];
        if (u === t) continue;
        if (triangles[3 * u] === b || triangles[3 * u + 1] === b || triangles[3 * u + 2] === b) {
          across[3 * t + e] = u;
          break;
        }
      }
    }
  }
  return across;
}

function vertexNeighbours(triangles: Int32Array, vertexStart: Int32Array, vertexTriangles: Int32Array) {
  const vertexCount = vertexStart.length - 1;
  const neighbourStart = new Int32Array(vertexCount + 1);
  const list: number[] = [];
  for (let v = 0; v < vertexCount; v++) {
    const from = list.length;
    for (let k = vertexStart[v]; k < vertexStart[v + 1]; k++) {
      const t = vertexTriangles[k];
      for (let c = 0; c < 3; c++) {
        const u = triangles[3 * t + c];
        if (u !== v && !list.includes(u, from)) list.push(u);
      }
    }
    neighbourStart[v + 1] = list.length;
  }
  return { neighbourStart, neighbours: Int32Array.from(list) };
}

function areasAndNormals(p: Float64Array, triangles: Int32Array) {
  const triangleAreasMm2 = new Float64Array(triangles.length / 3);
  const vertexAreasMm2 = new Float64Array(p.length / 3);
  const normals = new Float64Array(p.length);
  for (let t = 0; t < triangleAreasMm2.length; t++) {
    const a = 3 * triangles[3 * t];
    const b = 3 * triangles[3 * t + 1];
    const c = 3 * triangles[3 * t + 2];
    const ux = p[b] - p[a];
    const uy = p[b + 1] - p[a + 1];
    const uz = p[b + 2] - p[a + 2];
    const vx = p[c] - p[a];
    const vy = p[c + 1] - p[a + 1];
    const vz = p[c + 2] - p[a + 2];
    const nx = uy * vz - uz * vy;
    const ny = uz * vx - ux * vz;
    const nz = ux * vy - uy * vx;
    const area = 0.5 * Math.sqrt(nx * nx + ny * ny + nz * nz);
    triangleAreasMm2[t] = area;
    for (const v of [a, b, c]) {
      normals[v] += nx;
      normals[v + 1] += ny;
      normals[v + 2] += nz;
      vertexAreasMm2[v / 3] += area / 3;
    }
  }
  for (let v = 0; v < normals.length; v += 3) {
    const l = Math.sqrt(normals[v] ** 2 + normals[v + 1] ** 2 + normals[v + 2] ** 2);
    normals[v] /= l;
    normals[v + 1] /= l;
    normals[v + 2] /= l;
  }
  return { triangleAreasMm2, vertexAreasMm2, normals };
}

function borderLoops(triangles: Int32Array, acrossEdge: Int32Array): Int32Array[] {
  const next = new Map<number, number>();
  for (let i = 0; i < triangles.length; i++) {
    if (acrossEdge[i] !== -1) continue;
    const t = (i / 3) | 0;
    next.set(triangles[i], triangles[3 * t + ((i + 1) % 3)]);
  }
  const loops: Int32Array[] = [];
  while (next.size > 0) {
    const [start] = next.keys();
    const loop: number[] = [];
    let v: number | undefined = start;
    while (v !== undefined && next.has(v)) {
      loop.push(v);
      const to: number | undefined = next.get(v);
      next.delete(v);
      v = to;
    }
    loops.push(Int32Array.from(loop));
  }
  return loops;
}

function meanEdge(p: Float64Array, triangles: Int32Array): number {
  let sum = 0;
  for (let i = 0; i < triangles.length; i++) {
    const t = (i / 3) | 0;
    sum += distanceMm(p, triangles[i], p, triangles[3 * t + ((i + 1) % 3)]);
  }
  return sum / triangles.length;
}

/** Straight distance between point i of p and point j of q. */
export function distanceMm(p: ArrayLike<number>, i: number, q: ArrayLike<number>, j: number): number {
  const dx = p[3 * i] - q[3 * j];
  const dy = p[3 * i + 1] - q[3 * j + 1];
  const dz = p[3 * i + 2] - q[3 * j + 2];
  return Math.sqrt(dx * dx + dy * dy + dz * dz);
}

/** Walks from vertex `start` to the vertex nearest to the point, one neighbour at a time. Written out: it is hot. */
export function nearestVertex(mesh: SurfaceMesh, x: number, y: number, z: number, start = 0): number {
  const { positionsMm: p, neighbourStart, neighbours } = mesh;
  let here = start;
  let dx = p[3 * here] - x;
  let dy = p[3 * here + 1] - y;
  let dz = p[3 * here + 2] - z;
  let best = dx * dx + dy * dy + dz * dz;
  for (;;) {
    let better = here;
    for (let k = neighbourStart[here]; k < neighbourStart[here + 1]; k++) {
      const v = neighbours[k];
      dx = p[3 * v] - x;
      dy = p[3 * v + 1] - y;
      dz = p[3 * v + 2] - z;
      const d = dx * dx + dy * dy + dz * dz;
      if (d < best) {
        best = d;
        better = v;
      }
    }
    if (better === here) return here;
    here = better;
  }
}

/**
 * Visits the vertices within a straight radius of a place that are joined to `start` through such vertices.
 * `stamp` remembers what was visited under this `mark`; callers keep it so that it need not be cleared.
 */
export function forVerticesWithin(
  mesh: SurfaceMesh,
  start: number,
  x: number,
  y: number,
  z: number,
  radius: number,
  stamp: Int32Array,
  mark: number,
  visit: (v: number) => void,
) {
  const p = mesh.positionsMm;
  const stack = [start];
  stamp[start] = mark;
  while (stack.length > 0) {
    const v = stack.pop()!;
    visit(v);
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      const u = mesh.neighbours[k];
      if (stamp[u] === mark) continue;
      stamp[u] = mark;
      const dSq = (p[3 * u] - x) ** 2 + (p[3 * u + 1] - y) ** 2 + (p[3 * u + 2] - z) ** 2;
      if (dSq <= radius * radius) stack.push(u);
    }
  }
}

/** How far every vertex lies from the masked ones, mm, counted in edges; beyond the reach infinite. */
export function distanceFromMask(mesh: SurfaceMesh, mask: Uint8Array, reachMm: number): Float64Array {
  const out = Float64Array.from(mask, (m) => (m ? 0 : Number.POSITIVE_INFINITY));
  let front = Array.from(mask.keys()).filter((v) => mask[v] === 1);
  for (let mm = mesh.meanEdgeMm; mm <= reachMm && front.length > 0; mm += mesh.meanEdgeMm) {
    const next: number[] = [];
    for (const v of front) {
      for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
        const u = mesh.neighbours[k];
        if (out[u] <= mm) continue;
        out[u] = mm;
        next.push(u);
      }
    }
    front = next;
  }
  return out;
}

/** Faults that would make distances or contours wrong; empty when the mesh is sound. */
export function validateDiscMesh(mesh: SurfaceMesh): string[] {
  const faults: string[] = [];
  const edges = new Set<number>();
  for (let i = 0; i < mesh.triangles.length; i++) {
    const t = (i / 3) | 0;
    const a = mesh.triangles[i];
    const b = mesh.triangles[3 * t + ((i + 1) % 3)];
    edges.add(Math.min(a, b) * mesh.vertexCount + Math.max(a, b));
  }
  const euler = mesh.vertexCount - edges.size + mesh.triangleCount;
  if (euler !== 1) faults.push(`Euler number ${euler}, a disc has 1`);
  if (mesh.borders.length !== 1) faults.push(`${mesh.borders.length} border loops, a disc has 1`);
  const empty = mesh.vertexAreasMm2.filter((a) => !(a > 0)).length;
  if (empty > 0) faults.push(`${empty} vertices without area`);
  if (mesh.positionsMm.some((v) => !Number.isFinite(v))) faults.push('a position is not finite');
  return faults;
}

/** Further from the place than this many edges a walk has stopped short. */
const STOPPED_SHORT = 2;
/** Every so manieth vertex tells on which side of the mesh a place lies. */
const SIDE_STRIDE = 97;

/** The vertex under a place on the surface: a walk from `start`, or from its own side where a concave rim (face, ear) lay in the way. */
export function vertexUnder(mesh: SurfaceMesh, x: number, y: number, z: number, start?: number): number {
  const { positionsMm: p, vertexCount, meanEdgeMm } = mesh;
  const awaySq = (v: number) => (p[3 * v] - x) ** 2 + (p[3 * v + 1] - y) ** 2 + (p[3 * v + 2] - z) ** 2;
  const found = start === undefined ? undefined : nearestVertex(mesh, x, y, z, start);
  if (found !== undefined && awaySq(found) < (STOPPED_SHORT * meanEdgeMm) ** 2) return found;
  let side = 0;
  for (let v = 0; v < vertexCount; v += SIDE_STRIDE) if (awaySq(v) < awaySq(side)) side = v;
  return nearestVertex(mesh, x, y, z, side);
}

/** The mesh vertex under each knot: knots follow each other, so each walk is short. */
export function verticesUnder(
  mesh: SurfaceMesh,
  knots: ReadonlyArray<{ readonly xMm: number; readonly yMm: number; readonly zMm: number }>,
): number[] {
  let near = 0;
  return knots.map((k) => {
    near = vertexUnder(mesh, k.xMm, k.yMm, k.zMm, near);
    return near;
  });
}

/** A mask as it lies on the mirrored head. */
export function seenInMirror(from: SurfaceMesh, to: SurfaceMesh, mask: Uint8Array): Uint8Array {
  const p = to.positionsMm;
  let near = 0;
  return Uint8Array.from({ length: to.vertexCount }, (_, v) => {
    near = vertexUnder(from, -p[3 * v], p[3 * v + 1], p[3 * v + 2], near);
    return mask[near];
  });
}
