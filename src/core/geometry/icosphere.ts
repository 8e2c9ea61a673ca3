/**
 * Geodesic sphere: each face of an icosahedron is divided `frequency` times along great circles
 * (slerp), so that triangles stay nearly equal, the same seen from each of its corners: the sphere is its own mirror
 * image at x = 0. 10 f² + 2 vertices, 20 f² triangles.
 */
import { acos, sin } from '../numerics/index.ts';

export interface Icosphere {
  /** Unit directions, xyz interleaved. */
  readonly directions: Float64Array;
  /** Corner indices, counter-clockwise seen from outside. */
  readonly triangles: Uint32Array;
}

const GOLDEN = (1 + Math.sqrt(5)) / 2;
const CORNERS: ReadonlyArray<readonly [number, number, number]> = [
  [-1, GOLDEN, 0],
  [1, GOLDEN, 0],
  [-1, -GOLDEN, 0],
  [1, -GOLDEN, 0],
  [0, -1, GOLDEN],
  [0, 1, GOLDEN],
  [0, -1, -GOLDEN],
  [0, 1, -GOLDEN],
  [GOLDEN, 0, -1],
  [GOLDEN, 0, 1],
  [-GOLDEN, 0, -1],
  [-GOLDEN, 0, 1],
];
const FACES: ReadonlyArray<readonly [number, number, number]> = [
  [0, 11, 5],
  [0, 5, 1],
  [0, 1, 7],
  [0, 7, 10],
  [0, 10, 11],
  [1, 5, 9],
  [5, 11, 4],
  [11, 10, 2],
  [10, 7, 6],
  [7, 1, 8],
  [3, 9, 4],
  [3, 4, 2],
  [3, 2, 6],
  [3, 6, 8],
  [3, 8, 9],
  [4, 9, 5],
  [2, 4, 11],
  [6, 2, 10],
  [8, 6, 7],
  [9, 8, 1],
];

type Triple = readonly [number, number, number];

function slerp(a: Triple, b: Triple, t: number): Triple {
  const dot = Math.min(1, Math.max(-1, a[0] * b[0] + a[1] * b[1] + a[2] * b[2]));
  const angle = acos(dot);
  if (angle < 1e-12) return a;
  const u = sin((1 - t) * angle) / sin(angle);
  const v = sin(t * angle) / sin(angle);
  return [a[0] * u + b[0] * v, a[1] * u + b[1] * v, a[2] * u + b[2] * v];
}

/** @throws RangeError when the frequency is not a whole number from 1 to 200. */
export function icosphere(frequency: number): Icosphere {
  if (!Number.isInteger(frequency) || frequency < 1 || frequency > 200) {
    throw new RangeError(`icosphere frequency must be a whole number from 1 to 200, got ${frequency}`);
  }
  const f = frequency;
  const directions = new Float64Array(3 * (10 * f * f + 2));
  const triangles = new Uint32Array(60 * f * f);
  const corners = CORNERS.map(unit);
  let vertexCount = 0;
  let write = 0;
  const add = (p: Triple): number => {
    directions.set(p, 3 * vertexCount);
    return vertexCount++;
  };
  const cornerIds = corners.map(add);
  const edgeIds = new Map<number, number[]>();
  /** Vertex ids along the edge from corner a to corner b, shared by the two faces that meet there. */
  const edge = (a: number, b: number): number[] => {
    const key = Math.min(a, b) * 12 + Math.max(a, b);
    let ids = edgeIds.get(key);
    if (!ids) {
      const lo = Math.min(a, b);
      const hi = Math.max(a, b);
      ids = [];
      for (let i = 0; i <= f; i++) {
        if (i === 0) ids.push(cornerIds[lo]);
        else if (i === f) ids.push(cornerIds[hi]);
        else ids.push(add(slerp(corners[lo], corners[hi], i / f)));
      }
      edgeIds.set(key, ids);
    }
    return a < b ? ids : [...ids].reverse();
  };
  for (const [ia, ib, ic] of FACES) {
    const left = edge(ia, ib);
    const right = edge(ia, ic);
    const foot = edge(ib, ic);
    let above = [left[0]];
    for (let row = 1; row <= f; row++) {
      const here: number[] = [];
      for (let col = 0; col <= row; col++) {
        if (col === 0) here.push(left[row]);
        else if (col === row) here.push(right[row]);
        else if (row === f) here.push(foot[col]);
        else here.push(add(inside([corners[ia], corners[ib], corners[ic]], [f - row, row - col, col])));
      }
      write = strip(above, here, triangles, write);
      above = here;
    }
  }
  return { directions, triangles };
}

/** Where a face is divided, by steps from its sides: the mean of what each of its corners gives as the apex. */
function inside(corners: readonly [Triple, Triple, Triple], steps: Triple): Triple {
  const f = steps[0] + steps[1] + steps[2];
  const sum: [number, number, number] = [0, 0, 0];
  for (let k = 0; k < 3; k++) {
    const [apex, b, c] = [corners[k], corners[(k + 1) % 3], corners[(k + 2) % 3]];
    const row = f - steps[k];
    const at = slerp(slerp(apex, b, row / f), slerp(apex, c, row / f), steps[(k + 2) % 3] / row);
    for (let i = 0; i < 3; i++) sum[i] += at[i];
  }
  return unit(sum);
}

/** Triangles between two rows of vertices, the lower one longer by one. Returns where the next one is written. */
function strip(above: readonly number[], here: readonly number[], triangles: Uint32Array, from: number): number {
  let write = from;
  for (let col = 0; col < above.length; col++) {
    triangles.set([above[col], here[col], here[col + 1]], write);
    write += 3;
    if (col + 1 === above.length) break;
    triangles.set([above[col], here[col + 1], above[col + 1]], write);
    write += 3;
  }
  return write;
}

function unit(c: Triple): Triple {
  const l = Math.sqrt(c[0] * c[0] + c[1] * c[1] + c[2] * c[2]);
  return [c[0] / l, c[1] / l, c[2] / l];
}
