/**
 * A piece of surface laid flat, as rigidly as it can be: Liu, Zhang, Xu, Gotsman and Gortler, A Local/Global Approach to Mesh
 * Parameterization, 2008, in its as-rigid-as-possible form (from memory). Each triangle asks for itself unturned; the corners are
 * the compromise, weighted by cotangents (Pinkall and Polthier 1993, from memory). True to scale but for what can't lie flat.
 */
import { BandedCholesky } from '../numerics/index.ts';
import type { SurfaceMesh } from './surface-mesh.ts';

export interface Flat {
  /** Corner positions on paper, xy interleaved, mm; in the order of the mesh. */
  readonly atMm: Float64Array;
  /** How much longer or shorter lines became, by triangle, as the larger of both directions: 0.02 is 2 %. */
  readonly distortion: Float64Array;
  /** Triangles that lie on their faces. */
  readonly flipped: number;
}

const MOST_ROUNDS = 300;
/** A round that takes off less than this share of the strain is the last. */
const SETTLED = 1e-5;
/** Slivers would pull without end; nothing pulls backwards. */
const WEAKEST = 0.01;
const STRONGEST = 20;
/** An edge of which it is said how long it becomes goes before others, by so much. */
const HELD = 250;

/**
 * @param mesh a disc
 * @param startMm where corners begin, xy interleaved, without folds
 * @param lengthens by triangle edge, how much longer it is to become on paper than it is; 0 where that is left open
 */
export function flatten(
  mesh: SurfaceMesh,
  startMm: Float64Array,
  lengthens: Float64Array = new Float64Array(mesh.triangles.length),
): Flat {
  const rest = restOf(mesh);
  const weights = cotangents(rest, lengthens);
  const order = bandOrder(mesh);
  const system = systemOf(mesh, weights, order);
  const at = startMm.slice();
  const bx = new Float64Array(mesh.vertexCount);
  const by = new Float64Array(mesh.vertexCount);
  let before = Number.POSITIVE_INFINITY;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    bx.fill(0);
    by.fill(0);
    const strain = askTriangles(mesh, { rest, weights, lengthens }, at, (v, x, y) => {
      bx[order[v]] += x;
      by[order[v]] += y;
    });
    system.solve(bx);
    system.solve(by);
    for (let v = 0; v < mesh.vertexCount; v++) {
      at[2 * v] = bx[order[v]];
      at[2 * v + 1] = by[order[v]];
    }
    if (before - strain < SETTLED * strain) break;
    before = strain;
  }
  return { atMm: at, ...strainOf(mesh, rest, at) };
}

/** Every triangle in a plane of its own: first corner at 0, second along x. Per triangle x of the second, x and y of the third, mm. */
function restOf({ positionsMm: p, triangles, triangleCount }: SurfaceMesh): Float64Array {
  const rest = new Float64Array(3 * triangleCount);
  for (let t = 0; t < triangleCount; t++) {
    const [a, b, c] = [3 * triangles[3 * t], 3 * triangles[3 * t + 1], 3 * triangles[3 * t + 2]];
    const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]];
    const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]];
    const long = Math.sqrt(ux * ux + uy * uy + uz * uz);
    const along = (ux * vx + uy * vy + uz * vz) / long;
    rest[3 * t] = long;
    rest[3 * t + 1] = along;
    rest[3 * t + 2] = Math.sqrt(Math.max(0, vx * vx + vy * vy + vz * vz - along * along));
  }
  return rest;
}

const cornersOf = (rest: Float64Array, t: number) => [0, 0, rest[3 * t], 0, rest[3 * t + 1], rest[3 * t + 2]] as const;

/** Half the cotangent of the corner that faces each edge; edge e runs from corner e to the next. */
function cotangents(rest: Float64Array, lengthens: Float64Array): Float64Array {
  const out = new Float64Array(rest.length);
  for (let t = 0; t < rest.length / 3; t++) {
    const q = cornersOf(rest, t);
    const twice = Math.max(1e-9, q[2] * q[5]);
    for (let e = 0; e < 3; e++) {
      const [a, b, o] = [2 * e, 2 * ((e + 1) % 3), 2 * ((e + 2) % 3)];
      const dot = (q[a] - q[o]) * (q[b] - q[o]) + (q[a + 1] - q[o + 1]) * (q[b + 1] - q[o + 1]);
      const weight = Math.min(STRONGEST, Math.max(WEAKEST, dot / twice)) / 2;
      out[3 * t + e] = lengthens[3 * t + e] > 0 ? HELD * Math.max(0.5, weight) : weight;
    }
  }
  return out;
}

/** Cuthill and McKee 1969 (from memory): corners numbered outwards from the rim, so that neighbours have near numbers. */
function bandOrder(mesh: SurfaceMesh): Int32Array {
  const order = new Int32Array(mesh.vertexCount).fill(-1);
  const queue = [mesh.borders[0]?.[0] ?? 0];
  order[queue[0]] = 0;
  for (let i = 0; i < queue.length; i++) {
    const v = queue[i];
    for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
      const u = mesh.neighbours[k];
      if (order[u] !== -1) continue;
      order[u] = queue.length;
      queue.push(u);
    }
  }
  if (queue.length < mesh.vertexCount) throw new RangeError('A piece to be laid flat hangs together.');
  return order;
}

function systemOf(mesh: SurfaceMesh, weights: Float64Array, order: Int32Array): BandedCholesky {
  const { triangles, vertexCount } = mesh;
  let band = 0;
  // One corner stays where it is: all could be moved together.
  const entries: Array<readonly [number, number, number]> = [[0, 0, 1]];
  for (let i = 0; i < triangles.length; i++) {
    const t = (i / 3) | 0;
    const a = order[triangles[i]];
    const b = order[triangles[3 * t + ((i + 1) % 3)]];
    const w = weights[i];
    band = Math.max(band, Math.abs(a - b));
    entries.push([a, a, w], [b, b, w], [Math.max(a, b), Math.min(a, b), -w]);
  }
  return new BandedCholesky(vertexCount, band, entries);
}

interface Asked {
  readonly rest: Float64Array;
  readonly weights: Float64Array;
  readonly lengthens: Float64Array;
}

/**
 * What every triangle asks of its corners once it is turned as it lies.
 *
 * @returns the strain that is left before
 */
function askTriangles(
  { triangles, triangleCount }: SurfaceMesh,
  { rest, weights, lengthens }: Asked,
  at: Float64Array,
  ask: (vertex: number, x: number, y: number) => void,
): number {
  let strain = 0;
  for (let t = 0; t < triangleCount; t++) {
    const q = cornersOf(rest, t);
    let a = 0;
    let b = 0;
    for (let e = 0; e < 3; e++) {
      const n = (e + 1) % 3;
      const [i, j] = [2 * triangles[3 * t + e], 2 * triangles[3 * t + n]];
      const [dx, dy] = [q[2 * n] - q[2 * e], q[2 * n + 1] - q[2 * e + 1]];
      const [ex, ey] = [at[j] - at[i], at[j + 1] - at[i + 1]];
      const w = weights[3 * t + e];
      a += w * (dx * ex + dy * ey);
      b += w * (dx * ey - dy * ex);
    }
    const long = Math.sqrt(a * a + b * b) || 1;
    const [cos, sin] = [a / long, b / long];
    for (let e = 0; e < 3; e++) {
      const n = (e + 1) % 3;
      const [i, j] = [triangles[3 * t + e], triangles[3 * t + n]];
      const [dx, dy] = [q[2 * n] - q[2 * e], q[2 * n + 1] - q[2 * e + 1]];
      const w = weights[3 * t + e];
      const by = lengthens[3 * t + e] || 1;
      const [x, y] = [by * (cos * dx - sin * dy), by * (sin * dx + cos * dy)];
      ask(j, w * x, w * y);
      ask(i, -w * x, -w * y);
      strain += w * ((at[2 * j] - at[2 * i] - x) ** 2 + (at[2 * j + 1] - at[2 * i + 1] - y) ** 2);
    }
  }
  return strain;
}

/** Singular values of the map of each triangle, as how far the worse one is from 1. */
function strainOf({ triangles, triangleCount }: SurfaceMesh, rest: Float64Array, at: Float64Array) {
  const distortion = new Float64Array(triangleCount);
  let flipped = 0;
  for (let t = 0; t < triangleCount; t++) {
    const [, , bx, , cx, cy] = cornersOf(rest, t);
    const [i, j, k] = [2 * triangles[3 * t], 2 * triangles[3 * t + 1], 2 * triangles[3 * t + 2]];
    // Columns of the map: where x and y of the triangle's own plane go.
    const xx = (at[j] - at[i]) / bx;
    const xy = (at[j + 1] - at[i + 1]) / bx;
    const yx = (at[k] - at[i] - xx * cx) / cy;
    const yy = (at[k + 1] - at[i + 1] - xy * cx) / cy;
    const sum = xx * xx + xy * xy + yx * yx + yy * yy;
    const area = xx * yy - xy * yx;
    const root = Math.sqrt(Math.max(0, sum * sum - 4 * area * area));
    const large = Math.sqrt((sum + root) / 2);
    const small = Math.sqrt(Math.max(0, (sum - root) / 2));
    distortion[t] = Math.max(Math.abs(large - 1), Math.abs(small - 1));
    if (area < 0) flipped++;
  }
  return { distortion, flipped };
}
