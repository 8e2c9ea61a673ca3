/** A fringe of short pieces along the front hairline. */
import { contours, type SurfaceCurve, type SurfaceMesh } from '../../geometry/index.ts';
import type { ScalpFields } from '../../head/index.ts';
import type { Fringe } from '../../trade/index.ts';
import { oriented } from '../levels/orient.ts';
import type { Row, RowSpacing } from '../levels/row.ts';
import { even } from './along.ts';

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
