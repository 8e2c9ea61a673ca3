/** One piece for each box of a rubber-band grid, on its band. */
import type { Section } from '../../base/index.ts';
import { curveFromPoints, type SurfaceMesh, type Vec3 } from '../../geometry/index.ts';
import { oriented } from '../levels/orient.ts';
import type { Row } from '../levels/row.ts';
import { even } from './along.ts';

/** One piece for each box, on its band: a row for each ring of boxes. */
export function bandRows(
  mesh: SurfaceMesh,
  sections: readonly Section[],
  isClosed: (vertex: number) => boolean,
): Row[] {
  const rings = new Map<number, Section[]>();
  for (const s of sections) {
    if (s.ring === undefined || s.role !== 'base') continue;
    const list = rings.get(s.ring) ?? [];
    list.push(s);
    rings.set(s.ring, list);
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
