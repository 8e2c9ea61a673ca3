/** What can be done to a piece before or after it is hooked, and what each does to its length, width and minutes. */

export const SPLITS = [1, 2, 4, 8, 16] as const;

export type Split = (typeof SPLITS)[number];

export const OPENED_WHEN = ['never', 'before', 'after', 'halfBefore', 'afterPackOne'] as const;

export type OpenedWhen = (typeof OPENED_WHEN)[number];

/** When strands are opened, and the share of it that is done before a piece is hooked. */
export const OPENED_INFO: Readonly<Record<OpenedWhen, { readonly name: string; readonly before: number }>> = {
  never: { name: 'never', before: 0 },
  before: { name: 'before hooking', before: 1 },
  after: { name: 'after hooking', before: 0 },
  halfBefore: { name: 'half before, the rest when you like', before: 0.5 },
  afterPackOne: { name: 'pack one once it is in, look, then the rest', before: 0 },
};

export const DRESSINGS = ['asItIs', 'fingerCurled', 'smoothed', 'set', 'plaited'] as const;

export type Dressing = (typeof DRESSINGS)[number];

/** Finer than this people seldom split, in front and behind (common practice, no source; up to sixteen at the hairline alone). */
export const USUAL_SPLIT = { front: 4, back: 2 } as const;

export const MOST_CUTS = 8;

export interface DressingInfo {
  readonly name: string;
  readonly why: string;
  readonly length: number;
  readonly width: number;
  /** For each strand, and for each gram and metre of its length: about an hour for 200 g of 50 cm (common practice, no source). */
  readonly secondsAStrand: number;
  readonly secondsAGramMetre: number;
  /** When it is done: each before it is hooked, or all of it at the end. */
  readonly before: boolean;
  /** Only fibre that bears heat, or human hair. */
  readonly heat: boolean;
  /** Left alone until it is dry or set, minutes, hands free meanwhile (guess). */
  readonly dryMinutes: number;
}

/** Length and width factors: guesses until one piece has been measured; the seconds: common practice. */
export const DRESSING_INFO: Readonly<Record<Dressing, DressingInfo>> = {
  asItIs: {
    name: 'as it is',
    why: 'Nothing is done to it.',
    length: 1,
    width: 1,
    secondsAStrand: 0,
    secondsAGramMetre: 0,
    before: false,
    heat: false,
    dryMinutes: 0,
  },
  fingerCurled: {
    name: 'each curl wound round a finger',
    why: 'With water and a little conditioner, before it is hooked: tighter, shorter, cleaner curls.',
    length: 0.92,
    width: 0.85,
    secondsAStrand: 4.5,
    secondsAGramMetre: 0,
    before: true,
    heat: false,
    dryMinutes: 30,
  },
  smoothed: {
    name: 'smoothed with serum and a drier',
    why: 'After hooking, about an hour for a head. What the label says of heat comes first.',
    length: 1.1,
    width: 0.9,
    secondsAStrand: 0,
    secondsAGramMetre: 36,
    before: false,
    heat: true,
    dryMinutes: 0,
  },
  set: {
    name: 'set on rollers',
    why: 'After hooking; the ends come up and the hair stands wider.',
    length: 0.88,
    width: 1.25,
    secondsAStrand: 3,
    secondsAGramMetre: 12,
    before: false,
    heat: false,
    dryMinutes: 45,
  },
  plaited: {
    name: 'plaited to the ends',
    why: 'After hooking: each piece plaited by itself, its end dipped, knotted or banded; half a minute to a minute for each.',
    length: 0.94,
    width: 0.5,
    secondsAStrand: 0,
    secondsAGramMetre: 90,
    before: false,
    heat: false,
    dryMinutes: 0,
  },
};

/** Cutting the ends off a bundle of pieces before they are hooked, a piece, s; at most so much, mm. */
export const SECONDS_ENDS_OFF = 2;
export const ENDS_OFF_LIMITS_MM = [0, 200] as const;

/** Opening all strands all the way widens a piece by this much (guess), and it hangs a little shorter. */
export const OPEN_WIDENS = 0.8;

export const OPEN_SHORTENS = 0.06;

/** Seconds to open one strand all the way (common practice, no source: a head takes about an hour). */
export const SECONDS_A_STRAND = 4;

/** Seconds to split something in two, and to cut it in half. */
export const SECONDS_A_SPLIT = 5;

export const SECONDS_A_HALF = 4;

/** Fibre density g/mm³, about 1.3 g/cm³ for hair-like synthetic fibre (from memory). */
export const FIBRE_DENSITY = 0.0013;

/** Fibre over space in a bundle held loosely (guess). */
export const PIECE_PACKING = 0.4;

/** Width of a wrapped knot over the thickness of its folded piece (guess; 2 g over 25 cm gives 7 to 8 mm). */
export const KNOT_WIDENING = 2.5;

/** Up to this a knot lies flat at an open place, mm (common practice: a sixteenth of a thick piece does, a quarter does not). */
export const LIES_FLAT_MM = 4.2;

/** A piece passes a hole that is this share of its thickness: the net gives way (guess). */
export const HOLE_GIVES = 0.5;
