/**
 * What a kitchen scale would read: an empty dish, then hair in it. It trembles, creeps, and now and then a reading slips. How much
 * lies there is drawn from its name, so that it is the same every time.
 */
import { seededRandom } from '../core/numerics/index.ts';

export const READ_EVERY_MS = 120;
const DISH_G = 23.4;
const TREMBLE_G = 0.35;
const CREEP_G_A_SECOND = 0.015;
const SLIP_SHARE = 0.06;

const seedOf = (text: string) =>
  [...text].reduce((seed, letter) => (Math.imul(seed, 31) + letter.charCodeAt(0)) >>> 0, 17);

/** One reading after the other, g. @param of what is weighed @param isEmpty the dish alone */
export function* readings(of: string, isEmpty: boolean): Generator<number, never> {
  const random = seededRandom(seedOf(of));
  const hair = 8 + 60 * random();
  for (let i = 0; ; i++) {
    const creep = (CREEP_G_A_SECOND * i * READ_EVERY_MS) / 1000;
    const tremble = TREMBLE_G * (random() + random() + random() - 1.5);
    const slip = random() < SLIP_SHARE ? 40 * random() - 10 : 0;
    // It comes to rest within half a second.
    const settling = i < 4 ? i / 4 : 1;
    yield Math.round(10 * (DISH_G + (isEmpty ? 0 : hair * settling) + creep + tremble + slip)) / 10;
  }
}
