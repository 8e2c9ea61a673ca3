/** Ties: what is as good as another, and which of them is taken. */

export function nearestOf(values: readonly number[], u: number): number | undefined {
  let best: number | undefined;
  for (const v of values) if (best === undefined || Math.abs(v - u) < Math.abs(best - u) - TIE) best = v;
  return best;
}

/**
 * What differs by less, in spacings or mm, is as good: the first of them is taken, whatever rounding makes of the rest.
 * Rows that are alike on both sides have such ties in their middle.
 */
export const TIE = 1e-6;
