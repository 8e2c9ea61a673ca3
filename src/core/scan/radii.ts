/**
 * A scan as one distance from the middle of the head for every direction: noise is averaged, holes are bridged, what lies inside is
 * not seen. Both sides are taken together; how unlike they are is told.
 */
import { nodeDirection, nodeOf, nodesRound, RELIEF_NODES } from '../head/index.ts';
import { areaOf, type ScanMesh } from './scan-mesh.ts';

/** One sample for so much surface, mm². */
const SAMPLE_MM2 = 6;
const MOST_SAMPLES = 4_000_000;
/** A layer this thick with so much of what was seen in a direction is the outside; single spikes are not. */
const LAYER_MM = 8;
const LAYER_SHARE = 0.2;
const LEAST_SAMPLES = 3;
const SMOOTHINGS = 2;
const BRIDGINGS = 400;

export interface Radii {
  /** By node of a relief, mm. */
  readonly mm: Float64Array;
  /** Of the directions above the ears, those in which nothing was seen. */
  readonly holeShare: number;
  /** Of both sides above the ears, what was seen on the other side alone. */
  readonly oneSidedShare: number;
  /** Between her left and her right: what 95 of 100 directions stay below, mm. */
  readonly unlikeMm: number;
  /** How rough it is: the spread of what was seen in one direction, in the middle of all, mm. */
  readonly noiseMm: number;
}

/** By node, those round it. */
const NEIGHBOURS: ReadonlyArray<readonly number[]> = Array.from({ length: RELIEF_NODES }, (_, n) => nodesRound(n));

/** Below these elevations there is no hair but ears, a face or shoulders: behind, and before that. As tangents, and where behind begins. */
const LOWEST = { behind: -1.4, before: -0.14, cosineOfBehind: -0.37 } as const;

/** What is seen elsewhere is no scalp: the scalp above it is carried on. */
function isScalp(node: number): boolean {
  const [x, y, z] = nodeDirection(node);
  const flat = Math.sqrt(x * x + z * z) || 1e-9;
  return y / flat > (z / flat < LOWEST.cosineOfBehind ? LOWEST.behind : LOWEST.before);
}

/** @param mesh seated, mm */
export function radiiOf(mesh: ScanMesh): Radii {
  const { node, radius } = samples(mesh);
  const sides = [0, 1].map((side) => bySide(node, radius, side));
  const seen = sides.map(({ mm }) => withoutInside(mm));
  const mm = new Float64Array(RELIEF_NODES);
  const known = new Uint8Array(RELIEF_NODES);
  const unlike: number[] = [];
  let oneSided = 0;
  for (let n = 0; n < RELIEF_NODES; n++) {
    const [left, right] = [seen[0][n], seen[1][n]];
    known[n] = (left > 0 || right > 0) && isScalp(n) ? 1 : 0;
    mm[n] = left > 0 && right > 0 ? (left + right) / 2 : left || right;
    if (!isUpper(n)) continue;
    if (left > 0 && right > 0) unlike.push(Math.abs(left - right));
    else if ((left > 0 || right > 0) && !isMiddle(n)) oneSided++;
  }
  if (!known.some((k) => k === 1)) throw new RangeError('Nothing of a head is seen from its middle.');
  bridge(mm, known);
  for (let i = 0; i < SMOOTHINGS; i++) smooth(mm);
  const upper = [...known.keys()].filter(isUpper);
  unlike.sort((a, b) => a - b);
  const noise = [...sides[0].spread, ...sides[1].spread].filter((s) => s > 0).sort((a, b) => a - b);
  return {
    mm,
    holeShare: upper.filter((n) => known[n] === 0).length / upper.length,
    oneSidedShare: oneSided / (2 * upper.length),
    unlikeMm: unlike[Math.floor(0.95 * (unlike.length - 1))] ?? 0,
    noiseMm: noise[noise.length >> 1] ?? 0,
  };
}

/** Of a direction so near the middle plane one side sees little. */
const isMiddle = (node: number) => nodeDirection(node)[0] < 0.03;
const isUpper = (node: number) => nodeDirection(node)[1] > 0;

/** Places spread evenly over every triangle: the node of each (on her right after all those of her left), and how far it is out. */
function samples({ positions: p, triangles }: ScanMesh) {
  const areas = new Float32Array(triangles.length / 3);
  let all = 0;
  for (let t = 0; t < areas.length; t++) {
    areas[t] = areaOf(p, triangles, 3 * t);
    all += areas[t];
  }
  const each = Math.max(SAMPLE_MM2, all / MOST_SAMPLES);
  const counts = areas.map((a) => Math.max(1, Math.ceil(a / each)));
  const total = counts.reduce((a, b) => a + b, 0);
  const node = new Int32Array(total);
  const radius = new Float32Array(total);
  let n = 0;
  for (let t = 0; t < areas.length; t++) {
    const [a, b, c] = [3 * triangles[3 * t], 3 * triangles[3 * t + 1], 3 * triangles[3 * t + 2]];
    for (let s = 0; s < counts[t]; s++) {
      const [u, v] = spread(s, counts[t]);
      const w = 1 - u - v;
      const x = w * p[a] + u * p[b] + v * p[c];
      const y = w * p[a + 1] + u * p[b + 1] + v * p[c + 1];
      const z = w * p[a + 2] + u * p[b + 2] + v * p[c + 2];
      node[n] = nodeOf(x, y, z) + (x < 0 ? RELIEF_NODES : 0);
      radius[n++] = Math.sqrt(x * x + y * y + z * z);
    }
  }
  return { node, radius };
}

/** The golden ratio’s sequence in two dimensions, folded into a triangle: as even as can be for any count. */
function spread(s: number, count: number): readonly [number, number] {
  if (count === 1) return [1 / 3, 1 / 3];
  let u = (0.5 + s * 0.7548776662466927) % 1;
  let v = (0.5 + s * 0.5698402909980532) % 1;
  if (u + v > 1) [u, v] = [1 - u, 1 - v];
  return [u, v];
}

function bySide(node: Int32Array, radius: Float32Array, side: number) {
  const first = side * RELIEF_NODES;
  const start = new Int32Array(RELIEF_NODES + 1);
  for (const n of node) if (n >= first && n < first + RELIEF_NODES) start[n - first + 1]++;
  for (let n = 0; n < RELIEF_NODES; n++) start[n + 1] += start[n];
  const sorted = new Float32Array(start[RELIEF_NODES]);
  const fill = start.slice();
  for (let i = 0; i < node.length; i++) {
    const n = node[i] - first;
    if (n >= 0 && n < RELIEF_NODES) sorted[fill[n]++] = radius[i];
  }
  const mm = new Float64Array(RELIEF_NODES);
  const spreads = new Float64Array(RELIEF_NODES);
  for (let n = 0; n < RELIEF_NODES; n++) {
    const [out, sd] = outside(sorted.subarray(start[n], start[n + 1]).sort());
    mm[n] = out;
    spreads[n] = sd;
  }
  return { mm, spread: spreads };
}

/** The mean of the outermost layer of what was seen in a direction, and its spread; 0 where too little was. */
function outside(rising: Float32Array): readonly [mean: number, sd: number] {
  const n = rising.length;
  if (n < LEAST_SAMPLES) return [0, 0];
  let from = n - 1;
  for (let to = n - 1; to >= 0; to--) {
    from = Math.min(from, to);
    while (from > 0 && rising[to] - rising[from - 1] <= LAYER_MM) from--;
    if (to - from + 1 < LAYER_SHARE * n) continue;
    const layer = rising.subarray(from, to + 1);
    const mean = layer.reduce((a, b) => a + b, 0) / layer.length;
    return [mean, Math.sqrt(layer.reduce((sum, r) => sum + (r - mean) ** 2, 0) / layer.length)];
  }
  return [0, 0];
}

/** Over holes the surface is drawn like a skin: every place as those round it. */
function bridge(mm: Float64Array, known: Uint8Array) {
  const holes = [...known.keys()].filter((n) => known[n] === 0);
  if (holes.length === 0) return;
  const filled = Uint8Array.from(known);
  // From the rim inwards first, so that the rounds begin near their end.
  for (let left = holes; left.length > 0; ) {
    const ready = left.filter((n) => NEIGHBOURS[n].some((m) => filled[m] === 1));
    const values = ready.map((n) =>
      meanOf(
        mm,
        NEIGHBOURS[n].filter((m) => filled[m] === 1),
      ),
    );
    ready.forEach((n, i) => {
      mm[n] = values[i];
      filled[n] = 1;
    });
    left = left.filter((n) => filled[n] === 0);
    if (ready.length === 0) break;
  }
  for (let i = 0; i < BRIDGINGS; i++) for (const n of holes) mm[n] = meanOf(mm, NEIGHBOURS[n]);
}

/** A scalp has no step so deep from one node to the next: what is seen behind one is seen through a hole, mm. */
const STEP_MM = 11;
const PEELINGS = 24;

/** From the rim of a hole inwards, what lies inside is taken for not seen; below the widest plane shoulders stand farther out. */
function withoutInside(mm: Float64Array): Float64Array {
  const out = mm.slice();
  // Where nothing counts any more, the outside is thought to go on as round it.
  let outer = mm;
  for (let i = 0; i < PEELINGS; i++) {
    const before = outer;
    const after = before.map((r, n) => {
      if (r === 0 || !isUpper(n)) return r;
      const farther = NEIGHBOURS[n].filter((m) => isUpper(m) && before[m] > r + STEP_MM);
      return farther.length >= 2 ? meanOf(before, farther) : r;
    });
    if (after.every((r, n) => r === before[n])) break;
    after.forEach((r, n) => {
      if (r !== before[n]) out[n] = 0;
    });
    outer = after;
  }
  return out;
}

const meanOf = (mm: Float64Array, nodes: readonly number[]) => nodes.reduce((sum, n) => sum + mm[n], 0) / nodes.length;

/** Taubin's pair of steps (1995, from memory): roughness goes, size stays. */
function smooth(mm: Float64Array) {
  for (const share of [0.5, -0.51]) {
    const before = mm.slice();
    for (let n = 0; n < mm.length; n++) mm[n] += share * (meanOf(before, NEIGHBOURS[n]) - before[n]);
  }
}

/** Pressed down, or smoothed, round a place on both sides alike. */
export interface BrushStroke {
  /** Unit vector. */
  readonly at: readonly [number, number, number];
  readonly radiusMm: number;
  /** How far down in its midst, mm; 0 only smooths. */
  readonly pressMm: number;
}

/** Hair under the scan taken off: everywhere, and where the brush went. */
export function withoutHair(mm: Float64Array, everywhereMm: number, strokes: readonly BrushStroke[]): Float64Array {
  const out = mm.map((r) => r - everywhereMm);
  for (const { at, radiusMm, pressMm } of strokes) {
    const before = out.slice();
    for (let n = 0; n < out.length; n++) {
      const [x, y, z] = nodeDirection(n);
      const long = Math.sqrt(x * x + y * y + z * z);
      const dot = (Math.abs(at[0]) * x + at[1] * y + at[2] * z) / long;
      const away = before[n] * Math.sqrt(Math.max(0, 2 - 2 * dot));
      if (away >= radiusMm) continue;
      const share = (1 - (away / radiusMm) ** 2) ** 2;
      out[n] -= share * pressMm;
      if (pressMm === 0) out[n] += 0.7 * share * (meanOf(before, NEIGHBOURS[n]) - before[n]);
    }
  }
  return out;
}
