/**
 * Knots that can only be laid once the net is open come after all others, as rows of their own; and rows that hold no knot
 * are none. Which knots wait is said by the cap; where they lie is left alone.
 */
import type { LaidKnot } from './measure.ts';
import type { Passes } from './second-pass.ts';

export interface WorkedPasses extends Passes {
  /** Rows whose knots wait for the net to be opened. */
  readonly isOpened: readonly boolean[];
}

export function inOrderOfWork(passes: Passes, waits: (knot: LaidKnot) => boolean): WorkedPasses {
  const { rows, secondOf, knots } = passes;
  const isWaiting = knots.map((k) => waits(k));
  const kept = (row: number, opened: boolean) =>
    knots.some((k, i) => k.row === row && k.hand !== 'removed' && isWaiting[i] === opened);
  const order = [
    ...rows.map((_, row) => ({ row, opened: false })),
    ...rows.map((_, row) => ({ row, opened: true })),
  ].filter(({ row, opened }) => kept(row, opened));
  const at = new Map(order.map(({ row, opened }, i) => [2 * row + (opened ? 1 : 0), i]));
  return {
    rows: order.map(({ row }) => rows[row]),
    secondOf: order.map(({ row, opened }) => {
      if (secondOf[row] >= 0) return at.get(2 * secondOf[row]) ?? at.get(2 * secondOf[row] + 1) ?? -1;
      return opened ? (at.get(2 * row) ?? -1) : -1;
    }),
    isOpened: order.map(({ opened }) => opened),
    knots: knots
      .flatMap((k, i) => {
        const row = at.get(2 * k.row + (isWaiting[i] ? 1 : 0)) ?? at.get(2 * k.row + (isWaiting[i] ? 0 : 1));
        // What was taken out by hand stays with its row as long as there is one.
        return row === undefined ? [] : [{ ...k, row }];
      })
      .sort((a, b) => a.row - b.row || a.arcMm - b.arcMm),
  };
}
