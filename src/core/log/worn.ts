/** How long a style was worn, and what a day of it cost. */

import { daysFrom } from '../time/index.ts';
import { foldWear, type WearEvent } from '../wear/index.ts';

export interface WornFor {
  readonly days: number;
  readonly isWornStill: boolean;
  /** A style on the head is worn once; one that comes off at night as often as a day of it was noted. */
  readonly wearings: number;
}

export function wornFor(
  first: string,
  takenOut: string | undefined,
  today: string,
  isOffAtNight: boolean,
  events: readonly WearEvent[],
): WornFor {
  const last = takenOut ?? (today < first ? first : today);
  const noted = new Set(foldWear(events).map((n) => n.day));
  return {
    days: Math.max(1, daysFrom(first, last)),
    isWornStill: takenOut === undefined,
    wearings: isOffAtNight ? Math.max(1, noted.size) : 1,
  };
}
