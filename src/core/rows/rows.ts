/**
 * Rows as level sets of the row field, with short rows where a head is too wide for whole ones: where the
 * gap would exceed 1.4 of the target a row is put between, where it would fall below 0.65 every other row
 * ends (dyadic rule: one row per step becomes two, or four, or a half). No neighbour search is needed.
 */
import { contours, fieldAt, reverseCurve, type SurfaceCurve, sliceCurve } from '../geometry/contour.ts';
import { gradientLengths } from '../geometry/gradient.ts';
import type { SurfaceMesh } from '../geometry/surface-mesh.ts';
import { azimuthOf, type Hairline } from '../head/hairline.ts';
import type { RowField } from './row-field.ts';
import type { ScalpFields } from './scalp-fields.ts';

export type RowKind = 'whole' | 'short' | 'front' | 'fringe' | 'given';

export interface Row {
  /** Steps from the part, in quarters: 0 lies beside the part, 4 is one row further, 2 halfway between. */
  readonly quarter: number;
  readonly kind: RowKind;
  /** From her left to her right. */
  readonly curve: SurfaceCurve;
  /** Gap to the neighbouring rows over the target, at every point of the curve. */
  readonly gapRatio: Float64Array;
  /** The row beside the part, or round the crown. */
  readonly besidePart: boolean;
  /** Places of its knots along the curve, mm, where they are given and not laid out in bricks. */
  readonly placesMm?: readonly number[];
  /** It stays as it lies. */
  readonly locked?: boolean;
  /** Index of the hand change that pulled it. */
  readonly pulledBy?: string;
}

export interface RowSpacing {
  /** Between rows, mm, where the zone factor is 1. */
  readonly gapMm: number;
  /** Along a row, mm, where the zone factor is 1. */
  readonly pitchMm: number;
}

export interface RowPlan {
  readonly rows: readonly Row[];
  readonly wholeRows: number;
  /** Field step between whole rows, zone-mm. */
  readonly stepMm: number;
  readonly firstMm: number;
  /** Level of the field for every quarter that was traced. */
  readonly levelsMm: ReadonlyMap<number, number>;
  readonly insertedRows: number;
  readonly shortenedRows: number;
  /** Runs that were too short to lay and left out. */
  readonly droppedPieces: number;
}

export interface RowOptions {
  /** A row along the front hairline, where nothing lies in front to hide the others. */
  readonly frontRow: boolean;
  /** The swept-back scheme starts at the hairline, not beside a part. */
  readonly swept: boolean;
  /** Distance of every vertex from where no piece goes: rows end short of it. */
  readonly fromClosedMm?: Float64Array;
  /** Distance from rows that stay where they are: others end short of them. */
  readonly fromLockedMm?: Float64Array;
  /** Vertices that belong to a fringe, which has rows of its own. */
  readonly fringe?: Uint8Array;
  /** The first level, where it is not half a spacing: rings begin outside the coil. */
  readonly firstMm?: number;
  /** Added to the first level, a share of the gap. */
  readonly offset?: number;
  /** The first level is the row beside a part or round a crown. */
  readonly besidePart: boolean;
  /** From the first level outwards, as round a puff. */
  readonly outwards: boolean;
  /** Rows pulled by hand: by their quarter, zone-mm towards the first level. */
  readonly pulls?: ReadonlyMap<number, number>;
}

export const PLAIN_ROWS: RowOptions = {
  frontRow: false,
  swept: false,
  besidePart: true,
  outwards: false,
};

/** Gap ratios at which rows are put between or end. */
export const DYADIC = {
  quarters: 2.8,
  halves: 1.4,
  odd: 0.65,
  everyFourth: 0.325,
  insertedRunsOn: 0.93,
  removedComesBack: 1.04,
} as const;

/** Gap over target once the dyadic rule has put rows between or taken some away. */
export function gapAfterRule(ratio: number): number {
  if (ratio > DYADIC.quarters) return ratio / 4;
  if (ratio > DYADIC.halves) return ratio / 2;
  if (ratio < DYADIC.everyFourth) return ratio * 4;
  if (ratio < DYADIC.odd) return ratio * 2;
  return ratio;
}

/** Rows end this share of a gap before a place where nothing is hooked. */
const CLOSED_CLEARANCE = 0.33;
/** And this share before a row that stays as it lies. */
const LOCKED_CLEARANCE = 0.65;

/** What laying rows needs of a field, whatever the spacing: its slope, and how its row length is spread over gaps. */
export interface RowSlopes {
  readonly perTriangle: Float64Array;
  readonly perVertex: Float64Array;
  /** Row length by slope × zone, in bins of its logarithm. */
  readonly histogram: Float64Array;
}

export function rowSlopes(mesh: SurfaceMesh, rowField: RowField): RowSlopes {
  const perTriangle = gradientLengths(mesh, rowField.field);
  return {
    perTriangle,
    perVertex: toVertices(mesh, perTriangle),
    histogram: slopeHistogram(mesh, perTriangle, rowField.zone),
  };
}

export function layRows(
  mesh: SurfaceMesh,
  line: Hairline,
  scalp: ScalpFields,
  rowField: RowField,
  slopes: RowSlopes,
  spacing: RowSpacing,
  options: RowOptions,
  /** Zone factor with what the brush made of it; a stroke changes no row elsewhere. */
  zone: Float64Array = rowField.zone,
): RowPlan {
  const { field } = rowField;
  const { gapMm: s, pitchMm: p } = spacing;
  const { perTriangle: slope, perVertex: vertexSlope } = slopes;
  const first = (options.firstMm ?? (options.swept ? 0.3 * s : p / 2)) + (options.offset ?? 0) * s;
  const span = rowField.total - first - 0.3 * s;
  const factor = bestStepFactor(slopes.histogram, options.swept ? [0.92, 1.1] : [0.94, 1.06]);
  const count = Math.max(2, Math.round(span / (factor * s)) + 1);
  const step = Math.max(span / (count - 1), 0.25 * s);
  const highest = maximumFinite(field);
  const wholeRows = Math.max(count, Math.floor((highest - first) / step) + 1);

  const levelOf = (quarter: number) => first + (quarter * step) / 4 - (options.pulls?.get(quarter) ?? 0);
  const quarters = quartersToTrace(mesh, field, slope, zone, { first, step, gapMm: s, wholeRows });
  const curves = contours(mesh, field, quarters.map(levelOf));

  // With the margin of a row's end the last knot lies half a gap away, so that a spot adds no knots round it.
  const { fromClosedMm, fromLockedMm, fringe } = options;
  const isClosed = (curve: SurfaceCurve, i: number) => {
    const v = curve.share[i] < 0.5 ? curve.fromVertex[i] : curve.toVertex[i];
    if (fringe?.[v]) return true;
    if (fromLockedMm && fromLockedMm[v] < LOCKED_CLEARANCE * s * zone[v]) return true;
    return fromClosedMm !== undefined && fromClosedMm[v] <= CLOSED_CLEARANCE * p * zone[v];
  };
  const front = options.frontRow ? zoneInFront(mesh, zone) : 1;
  const clip = (curve: SurfaceCurve, i: number) =>
    isClosed(curve, i) ||
    fieldAt(curve, scalp.fromHairline, i) < 0.2 * s ||
    (options.frontRow && fieldAt(curve, scalp.fromFrontHairline, i) < 0.65 * s * front);
  const rows: Row[] = [];
  let inserted = 0;
  let shortened = 0;
  let dropped = 0;
  curves.forEach((pieces, index) => {
    const quarter = quarters[index];
    for (const curve of pieces) {
      if (curve.pointCount < 3) continue;
      const ratio = smoothAlong(curve, p / 2, (i) => {
        const slopeHere = fieldAt(curve, vertexSlope, i);
        return step / (Math.max(1e-6, slopeHere) * s * fieldAt(curve, zone, i));
      });
      const keep = keptPoints(quarter, wholeRows, ratio);
      // Where knots lie wider apart, a piece has to be longer to be worth a row.
      const localPitch = p * fieldAt(curve, zone, curve.pointCount >> 1);
      const laid = runsToLay(curve, keep, clip, quarter, localPitch);
      dropped += laid.dropped;
      for (const [from, to] of laid.runs) {
        const whole = from === 0 && to === curve.pointCount - 1;
        const part = whole ? curve : sliceCurve(curve, from, to);
        if (quarter % 4 !== 0) inserted++;
        else if (!keep.every(Boolean)) shortened++;
        rows.push(
          oriented({
            quarter,
            kind: quarter % 4 === 0 ? 'whole' : 'short',
            curve: part,
            gapRatio: ratio.slice(from, to + 1),
            besidePart: quarter === 0 && options.besidePart,
          }),
        );
      }
    }
  });
  if (options.frontRow) rows.push(...frontRow(mesh, line, scalp, field, first, s * front, p * front, isClosed));
  return {
    rows: inLayingOrder(rows, options.outwards),
    levelsMm: new Map(quarters.map((q) => [q, levelOf(q)])),
    firstMm: first,
    wholeRows: count,
    stepMm: step,
    insertedRows: inserted,
    shortenedRows: shortened,
    droppedPieces: dropped,
  };
}

/** Whole rows, and those levels between them that some triangle is stretched enough to want. */
function quartersToTrace(
  mesh: SurfaceMesh,
  field: Float64Array,
  slope: Float64Array,
  zone: Float64Array,
  { first, step, gapMm, wholeRows }: { first: number; step: number; gapMm: number; wholeRows: number },
): number[] {
  const { triangles } = mesh;
  const last = 4 * (wholeRows - 1);
  const wanted = new Uint8Array(last + 1);
  for (let q = 0; q <= last; q += 4) wanted[q] = 1;
  const halves = DYADIC.halves * DYADIC.insertedRunsOn;
  const quarters = DYADIC.quarters * DYADIC.insertedRunsOn;
  for (let t = 0; t < mesh.triangleCount; t++) {
    const ratio = triangleRatio(mesh, slope, zone, t, step, gapMm);
    if (!(ratio > halves)) continue;
    const a = field[triangles[3 * t]];
    const b = field[triangles[3 * t + 1]];
    const c = field[triangles[3 * t + 2]];
    const from = Math.max(0, Math.ceil((4 * (Math.min(a, b, c) - first)) / step));
    const to = Math.min(last, Math.floor((4 * (Math.max(a, b, c) - first)) / step));
    for (let q = from; q <= to; q++) if (q % 2 === 0 || ratio > quarters) wanted[q] = 1;
  }
  const traced: number[] = [];
  wanted.forEach((yes, q) => {
    if (yes) traced.push(q);
  });
  return traced;
}

const BINS = 160;
const LOG_MIN = Math.log(0.05);
const LOG_MAX = Math.log(8);

function slopeHistogram(mesh: SurfaceMesh, slope: Float64Array, zone: Float64Array): Float64Array {
  const histogram = new Float64Array(BINS);
  // A distribution over 20 000 triangles: every fourth one gives it.
  for (let t = 0; t < mesh.triangleCount; t += 4) {
    const x = slope[t] * triangleZone(mesh, zone, t);
    if (!(x > 0) || !Number.isFinite(x)) continue;
    const bin = Math.floor(((Math.log(x) - LOG_MIN) / (LOG_MAX - LOG_MIN)) * BINS);
    histogram[Math.min(BINS - 1, Math.max(0, bin))] += mesh.triangleAreasMm2[t] * slope[t];
  }
  return histogram;
}

/** The step factor whose gaps, after the dyadic rule, come nearest to the target. */
function bestStepFactor(histogram: Float64Array, range: readonly [number, number]): number {
  const total = histogram.reduce((a, b) => a + b, 0);
  let best = 1;
  let bestScore = Number.POSITIVE_INFINITY;
  for (let f = range[0]; f <= range[1] + 1e-9; f += 0.01) {
    let sum = 0;
    for (let b = 0; b < BINS; b++) {
      const x = Math.exp(LOG_MIN + ((b + 0.5) / BINS) * (LOG_MAX - LOG_MIN));
      sum += histogram[b] * Math.log(gapAfterRule(f / x));
    }
    const score = Math.abs(sum / total) + 0.1 * Math.abs(f - 1);
    if (score < bestScore) {
      bestScore = score;
      best = f;
    }
  }
  return best;
}

function triangleZone(mesh: SurfaceMesh, zone: Float64Array, t: number): number {
  const { triangles } = mesh;
  return (zone[triangles[3 * t]] + zone[triangles[3 * t + 1]] + zone[triangles[3 * t + 2]]) / 3;
}

function triangleRatio(
  mesh: SurfaceMesh,
  slope: Float64Array,
  zone: Float64Array,
  t: number,
  step: number,
  s: number,
): number {
  return step / (Math.max(1e-6, slope[t]) * s * triangleZone(mesh, zone, t));
}

/** Area-weighted mean of the triangles round each vertex. */
function toVertices(mesh: SurfaceMesh, perTriangle: Float64Array): Float64Array {
  const { triangles, triangleAreasMm2, vertexAreasMm2 } = mesh;
  const out = new Float64Array(mesh.vertexCount);
  for (let t = 0; t < perTriangle.length; t++) {
    const weighted = triangleAreasMm2[t] * perTriangle[t];
    out[triangles[3 * t]] += weighted;
    out[triangles[3 * t + 1]] += weighted;
    out[triangles[3 * t + 2]] += weighted;
  }
  // A vertex owns a third of each triangle round it.
  for (let v = 0; v < out.length; v++) out[v] /= 3 * vertexAreasMm2[v];
  return out;
}

/** Mean of a value over `reach` mm of the curve to both sides. */
function smoothAlong(curve: SurfaceCurve, reach: number, valueAt: (i: number) => number): Float64Array {
  const n = curve.pointCount;
  const values = new Float64Array(n);
  for (let i = 0; i < n; i++) values[i] = valueAt(i);
  const out = new Float64Array(n);
  let lo = 0;
  let hi = -1;
  let sum = 0;
  for (let i = 0; i < n; i++) {
    while (hi + 1 < n && curve.arcMm[hi + 1] <= curve.arcMm[i] + reach) sum += values[++hi];
    while (curve.arcMm[lo] < curve.arcMm[i] - reach) sum -= values[lo++];
    out[i] = sum / (hi - lo + 1);
  }
  return out;
}

/** Where along a level the dyadic rule lays a row, with hysteresis so that rows don't flicker on and off. */
function keptPoints(quarter: number, wholeRows: number, ratio: Float64Array): boolean[] {
  const row = quarter / 4;
  if (!Number.isInteger(row)) {
    const threshold = quarter % 2 === 0 ? DYADIC.halves : DYADIC.quarters;
    return grown(ratio, threshold, threshold * DYADIC.insertedRunsOn);
  }
  if (row % 4 === 0 || row === wholeRows - 1) return new Array(ratio.length).fill(true);
  const threshold = row % 2 === 1 ? DYADIC.odd : DYADIC.everyFourth;
  // Taken away where the gap is at most the threshold: the same growth, downwards.
  const removed = grown(ratio, threshold, threshold * DYADIC.removedComesBack, -1);
  return removed.map((gone) => !gone);
}

/** Points beyond `seed`, grown along the curve while they are beyond `grow`; upwards, or downwards with sign -1. */
function grown(values: Float64Array, seed: number, grow: number, sign: 1 | -1 = 1): boolean[] {
  const n = values.length;
  const on: boolean[] = new Array(n);
  const isBeyond = (v: number, limit: number) => (sign > 0 ? v > limit : v <= limit);
  for (let i = 0; i < n; i++) on[i] = isBeyond(values[i], seed) || (i > 0 && on[i - 1] && isBeyond(values[i], grow));
  for (let i = n - 2; i >= 0; i--) if (!on[i] && on[i + 1] && isBeyond(values[i], grow)) on[i] = true;
  return on;
}

function runsToLay(
  curve: SurfaceCurve,
  keep: boolean[],
  clip: (curve: SurfaceCurve, i: number) => boolean,
  quarter: number,
  pitch: number,
) {
  const inserted = quarter % 4 !== 0;
  const complete = keep.every(Boolean);
  const last = curve.pointCount - 1;
  let runs = runsOf(keep);
  runs = mergeNear(curve, runs, 2 * pitch);
  const reach = (inserted ? 1.25 : 2) * pitch;
  runs = runs.map(([from, to]): [number, number] => [
    !curve.closed && curve.arcMm[from] < reach ? 0 : from,
    !curve.closed && curve.lengthMm - curve.arcMm[to] < reach ? last : to,
  ]);
  const length = ([from, to]: [number, number]) => curve.arcMm[to] - curve.arcMm[from];
  const before = runs.length;
  if (!complete) runs = runs.filter((run) => length(run) >= 2 * pitch);
  const clipped = runs.flatMap(([from, to]) => clipRun(curve, from, to, clip));
  const kept = clipped.filter((run) => isWholeRing(curve, run) || length(run) >= 1.5 * pitch);
  return { runs: kept, dropped: before - runs.length + clipped.length - kept.length };
}

function isWholeRing(curve: SurfaceCurve, [from, to]: [number, number]): boolean {
  return curve.closed && from === 0 && to === curve.pointCount - 1;
}

function runsOf(on: boolean[]): Array<[number, number]> {
  const runs: Array<[number, number]> = [];
  let from = -1;
  for (let i = 0; i <= on.length; i++) {
    if (i < on.length && on[i]) {
      if (from < 0) from = i;
    } else if (from >= 0) {
      runs.push([from, i - 1]);
      from = -1;
    }
  }
  return runs;
}

function mergeNear(curve: SurfaceCurve, runs: Array<[number, number]>, gap: number): Array<[number, number]> {
  const merged: Array<[number, number]> = [];
  for (const run of runs) {
    const last = merged[merged.length - 1];
    if (last && curve.arcMm[run[0]] - curve.arcMm[last[1]] < gap) last[1] = run[1];
    else merged.push([...run]);
  }
  return merged;
}

function clipRun(
  curve: SurfaceCurve,
  from: number,
  to: number,
  clip: (curve: SurfaceCurve, i: number) => boolean,
): Array<[number, number]> {
  const on: boolean[] = [];
  for (let i = from; i <= to; i++) on.push(!clip(curve, i));
  return runsOf(on).map(([a, b]): [number, number] => [a + from, b + from]);
}

/** A row starts on her left; a ring starts in front and goes round by her left. */
export function oriented(row: Row): Row {
  const { curve } = row;
  if (curve.closed) return ringFromFront(row);
  const last = curve.pointCount - 1;
  const aside = curve.pointsMm[0] - curve.pointsMm[3 * last];
  // A row that runs straight back has no left end: it starts in front.
  const back = curve.pointsMm[2] - curve.pointsMm[3 * last + 2];
  if (Math.abs(aside) >= Math.abs(back) / 2 ? aside >= 0 : back >= 0) return row;
  return { ...row, curve: reverseCurve(curve), gapRatio: row.gapRatio.slice().reverse() };
}

function ringFromFront(row: Row): Row {
  let { curve } = row;
  let ratio = row.gapRatio;
  const n = curve.pointCount;
  const frontOf = (c: SurfaceCurve) => {
    let front = 0;
    for (let i = 1; i < n; i++) if (c.pointsMm[3 * i + 2] > c.pointsMm[3 * front + 2]) front = i;
    return front;
  };
  if (curve.pointsMm[3 * ((frontOf(curve) + Math.ceil(n / 4)) % n)] <= 0) {
    curve = reverseCurve(curve);
    ratio = ratio.slice().reverse();
  }
  const front = frontOf(curve);
  const turn = <A extends Float64Array | Int32Array>(a: A): A => {
    const out = a.slice() as A;
    for (let i = 0; i < n; i++) out[i] = a[(i + front) % n];
    return out;
  };
  const pointsMm = new Float64Array(3 * n);
  const arcMm = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const from = (i + front) % n;
    for (let c = 0; c < 3; c++) pointsMm[3 * i + c] = curve.pointsMm[3 * from + c];
    const arc = curve.arcMm[from] - curve.arcMm[front];
    arcMm[i] = arc < 0 ? arc + curve.lengthMm : arc;
  }
  const turned: SurfaceCurve = {
    ...curve,
    pointsMm,
    arcMm,
    fromVertex: turn(curve.fromVertex),
    toVertex: turn(curve.toVertex),
    share: turn(curve.share),
  };
  return { ...row, curve: turned, gapRatio: turn(ratio) };
}

/** Zone factor at the middle of the front hairline. */
function zoneInFront(mesh: SurfaceMesh, zone: Float64Array): number {
  const p = mesh.positionsMm;
  let best = 0;
  let nearest = Infinity;
  for (const v of mesh.borders[0]) {
    if (p[3 * v + 2] <= 0 || Math.abs(p[3 * v]) >= nearest) continue;
    nearest = Math.abs(p[3 * v]);
    best = v;
  }
  return zone[best];
}

function frontRow(
  mesh: SurfaceMesh,
  line: Hairline,
  scalp: ScalpFields,
  field: Float64Array,
  first: number,
  s: number,
  p: number,
  isClosed: (curve: SurfaceCurve, i: number) => boolean,
): Row[] {
  const level = Math.min(8, 0.35 * s);
  const temple = line.azimuthsRad.temple;
  const pieces = contours(mesh, scalp.fromFrontHairline, [level])[0];
  return pieces.flatMap((curve) => {
    const on = Array.from({ length: curve.pointCount }, (_, i) => {
      const azimuth = azimuthOf(curve.pointsMm[3 * i], curve.pointsMm[3 * i + 2]);
      return azimuth <= temple && fieldAt(curve, field, i) >= first && !isClosed(curve, i);
    });
    return runsOf(on)
      .filter(([from, to]) => curve.arcMm[to] - curve.arcMm[from] >= 1.5 * p)
      .map(([from, to]) => {
        const part = sliceCurve(curve, from, to);
        const gapRatio = new Float64Array(part.pointCount).fill(1);
        return oriented({ quarter: -1, kind: 'front', curve: part, gapRatio, besidePart: false });
      });
  });
}

/** From the nape to the part (or from the tie outwards), her left first; the front hairline last. */
export function inLayingOrder(rows: Row[], outwards: boolean): Row[] {
  const way = outwards ? -1 : 1;
  return rows.sort((a, b) => {
    if ((a.kind === 'front') !== (b.kind === 'front')) return a.kind === 'front' ? 1 : -1;
    return way * (b.quarter - a.quarter) || b.curve.pointsMm[0] - a.curve.pointsMm[0];
  });
}

function maximumFinite(field: Float64Array): number {
  let best = -Infinity;
  for (const v of field) if (v > best && v < Infinity) best = v;
  return best;
}
