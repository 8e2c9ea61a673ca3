/**
 * How quick hands are. Common practice, no source: a practised worker hooks a plain knot through a net in 12 to 20 s, one-leg
 * in 25 to 40, a beginner takes twice that; her own pace replaces them.
 */

export const PACES = ['firstTime', 'some', 'practised'] as const;

export type Pace = (typeof PACES)[number];

export const PACE_FACTOR: Readonly<Record<Pace, number>> = { firstTime: 1.4, some: 1, practised: 0.7 };

export const PACE_NAMES: Readonly<Record<Pace, string>> = {
  firstTime: 'first time',
  some: 'a few times',
  practised: 'practised',
};

/** Seconds for one knot with the pace 'some'. */
export const KNOT_SECONDS = {
  base: 13,
  eachWrap: 5,
  lock: 4,
  oneLeg: 22,
  anchor: 9,
  hairInBite: 4,
  /** A ring or band taken off first. */
  loopOff: 8,
  /** A stiff middle bent flat before one side goes through alone (guess). */
  stiffBent: 12,
  /** Drawn under a band or between two turns of thread: it is found quickly, without net. */
  onBandOrRod: 3,
  /** Folded round a finger first. */
  fold: 6,
  backcomb: 8,
} as const;

/** What is done once the last knot is in, with the pace 'some': it grows with pieces and their length. */
export const FINISH = {
  /** Shaking out and filling gaps at all, minutes; then for each piece, and for each piece and metre of its length, s. */
  minutes: 2,
  secondsAPiece: 2.5,
  secondsAMetre: 8,
  /** Only what sticks out; an outline; every further layer of cuts, a piece, s. */
  strayMinutes: 2,
  outlineMinutes: 4,
  outlineSecondsAPiece: 2,
  fringeMinutes: 4,
} as const;

/** Taking out, with the pace 'some', s: a piece on the net is snipped and drawn; one through own hair is found, snipped and worked free. */
export const TAKEDOWN = {
  onNet: 3,
  throughHair: 12,
  withoutCap: 15,
  bandOff: 8,
  capMinutes: 3,
  detangleMinutes: 10,
} as const;

/** What a test row may be: pieces, from the first to the last, minutes for all of them. */
export const TEST_ROW_LIMITS = { pieces: [2, 40], spanMm: [5, 600], minutes: [0.1, 120] } as const;
