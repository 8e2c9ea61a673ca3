/** The six tape measures: how each runs, and how sure one reading is. */

export const TAPE_MEASURES = [
  'girth',
  'frontToNape',
  'earToEarTop',
  'earToEarFront',
  'templeToTemple',
  'napeWidth',
] as const;

export type TapeMeasure = (typeof TAPE_MEASURES)[number];

export interface TapeMeasureInfo {
  readonly name: string;
  /** How the tape runs, for the wearer. */
  readonly path: string;
  /** From where to where, for the two ends of the drawn tape. */
  readonly ends: readonly [from: string, to: string];
  /** Standard deviation of one careful reading, mm. Common practice, no source: a guess until she repeats one. */
  readonly readingSdMm: number;
}

export const TAPE_INFO: Readonly<Record<TapeMeasure, TapeMeasureInfo>> = {
  girth: {
    name: 'Round the head',
    path: 'along the front hairline, over the ears, round the fullest place behind',
    ends: ['the middle of the front hairline', 'all the way round to it'],
    readingSdMm: 5,
  },
  frontToNape: {
    name: 'Front to nape',
    path: 'from the middle of the front hairline over the crown to the middle of the nape hairline',
    ends: ['the middle of the front hairline', 'the middle of the nape hairline'],
    readingSdMm: 6,
  },
  earToEarTop: {
    name: 'Ear to ear over the top',
    path: 'from the top of one ear over the crown to the top of the other',
    ends: ['the top of one ear', 'the top of the other'],
    readingSdMm: 6,
  },
  earToEarFront: {
    name: 'Ear to ear over the forehead',
    path: 'from the top of one ear along the front hairline to the top of the other',
    ends: ['the top of one ear', 'the top of the other'],
    readingSdMm: 7,
  },
  templeToTemple: {
    name: 'Temple to temple behind',
    path: 'from one temple round the fullest place behind to the other',
    ends: ['one temple', 'the other temple'],
    readingSdMm: 8,
  },
  napeWidth: {
    name: 'Nape width',
    path: 'along the nape hairline, from one corner to the other',
    ends: ['one corner of the nape', 'the other corner'],
    readingSdMm: 7,
  },
};

/** Readings outside these can't come from an adult head, mm (common practice, generous). */
export const TAPE_LIMITS_MM: Readonly<Record<TapeMeasure, readonly [number, number]>> = {
  girth: [420, 720],
  frontToNape: [240, 500],
  earToEarTop: [220, 480],
  earToEarFront: [180, 430],
  templeToTemple: [260, 560],
  napeWidth: [50, 240],
};
