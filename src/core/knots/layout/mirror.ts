/** Knots of rows that were worked out on the other side. */

import type { Row } from '../../rows/index.ts';
import type { LaidKnot } from './measure.ts';

/** Knots of turned rows, again from her left to her right. */
export function turnedKnots(knots: readonly LaidKnot[], rows: readonly Row[]): LaidKnot[] {
  return knots
    .map((k): LaidKnot => {
      const { lengthMm, closed } = rows[k.row].curve;
      const over = (arc: number) => (closed ? (lengthMm - arc) % lengthMm : lengthMm - arc);
      const named = k.namedAtMm === undefined ? {} : { namedAtMm: over(k.namedAtMm) };
      return { ...k, arcMm: over(k.arcMm), xMm: 0 - k.xMm, ...named };
    })
    .sort((a, b) => a.row - b.row || a.arcMm - b.arcMm);
}
