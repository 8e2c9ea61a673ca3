/** How close she hooks, how much hair is enough for her, and what her strands are like: learned as her pace is. */
import { exp, log } from '../numerics/index.ts';
import { HANDS_SD, INSTALL_SD, KNOT_PIECES_SD } from '../supply/index.ts';
import { FALL_GUESS_NAMES, FALL_GUESSES, type FallGuess, PERSON_SHARE, TOLD_SDS } from '../trade/index.ts';
import { type Learned, learn, type Observation, type Prior, spreadOf, toldOf } from './mixed.ts';

/** A row, or a gap of a test row, that was counted or measured. */
export interface CountedRow {
  /** Gaps that were planned, and her gap over the one that was planned. */
  readonly gaps: number;
  readonly hookedOverPlanned: number;
  readonly side: 'left' | 'right' | 'both';
}

/** Her gap from knot to knot over the one that is planned. */
export interface SpacingOfHers {
  readonly rows: number;
  readonly styles: number;
  readonly all: Learned;
  readonly left: Learned;
  readonly right: Learned;
  /** One gap against the next, as a share. */
  readonly uneven: number;
}

/** How far her two sides differ, standard deviation of the logarithm to either side of the middle (guess). */
const SIDES_DIFFER = 0.03;
const SPREAD_KNOWN = 20;

export const spacingPrior = (): Prior => ({
  mean: new Float64Array(2),
  sd: Float64Array.of(HANDS_SD, SIDES_DIFFER),
  styleSd: INSTALL_SD,
  spread: KNOT_PIECES_SD,
  spreadKnown: SPREAD_KNOWN,
});

const SIDE = { left: -1, both: 0, right: 1 } as const;

export function spacingLearned(styles: ReadonlyArray<readonly CountedRow[]>): SpacingOfHers | undefined {
  const counted = styles.filter((s) => s.length > 0);
  if (counted.length === 0) return undefined;
  const posterior = learn(
    spacingPrior(),
    counted.map((rows) =>
      rows.map(
        ({ gaps, hookedOverPlanned, side }): Observation => ({
          y: log(hookedOverPlanned),
          effects: [
            [0, 1],
            [1, SIDE[side]],
          ],
          of: gaps,
        }),
      ),
    ),
  );
  const of = (side: number) =>
    asFactor(
      toldOf(posterior, [
        [0, 1],
        [1, side],
      ]),
    );
  return {
    rows: counted.reduce((n, s) => n + s.length, 0),
    styles: counted.length,
    all: of(0),
    left: of(-1),
    right: of(1),
    uneven: spreadOf(posterior),
  };
}

const asFactor = ({ middle, low, high, sd }: Learned): Learned => ({
  middle: exp(middle),
  low: exp(low),
  high: exp(high),
  sd,
});

/** One amount that each style tells once. */
export interface AmountOfHers extends Learned {
  readonly styles: number;
}

/** What people and styles differ by together, and how sure one telling is; logarithms. */
export function amountPrior(differs: number, told: number): Prior {
  const variance = differs * differs;
  return {
    mean: new Float64Array(1),
    sd: Float64Array.of(Math.sqrt(PERSON_SHARE * variance)),
    styleSd: Math.sqrt((1 - PERSON_SHARE) * variance),
    spread: told,
    spreadKnown: SPREAD_KNOWN,
  };
}

function amountLearned(factors: readonly number[], prior: Prior): AmountOfHers | undefined {
  if (factors.length === 0) return undefined;
  const posterior = learn(
    prior,
    factors.map((f): Observation[] => [{ y: log(f), effects: [[0, 1]], of: 1 }]),
  );
  return { ...asFactor(toldOf(posterior, [[0, 1]])), styles: factors.length };
}

/** How much hair is enough for one and another, and how surely she says so afterwards, logarithms (guesses). */
export const ENOUGH_DIFFERS = 0.2;
const ENOUGH_TOLD = 0.08;

/** @param factors hair that was right for her over what the plan called enough, one for each style */
export const enoughLearned = (factors: readonly number[]): AmountOfHers | undefined =>
  amountLearned(factors, amountPrior(ENOUGH_DIFFERS, ENOUGH_TOLD));

/** A photo tells it as surely as light and angle allow, logarithm (guess). */
const PHOTO_TOLD = 0.08;

/** @param told of each style what its photos or its first rows made of the guesses, over those of the table */
export function strandsLearned(
  told: ReadonlyArray<Readonly<Partial<Record<FallGuess, number>>>>,
): Partial<Record<FallGuess, AmountOfHers>> {
  return Object.fromEntries(
    FALL_GUESS_NAMES.flatMap((name) => {
      const factors = told.flatMap((t) => (t[name] === undefined ? [] : [t[name]]));
      const [low, high] = FALL_GUESSES[name].range;
      const learned = amountLearned(factors, amountPrior(log(high / low) / 2 / TOLD_SDS, PHOTO_TOLD));
      return learned ? [[name, learned]] : [];
    }),
  );
}
