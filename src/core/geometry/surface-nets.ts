/**
 * A triangle mesh of the zero surface of a signed distance, by naive surface nets (S. F. F. Gibson,
 * "Constrained elastic surface nets", MICCAI 1998; without the elastic part): one vertex a cell that the
 * surface passes through, one quad across every crossed lattice edge. Only blocks of cells near the surface
 * are looked at. Negative is inside; triangles are counter-clockwise seen from outside.
 */
export interface Box {
  readonly min: readonly [number, number, number];
  readonly max: readonly [number, number, number];
}

export type SignedDistance = (x: number, y: number, z: number) => number;

/** Cells along a block's side. */
const BLOCK = 4;
/** Room for distances that are not exact, as a factor on a block's half diagonal. */
const SLACK = 2.2;

export function surfaceNets(distance: SignedDistance, box: Box, stepMm: number) {
  const size = box.max.map((m, k) => BLOCK * Math.ceil((m - box.min[k]) / (stepMm * BLOCK)) + 1) as [
    number,
    number,
    number,
  ];
  const at = (i: number, j: number, k: number) => (k * size[1] + j) * size[0] + i;
  const values = sample(distance, box, stepMm, size, at);
  const vertexOf = new Int32Array(values.length).fill(-1);
  const positions: number[] = [];
  for (let k = 0; k + 1 < size[2]; k++) {
    for (let j = 0; j + 1 < size[1]; j++) {
      for (let i = 0; i + 1 < size[0]; i++) {
        // Far from the surface nothing was sampled: most cells end here.
        if (Number.isNaN(values[at(i, j, k)])) continue;
        const p = cellVertex(values, at, i, j, k);
        if (!p) continue;
        vertexOf[at(i, j, k)] = positions.length / 3;
        positions.push(box.min[0] + p[0] * stepMm, box.min[1] + p[1] * stepMm, box.min[2] + p[2] * stepMm);
      }
    }
  }
  return { positionsMm: Float64Array.from(positions), triangles: quads(values, vertexOf, size, at) };
}

type Index = (i: number, j: number, k: number) => number;

function sample(distance: SignedDistance, box: Box, step: number, size: readonly number[], at: Index): Float32Array {
  const values = new Float32Array(size[0] * size[1] * size[2]).fill(Number.NaN);
  const half = (BLOCK * step) / 2;
  const reach = half * Math.sqrt(3) * SLACK;
  for (let k = 0; k + 1 < size[2]; k += BLOCK) {
    for (let j = 0; j + 1 < size[1]; j += BLOCK) {
      for (let i = 0; i + 1 < size[0]; i += BLOCK) {
        const x = box.min[0] + i * step;
        const y = box.min[1] + j * step;
        const z = box.min[2] + k * step;
        if (Math.abs(distance(x + half, y + half, z + half)) > reach) continue;
        sampleBlock(values, distance, box, step, at, i, j, k);
      }
    }
  }
  return values;
}

function sampleBlock(
  values: Float32Array,
  distance: SignedDistance,
  box: Box,
  step: number,
  at: Index,
  i: number,
  j: number,
  k: number,
) {
  for (let c = k; c <= k + BLOCK; c++) {
    for (let b = j; b <= j + BLOCK; b++) {
      for (let a = i; a <= i + BLOCK; a++) {
        const index = at(a, b, c);
        if (!Number.isNaN(values[index])) continue;
        values[index] = distance(box.min[0] + a * step, box.min[1] + b * step, box.min[2] + c * step);
      }
    }
  }
}

const EDGES: ReadonlyArray<readonly [number, number]> = [
  [0, 1],
  [2, 3],
  [4, 5],
  [6, 7],
  [0, 2],
  [1, 3],
  [4, 6],
  [5, 7],
  [0, 4],
  [1, 5],
  [2, 6],
  [3, 7],
];

/** Mean of the crossings on the cell's edges, in cells; undefined where the surface doesn't pass. */
function cellVertex(values: Float32Array, at: Index, i: number, j: number, k: number) {
  const corners = new Float64Array(8);
  let inside = 0;
  for (let c = 0; c < 8; c++) {
    const v = values[at(i + (c & 1), j + ((c >> 1) & 1), k + (c >> 2))];
    if (Number.isNaN(v)) return undefined;
    if (v < 0) inside++;
    corners[c] = v;
  }
  if (inside === 0 || inside === 8) return undefined;
  const sum = [0, 0, 0];
  let crossings = 0;
  for (const [a, b] of EDGES) {
    if (corners[a] < 0 === corners[b] < 0) continue;
    const t = corners[a] / (corners[a] - corners[b]);
    for (let axis = 0; axis < 3; axis++) {
      const from = (a >> axis) & 1;
      const to = (b >> axis) & 1;
      sum[axis] += from + t * (to - from);
    }
    crossings++;
  }
  return [i + sum[0] / crossings, j + sum[1] / crossings, k + sum[2] / crossings];
}

/** For a lattice edge along each axis: the step along it, and the four cells round it. */
const RING: ReadonlyArray<{ readonly along: Offset; readonly cells: readonly [Offset, Offset, Offset, Offset] }> = [
  {
    along: [1, 0, 0],
    cells: [
      [0, -1, -1],
      [0, 0, -1],
      [0, -1, 0],
      [0, 0, 0],
    ],
  },
  {
    along: [0, 1, 0],
    cells: [
      [-1, 0, -1],
      [-1, 0, 0],
      [0, 0, -1],
      [0, 0, 0],
    ],
  },
  {
    along: [0, 0, 1],
    cells: [
      [-1, -1, 0],
      [0, -1, 0],
      [-1, 0, 0],
      [0, 0, 0],
    ],
  },
];
type Offset = readonly [number, number, number];

function quads(values: Float32Array, vertexOf: Int32Array, size: readonly number[], at: Index): Uint32Array {
  const out: number[] = [];
  for (let k = 1; k + 1 < size[2]; k++) {
    for (let j = 1; j + 1 < size[1]; j++) {
      for (let i = 1; i + 1 < size[0]; i++) {
        const here = values[at(i, j, k)];
        if (Number.isNaN(here)) continue;
        for (const ring of RING) {
          const beyond = values[at(i + ring.along[0], j + ring.along[1], k + ring.along[2])];
          if (Number.isNaN(beyond) || beyond < 0 === here < 0) continue;
          pushQuad(out, vertexOf, at, i, j, k, ring.cells, here >= 0);
        }
      }
    }
  }
  return Uint32Array.from(out);
}

function pushQuad(
  out: number[],
  vertexOf: Int32Array,
  at: Index,
  i: number,
  j: number,
  k: number,
  cells: readonly [Offset, Offset, Offset, Offset],
  flip: boolean,
) {
  const [a, b, c, d] = cells.map((o) => vertexOf[at(i + o[0], j + o[1], k + o[2])]);
  if (a < 0 || b < 0 || c < 0 || d < 0) return;
  if (flip) out.push(a, c, b, b, c, d);
  else out.push(a, b, c, b, d, c);
}
