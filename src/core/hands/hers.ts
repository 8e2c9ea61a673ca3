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

/** What is used of them: nothing that is switched off, nothing in whose place she says a factor of her own. */
export function handsUsed(hands: HandsOfHers, choices: HandsChoices): HandsOfHers {
  const isUsed = (name: LearnedName) => !choices[name]?.isOff && choices[name]?.own === undefined;
  return {
    pace: isUsed('pace') ? hands.pace : undefined,
    spacing: isUsed('spacing') ? hands.spacing : undefined,
    reserve: isUsed('reserve') ? hands.reserve : undefined,
    enough: isUsed('enough') ? hands.enough : undefined,
    strands: isUsed('strands') ? hands.strands : {},
  };
}

function reserveFrom(used: readonly number[]): HandsOfHers['reserve'] {
  if (used.length === 0) return undefined;
  const usedOverPlanned = used.reduce((sum, u) => sum + u, 0) / used.length;
  return { ...handsLogged({ installs: used.length, usedOverPlanned }), styles: used.length, usedOverPlanned };
}
