import { describe, expect, it } from 'vitest';
import { ringPhase, ringPlaces } from './ring.ts';

describe('a ring', () => {
  it('lies between the knots below: half a step from every foot', () => {
    const feet = Array.from({ length: 9 }, (_, i) => i + 0.2);
    expect(Math.abs(ringPhase(9, 1, feet) - 0.7)).toBeLessThan(1 / 24 + 1e-9);
    for (const u of ringPlaces(9, feet)) {
      const away = Math.min(...feet.map((f) => Math.abs(((u - f + 13.5) % 9) - 4.5)));
      expect(away).toBeGreaterThan(0.45);
    }
  });

  it('with nothing to lie between has a knot at the middle of the back, whatever rounding does', () => {
    for (const lengthU of [8, 9, 11.3]) {
      const step = lengthU / Math.round(lengthU);
      const phase = ringPhase(lengthU, step, []);
      const off = (lengthU / 2 - phase) / step;
      expect(Math.abs(off - Math.round(off))).toBeLessThan(0.51 / 24);
    }
    // As many feet on both sides of every phase: the sum is the same for all, but for its last digits.
    const comb = Array.from({ length: 96 }, (_, i) => i / 12 + 1e-13 * (i % 7));
    expect(ringPhase(8, 1, comb)).toBe(ringPhase(8, 1, []));
  });

  it('closes with three knots, however short', () => {
    expect(ringPlaces(0.4, [])).toHaveLength(3);
  });
});
