/** Hair that comes out with a style, against what is shed in as many days; and how long own hair rests then. */
import { cbrt } from '../numerics/index.ts';
import { HURT_RESTS, REST_DAYS, SHED_A_DAY, SHED_TOO_MUCH, TUFT_G_CM3 } from '../trade/index.ts';

/** Usual over so many days: fewest and most hairs, and their mass in g. @param hairG mass of one of her hairs */
export function shedUsual(days: number, hairG: number) {
  const hairs = SHED_A_DAY.map((a) => a * Math.max(1, days)) as [number, number];
  return { hairs, massG: hairs.map((n) => n * hairG) as [number, number] };
}

export type ShedVerdict = 'less' | 'usual' | 'more' | 'tooMuch';

export function shedVerdict(massG: number, days: number, hairG: number): ShedVerdict {
  const [least, most] = shedUsual(days, hairG).massG;
  if (massG < least) return 'less';
  if (massG <= most) return 'usual';
  return massG <= SHED_TOO_MUCH * most ? 'more' : 'tooMuch';
}

/** Across a ball of so much loose hair, mm. */
export const tuftAcrossMm = (massG: number): number => 10 * cbrt((6 * massG) / (Math.PI * TUFT_G_CM3));

/** From one day to another, before the next style. */
export function restDays(hurt: boolean): readonly [least: number, most: number] {
  const by = hurt ? HURT_RESTS : 1;
  return [by * REST_DAYS[0], by * REST_DAYS[1]];
}
