/** Which end of a row its knots are laid from, so that both sides of a head are worked alike. */
import type { SurfaceCurve } from '../../geometry/index.ts';

/** Places that are each other's mirror image lie so near to it, mm. */
export const ALIKE_MM = 0.05;

/** Which end is further in front, or else further from the middle of the head; either where one is the other's mirror image. */
export function beginsAt({ pointsMm }: SurfaceCurve): 'first' | 'last' | 'either' {
  const end = pointsMm.length - 3;
  const inFront = pointsMm[2] - pointsMm[end + 2];
  if (Math.abs(inFront) > ALIKE_MM) return inFront > 0 ? 'first' : 'last';
  const aside = Math.abs(pointsMm[0]) - Math.abs(pointsMm[end]);
  if (Math.abs(aside) > ALIKE_MM) return aside > 0 ? 'first' : 'last';
  return Math.abs(pointsMm[0] + pointsMm[end]) > ALIKE_MM ? 'first' : 'either';
}
