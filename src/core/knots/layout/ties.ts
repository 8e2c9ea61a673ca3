/** Ties: what is as good as another, and which of them is taken. */

/** @param values rising */
export function nearestOf(values: readonly number[], u: number): number | undefined {
  let best: number | undefined;
  let away = Infinity;
  for (const v of values) {
    const off = Math.abs(v - u);
    if (off < away - TIE) {
      best = v;
      away = off;
    } else if (v > u) break;
  }
  return best;
}

/**
 * What differs by less, in spacings or mm, is as good: the first of them is taken, whatever rounding makes of the rest.
 * Rows that are alike on both sides have such ties in their middle.
 */
export const TIE = 1e-6;
