/**
 * The normal distribution: its distribution function after J. F. Hart (1968) as G. West gives it (Wilmott Magazine, 2005; from
 * memory), its inverse after M. J. Wichura, algorithm AS 241 (Applied Statistics 37, 1988; from memory). Both to some 15 digits.
 */
import { exp, log } from './elementary.ts';

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

const A = [
  3.3871328727963665, 133.14166789178438, 1971.5909503065513, 13731.69376550946, 45921.95393154987, 67265.7709270087,
  33430.57558358813, 2509.0809287301227,
];
const B = [
  1, 42.31333070160091, 687.1870074920579, 5394.196021424751, 21213.794301586597, 39307.89580009271, 28729.085735721943,
  5226.495278852854,
];
const C = [
  1.4234371107496835, 4.630337846156546, 5.769497221460691, 3.6478483247632045, 1.2704582524523684, 0.2417807251774506,
  0.022723844989269184, 0.0007745450142783414,
];
const D = [
  1, 2.053191626637759, 1.6763848301838038, 0.6897673349851, 0.14810397642748008, 0.015198666563616457,
  0.0005475938084995345, 1.0507500716444169e-9,
];
const E = [
  6.657904643501103, 5.463784911164114, 1.7848265399172913, 0.29656057182850487, 0.026532189526576124,
  0.0012426609473880784, 0.000027115555687434876, 2.0103343992922881e-7,
];
const F = [
  1, 0.599832206555888, 0.1369298809227358, 0.014875361290850615, 0.0007868691311456133, 0.000018463183175100548,
  1.421511758316446e-7, 2.0442631033899397e-15,
];

/**
 * The value below which a standard normal one lies with that probability.
 *
 * @throws RangeError unless 0 < p < 1
 */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError('a probability lies between 0 and 1.');
  const q = p - 0.5;
  if (Math.abs(q) <= 0.425) {
    const r = 0.180625 - q * q;
    return (q * poly(A, r)) / poly(B, r);
  }
  const r = Math.sqrt(-log(q < 0 ? p : 1 - p));
  const value = r <= 5 ? poly(C, r - 1.6) / poly(D, r - 1.6) : poly(E, r - 5) / poly(F, r - 5);
  return q < 0 ? -value : value;
}
