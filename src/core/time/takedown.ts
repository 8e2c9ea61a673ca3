/** Minutes to take it out again, with the pace 'some': pieces by what they hang on, bands, cap, and combing out. */
import { TAKEDOWN, type Through } from '../trade/index.ts';

export function takedownMinutes(
  knots: ReadonlyArray<{ readonly through: Through }>,
  bands: number,
  hasCap: boolean,
): number {
  const seconds = knots.reduce((s, k) => s + snipSeconds(k.through, hasCap), 0);
  return (seconds + bands * TAKEDOWN.bandOff) / 60 + (hasCap ? TAKEDOWN.capMinutes : 0) + TAKEDOWN.detangleMinutes;
}

/** To find a piece, snip it outside its knot and pull it out. */
export function snipSeconds(through: Through, hasCap: boolean): number {
  if (!hasCap) return TAKEDOWN.withoutCap;
  return through === 'net' ? TAKEDOWN.onNet : TAKEDOWN.throughHair;
}
