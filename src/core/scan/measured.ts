/** A seated scan measured: landmarks proposed on it and moved by her, tapes read off as shortest ways over it, and held against her own tape. */
import {
  buildSurfaceMesh,
  distanceFrom,
  icosphere,
  nearestVertex,
  type SurfaceMesh,
  smoothstep,
} from '../geometry/index.ts';
import {
  aboveHairline,
  fitHead,
  fittedGauge,
  type HairlineOffsets,
  hairline,
  headShape,
  landmarks,
  nodeDirection,
  type Point,
  RELIEF_NODES,
  type Relief,
  scoresOf,
  type TapeValuesMm,
  valueAt,
} from '../head/index.ts';
import { cos, sin } from '../numerics/index.ts';
import { TAPE_INFO, TAPE_MEASURES, type TapeMeasure } from '../trade/index.ts';
import type { Seat } from './pose.ts';

/** Left ones stand for both. */
export const SCAN_MARKS = [
  'frontHairline',
  'crown',
  'occiput',
  'napeHairline',
  'earTop',
  'temple',
  'napeCorner',
] as const;
export type ScanMark = (typeof SCAN_MARKS)[number];
export const SCAN_MARK_NAMES: Readonly<Record<ScanMark, string>> = {
  frontHairline: 'middle of the front hairline',
  crown: 'crown',
  occiput: 'fullest place behind',
  napeHairline: 'middle of the nape hairline',
  earTop: 'top of the ear',
  temple: 'temple',
  napeCorner: 'corner of the nape',
};
/** On the middle of the head; the others stand on both sides. */
export const MIDDLE_MARKS: readonly ScanMark[] = ['frontHairline', 'crown', 'occiput', 'napeHairline'];

/** Directions from the middle of the head, unit vectors. */
export type ScanMarks = Readonly<Record<ScanMark, Point>>;

/** Where they lie on the head of that length, breadth and height; of the hairline that is a guess, and hers to mend. */
export function proposedMarks({ halfLengthMm, halfBreadthMm, crownHeightMm }: Seat): ScanMarks {
  const size = Math.sqrt(halfLengthMm * halfBreadthMm);
  const on = landmarks(
    headShape(scoresOf({ size, elongation: halfLengthMm / halfBreadthMm, height: crownHeightMm / size })),
  );
  return Object.fromEntries(SCAN_MARKS.map((m) => [m, unit(on[m])])) as unknown as ScanMarks;
}

function unit([x, y, z]: Point): Point {
  const long = Math.sqrt(x * x + y * y + z * z);
  return [x / long, y / long, z / long];
}

/** Divisions of the sphere that tapes are laid over: 5 mm from corner to corner. */
const SURFACE = 28;

/** The scan's surface all round, mm; what lies below the nape is only carried on. */
export function surfaceOf(radiiMm: ArrayLike<number>, divisions = SURFACE): SurfaceMesh {
  const { directions, triangles } = icosphere(divisions);
  const positions = new Float64Array(directions.length);
  for (let i = 0; i < directions.length; i += 3) {
    const [x, y, z] = [directions[i], directions[i + 1], directions[i + 2]];
    const r = valueAt(radiiMm, x, y, z);
    positions[i] = r * x;
    positions[i + 1] = r * y;
    positions[i + 2] = r * z;
  }
  return buildSurfaceMesh(positions, triangles);
}

const placeAt = (radiiMm: ArrayLike<number>, [x, y, z]: Point): Point => {
  const r = valueAt(radiiMm, x, y, z);
  return [r * x, r * y, r * z];
};

/** Shortest way over a surface between places on it, mm. */
export function shortestWays(mesh: SurfaceMesh, from: Point, to: readonly Point[]): number[] {
  const distance = distanceFrom(mesh, { pointsMm: from });
  return to.map((p) => distanceAt(mesh, distance, p));
}

/** From the corners round a place, each with what is left to it. */
function distanceAt(mesh: SurfaceMesh, distance: Float64Array, [x, y, z]: Point): number {
  const { positionsMm: p, neighbourStart, neighbours } = mesh;
  const near = nearestVertex(mesh, x, y, z);
  const gap = (v: number) => Math.sqrt((p[3 * v] - x) ** 2 + (p[3 * v + 1] - y) ** 2 + (p[3 * v + 2] - z) ** 2);
  const corners = [near, ...neighbours.slice(neighbourStart[near], neighbourStart[near + 1])].sort(
    (a, b) => gap(a) - gap(b),
  );
  const [a, b, c] = corners;
  if (gap(a) < 1e-6) return distance[a];
  // Linear between the three nearest, by inverse distance.
  const weights = [a, b, c].map((v) => 1 / gap(v) ** 2);
  const all = weights.reduce((s, w) => s + w, 0);
  return [a, b, c].reduce((sum, v, i) => sum + (weights[i] / all) * distance[v], 0);
}

/** The six tapes as they would lie on the scan, mm. */
export function scanTape(radiiMm: ArrayLike<number>, marks: ScanMarks): Readonly<Record<TapeMeasure, number>> {
  const mesh = surfaceOf(radiiMm);
  const at = (m: ScanMark) => placeAt(radiiMm, marks[m]);
  const [front, crown, occiput, nape, ear, temple, corner] = SCAN_MARKS.map(at);
  const [toEarOver, toCrown] = shortestWays(mesh, front, [ear, crown]);
  const [crownToEar, crownToOcciput] = shortestWays(mesh, crown, [ear, occiput]);
  const [occiputToTemple, occiputToNape] = shortestWays(mesh, occiput, [temple, nape]);
  const [napeToCorner] = shortestWays(mesh, nape, [corner]);
  const round = levelWay(radiiMm, front, occiput);
  return {
    girth: 2 * round.slice(1).reduce((sum, to, i) => sum + shortestWays(mesh, round[i], [to])[0], 0),
    frontToNape: toCrown + crownToOcciput + occiputToNape,
    earToEarTop: 2 * crownToEar,
    earToEarFront: 2 * toEarOver,
    templeToTemple: 2 * occiputToTemple,
    napeWidth: 2 * napeToCorner,
  };
}

/** A tape round the head is held level by hand: left to itself it would slip up. Places on its way from the front to behind. */
const LEVEL_STEPS = 6;

/** In the plane through both that runs from ear to ear. */
function levelWay(radiiMm: ArrayLike<number>, front: Point, back: Point): Point[] {
  const middle: Point = [0, (front[1] + back[1]) / 2, (front[2] + back[2]) / 2];
  const ahead = unit([0, front[1] - middle[1], front[2] - middle[2]]);
  return Array.from({ length: LEVEL_STEPS + 1 }, (_, i) => {
    const angle = (Math.PI * i) / LEVEL_STEPS;
    const way: Point = [sin(angle), cos(angle) * ahead[1], cos(angle) * ahead[2]];
    return outFrom(radiiMm, middle, way);
  });
}

/** Where a way from a place inside leaves the surface. */
function outFrom(radiiMm: ArrayLike<number>, from: Point, way: Point): Point {
  let far = 90;
  for (let k = 0; k < 30; k++) {
    const p = [0, 1, 2].map((i) => from[i] + far * way[i]) as unknown as Point;
    const long = Math.sqrt(p[0] ** 2 + p[1] ** 2 + p[2] ** 2);
    const off = valueAt(radiiMm, p[0], p[1], p[2]) - long;
    if (Math.abs(off) < 1e-6) return p;
    far += off;
  }
  return [0, 1, 2].map((i) => from[i] + far * way[i]) as unknown as Point;
}

export type Believed = 'scan' | 'tape' | 'either';

export interface HeldAgainst {
  readonly measure: TapeMeasure;
  readonly scanMm: number;
  /** What she read; undefined where she did not. */
  readonly tapeMm: number | undefined;
  readonly believed: Believed;
}

export interface ScanJudged {
  readonly measures: readonly HeldAgainst[];
  /** Hair under the scan: what it is larger all round than her tape, mm; 0 where it is not. */
  readonly hairMm: number;
  /** The scan in another unit or out of scale: what it would have to be multiplied by; 1 where it fits. */
  readonly scale: number;
  readonly words: string;
}

/** Of a tape read off a scan, mm (tried out on scans of known heads). */
const SCAN_SD_MM = 4;
/** Apart by more than this many spreads two readings differ. */
const DIFFERS = 2;
/** Hair makes a scan larger by this much from the middle out, mm: 5 to 20 mm round is common practice, no source. */
const HAIR_MM = [0.7, 6] as const;
/** What a scale must be off by to be no hair and no slip of the tape. */
const OUT_OF_SCALE = 0.09;

/** Which of both is to be believed, measure by measure, and why. */
export function heldAgainst(scan: Readonly<Record<TapeMeasure, number>>, tape: TapeValuesMm): ScanJudged {
  const both = TAPE_MEASURES.filter((m) => tape[m] !== undefined);
  const ratio = (m: TapeMeasure) => scan[m] / (tape[m] as number);
  const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 1;
  const typical = middle(both.map(ratio));
  const scale = both.length >= 2 && Math.abs(typical - 1) > OUT_OF_SCALE ? 1 / typical : 1;
  const sd = (m: TapeMeasure) => Math.sqrt(TAPE_INFO[m].readingSdMm ** 2 + SCAN_SD_MM ** 2);
  // Hair adds as much to every tape as its turn round the middle: a whole turn to the girth, half of one from ear to ear.
  const lift = middle(both.map((m) => (scan[m] - (tape[m] as number)) / TURNS[m]));
  const isHair =
    scale === 1 && both.length >= 2 && lift > HAIR_MM[0] && lift < HAIR_MM[1] && hairyEnough(scan, tape, both);
  const hairMm = isHair ? lift : 0;
  const measures = TAPE_MEASURES.map((measure): HeldAgainst => {
    const tapeMm = tape[measure];
    const base = { measure, scanMm: scan[measure], tapeMm };
    if (tapeMm === undefined) return { ...base, believed: 'scan' };
    if (scale !== 1) return { ...base, believed: 'tape' };
    const off = (scan[measure] - hairMm * TURNS[measure] - tapeMm) / sd(measure);
    if (Math.abs(off) < DIFFERS) return { ...base, believed: isHair ? 'tape' : 'either' };
    // One that differs from the scan while the others agree was read wrong.
    return { ...base, believed: both.length >= 3 ? 'scan' : 'tape' };
  });
  return { measures, hairMm, scale, words: verdict(measures, hairMm, scale, both.length) };
}

/** Turns round the middle that a tape makes, times 2π. */
const TURNS: Readonly<Record<TapeMeasure, number>> = {
  girth: 6.28,
  frontToNape: 4.1,
  earToEarTop: 3.6,
  earToEarFront: 3.1,
  templeToTemple: 4,
  napeWidth: 1.9,
};

/** At least two in three measures are larger, and the girth is. */
function hairyEnough(
  scan: Readonly<Record<TapeMeasure, number>>,
  tape: TapeValuesMm,
  both: readonly TapeMeasure[],
): boolean {
  const larger = both.filter((m) => scan[m] - (tape[m] as number) > 0);
  const girth = tape.girth === undefined || scan.girth - tape.girth > 3;
  return girth && larger.length >= (2 * both.length) / 3;
}

function verdict(measures: readonly HeldAgainst[], hairMm: number, scale: number, both: number): string {
  if (both === 0) return 'You have no tape to hold it against: the scan is believed, with whatever hair was under it.';
  if (scale !== 1)
    return `All of the scan is ${scale < 1 ? 'larger' : 'smaller'} than your tape by the same share, ${Math.round(100 * Math.abs(1 / scale - 1))} %: its unit or its scale is wrong. Believe the tape, and take only the shape of the scan.`;
  const wrong = measures.filter((m) => m.tapeMm !== undefined && m.believed === 'scan');
  const slip =
    wrong.length === 0
      ? ''
      : ` ${wrong.map((m) => TAPE_INFO[m.measure].name).join(', ')}: there the tape differs while the rest agrees; measure it once more.`;
  if (hairMm > 0)
    return `The scan is larger all round, as hair makes it: about ${Math.round(hairMm)} mm of hair lay under it. Believe the tape.${slip}`;
  if (wrong.length > 0) return `Most agree.${slip}`;
  return 'Both agree within what a tape is read to.';
}

/** What lies so far below the hairline is carried over from the fitted head, mm. */
const BELOW_MM = [-34, -8] as const;

/** How the scan stands out from the head that fits its own measures: its shape without its size. */
export function reliefFrom(radiiMm: ArrayLike<number>, tape: TapeValuesMm, offsets: HairlineOffsets): Relief {
  const shape = headShape(fitHead(tape).scores);
  const line = hairline(shape, offsets);
  const ratios = Float64Array.from({ length: RELIEF_NODES }, (_, n) => {
    const [x, y, z] = unit(nodeDirection(n));
    const r = radiiMm[n];
    const above = Math.max(aboveHairline(line, x, y, z), aboveHairline(line, -x, y, z)) * r;
    const share = smoothstep(BELOW_MM[0], BELOW_MM[1], above);
    return share === 0 ? 1 : 1 + share * fittedGauge(shape, r * x, r * y, r * z);
  });
  return { ratios };
}
