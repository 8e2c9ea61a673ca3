/**
 * The scalp as paper: cut into gores from the crown, or into one piece by four darts, each laid flat true to scale. What can't lie
 * flat is told as the distortion of its triangles.
 */
import {
  buildSurfaceMesh,
  distanceMm,
  flatten,
  keepTriangles,
  type SurfaceMesh,
  splitAlong,
  type Triangles,
} from '../geometry/index.ts';
import { atan2, cos, sin } from '../numerics/index.ts';

export const PATTERN_CUTS = ['sixGores', 'eightGores', 'darts'] as const;
export type PatternCut = (typeof PATTERN_CUTS)[number];

/** A run of the outline on paper, xy interleaved, mm. */
export interface Edge {
  /** The half plane it was cut along; undefined at the hairline. */
  readonly seam: number | undefined;
  /** The sector that it bounds. */
  readonly sector: number;
  readonly atMm: Float64Array;
  readonly lengthMm: number;
}

export interface PatternPiece {
  readonly name: string;
  /** Sectors round the axis that it is made of. */
  readonly sectors: readonly number[];
  readonly mesh: SurfaceMesh;
  readonly sectorOf: Int32Array;
  /** Corners on paper, xy interleaved, mm; the front or the crown up. */
  readonly atMm: Float64Array;
  readonly edges: readonly Edge[];
  /** Lines longer or shorter than on the head, as shares: by area the mean, and what 95 of 100 stay below. */
  readonly distortion: { readonly mean: number; readonly p95: number };
}

export interface Seam {
  readonly name: string;
  /** On paper, on either side of it, mm. */
  readonly lengthsMm: readonly number[];
}

export interface Pattern {
  readonly cut: PatternCut;
  readonly pieces: readonly PatternPiece[];
  readonly seams: readonly Seam[];
  /** Where sectors begin, as the angle from the face to her left, rad. */
  readonly begins: readonly number[];
}

interface CutInfo {
  readonly sectors: number;
  /** The middle of the first sector lies over the face, or its beginning. */
  readonly faceInMiddle: boolean;
  readonly names: readonly string[];
}

const CUTS: Readonly<Record<PatternCut, CutInfo>> = {
  sixGores: {
    sectors: 6,
    faceInMiddle: true,
    names: ['front', 'left front', 'left back', 'back', 'right back', 'right front'],
  },
  eightGores: {
    sectors: 8,
    faceInMiddle: true,
    names: ['front', 'left front', 'left', 'left back', 'back', 'right back', 'right', 'right front'],
  },
  darts: { sectors: 4, faceInMiddle: false, names: ['whole head'] },
};
/** Darts are open from the hairline as far as this share of the way up to the crown (tried out: shorter ones strain, longer ones meet). */
const DART_SHARE = 0.85;
const ON_PLANE_MM = 1e-6;
const TURN = 2 * Math.PI;

/** @param scalp her scalp inside the hairline, mm, y up, the face towards +z */
export function pattern(scalp: Triangles, cut: PatternCut): Pattern {
  const { sectors, faceInMiddle, names } = CUTS[cut];
  const begins = Array.from({ length: sectors }, (_, k) => (TURN * (k - (faceInMiddle ? 0.5 : 0))) / sectors);
  let whole: Triangles = scalp;
  for (const angle of begins)
    whole = splitAlong(whole, planeAt(angle), (x, _, z) => x * sin(angle) + z * cos(angle) > 0);
  const sectorOf = sectorsOf(whole, begins);
  const isWhole = cut === 'darts';
  const groups = isWhole ? [begins.map((_, k) => k)] : begins.map((_, k) => [k]);
  const surface = isWhole ? opened(whole, sectorOf, begins) : whole;
  const cuts = groups.map((group) => cutOut(surface, sectorOf, group, begins));
  const loose = cuts.map((c) => layFlat(c));
  // Neighbours are strained unlike each other: both sides of a seam take the length between.
  const lengths = seamLengths(loose);
  const pieces = cuts.map((c, i) => layFlat(c, loose[i], lengths));
  return {
    cut,
    pieces: pieces.map((p, i) => ({ ...p, name: names[i] })),
    seams: Array.from({ length: sectors }, (_, k) => ({
      name: LETTERS[k],
      lengthsMm: pieces.flatMap((p) => p.edges.filter((e) => e.seam === k).map((e) => e.lengthMm)),
    })),
    begins,
  };
}

/** Above 0 on the side of the larger angle. */
const planeAt = (angle: number) => {
  const [s, c] = [sin(angle), cos(angle)];
  return (x: number, _: number, z: number) => x * c - z * s;
};

/** Which sector a place lies in; on a plane either. */
export function sectorAt(begins: readonly number[], x: number, z: number): number {
  const share = ((atan2(x, z) - begins[0] + 2 * TURN) % TURN) / TURN;
  return Math.min(begins.length - 1, Math.floor(share * begins.length));
}

function sectorsOf({ positionsMm: p, triangles }: Triangles, begins: readonly number[]): Int32Array {
  return Int32Array.from({ length: triangles.length / 3 }, (_, t) => {
    const mean = (k: number) => [0, 1, 2].reduce((sum, c) => sum + p[3 * triangles[3 * t + c] + k], 0);
    return sectorAt(begins, mean(0), mean(2));
  });
}

/** On the half plane at that angle from the axis outwards. */
const isOn = (p: ArrayLike<number>, v: number, angle: number) =>
  Math.abs(planeAt(angle)(p[3 * v], 0, p[3 * v + 2])) < ON_PLANE_MM &&
  p[3 * v] * sin(angle) + p[3 * v + 2] * cos(angle) > -ON_PLANE_MM;

/** Along the lower part of each half plane corners stand twice: the triangles beyond it take the copy. */
function opened(whole: Triangles, sectorOf: Int32Array, begins: readonly number[]): Triangles {
  const p = whole.positionsMm;
  const positions = Array.from(p);
  const triangles = Array.from(whole.triangles);
  // By the angle down from the crown, which is near to the way along the scalp.
  const down = (v: number) => atan2(Math.sqrt(p[3 * v] ** 2 + p[3 * v + 2] ** 2), p[3 * v + 1]);
  begins.forEach((angle, k) => {
    const on = [...Array(p.length / 3).keys()].filter((v) => isOn(p, v, angle));
    const lowest = Math.max(...on.map(down));
    const tip = Math.min(...on.map(down).filter((d) => d >= (1 - DART_SHARE) * lowest));
    const copies = new Map<number, number>();
    for (const v of on) {
      if (down(v) <= tip) continue;
      copies.set(v, positions.length / 3);
      positions.push(p[3 * v], p[3 * v + 1], p[3 * v + 2]);
    }
    for (let i = 0; i < triangles.length; i++)
      if (sectorOf[(i / 3) | 0] === k) triangles[i] = copies.get(triangles[i]) ?? triangles[i];
  });
  return { positionsMm: Float64Array.from(positions), triangles };
}

/** A piece before it is laid flat. */
interface Cut {
  readonly sectors: readonly number[];
  readonly mesh: SurfaceMesh;
  readonly sectorOf: Int32Array;
  /** By triangle edge the seam that it lies on, -1 elsewhere. */
  readonly seamOf: Int32Array;
  /** The angle that hangs down on paper. */
  readonly middle: number;
}

function cutOut(whole: Triangles, sectorOf: Int32Array, group: readonly number[], begins: readonly number[]): Cut {
  const kept = keepTriangles(whole, (t) => group.includes(sectorOf[t]));
  const mesh = buildSurfaceMesh(kept.positionsMm, kept.triangles);
  if (mesh.borders.length !== 1)
    throw new RangeError('The scalp can’t be cut for paper: its hairline leaves a piece in two.');
  const { positionsMm: p, triangles, acrossEdge } = mesh;
  const planes = [...new Set(group.flatMap((k) => [k, (k + 1) % begins.length]))];
  const seamOf = Int32Array.from(triangles, (a, i) => {
    if (acrossEdge[i] !== -1) return -1;
    const b = triangles[3 * ((i / 3) | 0) + ((i + 1) % 3)];
    return planes.find((k) => isOn(p, a, begins[k]) && isOn(p, b, begins[k])) ?? -1;
  });
  const isGore = group.length === 1;
  return {
    sectors: group,
    mesh,
    sectorOf: sectorOf.filter((s) => group.includes(s)),
    seamOf,
    middle: isGore ? begins[group[0]] + TURN / begins.length / 2 : Math.PI,
  };
}

type Laid = Omit<PatternPiece, 'name'>;
/** By seam, mm on paper. */
type SeamLengths = ReadonlyMap<number, number>;

/** @param lengths of seams on paper; each as it comes where nothing is said */
function layFlat(cut: Cut, before?: Laid, lengths?: SeamLengths): Laid {
  const { mesh, sectors, sectorOf } = cut;
  const flat = flatten(mesh, before?.atMm ?? unrolled(mesh, cut.middle), lengths && lengthensOf(cut, lengths));
  const atMm = upright(cut, flat.atMm);
  return { sectors, sectorOf, mesh, atMm, edges: edgesOf(cut, atMm), distortion: told(mesh, flat.distortion) };
}

function seamLengths(pieces: readonly Laid[]): SeamLengths {
  const edges = pieces.flatMap((p) => p.edges);
  const seams = new Set(edges.flatMap((e) => (e.seam === undefined ? [] : [e.seam])));
  const mean = (lengths: readonly number[]) => lengths.reduce((a, b) => a + b, 0) / lengths.length;
  return new Map([...seams].map((k) => [k, mean(edges.filter((e) => e.seam === k).map((e) => e.lengthMm))]));
}

/** How much each edge on a seam grows for the seam to come to its length. */
function lengthensOf({ mesh, seamOf, sectorOf }: Cut, lengths: SeamLengths): Float64Array {
  const { positionsMm: p, triangles } = mesh;
  const sideOf = (i: number) => `${seamOf[i]} ${sectorOf[(i / 3) | 0]}`;
  const onHead = new Map<string, number>();
  triangles.forEach((a, i) => {
    if (seamOf[i] < 0) return;
    const b = triangles[3 * ((i / 3) | 0) + ((i + 1) % 3)];
    onHead.set(sideOf(i), (onHead.get(sideOf(i)) ?? 0) + distanceMm(p, a, p, b));
  });
  return Float64Array.from(triangles, (_, i) =>
    seamOf[i] < 0 ? 0 : (lengths.get(seamOf[i]) ?? 0) / (onHead.get(sideOf(i)) ?? 1),
  );
}

/** Round the crown as on a map: the way down from it outwards, the angle as it is; seen from outside, the middle angle downwards. */
function unrolled({ positionsMm: p, vertexCount }: SurfaceMesh, middle: number): Float64Array {
  const at = new Float64Array(2 * vertexCount);
  for (let v = 0; v < vertexCount; v++) {
    const [x, y, z] = [p[3 * v], p[3 * v + 1], p[3 * v + 2]];
    const round = Math.sqrt(x * x + z * z);
    const r = Math.sqrt(x * x + y * y + z * z) * atan2(round, y);
    const angle = atan2(x, z) - middle;
    at[2 * v] = r * sin(angle);
    at[2 * v + 1] = -r * cos(angle);
  }
  return at;
}

/** The crown at 0, the middle of the piece straight below it. A whole head hangs by its back: the face is up. */
function upright({ mesh, middle }: Cut, at: Float64Array): Float64Array {
  const { positionsMm: p, vertexCount, vertexAreasMm2 } = mesh;
  let top = 0;
  for (let v = 1; v < vertexCount; v++)
    if (p[3 * v] ** 2 + p[3 * v + 2] ** 2 < p[3 * top] ** 2 + p[3 * top + 2] ** 2) top = v;
  let [mx, my] = [0, 0];
  for (let v = 0; v < vertexCount; v++) {
    const towards = Math.max(0, p[3 * v] * sin(middle) + p[3 * v + 2] * cos(middle)) * vertexAreasMm2[v];
    mx += towards * (at[2 * v] - at[2 * top]);
    my += towards * (at[2 * v + 1] - at[2 * top + 1]);
  }
  const long = Math.sqrt(mx * mx + my * my);
  const [s, c] = [mx / long, -my / long];
  return at.map((_, i) => {
    const v = i >> 1;
    const [x, y] = [at[2 * v] - at[2 * top], at[2 * v + 1] - at[2 * top + 1]];
    return i % 2 === 0 ? c * x + s * y : -s * x + c * y;
  });
}

/** The outline in runs: along each side of a seam, and along the hairline. */
function edgesOf({ mesh: { triangles, acrossEdge }, seamOf, sectorOf }: Cut, at: Float64Array): Edge[] {
  const from = new Map<number, number>();
  for (let i = 0; i < triangles.length; i++) if (acrossEdge[i] === -1) from.set(triangles[i], i);
  const next = (i: number) => from.get(triangles[3 * ((i / 3) | 0) + ((i + 1) % 3)])!;
  const isSame = (i: number, j: number) =>
    seamOf[i] === seamOf[j] && (seamOf[i] < 0 || sectorOf[(i / 3) | 0] === sectorOf[(j / 3) | 0]);
  const start = [...from.values()].find((i) => !isSame(i, next(i))) ?? [...from.values()][0];
  const runs: Array<{ readonly of: number; readonly at: number[] }> = [];
  let i = next(start);
  for (let k = 0; k < from.size; k++, i = next(i)) {
    const [a, b] = [triangles[i], triangles[next(i)]];
    const last = runs.at(-1);
    if (!last || !isSame(last.of, i)) runs.push({ of: i, at: [at[2 * a], at[2 * a + 1]] });
    runs.at(-1)?.at.push(at[2 * b], at[2 * b + 1]);
  }
  return runs.map(({ of, at: points }) => ({
    seam: seamOf[of] < 0 ? undefined : seamOf[of],
    sector: sectorOf[(of / 3) | 0],
    atMm: Float64Array.from(points),
    lengthMm: lengthOf(points),
  }));
}

function lengthOf(at: readonly number[]): number {
  let sum = 0;
  for (let i = 2; i < at.length; i += 2) sum += Math.sqrt((at[i] - at[i - 2]) ** 2 + (at[i + 1] - at[i - 1]) ** 2);
  return sum;
}

function told({ triangleAreasMm2 }: SurfaceMesh, distortion: Float64Array) {
  const order = [...distortion.keys()].sort((a, b) => distortion[a] - distortion[b]);
  const all = triangleAreasMm2.reduce((a, b) => a + b, 0);
  let [mean, area, p95] = [0, 0, 0];
  for (const t of order) {
    mean += (triangleAreasMm2[t] / all) * distortion[t];
    area += triangleAreasMm2[t];
    if (area <= 0.95 * all) p95 = distortion[t];
  }
  return { mean, p95 };
}

const LETTERS = 'ABCDEFGH';
