/** Words that only those know who do this: each in one sentence, for whoever touches it. Common practice, no source. */

export interface Term {
  /** As it is found in sentences; the first word is how it is called. */
  readonly words: readonly string[];
  readonly means: string;
  /** A drawing in a box of 64 by 40: what is hair, and what holds it. */
  readonly hair: string;
  readonly holds?: string;
}

export const TERMS: readonly Term[] = [
  {
    words: ['bite', 'bites'],
    means:
      'The few hairs of your own, or threads of the net, that one hook goes under. A large one carries, a small one hurts.',
    hair: 'M8 30C16 8 24 8 32 30M32 30C40 8 48 8 56 30M20 30V12M26 30V14',
    holds: 'M14 24C20 18 30 18 34 24',
  },
  {
    words: ['anchor', 'anchors'],
    means: 'A knot that is hooked through the cap and your own hair together, so that the cap stays where it is.',
    hair: 'M32 6V34',
    holds: 'M6 22H58M32 14L40 22L32 30L24 22Z',
  },
  {
    words: ['bricks', 'brick'],
    means:
      'Rows set off against each other like bricks in a wall: each knot lies over the gap between two of the row below.',
    hair: 'M6 30H58M6 14H58',
    holds: 'M14 30h.1M32 30h.1M50 30h.1M23 14h.1M41 14h.1',
  },
  {
    words: ['border'],
    means: 'The elastic edge of the cap, along your hairline.',
    hair: 'M6 32C20 22 44 22 58 32',
    holds: 'M6 26C20 16 44 16 58 26',
  },
  {
    words: ['margin'],
    means: 'The narrow strip of net that is left beside a cut, and held down with a few pieces.',
    hair: 'M32 6V34',
    holds: 'M22 6V34M42 6V34',
  },
  {
    words: ['one-leg'],
    means: 'A knot through which only one side of the piece is pulled: the other side falls over it and hides it.',
    hair: 'M32 12C32 24 26 30 22 36M32 12C40 14 44 24 44 36',
    holds: 'M24 12H40',
  },
  {
    words: ['lock', 'locks'],
    means: 'A small band or ring that is pushed up to the root after the wraps, and holds them shut.',
    hair: 'M32 4V36',
    holds: 'M24 16L40 26M40 16L24 26',
  },
  {
    words: ['wrap', 'wraps'],
    means: 'How often the ends go through the loop: each time holds more, and makes the knot thicker.',
    hair: 'M32 4V36',
    holds: 'M24 16C24 10 40 10 40 16M24 24C24 18 40 18 40 24',
  },
  {
    words: ['parked', 'parking'],
    means: 'The free end of a tied section, laid flat and out of the way: folded, wrapped, pinned or tucked.',
    hair: 'M10 32C22 8 42 8 46 20C48 28 38 30 36 24',
    holds: 'M30 18L40 30',
  },
  {
    words: ['leave-out'],
    means: 'Your own hair that stays out, in front or at the sides, and is laid over the rest.',
    hair: 'M10 34C14 12 30 6 54 10M16 34C20 18 34 12 54 16',
  },
  {
    words: ['reserve'],
    means: 'Pieces that are bought and not planned: for the gaps that show when all is separated and shaken out.',
    hair: 'M18 8V34M26 8V34M38 8V34',
    holds: 'M32 8V34',
  },
  {
    words: ['opened', 'opening up'],
    means: 'A piece whose twist or curl is pulled apart into strands: it covers more and won’t go back.',
    hair: 'M32 4C32 12 20 20 16 36M32 4C32 14 30 22 28 36M32 4C32 14 36 22 38 36M32 4C32 12 44 20 48 36',
  },
];

/** Finds the term that a word belongs to. */
export const termOf = (word: string): Term | undefined => TERMS.find((t) => t.words.includes(word.toLowerCase()));

/** Every term as a whole word, the longest first. */
export const TERM_PATTERN = new RegExp(
  `\\b(${TERMS.flatMap((t) => t.words)
    .sort((a, b) => b.length - a.length)
    .join('|')})\\b`,
  'i',
);
