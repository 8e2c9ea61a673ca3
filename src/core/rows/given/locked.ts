/** Rows locked by hand: they stay as they lie, with their knots. */
import { arcNear, curveFromPoints, lengthOf, pointAt, resampled, type SurfaceMesh } from '../../geometry/index.ts';
import { directionOf, type Head, type HeadShape, onSurface } from '../../head/index.ts';
import type { HandChange } from '../choice.ts';
import { oriented } from '../levels/orient.ts';
import type { Row } from '../levels/row.ts';
import { even } from './along.ts';

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
    const keptOff = h.closesMm === undefined ? {} : { closesMm: h.closesMm };
    const placesMm = h.knots.map((d) => arcNear(row.curve, onSurface(shape, directionOf(d)))).sort((a, b) => a - b);
    return [{ ...row, ...keptOff, placesMm }];
  });
}

/**
 * Straight distance of every vertex from rows that stay, as far as it matters; undefined where there are none. What a row
 * that is in closes is no distance away from it.
 */
export function fromLocked(head: Head, hand: readonly HandChange[], reachMm: number): Float64Array | undefined {
  const rows = lockedRows(head.shape, head.mesh, hand, () => 0);
  if (rows.length === 0) return undefined;
  const away = new Float64Array(head.mesh.vertexCount).fill(Infinity);
  for (const row of rows) {
    const fromRow = squaresFrom(row, head.mesh);
    const closed = (row.closesMm ?? 0) ** 2;
    for (let v = 0; v < away.length; v++) away[v] = Math.min(away[v], fromRow[v] < closed ? 0 : fromRow[v]);
  }
  for (let v = 0; v < away.length; v++) away[v] = away[v] < reachMm * reachMm ? Math.sqrt(away[v]) : Infinity;
  return away;
}

/** Square of the distance of every vertex from the nearest point of a row, mm². */
function squaresFrom({ curve }: Row, { positionsMm: p, vertexCount }: SurfaceMesh): Float64Array {
  const squares = new Float64Array(vertexCount).fill(Infinity);
  for (let i = 0; i < curve.pointCount; i++) {
    const [x, y, z] = pointAt(curve.pointsMm, i);
    for (let v = 0; v < vertexCount; v++) {
      const d = (p[3 * v] - x) ** 2 + (p[3 * v + 1] - y) ** 2 + (p[3 * v + 2] - z) ** 2;
      if (d < squares[v]) squares[v] = d;
    }
  }
  return squares;
}
