/** Which of the regions she named tender or thin a place lies in. Reaches are guesses, mm on a prior head. */
import type { Landmarks, Point } from '../head/landmarks.ts';
import type { Region } from '../pipeline/inputs.ts';
import type { ScalpFields } from '../rows/scalp-fields.ts';

const FRONT_EDGE = 20;
const TEMPLE = 32;
const OVER_EAR = 34;
const NAPE = 25;
const CROWN = 36;

export function isInRegion(
  region: Region,
  place: { readonly xMm: number; readonly yMm: number; readonly zMm: number; readonly vertex: number },
  scalp: ScalpFields,
  mark: Landmarks,
): boolean {
  const near = (p: Point, reach: number) =>
    (Math.abs(place.xMm) - p[0]) ** 2 + (place.yMm - p[1]) ** 2 + (place.zMm - p[2]) ** 2 < (reach * scalp.scale) ** 2;
  switch (region) {
    case 'frontEdge':
      return scalp.fromFrontHairline[place.vertex] < FRONT_EDGE * scalp.scale;
    case 'temples':
      return near(mark.temple, TEMPLE);
    case 'overEars':
      return near(mark.earTop, OVER_EAR);
    case 'nape':
      return scalp.fromNape[place.vertex] < NAPE * scalp.scale;
    case 'crown':
      return near(mark.crown, CROWN);
  }
}
