/** Her pace in a plan: what of it is taken over, and what it makes of seconds that common practice tells. How it is learned is no matter of a plan. */
import { exp } from '../numerics/index.ts';
import { type KnotKind, type KnotZone, MOST_HOURS_ON } from '../trade/index.ts';

/** What a plan takes over: her factors, and how sure they are for a style that is still to come. */
export interface PaceInPlan {
  readonly knots: number;
  readonly styles: number;
  readonly factor: number;
  readonly byKind: Readonly<Partial<Record<KnotKind, number>>>;
  readonly byZone: Readonly<Partial<Record<KnotZone, number>>>;
  readonly tiresAnHour: number;
  readonly sd: number;
}

/** Seconds of knots in their order, at her pace, from those of common practice. @returns seconds, one for each knot */
export function secondsOfHers(
  knots: ReadonlyArray<{ readonly kind: KnotKind; readonly zone: KnotZone; readonly plainSeconds: number }>,
  { factor, byKind, byZone, tiresAnHour }: PaceInPlan,
): number[] {
  let worked = 0;
  return knots.map(({ kind, zone, plainSeconds }) => {
    const tired = exp(tiresAnHour * Math.min(MOST_HOURS_ON, worked / 3600));
    const seconds = plainSeconds * factor * (byKind[kind] ?? 1) * (byZone[zone] ?? 1) * tired;
    worked += seconds;
    return seconds;
  });
}
