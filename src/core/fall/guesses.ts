/**
 * The guesses on which fall and cover rest, in one table. None is measured: each has the range over which it may
 * lie, and what hangs on it is told as a range. A photo of a finished head, or a first row, sets them closer.
 */
export const FALL_GUESSES = {
  ribbonWidthMm: {
    name: 'Width of a strand',
    unit: 'mm',
    value: 14,
    range: [10, 18],
    why: 'A smooth piece of 2 g and 25 cm lies as four strands side by side; how wide one of them is.',
  },
  opacity: {
    name: 'What a strand hides',
    unit: '%',
    value: 0.45,
    range: [0.32, 0.58],
    why: 'How much of the scalp a single strand hides where it lies. Two over each other hide more.',
  },
  fanRad: {
    name: 'How far strands spread',
    unit: 'rad',
    value: 0.9,
    range: [0.6, 1.2],
    why: 'The angle over which the strands of one piece leave their knot.',
  },
} as const;

export type FallGuess = keyof typeof FALL_GUESSES;
export type FallGuesses = Readonly<Record<FallGuess, number>>;

export const PLAIN_GUESSES: FallGuesses = {
  ribbonWidthMm: FALL_GUESSES.ribbonWidthMm.value,
  opacity: FALL_GUESSES.opacity.value,
  fanRad: FALL_GUESSES.fanRad.value,
};
