/**
 * The guesses on which fall and cover rest, in one table. None is measured: each has the range over which it may
 * lie, and what hangs on it is told as a range. A photo of a finished head, or a first row, sets them closer.
 */
interface Guess {
  readonly name: string;
  readonly unit: 'mm' | '%' | '°' | '×';
  readonly value: number;
  /** Over which it may lie; what she sets may lie beyond it, within the limits. */
  readonly range: readonly [low: number, high: number];
  readonly limits: readonly [low: number, high: number];
  readonly why: string;
  /** How she finds her own. */
  readonly how: string;
}

export const FALL_GUESSES = {
  ribbonWidthMm: {
    name: 'Width of a strand',
    unit: 'mm',
    value: 14,
    range: [10, 18],
    limits: [5, 30],
    why: 'A smooth piece of 2 g and 25 cm lies as four strands side by side; how wide one of them is.',
    how: 'Hook one piece, let it hang, and measure across where it is widest: a quarter of that.',
  },
  opacity: {
    name: 'What a strand hides',
    unit: '%',
    value: 0.55,
    range: [0.42, 0.68],
    limits: [0.1, 0.95],
    why: 'How much of the scalp a single strand hides where it lies. Two over each other hide more.',
    how: 'Lay one strand over a ruled page and guess how much of the lines is gone.',
  },
  fanRad: {
    name: 'How far strands spread',
    unit: '°',
    value: 0.9,
    range: [0.6, 1.2],
    limits: [0.1, 2.6],
    why: 'The angle over which the strands of one piece leave their knot.',
    how: 'Look at the first piece from straight on: a half-open pair of scissors is 50°.',
  },
  loft: {
    name: 'How loosely hair lies',
    unit: '×',
    value: 1,
    range: [0.7, 1.4],
    limits: [0.3, 3],
    why: 'Hair over itself stands off the head; how much more or less than the table of textures says.',
    how: 'Lay a finger beside a finished first row: how deep it sinks, against what is drawn.',
  },
} as const satisfies Readonly<Record<string, Guess>>;

export type FallGuess = keyof typeof FALL_GUESSES;
export const FALL_GUESS_NAMES = Object.keys(FALL_GUESSES) as FallGuess[];
export type FallGuesses = Readonly<Record<FallGuess, number>>;

export const PLAIN_GUESSES: FallGuesses = {
  ribbonWidthMm: FALL_GUESSES.ribbonWidthMm.value,
  opacity: FALL_GUESSES.opacity.value,
  fanRad: FALL_GUESSES.fanRad.value,
  loft: FALL_GUESSES.loft.value,
};

/** Where a guess may lie: as far to both sides of what she set as the table's range lies from the table's value. */
export function guessRange(name: FallGuess, value: number): readonly [low: number, high: number] {
  const { range, value: plain, limits } = FALL_GUESSES[name];
  const within = (v: number) => Math.min(limits[1], Math.max(limits[0], v));
  return [within((value * range[0]) / plain), within((value * range[1]) / plain)];
}
