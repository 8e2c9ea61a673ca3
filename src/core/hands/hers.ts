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
import { type PaceOfHers, paceLearned, type TimedKnots } from './pace.ts';

/** One style, or one test row, as far as it tells anything. */
export interface StyleTold {
  readonly timed: readonly TimedKnots[];
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

/** @param said how practised she says she is */
export function handsFrom(styles: readonly StyleTold[], said: Pace): HandsOfHers {
  return {
    pace: paceLearned(
      styles.map((s) => s.timed),
      said,
    ),
    spacing: spacingLearned(styles.map((s) => s.counted)),
    reserve: reserveFrom(styles.flatMap((s) => s.used ?? [])),
    enough: enoughLearned(styles.flatMap((s) => s.enough ?? [])),
    strands: strandsLearned(styles.flatMap((s) => s.strands ?? [])),
  };
}

function reserveFrom(used: readonly number[]): HandsOfHers['reserve'] {
  if (used.length === 0) return undefined;
  const usedOverPlanned = used.reduce((sum, u) => sum + u, 0) / used.length;
  return { ...handsLogged({ installs: used.length, usedOverPlanned }), styles: used.length, usedOverPlanned };
}
