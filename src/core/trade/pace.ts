/** How quick hands are. Seconds are common practice, no source; her own pace replaces them. */

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
  base: 24,
  eachWrap: 7,
  lock: 6,
  oneLeg: 22,
  anchor: 18,
  hairInBite: 5,
  /** A ring or band taken off first. */
  loopOff: 12,
  /** Drawn under a band or between two turns of thread: it is found quickly, without net. */
  onBandOrRod: 6,
  /** Folded round a finger first. */
  fold: 8,
  backcomb: 10,
} as const;

/** Minutes after the last knot: separate, shake out, trim the outline. */
export const FINISH_MINUTES = 25;

/** How far a first estimate is off, as a share, to both sides (guess). */
export const TIME_SPREAD = 0.18;
