/** What a scanner wrote: triangles in its own unit and pose, with copies of corners, loose bits and holes. */

export interface ScanMesh {
  /** xyz interleaved, in the unit of the file. */
  readonly positions: Float32Array;
  readonly triangles: Uint32Array;
}

/** More than this is no scan of a head that a browser can take. */
export const MOST_TRIANGLES = 2_000_000;
/** Fewer can’t tell one head from another. */
export const LEAST_TRIANGLES = 100;
/** Corners nearer than this share of the whole are one. */
const SAME_SHARE = 1 / 2 ** 20;

export interface Extent {
  readonly min: readonly [number, number, number];
  readonly max: readonly [number, number, number];
  /** From corner to corner. */
  readonly across: number;
}

export function extentOf(positions: ArrayLike<number>): Extent {
  const min: [number, number, number] = [Infinity, Infinity, Infinity];
  const max: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < positions.length; i++) {
    const k = i % 3;
    if (positions[i] < min[k]) min[k] = positions[i];
    if (positions[i] > max[k]) max[k] = positions[i];
  }
  const across = Math.sqrt([0, 1, 2].reduce((sum, k) => sum + (max[k] - min[k]) ** 2, 0));
  return { min, max, across };
}

/** Corners that lie in one place become one; triangles that come to nothing are dropped. */
export function welded({ positions, triangles }: ScanMesh): ScanMesh {
  const { min, across } = extentOf(positions);
  const cell = Math.max(across * SAME_SHARE, 1e-12);
  const count = positions.length / 3;
  const slots = new Int32Array(powerAbove(2 * count)).fill(-1);
  const mask = slots.length - 1;
  const grid = new Int32Array(3 * count);
  const renamed = new Uint32Array(count);
  const kept: number[] = [];
  for (let v = 0; v < count; v++) {
    for (let k = 0; k < 3; k++) grid[3 * v + k] = Math.round((positions[3 * v + k] - min[k]) / cell);
    let slot = hash(grid[3 * v], grid[3 * v + 1], grid[3 * v + 2]) & mask;
    for (;;) {
      const found = slots[slot];
      if (found < 0) {
        slots[slot] = v;
        renamed[v] = kept.length;
        kept.push(v);
        break;
      }
      if (
        grid[3 * found] === grid[3 * v] &&
        grid[3 * found + 1] === grid[3 * v + 1] &&
        grid[3 * found + 2] === grid[3 * v + 2]
      ) {
        renamed[v] = renamed[found];
        break;
      }
      slot = (slot + 1) & mask;
    }
  }
  const out = new Float32Array(3 * kept.length);
  kept.forEach((v, i) => {
    for (let k = 0; k < 3; k++) out[3 * i + k] = positions[3 * v + k];
  });
  const corners = new Uint32Array(triangles.length);
  let n = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [renamed[triangles[t]], renamed[triangles[t + 1]], renamed[triangles[t + 2]]];
    if (a === b || b === c || a === c) continue;
    corners[n++] = a;
    corners[n++] = b;
    corners[n++] = c;
  }
  return { positions: out, triangles: corners.slice(0, n) };
}

/** Large primes, as in Teschner et al., Optimized Spatial Hashing for Collision Detection, 2003 (from memory). */
const hash = (x: number, y: number, z: number) =>
  Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791);

export interface Largest {
  readonly mesh: ScanMesh;
  /** What hung together with nothing of it, and how much of the surface that was. */
  readonly piecesDropped: number;
  readonly shareDropped: number;
}

/** The piece with the most surface; the others are chairs, hands and noise. */
export function largestPiece(mesh: ScanMesh): Largest {
  const { positions, triangles } = mesh;
  const parent = Int32Array.from({ length: positions.length / 3 }, (_, v) => v);
  const root = (v: number) => {
    while (parent[v] !== v) {
      parent[v] = parent[parent[v]];
      v = parent[v];
    }
    return v;
  };
  for (let t = 0; t < triangles.length; t += 3)
    for (let c = 1; c < 3; c++) {
      const [a, b] = [root(triangles[t]), root(triangles[t + c])];
      if (a !== b) parent[a] = b;
    }
  const area = new Map<number, number>();
  for (let t = 0; t < triangles.length; t += 3) {
    const piece = root(triangles[t]);
    area.set(piece, (area.get(piece) ?? 0) + areaOf(positions, triangles, t));
  }
  const order = [...area].sort((a, b) => b[1] - a[1]);
  if (order.length === 0) return { mesh, piecesDropped: 0, shareDropped: 0 };
  const all = order.reduce((sum, [, a]) => sum + a, 0);
  const [largest] = order[0];
  const kept = new Uint32Array(triangles.length);
  let n = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    if (root(triangles[t]) !== largest) continue;
    for (let c = 0; c < 3; c++) kept[n++] = triangles[t + c];
  }
  return {
    mesh: onlyUsed(positions, kept.slice(0, n)),
    piecesDropped: order.length - 1,
    shareDropped: all > 0 ? 1 - order[0][1] / all : 0,
  };
}

/** Corners that no triangle has are gone. */
function onlyUsed(positions: Float32Array, triangles: Uint32Array): ScanMesh {
  const renamed = new Int32Array(positions.length / 3).fill(-1);
  let count = 0;
  const corners = triangles.map((v) => {
    if (renamed[v] < 0) renamed[v] = count++;
    return renamed[v];
  });
  const out = new Float32Array(3 * count);
  for (let v = 0; v < renamed.length; v++)
    if (renamed[v] >= 0) for (let k = 0; k < 3; k++) out[3 * renamed[v] + k] = positions[3 * v + k];
  return { positions: out, triangles: corners };
}

export function areaOf(p: ArrayLike<number>, triangles: ArrayLike<number>, t: number): number {
  const [a, b, c] = [3 * triangles[t], 3 * triangles[t + 1], 3 * triangles[t + 2]];
  const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]];
  const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]];
  const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  return Math.sqrt(nx * nx + ny * ny + nz * nz) / 2;
}

/**
 * The same shape with few triangles, to be looked at: corners in one cell of a lattice become one in its midst (Rossignac and
 * Borrel 1993, from memory).
 *
 * @param cell in the unit of the mesh
 */
export function coarse({ positions, triangles }: ScanMesh, cell: number): ScanMesh {
  const { min } = extentOf(positions);
  const cells = new Map<string, { readonly id: number; count: number; sum: [number, number, number] }>();
  const of = Int32Array.from({ length: positions.length / 3 }, (_, v) => {
    const key = [0, 1, 2].map((k) => Math.floor((positions[3 * v + k] - min[k]) / cell)).join();
    let found = cells.get(key);
    if (!found) {
      found = { id: cells.size, count: 0, sum: [0, 0, 0] };
      cells.set(key, found);
    }
    found.count++;
    for (let k = 0; k < 3; k++) found.sum[k] += positions[3 * v + k];
    return found.id;
  });
  const out: number[] = [];
  const known = new Set<string>();
  for (let t = 0; t < triangles.length; t += 3) {
    const corner = [of[triangles[t]], of[triangles[t + 1]], of[triangles[t + 2]]];
    if (corner[0] === corner[1] || corner[1] === corner[2] || corner[0] === corner[2]) continue;
    const key = [...corner].sort((a, b) => a - b).join();
    if (known.has(key)) continue;
    known.add(key);
    out.push(...corner);
  }
  return {
    positions: Float32Array.from([...cells.values()].flatMap((c) => c.sum.map((s) => s / c.count))),
    triangles: Uint32Array.from(out),
  };
}

function powerAbove(n: number): number {
  let power = 1;
  while (power <= n) power *= 2;
  return power;
}
