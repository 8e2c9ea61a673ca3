/**
 * The best use of the hair at hand, and its opposite: what makes one plan better than another within the packs, the
 * time, the load and the fullness that she set. Judged by the lower end of what the guesses leave open, so that none is
 * better for being guessed well; a difference under a point of the scalp is none.
 */

import { FULLNESS_INFO, type FullnessAim, type SpacingZone } from '../trade/index.ts';
import type { Merit } from './search.ts';

export interface UseLimits {
  readonly packs: number;
  readonly minutes: number;
  readonly massG: number;
}

export type UseAim =
  /** The most cover within the limits; weight decides only between as much of it. */
  | { readonly kind: 'cover' }
  /** Between light and covered, as enough is to her: 0 to 1. */
  | { readonly kind: 'balance'; readonly enough: number }
  /** The least hair that hides so much. */
  | { readonly kind: 'leastHair'; readonly hidden: number };

/** What a candidate comes to. */
export interface UseFigures {
  readonly hidden: number;
  /** Over what the guesses leave open. */
  readonly range: readonly [low: number, high: number];
  /** Mean thickness of the hair over the scalp, mm. */
  readonly thicknessMm: number;
  /** Zones that hide less than she aims at. */
  readonly thinZones: readonly SpacingZone[];
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
/** How much of the scalp hidden a gram is, so that of two plans that hide as much the lighter one is taken. */
const COVER_A_GRAM = 1e-6;
/** Beyond a limit a plan is worse than any within it, and the worse the further. */
const BEYOND = 10;
/** Outside the fullness that she aims at it is worse than any within, but a limit comes first. */
const OFF_AIM = 3;
/** Less than this share of the scalp the eye sees no difference (guess). */
const A_POINT = 0.01;

const toThePoint = (hidden: number) => A_POINT * Math.round(hidden / A_POINT);

/** How good a candidate is; beyond a limit it has no place on the trade-off curve, but for its packs. */
export function meritOfUse(f: UseFigures, limits: UseLimits, aim: UseAim, fullness: FullnessAim): Merit {
  const over = (value: number, limit: number) => Math.max(0, value / limit - 1);
  const beyond = over(f.minutes, limits.minutes) + over(f.massG, limits.massG);
  const all = beyond + over(f.packs, limits.packs);
  const off = offAim(f, fullness);
  // The curve shows what more packs would do: their number is no limit to it.
  const trade = beyond === 0 ? { trade: { cost: f.packs, gain: toThePoint(f.range[0]) } } : {};
  const missed = all > 0 ? BEYOND * (1 + all) : 0;
  if (aim.kind === 'leastHair') {
    const short = Math.max(0, aim.hidden - toThePoint(f.range[0]));
    const value = -f.packs - PACK_A_GRAM * f.massG;
    return { score: value - missed - OFF_AIM * off - (short > 0 ? BEYOND * (1 + 10 * short) : 0), ...trade };
  }
  const cover = toThePoint(f.range[0]);
  const value = aim.kind === 'cover' ? cover - COVER_A_GRAM * f.massG : cover - ((1 - aim.enough) * f.massG) / LIGHT_G;
  return { score: value - missed - OFF_AIM * off, ...trade };
}

/** How far it is from the fullness that she aims at: too thin or too thick a layer, and zones that hide too little. */
function offAim({ thicknessMm, thinZones }: UseFigures, fullness: FullnessAim): number {
  const [least, most] = FULLNESS_INFO[fullness].thicknessMm;
  const thin = least > 0 ? Math.max(0, 1 - thicknessMm / least) : 0;
  return thin + Math.max(0, thicknessMm / most - 1) + 0.1 * thinZones.length;
}

export interface TradePoint {
  readonly packs: number;
  readonly hidden: number;
}

/** Packs beyond which another one hides less than a point more; undefined where each still helps. */
export function stopsHelping(curve: readonly TradePoint[]): number | undefined {
  for (let i = 0; i + 1 < curve.length; i++) {
    const gain = (curve[i + 1].hidden - curve[i].hidden) / (curve[i + 1].packs - curve[i].packs);
    if (gain < A_POINT) return curve[i].packs;
  }
  return undefined;
}
