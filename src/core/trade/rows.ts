/** Ways rows can run, second passes and fringes, and how far a hand may change them. Their words and reasons stand in row-words.ts. */

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
  /** Half a gap and a little, mm. */
  closesMm: [0, 60],
} as const;

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
