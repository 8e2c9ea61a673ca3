/**
 * Knots that can only be laid once the net is open come after all others, as rows of their own; the row along the border
 * comes when she says; and rows that hold no knot are none. Where knots lie is left alone.
 */
import { type BorderWhen, MOST_IS_IN } from '../../trade/index.ts';
import { isHooked, type LaidKnot } from './measure.ts';
import type { Passes } from './second-pass.ts';

export interface WorkedPasses extends Passes {
  /** Rows whose knots wait for the net to be opened. */
  readonly isOpened: readonly boolean[];
  /** Quarter of the lowest row that is laid, whether another lies in its place or not: rows are named from it. */
  readonly deepest: number;
}

/** A row, or what of it waits for the net to be opened. */
interface Worked {
  readonly row: number;
  readonly opened: boolean;
}

/** @param waits which knots wait is said by the cap; @param border when the row along the border is laid */
export function inOrderOfWork(passes: Passes, waits: (knot: LaidKnot) => boolean, border: BorderWhen): WorkedPasses {
  const { rows, secondOf, passOf, knots } = passes;
  const isWaiting = knots.map((k) => waits(k));
  const counts = new Int32Array(2 * rows.length);
  knots.forEach((k, i) => {
    if (isHooked(k)) counts[2 * k.row + (isWaiting[i] ? 1 : 0)]++;
  });
  const countIn = ({ row, opened }: Worked) => counts[2 * row + (opened ? 1 : 0)];
  const worked = [false, true].flatMap((opened) =>
    rows.map((_, row) => ({ row, opened })).filter((w) => countIn(w) > 0),
  );
  const isBorder = ({ row }: Worked) => rows[row].kind === 'border';
  const isFilled = ({ row }: Worked) => passOf[row] === 'fill';
  const isInto = ({ row }: Worked) => rows[row].kind === 'base';
  const into = worked.filter(isInto);
  const isFirst = ({ row, opened }: Worked) => !opened && rows[row].into?.when === 'first';
  const order = worked.filter((w) => !isBorder(w) && !isFilled(w) && !isInto(w));
  const along = worked.filter(isBorder);
  order.splice(placeFor(border, order, countIn), 0, ...along.filter((w) => !w.opened));
  // What goes into the base lies under the rows, or on top of them.
  order.unshift(...into.filter(isFirst));
  order.push(...into.filter((w) => !isFirst(w)));
  // What of it lies in the opening waits for the net to be open, and what is left over is filled in after everything else.
  order.push(...along.filter((w) => w.opened), ...worked.filter(isFilled));
  const at = new Map(order.map(({ row, opened }, i) => [2 * row + (opened ? 1 : 0), i]));
  return {
    rows: order.map(({ row }) => rows[row]),
    secondOf: order.map(({ row, opened }) => {
      if (secondOf[row] >= 0) return at.get(2 * secondOf[row]) ?? at.get(2 * secondOf[row] + 1) ?? -1;
      return opened ? (at.get(2 * row) ?? -1) : -1;
    }),
    passOf: order.map(({ row }) => passOf[row]),
    isOpened: order.map(({ opened }) => opened),
    deepest: Math.max(...new Set(knots.map((k) => rows[k.row].quarter))),
    knots: knots
      .flatMap((k, i) => {
        const row = at.get(2 * k.row + (isWaiting[i] ? 1 : 0)) ?? at.get(2 * k.row + (isWaiting[i] ? 0 : 1));
        // What was taken out by hand stays with its row as long as there is one.
        return row === undefined ? [] : [{ ...k, row }];
      })
      .sort((a, b) => a.row - b.row || a.arcMm - b.arcMm),
  };
}

/** Before the first row, after the one that brings most of the hair in, or after the last. */
function placeFor(when: BorderWhen, order: readonly Worked[], countIn: (w: Worked) => number): number {
  if (when === 'first') return 0;
  if (when === 'last') return order.length;
  const counts = order.map(countIn);
  const most = MOST_IS_IN * counts.reduce((sum, n) => sum + n, 0);
  let laid = 0;
  return (
    counts.findIndex((n) => {
      laid += n;
      return laid >= most - 1e-9;
    }) + 1
  );
}
