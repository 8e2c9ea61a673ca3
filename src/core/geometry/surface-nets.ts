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

/** Coordinates of the lattice planes along each axis, rising, mm; one more than a multiple of `BLOCK` of them. */
export type Lattice = readonly [x: Float64Array, y: Float64Array, z: Float64Array];

/** An even lattice over a box; where any of `finer` lies beside an axis, planes across it lie as close as that asks. */
export function latticeOver(
  box: Box,
  stepMm: number,
  finer: ReadonlyArray<Box & { readonly stepMm: number }> = [],
): Lattice {
  return [0, 1, 2].map((c) => {
    const planes = [box.min[c]];
    const stepAt = (v: number) =>
      Math.min(stepMm, ...finer.filter((f) => v >= f.min[c] && v < f.max[c]).map((f) => f.stepMm));
    while (planes[planes.length - 1] < box.max[c] || planes.length % BLOCK !== 1) {
      const last = planes[planes.length - 1];
      planes.push(last + stepAt(last));
    }
    return Float64Array.from(planes);
  }) as unknown as Lattice;
}

export function surfaceNets(distance: SignedDistance, lattice: Lattice) {
  const size = lattice.map((planes) => planes.length) as [number, number, number];
  const at = (i: number, j: number, k: number) => (k * size[1] + j) * size[0] + i;
  const values = sample(distance, lattice, size, at);
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
        positions.push(between(lattice[0], i, p[0]), between(lattice[1], j, p[1]), between(lattice[2], k, p[2]));
      }
    }
  }
  return { positionsMm: Float64Array.from(positions), triangles: quads(values, vertexOf, size, at) };
}

const between = (planes: Float64Array, i: number, share: number) => planes[i] + share * (planes[i + 1] - planes[i]);

type Index = (i: number, j: number, k: number) => number;

function sample(
  distance: SignedDistance,
  [x, y, z]: Lattice,
  size: readonly [number, number, number],
  at: Index,
): Float32Array {
  const values = new Float32Array(size[0] * size[1] * size[2]).fill(Number.NaN);
  const half = (planes: Float64Array, i: number) => (planes[i + BLOCK] - planes[i]) / 2;
  for (let k = 0; k + 1 < size[2]; k += BLOCK) {
    for (let j = 0; j + 1 < size[1]; j += BLOCK) {
      for (let i = 0; i + 1 < size[0]; i += BLOCK) {
        const [a, b, c] = [half(x, i), half(y, j), half(z, k)];
        const reach = Math.sqrt(a * a + b * b + c * c) * SLACK;
        if (Math.abs(distance(x[i] + a, y[j] + b, z[k] + c)) > reach) continue;
        sampleBlock(values, distance, [x, y, z], at, [i, j, k]);
      }
    }
  }
  return values;
}

function sampleBlock(
  values: Float32Array,
  distance: SignedDistance,
  [x, y, z]: Lattice,
  at: Index,
  [i, j, k]: readonly [number, number, number],
) {
  for (let c = k; c <= k + BLOCK; c++) {
    for (let b = j; b <= j + BLOCK; b++) {
      for (let a = i; a <= i + BLOCK; a++) {
        const index = at(a, b, c);
        if (Number.isNaN(values[index])) values[index] = distance(x[a], y[b], z[c]);
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

/** Mean of the crossings on the cell's edges, as shares of the cell; undefined where the surface doesn't pass. */
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
  return [sum[0] / crossings, sum[1] / crossings, sum[2] / crossings];
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
