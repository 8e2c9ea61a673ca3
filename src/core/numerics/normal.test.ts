/** The normal distribution against handbook values and jStat (registry). */
import fc from 'fast-check';
import jstat from 'jstat';
import { describe, expect, it } from 'vitest';
import { normalBelow, normalQuantile } from './normal.ts';

describe('the normal distribution', () => {
  // Abramowitz and Stegun, Handbook of Mathematical Functions (1964), table 26.1; from memory.
  it.each([
    [0, 0.5],
    [1, 0.841344746068543],
    [1.96, 0.975002104851779],
    [-2.5, 0.00620966532577613],
    [3, 0.99865010196837],
  ])('below %d lies %d', (x, p) => {
    expect(normalBelow(x)).toBeCloseTo(p, 13);
  });

  // Checks of M. J. Wichura’s AS 241 (Applied Statistics 37, 1988); from memory.
  it.each([
    [0.25, -0.6744897501960817],
    [0.001, -3.090232306167814],
    [1e-5, -4.2648907939228],
  ])('of %d the quantile is %d', (p, x) => {
    expect(normalQuantile(p)).toBeCloseTo(x, 10);
  });

  it('is that of jStat, and each the inverse of the other', () => {
    fc.assert(
      fc.property(fc.double({ min: -6, max: 6, noNaN: true }), (x) => {
        const p = normalBelow(x);
        expect(p).toBeCloseTo(jstat.normal.cdf(x, 0, 1), 7);
        expect(normalQuantile(p)).toBeCloseTo(x, 5);
        expect(p + normalBelow(-x)).toBeCloseTo(1, 13);
      }),
      { seed: 41 },
    );
    for (const p of [0.02, 0.2, 0.5, 0.8, 0.95]) expect(normalQuantile(p)).toBeCloseTo(jstat.normal.inv(p, 0, 1), 6);
  });

  it('refuses what is no probability', () => {
    for (const p of [0, 1, -1, Number.NaN]) expect(() => normalQuantile(p)).toThrow(RangeError);
  });
});
