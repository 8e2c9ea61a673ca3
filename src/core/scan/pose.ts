/**
 * How a scan stands: its unit, which way is up, where it looks. Guessed from the shape (a head is round on top, longer than wide,
 * alike on both sides, and sticks out below in front), and hers to change.
 */
import { polygonHull } from 'd3-polygon';
import { cos, log, sin } from '../numerics/index.ts';
import { extentOf, type ScanMesh } from './scan-mesh.ts';

export const SCAN_UNITS = ['mm', 'cm', 'm', 'in'] as const;
export type ScanUnit = (typeof SCAN_UNITS)[number];
export const UNIT_MM: Readonly<Record<ScanUnit, number>> = { mm: 1, cm: 10, m: 1000, in: 25.4 };
export const UPS = ['+x', '-x', '+y', '-y', '+z', '-z'] as const;
export type Up = (typeof UPS)[number];

/** How it is set upright: up first, then turned about that, then tipped forwards. */
export interface Pose {
  readonly unit: ScanUnit;
  readonly up: Up;
  /** Of the face from where it would look, to her left, degrees. */
  readonly turnDeg: number;
  /** Of the chin, up, degrees. */
  readonly tipDeg: number;
}

/** From corner to corner, mm: a head alone, or one with shoulders. */
const ACROSS_MM = [220, 900] as const;
/** Root of half length and half breadth of a head, and where nothing of one is seen, mm. */
const LIKELY_SIZE_MM = 86;
const LIKELY_ACROSS_MM = 450;

/** @returns a sentence where it can't be a head in that unit */
export function sizeTrouble(across: number, unit: ScanUnit): string | undefined {
  const mm = across * UNIT_MM[unit];
  if (mm >= ACROSS_MM[0] / 2 && mm <= 2.5 * ACROSS_MM[1]) return undefined;
  const size = mm < 1000 ? `${mm.toPrecision(2)} mm` : `${(mm / 1000).toPrecision(2)} m`;
  return `In this unit it is ${size} from corner to corner, which is no head.`;
}

/** Upright, in mm: x to her left, y up, z to the face; not yet moved. */
export function posed({ positions }: ScanMesh, { unit, up, turnDeg, tipDeg }: Pose): Float32Array {
  const scale = UNIT_MM[unit];
  const [turn, tip] = [(turnDeg * Math.PI) / 180, (tipDeg * Math.PI) / 180];
  const [ct, st, cp, sp] = [cos(turn), sin(turn), cos(tip), sin(tip)];
  const out = new Float32Array(positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    const [x0, y0, z0] = upright(up, positions[i] * scale, positions[i + 1] * scale, positions[i + 2] * scale);
    const x = ct * x0 - st * z0;
    const z = st * x0 + ct * z0;
    out[i] = x;
    out[i + 1] = cp * y0 + sp * z;
    out[i + 2] = -sp * y0 + cp * z;
  }
  return out;
}

/** A quarter turn or half a turn, never a mirror. */
function upright(up: Up, x: number, y: number, z: number): readonly [number, number, number] {
  switch (up) {
    case '+y':
      return [x, y, z];
    case '-y':
      return [-x, -y, z];
    case '+z':
      return [x, z, -y];
    case '-z':
      return [x, -z, y];
    case '+x':
      return [-y, x, z];
    case '-x':
      return [y, -x, z];
  }
}

/** How far below the top a head is looked at, mm. */
const DOME_MM = 110;
const HEAD_WIDE_MM = [120, 260] as const;

/** The unit and the way up in which it is most nearly a head. @param mesh a coarse one does */
export function guessPose(mesh: ScanMesh): Pose {
  const { across } = extentOf(mesh.positions);
  const tried = SCAN_UNITS.filter((u) => sizeTrouble(across, u) === undefined).map((unit) => {
    const pose = guessInUnit(mesh, unit);
    return { pose, off: Math.abs(log(sizeIn(mesh, pose) / LIKELY_SIZE_MM)) };
  });
  const [best] = tried.sort((a, b) => a.off - b.off);
  if (best && best.off < 0.25) return best.pose;
  // No head is found in any: as large as one would be, for her to turn.
  const off = (u: ScanUnit) => Math.abs(log((across * UNIT_MM[u]) / LIKELY_ACROSS_MM));
  return guessInUnit(mesh, [...SCAN_UNITS].sort((a, b) => off(a) - off(b))[0]);
}

function sizeIn(mesh: ScanMesh, pose: Pose): number {
  try {
    const { halfLengthMm, halfBreadthMm } = seatOf(posed(mesh, pose));
    return Math.sqrt(halfLengthMm * halfBreadthMm);
  } catch {
    return 1;
  }
}

function guessInUnit(mesh: ScanMesh, unit: ScanUnit): Pose {
  const rim = rimOf(mesh);
  const tried = UPS.map((up) => ({ up, score: upScore(posed(mesh, { unit, up, turnDeg: 0, tipDeg: 0 }), rim) }));
  const [{ up }] = tried.sort((a, b) => b.score - a.score);
  const turnDeg = guessTurn(posed(mesh, { unit, up, turnDeg: 0, tipDeg: 0 }));
  return { unit, up, turnDeg, tipDeg: 0 };
}

/** Corners at holes: a scan ends at the neck or the chest. */
function rimOf({ triangles }: ScanMesh): Uint32Array {
  const edges = new Set<number>();
  const n = 2 ** 26;
  for (let t = 0; t < triangles.length; t += 3)
    for (let c = 0; c < 3; c++) {
      const [a, b] = [triangles[t + c], triangles[t + ((c + 1) % 3)]];
      if (!edges.delete(b * n + a)) edges.add(a * n + b);
    }
  return Uint32Array.from(edges, (e) => Math.floor(e / n));
}

function upScore(p: Float32Array, rim: Uint32Array): number {
  const { min, max } = extentOf(p);
  const high = max[1] - min[1];
  let [x0, x1, z0, z1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < p.length; i += 3) {
    if (p[i + 1] < max[1] - DOME_MM) continue;
    x0 = Math.min(x0, p[i]);
    x1 = Math.max(x1, p[i]);
    z0 = Math.min(z0, p[i + 2]);
    z1 = Math.max(z1, p[i + 2]);
  }
  const fits = (wide: number) => (wide > HEAD_WIDE_MM[0] && wide < HEAD_WIDE_MM[1] ? 1 : 0);
  const low = rim.length === 0 ? 0 : rim.reduce((sum, v) => sum + (max[1] - p[3 * v + 1]), 0) / rim.length / high;
  // What lies on a side is as wide as it is high; a dome closes above.
  return fits(x1 - x0) + fits(z1 - z0) + 1.5 * low + 0.5 * domeShare(p, max[1], x0, x1, z0, z1);
}

/** How much narrower it is near the top than at the foot of the dome. */
function domeShare(p: Float32Array, top: number, x0: number, x1: number, z0: number, z1: number): number {
  let [a0, a1, b0, b1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < p.length; i += 3) {
    if (p[i + 1] < top - DOME_MM / 6) continue;
    a0 = Math.min(a0, p[i]);
    a1 = Math.max(a1, p[i]);
    b0 = Math.min(b0, p[i + 2]);
    b1 = Math.max(b1, p[i + 2]);
  }
  const round = ((a1 - a0) * (b1 - b0)) / ((x1 - x0) * (z1 - z0) || 1);
  return round > 0.15 && round < 0.75 ? 1 : 0;
}

const BINS = 72;
const UPPER_MM = [30, 110] as const;
/** Nose and chin against the nape, mm below the top. */
const LOWER_MM = [125, 190] as const;

function guessTurn(p: Float32Array): number {
  const top = extentOf(p).max[1];
  const [cx, cz] = middleOf(p, top);
  const upper = profile(p, top, UPPER_MM, cx, cz);
  const lower = profile(p, top, LOWER_MM, cx, cz);
  const all = upper.map((r, i) => (r > 0 && lower[i] > 0 ? r + lower[i] : r));
  let best = 0;
  let least = Number.POSITIVE_INFINITY;
  for (let axis = 0; axis < BINS / 2; axis++) {
    let unlike = 0;
    for (let k = 1; k < BINS / 2; k++) unlike += (all[(axis + k) % BINS] - all[(axis - k + BINS) % BINS]) ** 2;
    // The long way of a head is from face to back.
    const long = upper[axis] + upper[axis + BINS / 2];
    const wide = upper[(axis + BINS / 4) % BINS] + upper[(axis + (3 * BINS) / 4) % BINS];
    const score = Math.sqrt(unlike / BINS) + 40 * Math.max(0, wide / (long || 1) - 0.9);
    if (score < least) {
      least = score;
      best = axis;
    }
  }
  const front = lower[best] >= lower[best + BINS / 2] ? best : best + BINS / 2;
  const deg = (front * 360) / BINS;
  return deg > 180 ? deg - 360 : deg;
}

function middleOf(p: Float32Array, top: number): readonly [number, number] {
  let [x0, x1, z0, z1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < p.length; i += 3) {
    const below = top - p[i + 1];
    if (below < UPPER_MM[0] || below > UPPER_MM[1]) continue;
    x0 = Math.min(x0, p[i]);
    x1 = Math.max(x1, p[i]);
    z0 = Math.min(z0, p[i + 2]);
    z1 = Math.max(z1, p[i + 2]);
  }
  return x1 > x0 ? [(x0 + x1) / 2, (z0 + z1) / 2] : [0, 0];
}

/** How far it reaches in every direction between two heights, by angle from +z to +x, mm; 0 where nothing is. */
function profile(
  p: Float32Array,
  top: number,
  [from, to]: readonly [number, number],
  cx: number,
  cz: number,
): Float64Array {
  const out = new Float64Array(BINS);
  for (let i = 0; i < p.length; i += 3) {
    const below = top - p[i + 1];
    if (below < from || below > to) continue;
    const [x, z] = [p[i] - cx, p[i + 2] - cz];
    const bin = binOf(x, z);
    out[bin] = Math.max(out[bin], Math.sqrt(x * x + z * z));
  }
  return out;
}

const TANGENTS = Array.from(
  { length: BINS },
  (_, i) => [sin((i * 2 * Math.PI) / BINS), cos((i * 2 * Math.PI) / BINS)] as const,
);

/** The bin whose middle is nearest. */
function binOf(x: number, z: number): number {
  let best = 0;
  let most = Number.NEGATIVE_INFINITY;
  for (let i = 0; i < BINS; i++) {
    const along = x * TANGENTS[i][0] + z * TANGENTS[i][1];
    if (along > most) {
      most = along;
      best = i;
    }
  }
  return best;
}

/** The crown above the widest plane, in sizes of a head (median of the parameters of a head); ears begin lower. */
const CROWN_SHARE = 1.22;
const FIRST_SIZE_MM = 86;
const SLICE_MM = 4;
/** Of the half length: the face lies so much farther from the middle than the back does. */
const FACE_SHARE = 0.06;
/** Round a head, mm. */
const GIRTHS_MM = [380, 900] as const;

export interface Seat {
  /** The middle of the head in the posed scan, mm. */
  readonly at: readonly [number, number, number];
  readonly halfLengthMm: number;
  readonly halfBreadthMm: number;
  readonly crownHeightMm: number;
}

/** @throws RangeError where no head is found in it */
export function seatOf(p: Float32Array): Seat {
  const top = extentOf(p).max[1];
  let size = FIRST_SIZE_MM;
  for (let round = 0; ; round++) {
    const below = CROWN_SHARE * size;
    const { x, z, around } = slice(p, top - below);
    if (around < GIRTHS_MM[0] || around > GIRTHS_MM[1])
      throw new RangeError('No head is found in it so: choose another unit, or which way is up.');
    const [halfBreadthMm, halfLengthMm] = [(x[1] - x[0]) / 2, (z[1] - z[0]) / 2];
    if (round === 3) {
      const at = [(x[1] + x[0]) / 2, top - below, z[1] - (1 + FACE_SHARE) * halfLengthMm] as const;
      return { at, halfLengthMm, halfBreadthMm, crownHeightMm: below };
    }
    size = Math.sqrt(halfLengthMm * halfBreadthMm);
  }
}

function slice(p: Float32Array, y: number) {
  const points: Array<[number, number]> = [];
  for (let i = 0; i < p.length; i += 3) if (Math.abs(p[i + 1] - y) < SLICE_MM) points.push([p[i], p[i + 2]]);
  const hull = polygonHull(points) ?? [];
  const around = hull.reduce((sum, q, i) => {
    const r = hull[(i + 1) % hull.length];
    return sum + Math.sqrt((q[0] - r[0]) ** 2 + (q[1] - r[1]) ** 2);
  }, 0);
  const span = (k: number) => [Math.min(...hull.map((q) => q[k])), Math.max(...hull.map((q) => q[k]))] as const;
  return { around, x: span(0), z: span(1) };
}

/** About the middle of the head. */
export function seated(p: Float32Array, { at }: Seat): Float32Array {
  return p.map((v, i) => v - at[i % 3]);
}
