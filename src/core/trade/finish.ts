/** How full a style is meant to be, and what it is trimmed to. */

export const FULLNESS_AIMS = ['spare', 'enough', 'veryFull'] as const;

export type FullnessAim = (typeof FULLNESS_AIMS)[number];

export interface AimedFullness {
  readonly name: string;
  readonly words: string;
  /** Least share of the scalp that has to be hidden. */
  readonly leastHidden: number;
  /** Mean thickness of the hair over the scalp, mm: least and most. */
  readonly thicknessMm: readonly [least: number, most: number];
}

/** What each means in figures: guesses, by what wearers call too thin and too big. */
export const FULLNESS_INFO: Readonly<Record<FullnessAim, AimedFullness>> = {
  spare: {
    name: 'spare',
    words: 'Light, close to the head, a little scalp at the part.',
    leastHidden: 0.75,
    thicknessMm: [0, 35],
  },
  enough: {
    name: 'enough',
    words: 'Covers from every side, moves, doesn’t stand away.',
    leastHidden: 0.85,
    thicknessMm: [6, 70],
  },
  veryFull: {
    name: 'very full',
    words: 'Big: stands out a hand and shows nothing.',
    leastHidden: 0.92,
    thicknessMm: [25, 130],
  },
};

export const OUTLINES = ['none', 'level', 'slant', 'round', 'layers'] as const;

export type Outline = (typeof OUTLINES)[number];

export const REACH_LIMITS_MM = [10, 700] as const;

/** Pieces at the crown keep this share of their length in layers, those at the nape all of it (common practice, no source). */
export const SHORTEST_LAYER = 0.6;

/** How much lower a slant is for each mm towards the face. */
export const SLANT = 0.32;
