/** How far hands differ: one person from another, one style from the next, one knot from another; and what her own knots make of it. */

import { exp, log, normalQuantile } from '../numerics/index.ts';

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
