/**
 * Knots along the rows, in bricks: each knot over the gap between two of the row below. Every row is laid
 * from the nape up by projecting the knots below on it, taking the middles, adding whole spacings at both
 * ends, merging and inserting, and relaxing towards even spacing (12 Gauss-Seidel sweeps). Our own method;
 * docs/how-it-works.md has its trial.
 */
import { fieldAt, type SurfaceCurve } from '../geometry/contour.ts';
import type { SurfaceMesh } from '../geometry/surface-mesh.ts';
import { gapAfterRule, type Row, type RowSpacing } from '../rows/rows.ts';

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
}

export interface KnotLayout {
  /** In laying order: row by row, from her left to her right. */
  readonly knots: readonly LaidKnot[];
  /** Knots taken out because two rows came too close there. */
  readonly thinnedOut: number;
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
  places: number[];
}

export function layKnots(mesh: SurfaceMesh, rows: readonly Row[], pitch: PitchFields, spacing: RowSpacing): KnotLayout {
  const laid: Working[] = [];
  const knotsOfRow: LaidKnot[][] = [];
  rows.forEach((row, index) => {
    const working = measured(row, pitch, spacing.pitchMm);
    const below = projectBelow(row, working, laid, knotsOfRow, pitch, spacing);
    working.places = placesAlong(working, below);
    laid.push(working);
    knotsOfRow.push(working.places.map((u) => knotAt(mesh, row.curve, index, arcAt(working, u))));
  });
  return withoutCollisions(rows, knotsOfRow, pitch, spacing);
}

function measured(row: Row, pitch: PitchFields, pitchMm: number): Working {
  const { curve } = row;
  const n = curve.pointCount;
  const local = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const gap = gapAfterRule(row.gapRatio[i]);
    // Where rows crowd, knots along them thin out, so that the hair per area stays.
    const thinning = Math.min(1.6, Math.max(1, 0.75 / gap));
    local[i] = pitchMm * fieldAt(curve, pitch.zone, i) * fieldAt(curve, pitch.faceEdge, i) * thinning;
  }
  const u = new Float64Array(n);
  for (let i = 1; i < n; i++) {
    u[i] = u[i - 1] + (2 * (curve.arcMm[i] - curve.arcMm[i - 1])) / (local[i] + local[i - 1]);
  }
  const closing = curve.closed ? (curve.lengthMm - curve.arcMm[n - 1]) / local[n - 1] : 0;
  return { row, u, lengthU: u[n - 1] + closing, places: [] };
}

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
    const levels = row.kind === 'front' ? 1 : (lower.row.quarter - row.quarter) / 4;
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
    if (q <= row.quarter || q >= lower.quarter) return false;
    const foot = footOn(between.row.curve, between.u, knot);
    return !foot.atEnd && foot.distance < distance;
  });
}

function footOn(curve: SurfaceCurve, u: Float64Array, knot: LaidKnot) {
  const p = curve.pointsMm;
  let best = Infinity;
  let at = 0;
  for (let i = 0; i < curve.pointCount; i++) {
    const d = (p[3 * i] - knot.xMm) ** 2 + (p[3 * i + 1] - knot.yMm) ** 2 + (p[3 * i + 2] - knot.zMm) ** 2;
    if (d < best) {
      best = d;
      at = i;
    }
  }
  let place = u[at];
  for (const next of [at - 1, at + 1]) {
    if (next < 0 || next >= curve.pointCount) continue;
    const ex = p[3 * next] - p[3 * at];
    const ey = p[3 * next + 1] - p[3 * at + 1];
    const ez = p[3 * next + 2] - p[3 * at + 2];
    const px = knot.xMm - p[3 * at];
    const py = knot.yMm - p[3 * at + 1];
    const pz = knot.zMm - p[3 * at + 2];
    const lengthSq = ex * ex + ey * ey + ez * ez;
    // Two points of a curve coincide where it passes through a vertex of the mesh.
    if (lengthSq === 0) continue;
    const t = (px * ex + py * ey + pz * ez) / lengthSq;
    if (t <= 0 || t > 1) continue;
    const d = (px - t * ex) ** 2 + (py - t * ey) ** 2 + (pz - t * ez) ** 2;
    if (d >= best) continue;
    best = d;
    place = u[at] + t * (u[next] - u[at]);
  }
  const atEnd = !curve.closed && (at === 0 || at === curve.pointCount - 1);
  return { u: place, distance: Math.sqrt(best), atEnd };
}

function placesAlong(working: Working, feet: number[]): number[] {
  const { lengthU } = working;
  if (working.row.curve.closed) return ringPlaces(lengthU, feet);
  const targets = brickTargets(feet);
  let places = targets.length > 0 ? extended(targets, lengthU) : evenPlaces(lengthU);
  for (let k = 0; k < 3; k++) places = repaired(places);
  if (places.length === 0) places = evenPlaces(lengthU);
  relax(places, targets, END_MARGIN, lengthU - END_MARGIN);
  return places;
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
  return Array.from({ length: count }, (_, i) => best + i * step);
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

function knotAt(mesh: SurfaceMesh, curve: SurfaceCurve, row: number, arcMm: number): LaidKnot {
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

/** Of two knots of different rows that came too close, the one nearer its row's end goes. */
function withoutCollisions(
  rows: readonly Row[],
  knotsOfRow: readonly LaidKnot[][],
  pitch: PitchFields,
  spacing: RowSpacing,
): KnotLayout {
  const all = knotsOfRow.flat();
  const gone = new Uint8Array(all.length);
  const nearest = COLLISION * Math.min(spacing.gapMm, spacing.pitchMm);
  const toEnd = (k: LaidKnot) => Math.min(k.arcMm, rows[k.row].curve.lengthMm - k.arcMm);
  const isKept = (k: LaidKnot) => rows[k.row].besidePart || rows[k.row].kind === 'front';
  for (let i = 0; i < all.length; i++) {
    for (let j = i + 1; j < all.length && !gone[i]; j++) {
      const a = all[i];
      const b = all[j];
      if (gone[j] || a.row === b.row) continue;
      const limit = nearest * Math.min(pitch.zone[a.vertex], pitch.zone[b.vertex]);
      const dx = a.xMm - b.xMm;
      if (Math.abs(dx) > limit) continue;
      const dSq = dx * dx + (a.yMm - b.yMm) ** 2 + (a.zMm - b.zMm) ** 2;
      if (dSq >= limit * limit) continue;
      if (isKept(a) && isKept(b)) continue;
      const dropA = isKept(b) || (!isKept(a) && toEnd(a) <= toEnd(b));
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
  let sum = 0;
  let counted = 0;
  rows.forEach((row, index) => {
    const working = measured(row, pitch, spacing.pitchMm);
    const below = projectBelow(row, working, laid, knotsOfRow, pitch, spacing);
    laid.push(working);
    if (below.length === 0) return;
    for (const knot of knotsOfRow[index]) {
      const { u } = footOn(row.curve, working.u, knot);
      const nearest = nearestOf(below, u) as number;
      sum += Math.min(1, Math.abs(nearest - u) / 0.5);
      counted++;
    }
  });
  return counted > 0 ? sum / counted : 1;
}
