/**
 * How the style is finished: how full she wants it, and what it is trimmed to. An outline only takes away: it ends
 * strands that reach beyond it. Layers shorten pieces from the crown down, so that they also hide less.
 */
import type { Vec3 } from '../geometry/index.ts';
import { type FullnessAim, type Outline, SHORTEST_LAYER, SLANT } from '../trade/index.ts';

export interface Finish {
  readonly fullness: FullnessAim;
  readonly outline: Outline;
  /** Longest tips below the middle of the nape line; for an arc, how far from the head. mm */
  readonly reachMm: number;
  /** Tied down to set for so many minutes; 0 where it isn't. */
  readonly setMinutes: number;
}

export const PLAIN_FINISH: Finish = { fullness: 'enough', outline: 'none', reachMm: 150, setMinutes: 0 };

/** Length that a piece keeps, mm, to the 5 mm. Layers shorten it by the height of its knot; others trim where it hangs. */
export function keptLengthMm(
  { outline }: Finish,
  lengthMm: number,
  yMm: number,
  napeYMm: number,
  crownYMm: number,
): number {
  if (outline !== 'layers') return lengthMm;
  const height = Math.min(1, Math.max(0, (yMm - napeYMm) / (crownYMm - napeYMm)));
  return Math.max(20, 5 * Math.round((lengthMm * (1 - (1 - SHORTEST_LAYER) * height)) / 5));
}

/** Whether a place off the head lies beyond the outline. @param fromHeadMm distance from the bare head */
export function isTrimmed({ outline, reachMm }: Finish, at: Vec3, nape: Vec3, fromHeadMm: number): boolean {
  switch (outline) {
    case 'none':
      return false;
    case 'level':
    case 'layers':
      return at[1] < nape[1] - reachMm;
    case 'slant':
      return at[1] < nape[1] - reachMm - SLANT * (at[2] - nape[2]);
    case 'round':
      return fromHeadMm > reachMm;
  }
}
