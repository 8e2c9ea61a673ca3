/** Minutes to take it out again, with the pace 'some': pieces by what they hang on, bands, cap, and combing out. */
import { TAKEDOWN, type Through } from '../trade/index.ts';

export function takedownMinutes(
  knots: ReadonlyArray<{ readonly through: Through }>,
  bands: number,
  hasCap: boolean,
): number {
  const seconds = knots.reduce(
    (s, k) => s + (!hasCap ? TAKEDOWN.withoutCap : k.through === 'net' ? TAKEDOWN.onNet : TAKEDOWN.throughHair),
    0,
  );
  return (seconds + bands * TAKEDOWN.bandOff) / 60 + (hasCap ? TAKEDOWN.capMinutes : 0) + TAKEDOWN.detangleMinutes;
}
