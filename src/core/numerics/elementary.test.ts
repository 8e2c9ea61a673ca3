/** Against the engine's own functions, which are within a unit in the last place, and against values of handbook tables. */
import { describe, expect, it } from 'vitest';
import { acos, asin, atan, atan2, cos, sin, tan } from './angles.ts';
import { cbrt, exp, log, pow, tanh } from './powers.ts';
import { seededRandom } from './random.ts';

const ULP = 2 ** -52;
const random = seededRandom(5);
const points = (low: number, high: number) => Array.from({ length: 4000 }, () => low + (high - low) * random());
/** Largest error over the points, in units of the last place of the value; of 1 where the value is smaller. */
function worst(ours: (x: number) => number, theirs: (x: number) => number, at: readonly number[], least = 0): number {
  return Math.max(
    ...at.map((x) => Math.abs(ours(x) - theirs(x)) / (ULP * Math.max(least, Math.abs(theirs(x)), Number.MIN_VALUE))),
  );
}

describe('elementary functions', () => {
  it.each([
    ['exp', exp, Math.exp, points(-700, 700), 0],
    ['exp near nought', exp, Math.exp, points(-1, 1), 0],
    ['log', log, Math.log, points(1e-6, 1e6), 0],
    ['log near one', log, Math.log, points(0.5, 2), 0],
    ['cbrt', cbrt, Math.cbrt, points(-1e4, 1e4), 0],
    ['tanh', tanh, Math.tanh, points(-6, 6), 0.1],
    ['sin', sin, Math.sin, points(-7, 7), 0],
    ['cos', cos, Math.cos, points(-7, 7), 0],
    ['sin far off', sin, Math.sin, points(-9e4, 9e4), 1e-6],
    ['tan', tan, Math.tan, points(-1.5, 1.5), 0],
    ['atan', atan, Math.atan, points(-40, 40), 0],
    ['asin', asin, Math.asin, points(-1, 1), 0],
    ['acos', acos, Math.acos, points(-1, 1), 0],
  ] as const)('%s is within three units in the last place', (_, ours, theirs, at, least) => {
    expect(worst(ours, theirs, at, least)).toBeLessThanOrEqual(3);
  });

  it('a power is as exact as the logarithm of its base times the exponent lets it', () => {
    for (const y of [2.25, 2.2, 1 / 2.2, 2.2 / 2.25, 1 / 2.25, -0.7])
      for (const x of points(0, 8)) {
        const bound = (3 + Math.abs(y * Math.log(x))) * ULP * x ** y;
        expect(Math.abs(pow(x, y) - x ** y)).toBeLessThanOrEqual(bound);
      }
  });

  it('angles of points all round, and on the axes', () => {
    for (const a of points(-Math.PI, Math.PI)) expect(atan2(Math.sin(a), Math.cos(a))).toBeCloseTo(a, 14);
    for (const [y, x] of [
      [0, 1],
      [0, -1],
      [-0, -1],
      [1, 0],
      [-1, 0],
      [0, 0],
      [-0, 0],
      [3, -4],
    ])
      expect(atan2(y, x)).toBe(Math.atan2(y, x));
  });

  it('values of handbook tables (Abramowitz and Stegun, Handbook of Mathematical Functions, 1964, tables 4.2, 4.4, 4.6, 4.14; from memory)', () => {
    expect(log(3)).toBeCloseTo(1.09861228866811, 15);
    expect(log(7)).toBeCloseTo(1.945910149055313, 14);
    expect(exp(2)).toBeCloseTo(7.38905609893065, 14);
    expect(sin(1)).toBeCloseTo(0.8414709848078965, 15);
    expect(cos(1)).toBeCloseTo(0.5403023058681398, 15);
    expect(atan(1)).toBeCloseTo(0.7853981633974483, 15);
  });

  it('ends of the range', () => {
    expect([exp(800), exp(-800), exp(0), log(0), log(1), pow(0, 2.2), pow(0, 0), cbrt(27), tanh(50)]).toEqual([
      Infinity,
      0,
      1,
      -Infinity,
      0,
      0,
      1,
      3,
      1,
    ]);
    expect([log(-1), exp(Number.NaN), atan(Number.NaN), atan2(Number.NaN, 1)].every(Number.isNaN)).toBe(true);
    expect(log(5e-324)).toBeCloseTo(Math.log(5e-324), 10);
    expect(exp(709.7) / Math.exp(709.7)).toBeCloseTo(1, 12);
  });
});
