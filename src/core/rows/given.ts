/**
 * Rows that are not traced from a field: those that are already there and the places between them, rows locked by
 * hand, the boxes of a rubber-band grid, threaded rods, and a fringe.
 */

import type { Section } from '../base/section-figures.ts';
import { contours, curveFromPoints, type SurfaceCurve } from '../geometry/contour.ts';
import { distanceMm, type SurfaceMesh } from '../geometry/surface-mesh.ts';
import { along, between, minus, pointAt, unit, type Vec3 } from '../geometry/vectors.ts';
import { directionOf, onSurface } from '../head/marks.ts';
import type { HeadShape } from '../head/shape.ts';
import type { Fringe, HandChange } from './choice.ts';
import { oriented, type Row, type RowSpacing } from './rows.ts';
import type { ScalpFields } from './scalp-fields.ts';

const even = (curve: SurfaceCurve) => new Float64Array(curve.pointCount).fill(1);

/** Points along a row that is compared with its neighbour. */
const SAMPLES = 40;
/** Neighbouring rows farther apart than this have no "between": they belong to different parts of the head, mm. */
const FARTHEST_MM = 120;

/**
 * Along each row, then as many rows between two as the gap asks for. Lines from her left to her right; each
 * runs from the front or top to the back.
 *
 * @param linesMm xyz interleaved
 */
export function alongAndBetween(
  shape: HeadShape,
  mesh: SurfaceMesh,
  linesMm: readonly Float64Array[],
  spacing: RowSpacing,
  isClosed: (vertex: number) => boolean,
): Row[] {
  const lines = linesMm
    .filter((l) => l.length >= 6)
    .map((l) => resampled(l, SAMPLES))
    .sort((a, b) => b[3 * (SAMPLES >> 1)] - a[3 * (SAMPLES >> 1)]);
  const rows: Row[] = [];
  lines.forEach((line, i) => {
    rows.push(...pieces(mesh, line, 4 * i, isClosed, spacing));
    const next = lines[i + 1];
    if (!next) return;
    const gaps = Array.from({ length: SAMPLES }, (_, k) => gapAt(line, next, k)).sort((a, b) => a - b);
    const middle = gaps[SAMPLES >> 1];
    const count = middle > FARTHEST_MM ? 0 : Math.min(3, Math.max(0, Math.round(middle / spacing.gapMm) - 1));
    for (let k = 1; k <= count; k++) {
      const way = new Float64Array(3 * SAMPLES);
      for (let j = 0; j < SAMPLES; j++) {
        way.set(onSurface(shape, between(pointAt(line, j), pointAt(next, j), k / (count + 1))), 3 * j);
      }
      rows.push(...pieces(mesh, way, 4 * i + k, isClosed, spacing));
    }
  });
  for (const [outer, inner, start, way] of [
    [0, 1, 0, -1],
    [lines.length - 1, lines.length - 2, 4 * (lines.length - 1), 1],
  ] as const) {
    if (lines.length < 2) break;
    for (let k = 1; k <= MOST_OUTSIDE; k++) {
      const line = beyond(shape, lines[outer], lines[inner], k * spacing.gapMm);
      const laid = pieces(mesh, line, start + way * k, isClosed, spacing);
      if (laid.length === 0) break;
      rows.push(...laid.map((r): Row => ({ ...r, kind: 'short' })));
    }
  }
  // All that are there first, then what lies between and outside.
  const isThere = (r: Row) => (r.kind === 'given' ? 0 : 1);
  return rows.sort((a, b) => isThere(a) - isThere(b) || a.quarter - b.quarter);
}

function gapAt(a: Float64Array, b: Float64Array, k: number): number {
  return Math.sqrt(
    (a[3 * k] - b[3 * k]) ** 2 + (a[3 * k + 1] - b[3 * k + 1]) ** 2 + (a[3 * k + 2] - b[3 * k + 2]) ** 2,
  );
}

/** Outside the outermost rows at most so many more follow their way towards the ears. */
const MOST_OUTSIDE = 6;

/** A line so far outside the outermost one, away from its neighbour. */
function beyond(shape: HeadShape, outer: Float64Array, inner: Float64Array, mm: number): Float64Array {
  const way = new Float64Array(3 * SAMPLES);
  for (let j = 0; j < SAMPLES; j++) {
    const a = pointAt(outer, j);
    way.set(onSurface(shape, along(a, unit(minus(a, pointAt(inner, j))), mm)), 3 * j);
  }
  return way;
}

/** Farther than this from the scalp's vertices a place lies on skin, in mesh edges. */
const ON_SCALP_EDGES = 0.8;

/** What of a way is open to pieces, as rows. */
function pieces(
  mesh: SurfaceMesh,
  pointsMm: Float64Array,
  quarter: number,
  isClosed: (vertex: number) => boolean,
  spacing: RowSpacing,
): Row[] {
  const dense = resampled(pointsMm, Math.max(4, Math.ceil(lengthOf(pointsMm) / 3)));
  const curve = curveFromPoints(mesh, dense);
  const out: Row[] = [];
  let from = -1;
  for (let i = 0; i <= curve.pointCount; i++) {
    const open =
      i < curve.pointCount &&
      !isClosed(curve.fromVertex[i]) &&
      distanceMm(curve.pointsMm, i, mesh.positionsMm, curve.fromVertex[i]) < ON_SCALP_EDGES * mesh.meanEdgeMm;
    if (open && from < 0) from = i;
    if (open || from < 0) continue;
    if (curve.arcMm[i - 1] - curve.arcMm[from] >= 1.5 * spacing.pitchMm) {
      const part = curveFromPoints(mesh, dense.slice(3 * from, 3 * i));
      const row: Row = {
        quarter,
        kind: quarter % 4 === 0 ? 'given' : 'short',
        curve: part,
        gapRatio: even(part),
        besidePart: false,
      };
      out.push(oriented(row));
    }
    from = -1;
  }
  return out;
}

/** Rows that stay as they lie, with their knots. */
export function lockedRows(
  shape: HeadShape,
  mesh: SurfaceMesh,
  hand: readonly HandChange[],
  quarterAt: (vertex: number) => number,
): Row[] {
  return hand.flatMap((h) => {
    if (h.op !== 'lock' || h.line.length < 2) return [];
    const line = Float64Array.from(h.line.flatMap((d) => onSurface(shape, directionOf(d))));
    const dense = resampled(line, Math.max(4, Math.ceil(lengthOf(line) / 3)));
    const curve = curveFromPoints(mesh, dense);
    const middle = curve.fromVertex[curve.pointCount >> 1];
    const row = oriented({
      quarter: quarterAt(middle),
      kind: 'whole',
      curve,
      gapRatio: even(curve),
      besidePart: false,
      locked: true,
    });
    const placesMm = h.knots.map((d) => arcNear(row.curve, onSurface(shape, directionOf(d)))).sort((a, b) => a - b);
    return [{ ...row, placesMm }];
  });
}

function arcNear(curve: SurfaceCurve, at: Vec3): number {
  const p = curve.pointsMm;
  let best = 0;
  let nearest = Infinity;
  for (let i = 0; i + 1 < curve.pointCount; i++) {
    const a = pointAt(p, i);
    const b = pointAt(p, i + 1);
    const way = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const l = way[0] ** 2 + way[1] ** 2 + way[2] ** 2;
    const t = l > 0 ? ((at[0] - a[0]) * way[0] + (at[1] - a[1]) * way[1] + (at[2] - a[2]) * way[2]) / l : 0;
    const share = Math.min(1, Math.max(0, t));
    const c = between(a, b, share);
    const d = (c[0] - at[0]) ** 2 + (c[1] - at[1]) ** 2 + (c[2] - at[2]) ** 2;
    if (d >= nearest) continue;
    nearest = d;
    best = curve.arcMm[i] + share * (curve.arcMm[i + 1] - curve.arcMm[i]);
  }
  return best;
}

/** One piece for each box, on its band: a row for each ring of boxes. */
export function bandRows(
  mesh: SurfaceMesh,
  sections: readonly Section[],
  isClosed: (vertex: number) => boolean,
): Row[] {
  const rings = new Map<number, Section[]>();
  for (const s of sections) {
    const ring = /^x(\d+)\./.exec(s.id);
    if (!ring || s.role !== 'base') continue;
    const list = rings.get(Number(ring[1])) ?? [];
    list.push(s);
    rings.set(Number(ring[1]), list);
  }
  const deepest = Math.max(0, ...rings.keys());
  return [...rings.entries()]
    .sort((a, b) => a[0] - b[0])
    .flatMap(([ring, boxes]) =>
      throughTies(
        mesh,
        boxes.map((b) => b.tieMm),
        4 * (deepest - ring),
        isClosed,
      ),
    );
}

function throughTies(
  mesh: SurfaceMesh,
  ties: readonly Vec3[],
  quarter: number,
  isClosed: (vertex: number) => boolean,
): Row[] {
  const curve = curveFromPoints(mesh, Float64Array.from(ties.flat()));
  const open = Array.from(curve.fromVertex.keys()).filter((i) => !isClosed(curve.fromVertex[i]));
  if (open.length === 0) return [];
  const row = oriented({ quarter, kind: 'given', curve, gapRatio: even(curve), besidePart: false });
  const closed = new Set(Array.from(row.curve.fromVertex.keys()).filter((i) => isClosed(row.curve.fromVertex[i])));
  return [{ ...row, placesMm: Array.from(row.curve.arcMm).filter((_, i) => !closed.has(i)) }];
}

/** Where on each rod pieces go, as shares of its length from the root (common practice, no source). */
const ROD_SHARES = { root: [0, 0.34], along: [0, 1], tip: [0.66, 1] } as const;

/** Rods hang from their roots: a row for each, a piece every so many mm of the stretch that is used. */
export function rodRows(
  mesh: SurfaceMesh,
  sections: readonly Section[],
  where: keyof typeof ROD_SHARES,
  pitchMm: number,
  isClosed: (vertex: number) => boolean,
): Row[] {
  const [from, to] = ROD_SHARES[where];
  const rods = sections.filter((s) => s.role === 'base');
  return rods.flatMap((rod, i): Row[] => {
    const lengthMm = Math.max(LEAST_ROD_MM, rod.tailLengthMm);
    const start = from * lengthMm;
    const used = (to - from) * lengthMm;
    const count = Math.max(1, Math.floor(used / pitchMm + 0.5));
    const way: number[] = [];
    const arcs: number[] = [];
    for (let k = 0; k < count; k++) arcs.push(start + (used * (k + 0.5)) / count);
    for (const arc of [0, ...arcs, lengthMm]) way.push(...hangs(rod.tieMm, arc));
    const curve = curveFromPoints(mesh, Float64Array.from(way));
    if (isClosed(curve.fromVertex[0])) return [];
    // Every field of a rod is that of its root.
    const root = curve.fromVertex.fill(curve.fromVertex[0]);
    return [
      {
        quarter: 4 * (rods.length - 1 - i),
        kind: 'given',
        curve: { ...curve, fromVertex: root, toVertex: root },
        gapRatio: even(curve),
        besidePart: false,
        placesMm: Array.from(curve.arcMm).slice(1, -1),
      },
    ];
  });
}
const LEAST_ROD_MM = 20;
/** A rod lies over the head down to about the ears and hangs free from there, rad above the level of the ears. */
const FREE_BELOW = -0.2;
/** It lies on the hair below it, mm (guess). */
const STANDS_OFF_MM = 4;

/** Where a rod is, so far from its root: down over the head as the crow flies, then straight down. */
function hangs([x, y, z]: Vec3, arc: number): Vec3 {
  const r = Math.sqrt(x * x + y * y + z * z);
  const flat = Math.sqrt(x * x + z * z);
  const elevation = Math.asin(y / r);
  const turn = Math.min(arc / r, Math.max(0, elevation - FREE_BELOW));
  const e = elevation - turn;
  const out = arc > 0 ? r + STANDS_OFF_MM : r;
  const aside = flat > 0 ? (out * Math.cos(e)) / flat : 0;
  return [x * aside, out * Math.sin(e) - (arc - turn * r), flat > 0 ? z * aside : -out * Math.cos(e)];
}

/** Vertices that a fringe takes: so wide on each side of the middle, as deep as its rows. */
export function fringeMask(
  mesh: SurfaceMesh,
  scalp: ScalpFields,
  fringe: Fringe,
  fingerMm: number,
  spacing: RowSpacing,
): Uint8Array | undefined {
  return fringe.how === 'short' ? fringeArea(mesh, scalp, fringe, fingerMm, spacing) : undefined;
}

/** The strip behind the front hairline that a fringe takes, whatever it is made of. */
export function fringeArea(
  mesh: SurfaceMesh,
  scalp: ScalpFields,
  fringe: Fringe,
  fingerMm: number,
  spacing: RowSpacing,
): Uint8Array {
  const half = (fringe.widthFingers * fingerMm) / 2;
  const depth = (fringe.rows + 0.15) * spacing.gapMm;
  const p = mesh.positionsMm;
  const mask = new Uint8Array(mesh.vertexCount);
  for (let v = 0; v < mask.length; v++) {
    if (Math.abs(p[3 * v]) <= half + 0.3 * spacing.pitchMm && scalp.fromFrontHairline[v] < depth) mask[v] = 1;
  }
  return mask;
}

/** The first piece on the midline, neighbours to both sides; the row behind offset by half a spacing. */
export function fringeRows(
  mesh: SurfaceMesh,
  scalp: ScalpFields,
  fringe: Fringe,
  fingerMm: number,
  spacing: RowSpacing,
  isClosed: (vertex: number) => boolean,
): Row[] {
  const half = (fringe.widthFingers * fingerMm) / 2;
  const levels = Array.from({ length: fringe.rows }, (_, k) => (0.35 + k) * spacing.gapMm);
  return contours(mesh, scalp.fromFrontHairline, levels).flatMap((curves, k): Row[] => {
    const curve = curves
      .filter((c) => c.pointCount > 3)
      .map((c) => oriented({ quarter: -2 - k, kind: 'fringe', curve: c, gapRatio: even(c), besidePart: false }))
      .find((r) => crossesMiddle(r.curve));
    if (!curve) return [];
    const middle = middleArc(curve.curve);
    const offset = (k % 2) * 0.5 * spacing.pitchMm;
    const placesMm: number[] = [];
    for (let x = offset; x <= half; x += spacing.pitchMm) {
      for (const arc of x === 0 ? [middle] : [middle - x, middle + x]) {
        const i = nearestIndex(curve.curve, arc);
        if (arc > 0 && arc < curve.curve.lengthMm && !isClosed(curve.curve.fromVertex[i])) placesMm.push(arc);
      }
    }
    placesMm.sort((a, b) => a - b);
    return placesMm.length > 0 ? [{ ...curve, placesMm }] : [];
  });
}

function crossesMiddle(curve: SurfaceCurve): boolean {
  const p = curve.pointsMm;
  for (let i = 1; i < curve.pointCount; i++) if (p[3 * i - 3] >= 0 !== p[3 * i] >= 0 && p[3 * i + 2] > 0) return true;
  return false;
}

function middleArc(curve: SurfaceCurve): number {
  const p = curve.pointsMm;
  for (let i = 1; i < curve.pointCount; i++) {
    const a = p[3 * i - 3];
    const b = p[3 * i];
    if (a >= 0 === b >= 0 || p[3 * i + 2] <= 0) continue;
    return curve.arcMm[i - 1] + (a / (a - b)) * (curve.arcMm[i] - curve.arcMm[i - 1]);
  }
  return curve.lengthMm / 2;
}

function nearestIndex(curve: SurfaceCurve, arc: number): number {
  let best = 0;
  for (let i = 1; i < curve.pointCount; i++) {
    if (Math.abs(curve.arcMm[i] - arc) < Math.abs(curve.arcMm[best] - arc)) best = i;
  }
  return best;
}

function lengthOf(p: Float64Array): number {
  let sum = 0;
  for (let i = 3; i < p.length; i += 3) {
    sum += Math.sqrt((p[i] - p[i - 3]) ** 2 + (p[i + 1] - p[i - 2]) ** 2 + (p[i + 2] - p[i - 1]) ** 2);
  }
  return sum;
}

/** So many points at equal steps along a way. */
function resampled(p: Float64Array, count: number): Float64Array {
  const n = p.length / 3;
  const arc = new Float64Array(n);
  for (let i = 1; i < n; i++) {
    const d = Math.sqrt(
      (p[3 * i] - p[3 * i - 3]) ** 2 + (p[3 * i + 1] - p[3 * i - 2]) ** 2 + (p[3 * i + 2] - p[3 * i - 1]) ** 2,
    );
    arc[i] = arc[i - 1] + d;
  }
  const out = new Float64Array(3 * count);
  let i = 0;
  for (let k = 0; k < count; k++) {
    const at = (arc[n - 1] * k) / (count - 1);
    while (i + 2 < n && arc[i + 1] < at) i++;
    const t = arc[i + 1] > arc[i] ? Math.min(1, (at - arc[i]) / (arc[i + 1] - arc[i])) : 0;
    for (let c = 0; c < 3; c++) out[3 * k + c] = p[3 * i + c] + t * (p[3 * i + 3 + c] - p[3 * i + c]);
  }
  return out;
}
