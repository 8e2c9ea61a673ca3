/** Ties: what is as good as another, and which of them is taken. */

/** @param values rising */
export function nearestOf(values: readonly number[], u: number): number | undefined {
  if (values.length === 0) return undefined;
  let low = 0;
  let high = values.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (values[middle] < u) low = middle + 1;
    else high = middle;
  }
  if (low === values.length) low--;
  else if (low > 0 && u - values[low - 1] <= values[low] - u + TIE) low--;
  // Of several in one place the first.
  while (low > 0 && values[low] - values[low - 1] <= TIE) low--;
  return values[low];
}

/**
 * What differs by less, in spacings or mm, is as good: the first of them is taken, whatever rounding makes of the rest.
 * Rows that are alike on both sides have such ties in their middle.
 */
export const TIE = 1e-6;
