/**
 * A part on her right is worked out as its mirror image on her left and turned over afterwards, so that a
 * mirrored part gives the mirrored plan, knot for knot: no mesh is quite the same on both sides. Scalar fields
 * keep their vertices, since a head is the same on both sides.
 */
import type { SurfaceCurve } from '../geometry/index.ts';
import type { Row } from './levels/row.ts';

export function turnedRows(rows: readonly Row[]): Row[] {
  return rows.map((row) => {
    const n = row.curve.pointCount;
    const gapRatio = new Float64Array(n);
    for (let to = 0; to < n; to++) gapRatio[to] = row.gapRatio[turnedIndex(to, n, row.curve.closed)];
    return { ...row, curve: turnedCurve(row.curve), gapRatio };
  });
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
