/**
 * Knots along the rows, in bricks: each knot over the gap between two of the row below. Every row is laid
 * from the nape up by projecting the knots below on it, taking the middles, adding whole spacings at both
 * ends, merging and inserting, and relaxing towards even spacing (12 Gauss-Seidel sweeps). Our own method;
 * docs/how-it-works.md has its trial.
 */
import { fieldAt, type SurfaceCurve } from '../../geometry/contour.ts';
import { footOn } from '../../geometry/polyline.ts';
import type { SurfaceMesh } from '../../geometry/surface-mesh.ts';
import { gapAfterRule } from '../../rows/levels/dyadic.ts';
import type { Row, RowSpacing } from '../../rows/levels/row.ts';

export interface LaidKnot {
  /** Index of the row in laying order. */
  readonly row: number;
  /** Along the row's curve, mm. */
  readonly arcMm: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
  /** Nearest mesh vertex, for reading fields. */
  readonly vertex: number;
  /** Changed by hand; one that was taken out stays in the list, so that its neighbours keep their names. */
  readonly hand?: 'moved' | 'added' | 'removed';
  /** Where along the row it lay before it was moved: it keeps the name of that place. */
  readonly namedAtMm?: number;
  /** Filled in the second pass. */
  readonly second?: boolean;
}

export interface KnotLayout {
  /** In laying order: row by row, from her left to her right. */
  readonly knots: readonly LaidKnot[];
  /** Knots taken out because two rows came too close there. */
  readonly thinnedOut: number;
  /** Of the knots laid in bricks, as brickScore has it. */
  readonly brickScore: number;
}

export interface PitchFields {
  /** Zone factor at every vertex, on rows and along them. */
  readonly zone: Float64Array;
  /** Extra factor along a row at the face edge. */
  readonly faceEdge: Float64Array;
}

/** Ends of a row stay free for this share of a spacing. */
const END_MARGIN = 0.15;
const MERGE_BELOW = 0.65;
const INSERT_ABOVE = 1.5;
const RELAX_SWEEPS = 12;
/** Pull towards the brick place against evenness. */
const BRICK_PULL = 0.6;
/** Knots of two rows nearer than this share of the spacing collide. */
const COLLISION = 0.6;
/** A ring closer than this to nothing still closes with three knots. */
const FEWEST_IN_RING = 3;

interface Working {
  readonly row: Row;
  /** Position along the row in local spacings, at every curve point. */
  readonly u: Float64Array;
  readonly lengthU: number;
}

export function layKnots(mesh: SurfaceMesh, rows: readonly Row[], pitch: PitchFields, spacing: RowSpacing): KnotLayout {
  const laid: Working[] = [];
  const knotsOfRow: LaidKnot[][] = [];
  const score = { sum: 0, counted: 0 };
  rows.forEach((row, index) => {
    const working = measured(row, pitch, spacing.pitchMm);
    const below = projectBelow(row, working, laid, knotsOfRow, pitch, spacing);
    const places = row.placesMm ? undefined : placesAlong(working, below);
    const arcs = row.placesMm ?? (places as number[]).map((u) => arcAt(working, u));
    if (places) tally(score, places, below);
    laid.push(working);
    knotsOfRow.push(arcs.map((arc) => knotAt(mesh, row.curve, index, arc)));
  });
  return { ...withoutCollisions(rows, knotsOfRow, pitch, spacing), brickScore: shareOf(score) };
}

/** Adds up how far each place lies from the nearest knot below, in half spacings. */
function tally(score: { sum: number; counted: number }, places: readonly number[], below: readonly number[]) {
  if (below.length === 0) return;
  for (const u of places) {
    score.sum += Math.min(1, Math.abs((nearestOf(below, u) as number) - u) / 0.5);
    score.counted++;
  }
}

const shareOf = ({ sum, counted }: { readonly sum: number; readonly counted: number }) =>
  counted > 0 ? sum / counted : 1;

function measured(row: Row, pitch: PitchFields, pitchMm: number): Working {
  const { curve } = row;
  const n = curve.pointCount;
  const local = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    local[i] = pitchMm * fieldAt(curve, pitch.zone, i) * fieldAt(curve, pitch.faceEdge, i) * evening(row.gapRatio[i]);
  }
  const u = new Float64Array(n);
  for (let i = 1; i < n; i++) {
    u[i] = u[i - 1] + (2 * (curve.arcMm[i] - curve.arcMm[i - 1])) / (local[i] + local[i - 1]);
  }
  const closing = curve.closed ? (curve.lengthMm - curve.arcMm[n - 1]) / local[n - 1] : 0;
  return { row, u, lengthU: u[n - 1] + closing };
}

/**
 * Spacing along a row against the target, from the gap to its neighbours against theirs: where rows crowd, knots
 * along them thin out, and where they gape knots close up, so that the hair per area stays.
 */
export function evening(gapRatio: number): number {
  return Math.min(EVENING[1], Math.max(EVENING[0], 1 / gapAfterRule(gapRatio)));
}
/** Closer, knots of one row would sit on each other; wider, the row itself would show gaps. */
const EVENING = [0.8, 1.5] as const;

/** Places (in local spacings) where knots of the rows below fall on this row, rising. */
function projectBelow(
  row: Row,
  working: Working,
  laid: readonly Working[],
  knotsOfRow: readonly LaidKnot[][],
  pitch: PitchFields,
  spacing: RowSpacing,
): number[] {
  const feet: number[] = [];
  laid.forEach((lower, index) => {
    const free = row.kind === 'front' || row.kind === 'fringe';
    const levels = free ? 1 : Math.abs(lower.row.quarter - row.quarter) / 4;
    if (levels <= 0 || levels > 2.05) return;
    for (const knot of knotsOfRow[index]) {
      const foot = footOn(row.curve, working.u, knot);
      const reach = 1.9 * spacing.gapMm * pitch.zone[knot.vertex] * Math.max(1, 0.75 * levels);
      if (foot.distance > (foot.atEnd ? 0.75 * reach : reach)) continue;
      if (levels > 0.3 && isHidden(knot, foot.distance, row, lower.row, laid)) continue;
      feet.push(foot.u);
    }
  });
  return feet.sort((a, b) => a - b);
}

/** Whether a row in between lies nearer to the knot than this one. */
function isHidden(knot: LaidKnot, distance: number, row: Row, lower: Row, laid: readonly Working[]): boolean {
  return laid.some((between) => {
    const q = between.row.quarter;
    if (q <= Math.min(row.quarter, lower.quarter) || q >= Math.max(row.quarter, lower.quarter)) return false;
    const foot = footOn(between.row.curve, between.u, knot);
    return !foot.atEnd && foot.distance < distance;
  });
}

function placesAlong(working: Working, feet: number[]): number[] {
  const { lengthU } = working;
  if (working.row.curve.closed) return ringPlaces(lengthU, feet);
  const targets = brickTargets(feet);
  let places = targets.length > 0 ? extended(targets, lengthU) : evenPlaces(lengthU);
  for (let k = 0; k < 3; k++) places = repaired(places);
  if (places.length === 0) places = evenPlaces(lengthU);
  relax(places, targets, END_MARGIN, lengthU - END_MARGIN);
  // A row that is longer than the one below would keep its knots and stretch them, row upon row.
  let changed = false;
  while (wholeCount(places, lengthU)) changed = true;
  if (changed) relax(places, targets, END_MARGIN, lengthU - END_MARGIN);
  return places;
}

/** How far the mean spacing of a row may be off before a knot is put in or taken out. */
const MEAN_OFF = 0.045;
/** A row's first and last knot stand for half a spacing each; its clip at the hairline is a part of that. */
const HALF_ENDS = 0.6;
/** An end that is free for this much takes another knot before any gap does. */
const FREE_END = 0.7;

/** Puts a knot into the widest gap of a stretched row, or takes one out of a crowded one; whether it did. */
function wholeCount(places: number[], lengthU: number): boolean {
  const gaps = places.length - 1;
  const wanted = Math.max(1, Math.round(lengthU - HALF_ENDS));
  if (gaps < 2 || wanted === gaps) return false;
  // Between two rows of bricks one more or less at the ends is as it should be.
  const isEven = Math.abs((places[gaps] - places[0]) / gaps - 1) < MEAN_OFF;
  if (Math.abs(wanted - gaps) === 1 && isEven) return false;
  const more = wanted > gaps;
  if (more && places[0] - END_MARGIN > FREE_END) {
    places.unshift(END_MARGIN);
    return true;
  }
  if (more && lengthU - END_MARGIN - places[gaps] > FREE_END) {
    places.push(lengthU - END_MARGIN);
    return true;
  }
  let at = 1;
  for (let i = 2; i <= gaps; i++) {
    const here = places[i] - places[i - 1];
    const best = places[at] - places[at - 1];
    if (more ? here > best : here < best) at = i;
  }
  const middle = (places[at] + places[at - 1]) / 2;
  if (more) places.splice(at, 0, middle);
  else places.splice(at - 1, 2, middle);
  return true;
}

/** Middles between neighbouring feet; where a hole is k spacings wide, k points. */
function brickTargets(feet: readonly number[]): number[] {
  const targets: number[] = [];
  for (let i = 0; i + 1 < feet.length; i++) {
    const hole = feet[i + 1] - feet[i];
    const k = Math.max(1, Math.round(hole));
    for (let j = 0; j < k; j++) targets.push(feet[i] + (hole * (j + 0.5)) / k);
  }
  return targets;
}

function extended(targets: readonly number[], lengthU: number): number[] {
  const places = [...targets].filter((u) => u >= END_MARGIN / 2 && u <= lengthU - END_MARGIN / 2);
  if (places.length === 0) return evenPlaces(lengthU);
  while (places[0] - 1 >= END_MARGIN) places.unshift(places[0] - 1);
  while (places[places.length - 1] + 1 <= lengthU - END_MARGIN) places.push(places[places.length - 1] + 1);
  return places;
}

function evenPlaces(lengthU: number): number[] {
  const count = Math.max(1, Math.floor(lengthU - 2 * END_MARGIN) + 1);
  const free = lengthU - (count - 1);
  return Array.from({ length: count }, (_, i) => free / 2 + i);
}

function repaired(places: readonly number[]): number[] {
  const out: number[] = [];
  for (const u of places) {
    const last = out[out.length - 1];
    if (last === undefined || u - last >= MERGE_BELOW) {
      if (last !== undefined && u - last > INSERT_ABOVE) out.push((last + u) / 2);
      out.push(u);
    } else {
      out[out.length - 1] = (last + u) / 2;
    }
  }
  return out;
}

function relax(places: number[], targets: readonly number[], low: number, high: number) {
  const last = places.length - 1;
  for (let sweep = 0; sweep < RELAX_SWEEPS; sweep++) {
    const goals = places.map((u) => goalNear(targets, u));
    for (let i = 0; i <= last; i++) {
      let pull = 0;
      let weight = 0;
      if (i > 0) {
        pull += places[i - 1] + 1;
        weight++;
      }
      if (i < last) {
        pull += places[i + 1] - 1;
        weight++;
      }
      const goal = goals[i];
      if (goal !== undefined) {
        pull += BRICK_PULL * goal;
        weight += BRICK_PULL;
      }
      if (weight > 0) places[i] = Math.min(high, Math.max(low, pull / weight));
    }
  }
}

/** The brick place a knot belongs to: one within half a spacing, or none. */
function goalNear(targets: readonly number[], u: number): number | undefined {
  const nearest = nearestOf(targets, u);
  return nearest !== undefined && Math.abs(nearest - u) <= 0.5 ? nearest : undefined;
}

function nearestOf(values: readonly number[], u: number): number | undefined {
  let best: number | undefined;
  for (const v of values) if (best === undefined || Math.abs(v - u) < Math.abs(best - u)) best = v;
  return best;
}

/** A closed row: whole spacings round, turned to the phase that lies best between the knots below. */
function ringPlaces(lengthU: number, feet: readonly number[]): number[] {
  const count = Math.max(FEWEST_IN_RING, Math.round(lengthU));
  const step = lengthU / count;
  let best = 0;
  let bestScore = -1;
  for (let k = 0; k < 24; k++) {
    const phase = (k / 24) * step;
    let score = 0;
    for (const foot of feet) {
      const off = (((foot - phase) % step) + step) % step;
      score += Math.min(off, step - off);
    }
    if (score > bestScore) {
      bestScore = score;
      best = phase;
    }
  }
  const places = Array.from({ length: count }, (_, i) => best + i * step);
  relaxRing(places, ringTargets(feet, lengthU), lengthU);
  return places;
}

/** Middles between neighbouring feet, once round. */
function ringTargets(feet: readonly number[], lengthU: number): number[] {
  return feet.map((foot, i) => {
    const next = i + 1 < feet.length ? feet[i + 1] : feet[0] + lengthU;
    return ((foot + next) / 2) % lengthU;
  });
}

const RING_SWEEPS = 30;

/** Drawn to their brick places as far as even spacing lets them: where a ring gains knots, a few lie between. */
function relaxRing(places: number[], targets: readonly number[], lengthU: number) {
  const n = places.length;
  if (n < 2 || targets.length === 0) return;
  const step = lengthU / n;
  const off = (a: number, b: number) => {
    const d = (((a - b) % lengthU) + lengthU) % lengthU;
    return d > lengthU / 2 ? d - lengthU : d;
  };
  for (let sweep = 0; sweep < RING_SWEEPS; sweep++) {
    for (let i = 0; i < n; i++) {
      const here = places[i];
      let nearest = Infinity;
      for (const t of targets) {
        const d = off(t, here);
        if (Math.abs(d) < Math.abs(nearest)) nearest = d;
      }
      const before = off(places[(i + n - 1) % n], here) + step;
      const after = off(places[(i + 1) % n], here) - step;
      const hasGoal = Math.abs(nearest) <= 0.5;
      const pull = before + after + (hasGoal ? BRICK_PULL * nearest : 0);
      places[i] = here + pull / (2 + (hasGoal ? BRICK_PULL : 0));
    }
  }
  for (let i = 0; i < n; i++) places[i] = ((places[i] % lengthU) + lengthU) % lengthU;
  places.sort((a, b) => a - b);
}

function arcAt(working: Working, place: number): number {
  const { u, row } = working;
  let lo = 0;
  let hi = u.length - 1;
  if (place >= u[hi]) {
    const beyond = working.lengthU - u[hi];
    const share = beyond > 0 ? (place - u[hi]) / beyond : 0;
    return row.curve.arcMm[hi] + share * (row.curve.lengthMm - row.curve.arcMm[hi]);
  }
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (u[mid] <= place) lo = mid;
    else hi = mid;
  }
  const t = u[hi] > u[lo] ? (place - u[lo]) / (u[hi] - u[lo]) : 0;
  return row.curve.arcMm[lo] + t * (row.curve.arcMm[hi] - row.curve.arcMm[lo]);
}

export function knotAt(mesh: SurfaceMesh, curve: SurfaceCurve, row: number, arcMm: number): LaidKnot {
  const n = curve.pointCount;
  let lo = 0;
  let hi = n - 1;
  while (hi - lo > 1) {
    const mid = (lo + hi) >> 1;
    if (curve.arcMm[mid] <= arcMm) lo = mid;
    else hi = mid;
  }
  if (arcMm > curve.arcMm[n - 1]) {
    lo = n - 1;
    hi = 0;
  }
  const next = hi === 0 ? curve.lengthMm : curve.arcMm[hi];
  const t = Math.min(1, Math.max(0, (arcMm - curve.arcMm[lo]) / Math.max(1e-9, next - curve.arcMm[lo])));
  const at = (k: number) => curve.pointsMm[3 * lo + k] + t * (curve.pointsMm[3 * hi + k] - curve.pointsMm[3 * lo + k]);
  const i = t < 0.5 ? lo : hi;
  const vertex = curve.share[i] < 0.5 ? curve.fromVertex[i] : curve.toVertex[i];
  return { row, arcMm, xMm: at(0), yMm: at(1), zMm: at(2), vertex: Math.min(vertex, mesh.vertexCount - 1) };
}

/** Of two knots that came too close, the one nearer its row's end goes; one of a row that has to be whole stays. */
function withoutCollisions(
  rows: readonly Row[],
  knotsOfRow: readonly LaidKnot[][],
  pitch: PitchFields,
  spacing: RowSpacing,
): Omit<KnotLayout, 'brickScore'> {
  const all = knotsOfRow.flat();
  const gone = new Uint8Array(all.length);
  const nearest = COLLISION * Math.min(spacing.gapMm, spacing.pitchMm);
  const toEnd = (k: LaidKnot) => Math.min(k.arcMm, rows[k.row].curve.lengthMm - k.arcMm);
  const isKept = ({ row }: LaidKnot) =>
    rows[row].besidePart || rows[row].placesMm !== undefined || rows[row].kind === 'front';
  for (let i = 0; i < all.length; i++) {
    for (let j = i + 1; j < all.length && !gone[i]; j++) {
      const a = all[i];
      const b = all[j];
      if (gone[j]) continue;
      const limit = nearest * Math.min(pitch.zone[a.vertex], pitch.zone[b.vertex]);
      const dx = a.xMm - b.xMm;
      if (Math.abs(dx) > limit) continue;
      const dSq = dx * dx + (a.yMm - b.yMm) ** 2 + (a.zMm - b.zMm) ** 2;
      if (dSq >= limit * limit) continue;
      if (a.row !== b.row && isKept(a) && isKept(b)) continue;
      const dropA = a.row !== b.row && isKept(b) ? true : !isKept(a) && toEnd(a) <= toEnd(b);
      gone[dropA ? i : j] = 1;
    }
  }
  return { knots: all.filter((_, i) => !gone[i]), thinnedOut: gone.reduce((a, b) => a + b, 0) };
}

/**
 * How well knots stand in bricks: mean over knots of the distance along the row to the nearest projected
 * knot below, over half a spacing, at most 1. 1 is ideal, 0.5 random, 0 one above the other.
 */
export function brickScore(
  rows: readonly Row[],
  knots: readonly LaidKnot[],
  pitch: PitchFields,
  spacing: RowSpacing,
): number {
  const laid: Working[] = [];
  const knotsOfRow = rows.map((_, index) => knots.filter((k) => k.row === index));
  const score = { sum: 0, counted: 0 };
  rows.forEach((row, index) => {
    const working = measured(row, pitch, spacing.pitchMm);
    const below = projectBelow(row, working, laid, knotsOfRow, pitch, spacing);
    laid.push(working);
    tally(
      score,
      knotsOfRow[index].map((knot) => footOn(row.curve, working.u, knot).u),
      below,
    );
  });
  return shareOf(score);
}
