/** The nearest of rising values, against every one of them looked at. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { nearestOf, TIE } from './ties.ts';

const rising = fc
  .array(fc.double({ min: -20, max: 20, noNaN: true }), { minLength: 1, maxLength: 40 })
  .map((values) => values.toSorted((a, b) => a - b));

it('is as near as any; of what is as near the first', () => {
  fc.assert(
    fc.property(rising, fc.double({ min: -25, max: 25, noNaN: true }), (values, u) => {
      const found = nearestOf(values, u);
      const least = Math.min(...values.map((v) => Math.abs(v - u)));
      expect(Math.abs((found as number) - u)).toBeLessThanOrEqual(least + 2 * TIE);
      const before = values.filter((v) => v < (found as number) - TIE);
      for (const v of before) expect(Math.abs(v - u)).toBeGreaterThan(least - TIE);
    }),
    { seed: 17, numRuns: 500 },
  );
  expect(nearestOf([], 2)).toBeUndefined();
  expect(nearestOf([1, 3], 2)).toBe(1);
  expect(nearestOf([3 - TIE / 2, 3], 3)).toBe(3 - TIE / 2);
  expect(nearestOf([1, 3], 2.1)).toBe(3);
});
