/** Ways rows can run, second passes and fringes, and how far a hand may change them. */

import type { SpacingZone } from './zones.ts';

export const SCHEMES = ['joined', 'parallel', 'rings', 'fromTie', 'straightBack', 'found', 'grid', 'rods'] as const;

export type Scheme = (typeof SCHEMES)[number];

/** Where both base and cap have rows, those that pieces follow. */
export const ROWS_FOLLOWED = ['base', 'cap', 'both'] as const;

export type RowsFollowed = (typeof ROWS_FOLLOWED)[number];

export const SECOND_PASSES = ['none', 'windows', 'thin'] as const;

export type SecondPass = (typeof SECOND_PASSES)[number];

/** Passes that a knot may belong to: the second ones, and what is filled in at the end. */
export type Pass = SecondPass | 'fill';

/** Where what is left over goes. */
export const FILL_WHERES = ['none', 'thin', 'behind'] as const;

export type FillWhere = (typeof FILL_WHERES)[number];

export interface Fill {
  readonly where: FillWhere;
  /** So many, or as many as are left over: 0. */
  readonly pieces: number;
  /** The cut that they are of. */
  readonly cut: string;
}

export const FILL_LIMITS = [0, 200] as const;

export const FILL_INFO: Readonly<Record<FillWhere, { readonly name: string; readonly reason: string }>> = {
  none: { name: 'is kept', reason: 'For gaps that show later, and for the next time.' },
  thin: { name: 'goes where it is thin', reason: 'One at a time where the gaps are widest, all over.' },
  behind: {
    name: 'goes behind',
    reason: 'Where rows above fall over it: the place for worn and odd pieces, which are least seen there.',
  },
};

export const FRINGES = ['none', 'short', 'cutAfter'] as const;

export type FringeKind = (typeof FRINGES)[number];

export interface Fringe {
  readonly how: FringeKind;
  readonly widthFingers: number;
  readonly rows: number;
}

/** Where a row of its own runs along the border of a cap, or along the hairline where there is none. */
export const BORDER_WHERES = ['none', 'front', 'round'] as const;

export type BorderWhere = (typeof BORDER_WHERES)[number];

export const BORDER_KNOTS = ['byHair', 'oneLeg', 'lock', 'ordinary'] as const;

export type BorderKnot = (typeof BORDER_KNOTS)[number];

export const BORDER_WHENS = ['first', 'border', 'last'] as const;

export type BorderWhen = (typeof BORDER_WHENS)[number];

/** A row along the border, with what is its own; its piece stands with those of the zones. */
export interface BorderRow {
  readonly where: BorderWhere;
  /** From knot to knot, or the clear gap between two, as spacing is told, in fingers. */
  readonly fingers: number;
  readonly knot: BorderKnot;
  readonly when: BorderWhen;
}

export const NO_BORDER_ROW: BorderRow = { where: 'none', fingers: 0.75, knot: 'byHair', when: 'last' };

export const ROW_LIMITS = {
  fringeFingers: [1, 10],
  fringeRows: [1, 4],
  brushFactor: [0.5, 2],
  offset: [-0.25, 0.25],
  pullMm: [-30, 30],
  strokes: 120,
  hand: 200,
} as const;

export interface SchemeInfo {
  readonly name: string;
  readonly reason: string;
  /** What says how far apart pieces sit, where gaps have no say. */
  readonly gapsBy?: string;
}

/** Common practice, no source. */
export const SCHEME_INFO: Readonly<Record<Scheme, SchemeInfo>> = {
  joined: {
    name: 'Ear to ear, then along the part',
    reason: 'Level at the nape, parallel to the part on top, joined without a seam.',
  },
  parallel: {
    name: 'Parallel to the part',
    reason: 'Each row lies over the next from the part down; slanted at the nape.',
  },
  rings: {
    name: 'Rings to the crown',
    reason: 'Along the hairline first, then inwards; for a round shape with no part.',
  },
  fromTie: { name: 'Rings from the tie', reason: 'Round a puff or coil, from the tie outwards.' },
  straightBack: { name: 'Straight back', reason: 'From the face to the nape, side by side; shows its lines.' },
  found: {
    name: 'Along the rows, then between',
    reason: 'Rows that are there, of the base or ready-made on the cap; then the places between.',
  },
  grid: {
    name: 'On the bands',
    reason: 'One piece for each box of a rubber-band grid.',
    gapsBy: 'One piece sits on each band: the size of the boxes says how far apart. It is set in Base.',
  },
  rods: {
    name: 'Rod by rod',
    reason: 'Pieces go through the thread of each rod.',
    gapsBy: 'Pieces go through the rods: how many there are, and how many pieces each takes, is set in Base.',
  },
};

export const FOLLOWED_INFO: Readonly<Record<RowsFollowed, SchemeInfo>> = {
  base: { name: 'Rows of the base', reason: 'The lines of your own hair under the cap, felt through the net.' },
  cap: { name: 'Rows of the cap', reason: 'The ready-made ones: seen, even, and they spare the base.' },
  both: { name: 'Both', reason: 'Ready-made rows over your own, each on or off; for a fuller line here and there.' },
};

export const SECOND_PASS_INFO: Readonly<Record<SecondPass, SchemeInfo>> = {
  none: { name: 'One pass, in bricks', reason: 'Each row offset against the one below.' },
  windows: { name: 'Windows', reason: 'Every other place first; look; then the windows between.' },
  thin: { name: 'Only thin places', reason: 'One pass, then a piece where the gaps are widest.' },
};

export const FRINGE_INFO: Readonly<Record<FringeKind, SchemeInfo>> = {
  none: { name: 'None', reason: 'Hair falls to the sides or back.' },
  short: {
    name: 'Short pieces',
    reason: 'The first on the midline, neighbours to both sides, offset rows behind, long ones over them.',
  },
  cutAfter: {
    name: 'Long pieces, cut after',
    reason: 'Laid like the rest and cut when it is in: in small steps, what is cut is gone.',
  },
};

export const BORDER_WHERE_INFO: Readonly<Record<BorderWhere, SchemeInfo>> = {
  none: { name: 'None', reason: 'Rows end where they end; hair that falls from them hides the edge.' },
  front: {
    name: 'Along the front',
    reason: 'From ear to ear over the forehead, on or just behind the band: finer pieces that hide band and edge.',
  },
  round: { name: 'All round', reason: 'Forehead, sides and nape, for hair that is put up and seen from every side.' },
};

export const BORDER_KNOT_INFO: Readonly<Record<BorderKnot, SchemeInfo>> = {
  byHair: { name: 'as the hair asks', reason: 'As at every open place in front, as at the edge behind.' },
  oneLeg: { name: 'one-leg', reason: 'Flat, one side over its own loop; slower.' },
  lock: {
    name: 'lock',
    reason: 'One wrap and the band or ring pushed up: small, and it holds where most pulls at it.',
  },
  ordinary: { name: 'ordinary', reason: 'Wraps as its texture asks; for hair that hides its own knot.' },
};

export const BORDER_WHEN_INFO: Readonly<Record<BorderWhen, SchemeInfo>> = {
  first: { name: 'first of all', reason: 'The edge is settled before there is hair in the way.' },
  border: {
    name: 'as the border goes back',
    reason: 'Where it lies in the end, and with hair behind it to judge by.',
  },
  last: { name: 'last of all', reason: 'Only as many as are still seen; the rest is in and falls as it will.' },
};

/** So much of the hair is in when a border that was left low goes back (common practice: well over half). */
export const MOST_IS_IN = 0.6;

/** A row can be pulled by this share of its gap: further, two rows would crowd or leave a hole. */
export const PULL_SHARE = 0.4;

/** Nearer than this share of the spacing two knots would sit on each other; a filler between two of a row has just room (guess). */
export const LEAST_SHARE = 0.45;

/** Hair longer than a hand covers what lies below its row, mm. */
const HAND_MM = 180;

export const isLongHair = (lengthMm: number) => lengthMm > HAND_MM;

/** The widest gaps that people lay, fingers: wider behind where long hair from above covers (common practice, no source). */
const WIDEST_FINGERS: Readonly<Record<'short' | 'long', Readonly<Record<SpacingZone, number>>>> = {
  short: { part: 1.25, top: 1.5, back: 1.5, nape: 1.75, faceEdge: 1.25 },
  long: { part: 1.25, top: 1.25, back: 3, nape: 4, faceEdge: 1.25 },
};

export const widestFingers = (lengthMm: number) => WIDEST_FINGERS[isLongHair(lengthMm) ? 'long' : 'short'];

/** Under long hair the back is at least so many times as wide as the top (common practice, no source: half of the pieces or fewer lie behind the ears). */
export const BACK_UNDER_LONG = 2;

/** More knots than this nobody hooks on one head (common practice, no source, generous). */
export const MOST_KNOTS = 1500;

/** Nobody lays a head closer than half an average finger of her own accord, mm (common practice, no source). */
export const CLOSEST_MM = 9;

/** Knots nearer than this share of their width sit on each other (guess). */
export const CROWDED = 0.9;

/** Nearer than this knots are not laid, mm (common practice, no source: a hook has to pass); findings say so where a plan asks for it. */
export const LEAST_CENTRES_MM = 6;
