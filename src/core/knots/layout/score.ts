/** How well knots stand in bricks. */
import { footOn } from '../../geometry/index.ts';
import type { Row, RowSpacing } from '../../rows/index.ts';
import { LaidRows } from './below.ts';
import { type LaidKnot, measured, type PitchFields } from './measure.ts';
import { nearestOf } from './ties.ts';

/** Adds up how far each place lies from the nearest knot below, in half spacings. */
export function tally(score: { sum: number; counted: number }, places: readonly number[], below: readonly number[]) {
  if (below.length === 0) return;
  for (const u of places) {
    score.sum += Math.min(1, Math.abs((nearestOf(below, u) as number) - u) / 0.5);
    score.counted++;
  }
}

export const shareOf = ({ sum, counted }: { readonly sum: number; readonly counted: number }) =>
  counted > 0 ? sum / counted : 1;

/**
 * How well knots stand in bricks: mean over knots of the distance along the row to the nearest projected
 * knot below, over half a spacing, at most 1. 1 is ideal, 0.5 random, 0 one above the other.
 */
export function brickScore(
  rows: readonly Row[],
  knots: readonly LaidKnot[],
  pitch: PitchFields,
  spacing: RowSpacing,
): number {
  const laid = new LaidRows();
  const knotsOfRow = rows.map((_, index) => knots.filter((k) => k.row === index));
  const score = { sum: 0, counted: 0 };
  rows.forEach((row, index) => {
    const working = measured(row, pitch, spacing.pitchMm);
    const below = laid.below(working, pitch, spacing);
    laid.add(knotsOfRow[index]);
    tally(
      score,
      knotsOfRow[index].map((knot) => footOn(row.curve, working.u, knot).u),
      below,
    );
  });
  return shareOf(score);
}
