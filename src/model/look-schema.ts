/** How the style is finished, how much cover is worth to her, and what she found her guesses to be. */
import { object } from 'yup';
import {
  FALL_GUESS_NAMES,
  FALL_GUESSES,
  type FallGuess,
  FULLNESS_AIMS,
  OUTLINES,
  REACH_LIMITS_MM,
} from '../core/trade/index.ts';
import { amount, choice, within, writtenLength } from './checks.ts';

export const finish = object({
  fullness: choice(FULLNESS_AIMS, 'The fullness'),
  outline: choice(OUTLINES, 'The outline'),
  reach: writtenLength(...REACH_LIMITS_MM, 'What it is trimmed to'),
  /** Tied down to set for so many minutes; 0 where it isn't. */
  setMinutes: within([0, 600], 'The time it is tied down', true),
})
  .noUnknown()
  .strict()
  .required();

const guess = (name: FallGuess) => within(FALL_GUESSES[name].limits, FALL_GUESSES[name].name).optional();

/** Only those that she has set. */
export const guesses = object(
  Object.fromEntries(FALL_GUESS_NAMES.map((g) => [g, guess(g)])) as Record<FallGuess, ReturnType<typeof guess>>,
)
  .noUnknown()
  .strict()
  .required();

/** 0 as light as can be, 1 as covered as can be. */
export const enough = amount(0, 1, 'What enough is');
