/**
 * Whether the packs last. Hands place closer or wider than planned all over, and no two knots alike: pieces hooked are taken as
 * normal about those planned. How far hands differ is a guess until rows of her own have been counted.
 */
import { normalBelow, normalQuantile } from '../numerics/index.ts';

/** A head measured by hand and gaps laid by eye make a count uncertain by about this share, four times in five (a guess). */
export const COUNT_SPREAD = 0.1;
/** Share of installs that lie within a range that is told. */
const TOLD = 0.8;
export const HANDS_SD = COUNT_SPREAD / normalQuantile((1 + TOLD) / 2);
/** Knots that are one more or one fewer for themselves, standard deviation (a guess). */
export const KNOT_PIECES_SD = 0.25;

/** How many pieces hands hook for each that is planned, all over: normal about the factor. */
export interface Hands {
  readonly factor: number;
  readonly sd: number;
}

/** Of whom nothing is known yet. */
export const ANY_HANDS: Hands = { factor: 1, sd: HANDS_SD };

/** Pieces that she hooked as a trial, and how far the last lay from the first. */
export interface SpannedRow {
  readonly pieces: number;
  readonly spanMm: number;
}

/**
 * Her hands after a test row: what is known of others and what was measured, each weighed by how sure it is (a normal mean with
 * known spread, in closed form: Gelman et al., Bayesian Data Analysis, 2.5; from memory). @param plannedMm from knot to knot
 */
export function handsAfter({ pieces, spanMm }: SpannedRow, plannedMm: number, before: Hands = ANY_HANDS): Hands {
  const gaps = pieces - 1;
  if (gaps < 1 || spanMm <= 0) return before;
  return handsLearned((plannedMm * gaps) / spanMm, gaps, before);
}

/** What her log says: pieces used for each that was planned, over so many installs. */
export interface LoggedInstalls {
  readonly installs: number;
  readonly usedOverPlanned: number;
}

/** Her hands after rows whose pieces were counted. @param ratio pieces over those planned @param knots that were planned for them */
export const handsLearned = (ratio: number, knots: number, before: Hands = ANY_HANDS): Hands =>
  weighed(before, ratio, knots / (KNOT_PIECES_SD * KNOT_PIECES_SD));

/** One install differs from the next in the same hands by so much, standard deviation (guess). */
export const INSTALL_SD = 0.06;

/** Her hands after installs that she logged, by the same rule. */
export const handsLogged = ({ installs, usedOverPlanned }: LoggedInstalls, before: Hands = ANY_HANDS): Hands =>
  weighed(before, usedOverPlanned, installs / (INSTALL_SD * INSTALL_SD));

/** @param sure one over the square of how far what was measured may be off */
function weighed(before: Hands, measured: number, sure: number): Hands {
  const prior = 1 / (before.sd * before.sd);
  return {
    factor: (prior * before.factor + sure * measured) / (prior + sure),
    sd: Math.sqrt(1 / (prior + sure)),
  };
}

/** @returns standard deviation of pieces hooked, as a share of those planned */
export function countSd(knots: number, { sd }: Hands = ANY_HANDS): number {
  if (knots <= 0) return 0;
  return Math.sqrt(sd * sd + (KNOT_PIECES_SD * KNOT_PIECES_SD) / knots);
}

/** Pieces hooked over those planned, below which they stay in that share of installs; never less than none. */
export function countFactor(knots: number, share: number, hands: Hands = ANY_HANDS): number {
  return Math.max(0, knots <= 0 ? 1 : hands.factor + normalQuantile(share) * countSd(knots, hands));
}

/** The range that is told of a count: between these shares of it. */
export const countRange = (knots: number, hands: Hands = ANY_HANDS): readonly [low: number, high: number] => [
  countFactor(knots, (1 - TOLD) / 2, hands),
  countFactor(knots, (1 + TOLD) / 2, hands),
];

/** Chance that so many packs hold what is hooked. @param taken packs that the plan takes, fractions and all */
export function chanceOfEnough(packs: number, taken: number, knots: number, hands: Hands = ANY_HANDS): number {
  if (taken <= 0) return 1;
  const sd = countSd(knots, hands);
  return sd === 0 ? Number(packs >= taken) : normalBelow((packs / taken - hands.factor) / sd);
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
  hands: Hands = ANY_HANDS,
): Enough[] {
  return [packs - 1, packs, packs + 1]
    .filter((n) => n > 0)
    .map((n) => ({
      packs: n,
      forKnots: chanceOfEnough(n, taken, knots, hands),
      withReserve: chanceOfEnough(n, taken + kept, knots, hands),
    }));
}
