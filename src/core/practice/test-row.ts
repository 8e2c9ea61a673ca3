/** A test row on a scrap of net: a few pieces, timed, and the gaps between them measured. */
import { type CountedRow, inColumns, type TimedColumns } from '../hands/index.ts';
import type { KnotKind } from '../trade/index.ts';

export interface PracticeRow {
  readonly kind: KnotKind;
  /** What common practice tells for one of these, s. */
  readonly plainSeconds: number;
  /** What each piece took, s; in order. */
  readonly seconds: readonly number[];
  /** From each piece to the next, mm; and what they should have been. */
  readonly gapsMm: readonly number[];
  readonly aimMm: number;
}

export interface RowFigures {
  readonly secondsAKnot: number;
  /** Her gap over the one that was meant. */
  readonly hookedOverPlanned: number | undefined;
  /** One against the next, as a share of the mean: of the seconds, and of the gaps. */
  readonly unevenSeconds: number;
  readonly unevenGaps: number | undefined;
}

export function rowFigures({ seconds, gapsMm, aimMm }: PracticeRow): RowFigures {
  return {
    secondsAKnot: mean(seconds),
    hookedOverPlanned: gapsMm.length > 0 && aimMm > 0 ? mean(gapsMm) / aimMm : undefined,
    unevenSeconds: spread(seconds),
    unevenGaps: gapsMm.length > 1 ? spread(gapsMm) : undefined,
  };
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);

/** Standard deviation over the mean. */
function spread(values: readonly number[]): number {
  if (values.length < 2) return 0;
  const m = mean(values);
  const squares = values.reduce((sum, v) => sum + (v - m) ** 2, 0);
  return Math.sqrt(squares / (values.length - 1)) / m;
}

/** What a test row tells of her hands: knots on the net, fresh, and each gap for itself. */
export function toldByRow(row: PracticeRow): { readonly timed: TimedColumns; readonly counted: CountedRow[] } {
  const { kind, plainSeconds, aimMm } = row;
  return {
    timed: inColumns(row.seconds.map((s) => ({ kind, zone: 'back', knots: 1, seconds: s, plainSeconds, hoursOn: 0 }))),
    counted: row.gapsMm
      .filter((g) => g > 0 && aimMm > 0)
      .map((g) => ({ gaps: 1, hookedOverPlanned: g / aimMm, side: 'both' })),
  };
}
