/** All that is learned of her hands, from what each of her styles tells. */
import { type Hands, handsLogged } from '../supply/index.ts';
import type { FallGuess, Pace } from '../trade/index.ts';
import {
  type AmountOfHers,
  type CountedRow,
  enoughLearned,
  type SpacingOfHers,
  spacingLearned,
  strandsLearned,
} from './amounts.ts';
import type { Learned } from './mixed.ts';
import { fromColumns, type PaceOfHers, paceLearned, type TimedColumns } from './pace.ts';

const LEARNED = ['pace', 'spacing', 'reserve', 'enough', 'strands'] as const;
export type LearnedName = (typeof LEARNED)[number];

/** What she has decided of one quantity: not to be used, learned only from now on, or as she says it. */
export interface LearnedChoice {
  readonly isOff?: boolean;
  readonly sinceMs?: number;
  /** A factor of her own, in place of what is learned. */
  readonly own?: number;
}
export type HandsChoices = Readonly<Partial<Record<LearnedName, LearnedChoice>>>;

/** One style, or one test row, as far as it tells anything. */
export interface StyleTold {
  readonly atMs: number;
  readonly timed: TimedColumns;
  readonly counted: readonly CountedRow[];
  /** Pieces used over those planned. */
  readonly used?: number | undefined;
  /** Hair that was right for her over what the plan called enough. */
  readonly enough?: number | undefined;
  /** What photos and first rows made of the guesses, over those of the table. */
  readonly strands?: Readonly<Partial<Record<FallGuess, number>>> | undefined;
}

export interface HandsOfHers {
  readonly pace: PaceOfHers | undefined;
  readonly spacing: SpacingOfHers | undefined;
  readonly reserve: (Hands & { readonly styles: number; readonly usedOverPlanned: number }) | undefined;
  readonly enough: AmountOfHers | undefined;
  readonly strands: Readonly<Partial<Record<FallGuess, AmountOfHers>>>;
}

/** @param said how practised she says she is @param choices what came before she had one forgotten does not count for it */
export function handsFrom(styles: readonly StyleTold[], said: Pace, choices: HandsChoices = {}): HandsOfHers {
  const since = (name: LearnedName) =>
    styles.filter((s) => s.atMs > (choices[name]?.sinceMs ?? Number.NEGATIVE_INFINITY));
  return {
    pace: paceLearned(
      since('pace').map((s) => fromColumns(s.timed)),
      said,
    ),
    spacing: spacingLearned(since('spacing').map((s) => s.counted)),
    reserve: reserveFrom(since('reserve').flatMap((s) => s.used ?? [])),
    enough: enoughLearned(since('enough').flatMap((s) => s.enough ?? [])),
    strands: strandsLearned(since('strands').flatMap((s) => s.strands ?? [])),
  };
}

/** What is used of them: nothing that is switched off; what she says herself in place of what is learned. */
export function handsUsed(hands: HandsOfHers, choices: HandsChoices): HandsOfHers {
  const isOff = (name: LearnedName) => choices[name]?.isOff === true;
  const own = (name: LearnedName) => choices[name]?.own;
  const [gap, right] = [own('spacing'), own('enough')];
  return {
    // Her own pace is one factor: it goes into a plan by itself, not as what was learned knot by knot.
    pace: isOff('pace') || own('pace') !== undefined ? undefined : hands.pace,
    spacing: isOff('spacing') ? undefined : gap === undefined ? hands.spacing : spacingSaid(gap),
    // What she keeps for gaps she says at Supply.
    reserve: isOff('reserve') ? undefined : hands.reserve,
    enough: isOff('enough') ? undefined : right === undefined ? hands.enough : { ...exactly(right), styles: 0 },
    strands: isOff('strands') ? {} : hands.strands,
  };
}

const exactly = (factor: number): Learned => ({ middle: factor, low: factor, high: factor, sd: 0 });
const spacingSaid = (factor: number): SpacingOfHers => ({
  rows: 0,
  styles: 0,
  all: exactly(factor),
  left: exactly(factor),
  right: exactly(factor),
  uneven: 0,
});

function reserveFrom(used: readonly number[]): HandsOfHers['reserve'] {
  if (used.length === 0) return undefined;
  const usedOverPlanned = used.reduce((sum, u) => sum + u, 0) / used.length;
  return { ...handsLogged({ installs: used.length, usedOverPlanned }), styles: used.length, usedOverPlanned };
}
