/**
 * A row along the border of the cap, or along the hairline where there is none: as far inside as its own gap asks, with
 * places of its own. It follows the head alone, so that no other row moves when it comes or goes.
 */
import { contours, type SurfaceCurve, sliceCurve } from '../../geometry/index.ts';
import { azimuthOf, type Head } from '../../head/index.ts';
import type { BorderWhere } from '../../trade/index.ts';
import { oriented, ringFrom } from '../levels/orient.ts';
import type { Row } from '../levels/row.ts';
import { runsOf } from '../levels/runs.ts';
import { even } from './along.ts';

/** It lies this share of its gap inside the hairline, and between so many mm (guesses: on or just behind the band). */
const INSIDE_SHARE = 0.35;
const INSIDE_MM = [3, 8] as const;
/** Where it is cut off by a part or a closed place a shorter rest than this many gaps holds no piece. */
const SHORTEST = 0.5;

/**
 * @param gapMm from knot to knot along it
 * @param isOff where no piece of it goes
 * @returns a ring, or a row for each stretch between places where none goes; with places along them
 */
export function borderRows(
  { mesh, scalp, mark }: Pick<Head, 'mesh' | 'scalp' | 'mark'>,
  where: BorderWhere,
  gapMm: number,
  isOff: (vertex: number) => boolean,
): Row[] {
  if (where === 'none') return [];
  const [least, most] = INSIDE_MM;
  const inside = Math.min(most, Math.max(least, INSIDE_SHARE * gapMm));
  const ear = azimuthOf(mark.earTop[0], mark.earTop[2]);
  const goesOn = (curve: SurfaceCurve) => (i: number) => {
    const isInFront = azimuthOf(curve.pointsMm[3 * i], curve.pointsMm[3 * i + 2]) <= ear;
    return (where === 'round' || isInFront) && !isOff(vertexAt(curve, i));
  };
  return contours(mesh, scalp.fromHairline, [inside])[0]
    .filter((c) => c.pointCount > 3)
    .flatMap((curve) => {
      const ring = oriented({ quarter: -1, kind: 'border', curve, gapRatio: even(curve), besidePart: false });
      const indices = Array.from({ length: curve.pointCount }, (_, i) => i);
      const off = indices.find((i) => !goesOn(ring.curve)(i));
      if (curve.closed && off === undefined) return [withPlaces(ring, gapMm)];
      // Begun where none goes, so that no stretch is cut where the ring happens to begin.
      const whole = curve.closed ? ringFrom(ring, off as number) : ring;
      return runsOf(indices.map(goesOn(whole.curve)))
        .filter(([a, b]) => whole.curve.arcMm[b] - whole.curve.arcMm[a] >= SHORTEST * gapMm)
        .map(([a, b]) => {
          const part = sliceCurve(whole.curve, a, b);
          return withPlaces(oriented({ ...whole, curve: part, gapRatio: even(part) }), gapMm);
        });
    });
}

const vertexAt = (curve: SurfaceCurve, i: number) => (curve.share[i] < 0.5 ? curve.fromVertex[i] : curve.toVertex[i]);

/** Whole gaps, half a one at either end: alike from both sides. */
function withPlaces(row: Row, gapMm: number): Row {
  const { lengthMm } = row.curve;
  const count = Math.max(1, Math.round(lengthMm / gapMm));
  return { ...row, placesMm: Array.from({ length: count }, (_, i) => ((i + 0.5) * lengthMm) / count) };
}
