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
    const placesMm = h.knots.map((d) => arcNear(row.curve, onSurface(shape, directionOf(d)))).sort((a, b) => a - b);
    return [{ ...row, placesMm }];
  });
}

/** Straight distance of every vertex from rows that stay, as far as it matters; undefined where there are none. */
export function fromLocked(head: Head, hand: readonly HandChange[], reachMm: number): Float64Array | undefined {
  const rows = lockedRows(head.shape, head.mesh, hand, () => 0);
  if (rows.length === 0) return undefined;
  const p = head.mesh.positionsMm;
  const away = new Float64Array(head.mesh.vertexCount).fill(Infinity);
  for (const { curve } of rows) {
    for (let i = 0; i < curve.pointCount; i++) {
      const [x, y, z] = pointAt(curve.pointsMm, i);
      for (let v = 0; v < away.length; v++) {
        const d = (p[3 * v] - x) ** 2 + (p[3 * v + 1] - y) ** 2 + (p[3 * v + 2] - z) ** 2;
        if (d < away[v]) away[v] = d;
      }
    }
  }
  for (let v = 0; v < away.length; v++) away[v] = away[v] < reachMm * reachMm ? Math.sqrt(away[v]) : Infinity;
  return away;
}
