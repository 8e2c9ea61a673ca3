/**
 * A part on her right is worked out as its mirror image on her left and turned over afterwards, so that a
 * mirrored part gives the mirrored plan, knot for knot: no mesh is quite the same on both sides. Scalar fields
 * keep their vertices, since a head is the same on both sides.
 */
import type { SurfaceCurve } from '../geometry/contour.ts';
import type { LaidKnot } from '../knots/layout.ts';
import type { Part } from './part.ts';
import type { Row } from './rows.ts';

/** The part on her left, and whether it had to be turned over. */
export function onHerLeft(part: Part): { readonly part: Part; readonly turned: boolean } {
  if (part.kind !== 'line') return { part, turned: false };
  const side = part.frontMm + part.endMm || part.bendMm || part.frontMm;
  if (side >= 0) return { part, turned: false };
  const over = { ...part, frontMm: 0 - part.frontMm, endMm: 0 - part.endMm, bendMm: 0 - part.bendMm };
  return { part: over, turned: true };
}

/** Points xyz interleaved, on the other side. */
export function turnedPoints(pointsMm: Float64Array): Float64Array {
  return pointsMm.map((v, i) => (i % 3 === 0 ? 0 - v : v));
}

export function turnedRows(rows: readonly Row[]): Row[] {
  return rows.map((row) => {
    const n = row.curve.pointCount;
    const gapRatio = new Float64Array(n);
    for (let to = 0; to < n; to++) gapRatio[to] = row.gapRatio[turnedIndex(to, n, row.curve.closed)];
    return { ...row, curve: turnedCurve(row.curve), gapRatio };
  });
}

/** Knots of turned rows, again from her left to her right. */
export function turnedKnots(knots: readonly LaidKnot[], rows: readonly Row[]): LaidKnot[] {
  return knots
    .map((k): LaidKnot => {
      const { lengthMm, closed } = rows[k.row].curve;
      const over = (arc: number) => (closed ? (lengthMm - arc) % lengthMm : lengthMm - arc);
      const named = k.namedAtMm === undefined ? {} : { namedAtMm: over(k.namedAtMm) };
      return { ...k, arcMm: over(k.arcMm), xMm: 0 - k.xMm, ...named };
    })
    .sort((a, b) => a.row - b.row || a.arcMm - b.arcMm);
}

/** Backwards, so that her left comes first again; a ring keeps its first point. */
function turnedIndex(to: number, count: number, closed: boolean): number {
  return closed ? (count - to) % count : count - 1 - to;
}

function turnedCurve(curve: SurfaceCurve): SurfaceCurve {
  const n = curve.pointCount;
  const pointsMm = new Float64Array(3 * n);
  const fromVertex = new Int32Array(n);
  const toVertex = new Int32Array(n);
  const share = new Float64Array(n);
  const arcMm = new Float64Array(n);
  for (let to = 0; to < n; to++) {
    const from = turnedIndex(to, n, curve.closed);
    pointsMm[3 * to] = 0 - curve.pointsMm[3 * from];
    pointsMm[3 * to + 1] = curve.pointsMm[3 * from + 1];
    pointsMm[3 * to + 2] = curve.pointsMm[3 * from + 2];
    fromVertex[to] = curve.fromVertex[from];
    toVertex[to] = curve.toVertex[from];
    share[to] = curve.share[from];
    arcMm[to] = to === 0 ? 0 : curve.lengthMm - curve.arcMm[from];
  }
  return { ...curve, pointsMm, fromVertex, toVertex, share, arcMm };
}
