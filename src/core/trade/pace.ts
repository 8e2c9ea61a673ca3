/**
 * How quick hands are. Common practice, no source: a practised worker hooks a plain knot through a net in 12 to 20 s, one-leg
 * in 25 to 40, a beginner takes twice that; her own pace replaces them.
 */

import { exp, log, normalQuantile } from '../numerics/index.ts';

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

/** People differ by this factor to either side, four in five of them (common practice, no source). */
export const PEOPLE_DIFFER = 1.6;
/** Standard deviations to either side that four cases in five lie within. */
export const TOLD_SDS = normalQuantile(0.9);
/** The same as a variance of the logarithm. */
export const PEOPLE_VARIANCE = (log(PEOPLE_DIFFER) / TOLD_SDS) ** 2;
/** One knot against the next in the same hands, standard deviation of the logarithm (guess). */
export const KNOT_SPREAD = 0.35;
/**
 * Of how people differ, so much is the person; the rest is one style against the next in the same hands: other hair, another base,
 * another evening (guess). One style of hers counts about two fifths then, five count three quarters.
 */
export const PERSON_SHARE = 0.4;
/** Hands get slower by the hour, logarithm, and how far people differ in that (guesses). */
export const TIRES_AN_HOUR = { usual: 0.03, sd: 0.04 } as const;
/** Kinds of knots and places are harder for one than for another, standard deviation of the logarithm (guesses). */
export const KIND_DIFFERS = 0.15;
export const PLACE_DIFFERS = 0.1;
/** A rest so long makes hands fresh again, s; beyond so many hours at a stretch nobody gets slower still, for she rests (guesses). */
export const REST_SECONDS = 1800;
export const MOST_HOURS_ON = 3;
/** A knot that took so many times what is told was a phone call. */
export const PHONE_CALL = 6;

/** Knots that she has timed before a forecast hangs on her pace as much as on other people's (guess). */
const KNOTS_TO_KNOW = 8;

/** What a test row may be: pieces, from the first to the last, minutes for all of them. */
export const TEST_ROW_LIMITS = { pieces: [2, 40], spanMm: [5, 600], minutes: [0.1, 120] } as const;

/** Her seconds over those told: what is known of others counts as so many knots beside her own. */
export function ownPace(secondsAKnot: number, knots: number, toldSeconds: number): number {
  if (toldSeconds <= 0) return 1;
  return (KNOTS_TO_KNOW + (knots * secondsAKnot) / toldSeconds) / (KNOTS_TO_KNOW + knots);
}

/** What a forecast of her hours hangs on. */
export interface HowKnown {
  readonly knotsTimed: number;
  /** Of a style to come after those behind her, standard deviation of the logarithm; undefined where none is. */
  readonly paceSd: number | undefined;
}

const OF_OTHERS: HowKnown = { knotsTimed: 0, paceSd: undefined };
/** What is likely: the factor to either side narrows as her own knots are timed. */
export function likelyAround(
  amount: number,
  { knotsTimed, paceSd }: HowKnown = OF_OTHERS,
): readonly [low: number, high: number] {
  const differ = paceSd === undefined ? PEOPLE_DIFFER : exp(TOLD_SDS * paceSd);
  const factor = 1 + (differ - 1) / Math.sqrt(1 + knotsTimed / KNOTS_TO_KNOW);
  return [amount / factor, amount * factor];
}
