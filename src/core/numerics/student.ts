/** Student's t: its quantile after G. W. Hill, Algorithm 396, Communications of the ACM 13 (1970), to some six digits; from memory. */

import { normalQuantile } from './normal.ts';
import { pow } from './powers.ts';

/**
 * The value below which Student's t of so many degrees of freedom lies with that probability.
 *
 * @throws RangeError unless 0 < p < 1 and freedom >= 3, where the expansion is near
 */
export function studentQuantile(p: number, freedom: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError('a probability lies between 0 and 1.');
  if (!(freedom >= 3)) throw new RangeError('at least three degrees of freedom.');
  if (p === 0.5) return 0;
  if (p < 0.5) return -studentQuantile(1 - p, freedom);
  const both = 2 * (1 - p);
  const a = 1 / (freedom - 0.5);
  const b = (48 / a) * (1 / a);
  let c = ((20700 * a) / b - 98) * a - 16;
  c = c * a + 96.36;
  const d = ((94.5 / (b + c) - 3) / b + 1) * Math.sqrt((a * Math.PI) / 2) * freedom;
  const y = pow(d * both, 2 / freedom);
  const squared = y > 0.05 + a ? nearMiddle(both, freedom, a, b, c, d) : farOut(y, freedom, d);
  return Math.sqrt(freedom * squared);
}

function nearMiddle(both: number, freedom: number, a: number, b: number, start: number, d: number): number {
  const x = normalQuantile(both / 2);
  const x2 = x * x;
  let c = start;
  if (freedom < 5) c += 0.3 * (freedom - 4.5) * (x + 0.6);
  c = (((0.05 * d * x - 5) * x - 7) * x - 2) * x + b + c;
  let y = (((((0.4 * x2 + 6.3) * x2 + 36) * x2 + 94.5) / c - x2 - 3) / b + 1) * x;
  y = a * y * y;
  return expMinusOne(y);
}

/** e^y − 1 without what is lost near nought. */
function expMinusOne(y: number): number {
  if (y > 0.1) return pow(Math.E, y) - 1;
  return y * (1 + (y / 2) * (1 + (y / 3) * (1 + (y / 4) * (1 + (y / 5) * (1 + y / 6)))));
}

function farOut(y: number, n: number, d: number): number {
  const inner = 1 / (((n + 6) / (n * y) - 0.089 * d - 0.822) * (n + 2) * 3) + 0.5 / (n + 4);
  return (inner * y - 1) * ((n + 1) / (n + 2)) + 1 / y;
}
