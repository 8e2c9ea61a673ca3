/** Places that the base itself offers for pieces: tied roots, plaits and twists, coils and puffs. Common practice, no source. */

export const INTO_WAYS = ['root', 'beside', 'through', 'onTop', 'round', 'over'] as const;

export type IntoWay = (typeof INTO_WAYS)[number];

/** What of a section is meant. */
export type IntoWhat = 'tie' | 'tail' | 'coil';

export const INTO_WHENS = ['first', 'last'] as const;

export type IntoWhen = (typeof INTO_WHENS)[number];

/** Pieces that go into the base, beside the rows there are elsewhere. */
export interface IntoBase {
  readonly id: string;
  readonly way: IntoWay;
  /** Ids of sections; none: all that are tied. */
  readonly sections: readonly string[];
  /** In each tied root. */
  readonly pieces: number;
  /** From piece to piece along a tail or round a coil, as spacing is told, in fingers. */
  readonly fingers: number;
  /** No further than this from the tie, or from the rim of the coil, in fingers; 0: along all of a tail, one ring round a coil, all of it over one. */
  readonly reachFingers: number;
  readonly when: IntoWhen;
  /** The cut that they are of; left out: that of the place. */
  readonly cut?: string | undefined;
}

export interface IntoInfo {
  readonly what: IntoWhat;
  readonly name: string;
  /** Beside a drawing. */
  readonly short: string;
  readonly reason: string;
  /** What goes wrong there. */
  readonly wrong: string;
}

export const INTO_INFO: Readonly<Record<IntoWay, IntoInfo>> = {
  root: {
    what: 'tie',
    name: 'into tied roots',
    short: 'tied roots',
    reason: 'Under the band, where all hair of the section bears it: firmest, and few fit round one.',
    wrong: 'More pushed in than fit: the band slides down, the root stands up and shows.',
  },
  beside: {
    what: 'tail',
    name: 'beside a plait or twist',
    short: 'beside plaits',
    reason: 'In the channel along it, through the hair at its foot: it stays shut.',
    wrong: 'The hook catches the twist itself and opens it.',
  },
  through: {
    what: 'tail',
    name: 'through a plait or twist',
    short: 'through plaits',
    reason: 'Firm, and flat on plaits; a wide twist can open.',
    wrong: 'Too near to its end: it opens from there. Stay a finger away from the tip.',
  },
  onTop: {
    what: 'tail',
    name: 'on a plait or twist, along its top',
    short: 'on plaits',
    reason: 'Quick to reach, through the topmost strand; the bulk stands up.',
    wrong: 'Only a few hairs taken up: they carry badly, and hurt.',
  },
  round: {
    what: 'coil',
    name: 'round a coil or puff',
    short: 'round the coil',
    reason: 'Rings in the hair that is drawn to the tie; the coil stays your own.',
    wrong: 'Hooked into the rim: the coil is pulled apart when it is undone.',
  },
  over: {
    what: 'coil',
    name: 'over a coil or puff',
    short: 'over the coil',
    reason: 'All over it: fuller and heavier, and slower to take out.',
    wrong: 'Hooked through the pins or the band: nothing comes out again without cutting.',
  },
};

export const INTO_WHEN_INFO: Readonly<Record<IntoWhen, { readonly name: string; readonly reason: string }>> = {
  first: { name: 'before the rows', reason: 'They lie deepest; rows beside them end where they begin.' },
  last: { name: 'after the rows', reason: 'On top of everything, as on a plait that lies over the rest.' },
};

/** Whether all hair of the section bears it together; else it takes a bite of its own. */
export const sharesSection = (way: IntoWay) => way !== 'beside' && way !== 'round';

/** Wider than this a twist opens when it is hooked into, mm (guess). */
export const WIDE_TWIST_MM = 9;

/** What a new one starts with. */
export const INTO_START = { pieces: 2, fingers: 1, reachFingers: 0, when: 'first' } as const;

export const INTO_LIMITS = {
  most: 12,
  sections: 60,
  pieces: [1, 12],
  reachFingers: [0, 20],
} as const;
