/** Along the rows by keys. */
import type { PlanResult } from '../../core/findings/index.ts';

/** The knot that a key leads to: along the row, to the nearest in the next row, first, last, or none (-1). */
export function stepTo(result: PlanResult, index: number, key: string): number | undefined {
  const last = result.knots.length - 1;
  if (last < 0) return undefined;
  switch (key) {
    case 'ArrowRight':
      return Math.min(last, index + 1);
    case 'ArrowLeft':
      return Math.max(0, index - 1);
    case 'Home':
      return 0;
    case 'End':
      return last;
    case 'Escape':
      return -1;
    case 'ArrowUp':
    case 'ArrowDown': {
      if (index < 0) return 0;
      const from = result.knots[index];
      const row = result.rows[from.row + (key === 'ArrowUp' ? 1 : -1)];
      if (!row || row.knotCount === 0) return index;
      let best = row.firstKnot;
      for (let i = row.firstKnot; i < row.firstKnot + row.knotCount; i++) {
        const off = (k: number) => Math.abs(result.knots[k].fromMiddleMm - from.fromMiddleMm);
        if (off(i) < off(best)) best = i;
      }
      return best;
    }
    default:
      return undefined;
  }
}
