/**
 * The normal distribution: its distribution function after J. F. Hart (1968) as G. West gives it (Wilmott Magazine, 2005; from
 * memory), to some 15 digits.
 */
import { exp } from './powers.ts';

const poly = (coefficients: readonly number[], x: number) => coefficients.reduceRight((sum, c) => sum * x + c, 0);

const ABOVE = [
  220.206867912376, 221.213596169931, 112.079291497871, 33.912866078383, 6.37396220353165, 0.700383064443688,
  3.52624965998911e-2,
];
const BELOW = [
  440.413735824752, 793.826512519948, 637.333633378831, 296.564248779674, 86.7807322029461, 16.064177579207,
  1.75566716318264, 8.83883476483184e-2,
];
/** From here on the continued fraction is nearer. */
const FAR = 7.07106781186547;
const ROOT_TWO_PI = 2.506628274631;

/** Probability that a standard normal value lies below x. */
export function normalBelow(x: number): number {
  const z = Math.abs(x);
  if (z > 37) return x > 0 ? 1 : 0;
  const density = exp((-z * z) / 2);
  const fraction = z + 1 / (z + 2 / (z + 3 / (z + 4 / (z + 0.65))));
  const beyond = z < FAR ? (density * poly(ABOVE, z)) / poly(BELOW, z) : density / (fraction * ROOT_TWO_PI);
  return x > 0 ? 1 - beyond : beyond;
}

/** So many halvings of a range of 80 are nearer than a double can tell. */
const HALVINGS = 60;

/**
 * The value below which a standard normal one lies with that probability, by halving: few are asked for.
 *
 * @throws RangeError unless 0 < p < 1
 */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError('a probability lies between 0 and 1.');
  let [low, high] = [-40, 40];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (normalBelow(middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
