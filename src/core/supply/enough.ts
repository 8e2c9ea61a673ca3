/**
 * Whether the packs last. Hands place closer or wider than planned all over, and no two knots alike: pieces hooked are taken as
 * normal about those planned. How far hands differ is a guess until rows of her own have been counted.
 */
import { normalBelow, normalQuantile } from '../numerics/index.ts';

/** A head measured by hand and gaps laid by eye make a count uncertain by about this share, four times in five (a guess). */
export const COUNT_SPREAD = 0.1;
/** Share of installs that lie within a range that is told. */
const TOLD = 0.8;
const HANDS_SD = COUNT_SPREAD / normalQuantile((1 + TOLD) / 2);
/** Knots that are one more or one fewer for themselves, standard deviation (a guess). */
const KNOT_SD = 0.25;

/** How sure she may want to be. */
export const SURENESSES = [0.5, 0.8, 0.95] as const;

/** @returns standard deviation of pieces hooked, as a share of those planned */
export function countSd(knots: number): number {
  if (knots <= 0) return 0;
  return Math.sqrt(HANDS_SD * HANDS_SD + (KNOT_SD * KNOT_SD) / knots);
}

/** Pieces hooked over those planned, below which they stay in that share of installs; never less than none. */
export const countFactor = (knots: number, share: number) => Math.max(0, 1 + normalQuantile(share) * countSd(knots));

/** The range that is told of a count: between these shares of it. */
export const countRange = (knots: number): readonly [low: number, high: number] => [
  countFactor(knots, (1 - TOLD) / 2),
  countFactor(knots, (1 + TOLD) / 2),
];

/** Chance that so many packs hold what is hooked. @param taken packs that the plan takes, fractions and all */
export function chanceOfEnough(packs: number, taken: number, knots: number): number {
  if (taken <= 0) return 1;
  const sd = countSd(knots);
  return sd === 0 ? Number(packs >= taken) : normalBelow((packs / taken - 1) / sd);
}

export interface Enough {
  readonly packs: number;
  /** Chance that they last for every knot; and for the reserve besides. */
  readonly forKnots: number;
  readonly withReserve: number;
}

/** One pack fewer, as many as planned, one more. */
export function enoughNear(
  packs: number,
  { taken, kept, knots }: { taken: number; kept: number; knots: number },
): Enough[] {
  return [packs - 1, packs, packs + 1]
    .filter((n) => n > 0)
    .map((n) => ({
      packs: n,
      forKnots: chanceOfEnough(n, taken, knots),
      withReserve: chanceOfEnough(n, taken + kept, knots),
    }));
}
