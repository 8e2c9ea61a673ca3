/** Pieces put where the nearest knot is farthest, one after the other. */
import { footOn, type PlaceMm, type SurfaceMesh } from '../../geometry/index.ts';
import type { Row } from '../../rows/index.ts';

export interface WidestGround {
  readonly mesh: SurfaceMesh;
  spacingAt(vertex: number): number;
}

export type VertexPlace = PlaceMm & { readonly vertex: number };

export const placeAt = ({ positionsMm: p }: SurfaceMesh, v: number): VertexPlace => ({
  xMm: p[3 * v],
  yMm: p[3 * v + 1],
  zMm: p[3 * v + 2],
  vertex: v,
});

/**
 * @param owed vertices where a piece may go
 * @param least a place nearer than this to the next knot, in spacings there, takes none
 * @param most pieces
 * @returns places in the order in which they are filled, each counted as a knot for those after it
 */
export function widestPlaces(
  { mesh, spacingAt }: WidestGround,
  owed: readonly number[],
  knots: readonly PlaceMm[],
  least: number,
  most: number,
): VertexPlace[] {
  const p = mesh.positionsMm;
  const awaySq = new Float64Array(owed.length).fill(Infinity);
  const spacing = Float64Array.from(owed, (v) => spacingAt(v));
  const see = (k: PlaceMm) => {
    for (let i = 0; i < owed.length; i++) {
      const v = 3 * owed[i];
      const d = (p[v] - k.xMm) ** 2 + (p[v + 1] - k.yMm) ** 2 + (p[v + 2] - k.zMm) ** 2;
      if (d < awaySq[i]) awaySq[i] = d;
    }
  };
  if (owed.length > 0) knots.forEach(see);
  const places: VertexPlace[] = [];
  while (places.length < most) {
    let widest = -1;
    let farthest = least;
    for (let i = 0; i < owed.length; i++) {
      const share = Math.sqrt(awaySq[i]) / spacing[i];
      if (share <= farthest) continue;
      farthest = share;
      widest = i;
    }
    if (widest < 0) break;
    const place = placeAt(mesh, owed[widest]);
    places.push(place);
    see(place);
  }
  return places;
}

export interface NearestRow {
  readonly row: number;
  readonly arcMm: number;
  readonly awayMm: number;
}

/** The row that passes nearest to a place; undefined where there is none. @param isMeant rows that are looked at */
export function nearestRow(
  rows: readonly Row[],
  at: PlaceMm,
  isMeant: (row: number) => boolean = () => true,
): NearestRow | undefined {
  let best: NearestRow | undefined;
  rows.forEach(({ curve }, row) => {
    if (curve.pointCount === 0 || !isMeant(row)) return;
    const foot = footOn(curve, curve.arcMm, at);
    if (!best || foot.distance < best.awayMm) best = { row, arcMm: foot.u, awayMm: foot.distance };
  });
  return best;
}
