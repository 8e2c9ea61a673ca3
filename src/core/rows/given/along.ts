/**
 * Rows that are not traced from a field: those that are already there and the places between them, rows locked by
 * hand, the boxes of a rubber-band grid, threaded rods, and a fringe.
 */

import {
  along,
  between,
  curveFromPoints,
  distanceMm,
  lengthOf,
  minus,
  pointAt,
  resampled,
  type SurfaceCurve,
  type SurfaceMesh,
  unit,
} from '../../geometry/index.ts';
import { type HeadShape, onSurface } from '../../head/index.ts';
import { oriented } from '../levels/orient.ts';
import type { Row, RowSpacing } from '../levels/row.ts';

export const even = (curve: SurfaceCurve) => new Float64Array(curve.pointCount).fill(1);

/** Points along a row that is compared with its neighbour. */
const SAMPLES = 40;
/** Neighbouring rows farther apart than this have no "between": they belong to different parts of the head, mm. */
const FARTHEST_MM = 120;

/**
 * Along each row, then as many rows between two as the gap asks for. Lines from her left to her right; each
 * runs from the front or top to the back.
 *
 * @param linesMm xyz interleaved
 * @param keepLines the lines between them stay free: nothing is laid there
 */
export function alongAndBetween(
  shape: HeadShape,
  mesh: SurfaceMesh,
  linesMm: readonly Float64Array[],
  spacing: RowSpacing,
  isClosed: (vertex: number) => boolean,
  keepLines = false,
): Row[] {
  const lines = linesMm
    .filter((l) => l.length >= 6)
    .map((l) => resampled(l, SAMPLES))
    .sort((a, b) => b[3 * (SAMPLES >> 1)] - a[3 * (SAMPLES >> 1)]);
  const rows: Row[] = [];
  lines.forEach((line, i) => {
    rows.push(...pieces(mesh, line, 4 * i, isClosed, spacing));
    const next = lines[i + 1];
    if (!next || keepLines) return;
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
