import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluatePchip, pchip } from './pchip.ts';
import { smoothstep } from './smoothstep.ts';

describe('monotone cubic', () => {
  it('passes through its points and never leaves the range of its neighbours', () => {
    const y = fc.double({ min: -10, max: 10, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 0.1, max: 3, noNaN: true }), y), { minLength: 2, maxLength: 12 }),
        (steps) => {
          let at = 0;
          const xs = steps.map(([dx]) => {
            at += dx;
            return at;
          });
          const ys = steps.map(([, v]) => v);
          const curve = pchip(xs, ys);
          for (let i = 0; i < xs.length; i++) expect(evaluatePchip(curve, xs[i])).toBeCloseTo(ys[i], 9);
          for (let i = 0; i + 1 < xs.length; i++) {
            for (const t of [0.1, 0.35, 0.5, 0.8]) {
              const v = evaluatePchip(curve, xs[i] + t * (xs[i + 1] - xs[i]));
              expect(v).toBeGreaterThanOrEqual(Math.min(ys[i], ys[i + 1]) - 1e-9);
              expect(v).toBeLessThanOrEqual(Math.max(ys[i], ys[i + 1]) + 1e-9);
            }
          }
        },
      ),
      { seed: 9 },
    );
  });

  it('keeps its end values outside, and refuses x that does not rise', () => {
    const curve = pchip([0, 1, 2], [5, 6, 9]);
    expect(evaluatePchip(curve, -4)).toBe(5);
    expect(evaluatePchip(curve, 7)).toBe(9);
    expect(() => pchip([0, 1, 1], [0, 0, 0])).toThrow(RangeError);
  });
});

it('smoothstep is 0, a half and 1 where it should be', () => {
  expect([smoothstep(2, 6, 1), smoothstep(2, 6, 4), smoothstep(2, 6, 9)]).toEqual([0, 0.5, 1]);
  expect(smoothstep(0, 1, 0.25)).toBeCloseTo(0.15625, 12);
});
