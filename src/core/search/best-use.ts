/**
 * The best use of the hair at hand, and its opposite: what makes one plan better than another within the packs, the
 * time, the load and the fullness that she set.
 */

import { FULLNESS_INFO, type FullnessAim } from '../trade/index.ts';
import type { Merit } from './search.ts';

export interface UseLimits {
  readonly packs: number;
  readonly minutes: number;
  readonly massG: number;
}

export type UseAim =
  /** The most cover within the limits; lightness counts by what enough is to her, 0 to 1. */
  | { readonly kind: 'cover'; readonly enough: number }
  /** The least hair that hides so much. */
  | { readonly kind: 'leastHair'; readonly hidden: number };

/** What a candidate comes to. */
export interface UseFigures {
  readonly hidden: number;
  readonly packs: number;
  readonly massG: number;
  readonly minutes: number;
  readonly price: number;
  readonly pieces: number;
}

/** Lightness that is worth as much as the whole scalp hidden, g, where only lightness counts (guess). */
const LIGHT_G = 900;
/** How much of a pack a gram is, so that of two plans with as many packs the lighter one is taken. */
const PACK_A_GRAM = 1e-3;
/** Beyond a limit a plan is worse than any within it, and the worse the further. */
const BEYOND = 10;

/** How good a candidate is; beyond a limit it has no place on the trade-off curve, but for its packs. */
export function meritOfUse(f: UseFigures, limits: UseLimits, aim: UseAim, fullness: FullnessAim): Merit {
  const over = (value: number, limit: number) => Math.max(0, value / limit - 1);
  const beyond = over(f.minutes, limits.minutes) + over(f.massG, limits.massG);
  const all = beyond + over(f.packs, limits.packs);
  // The curve shows what more packs would do: their number is no limit to it.
  const trade = beyond === 0 ? { trade: { cost: f.packs, gain: f.hidden } } : {};
  if (aim.kind === 'leastHair') {
    const short = Math.max(0, aim.hidden - f.hidden);
    const penalty = all + 4 * short;
    return { score: -f.packs - PACK_A_GRAM * f.massG - (penalty > 0 ? BEYOND * (1 + 10 * penalty) : 0), ...trade };
  }
  const thin = Math.max(0, FULLNESS_INFO[fullness].leastHidden - f.hidden);
  const value = f.hidden - ((1 - aim.enough) * f.massG) / LIGHT_G - thin;
  return { score: value - (all > 0 ? BEYOND * (1 + all) : 0), ...trade };
}

export interface TradePoint {
  readonly packs: number;
  readonly hidden: number;
}

/** Less than this share of the scalp a pack no longer helps to the eye (guess). */
const HELPS = 0.01;

/** Packs beyond which another one hides less than a point more; undefined where each still helps. */
export function stopsHelping(curve: readonly TradePoint[]): number | undefined {
  for (let i = 0; i + 1 < curve.length; i++) {
    const gain = (curve[i + 1].hidden - curve[i].hidden) / (curve[i + 1].packs - curve[i].packs);
    if (gain < HELPS) return curve[i].packs;
  }
  return undefined;
}
