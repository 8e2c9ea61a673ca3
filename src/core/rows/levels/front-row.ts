/** The row along the front hairline. */
import { contours, fieldAt, type SurfaceCurve, type SurfaceMesh, sliceCurve } from '../../geometry/index.ts';
import { azimuthOf } from '../../head/index.ts';
import { oriented } from './orient.ts';
import type { Row, RowContext } from './row.ts';
import { runsOf } from './runs.ts';

/** Zone factor at the middle of the front hairline. */
export function factorInFront(mesh: SurfaceMesh, spacingFactor: Float64Array): number {
  const p = mesh.positionsMm;
  let best = 0;
  let nearest = Infinity;
  for (const v of mesh.borders[0]) {
    if (p[3 * v + 2] <= 0 || Math.abs(p[3 * v]) >= nearest) continue;
    nearest = Math.abs(p[3 * v]);
    best = v;
  }
  return spacingFactor[best];
}

/** It lies this share of a gap inside the hairline, and no further than that, mm. */
const INSIDE_SHARE = 0.35;
const INSIDE_MM = 8;
/** A run shorter than this many spacings holds no row. */
const SHORTEST_RUN = 1.5;

/** @param first level below which rows beside the part lie; @param front zone factor there */
export function frontRow(
  { mesh, line, scalp, field: { field }, spacing }: RowContext,
  first: number,
  front: number,
  isClosed: (curve: SurfaceCurve, i: number) => boolean,
): Row[] {
  const level = Math.min(INSIDE_MM, INSIDE_SHARE * spacing.gapMm * front);
  const temple = line.azimuthsRad.temple;
  const pieces = contours(mesh, scalp.fromFrontHairline, [level])[0];
  return pieces.flatMap((curve) => {
    const on = Array.from({ length: curve.pointCount }, (_, i) => {
      const azimuth = azimuthOf(curve.pointsMm[3 * i], curve.pointsMm[3 * i + 2]);
      return azimuth <= temple && fieldAt(curve, field, i) >= first && !isClosed(curve, i);
    });
    return runsOf(on)
      .filter(([from, to]) => curve.arcMm[to] - curve.arcMm[from] >= SHORTEST_RUN * spacing.pitchMm * front)
      .map(([from, to]) => {
        const part = sliceCurve(curve, from, to);
        const gapRatio = new Float64Array(part.pointCount).fill(1);
        return oriented({ quarter: -1, kind: 'front', curve: part, gapRatio, besidePart: false });
      });
  });
}
