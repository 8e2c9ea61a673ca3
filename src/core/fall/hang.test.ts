import { describe, expect, it } from 'vitest';
import { DistanceGrid } from '../geometry/distance-grid.ts';
import { hang } from './hang.ts';

const points = () => new Float64Array(3 * 400);
const DOWN = [0, -1, 0] as const;

/** Sine integral Si(x) by its power series (Abramowitz and Stegun 5.2.14). */
function sineIntegral(x: number): number {
  let sum = 0;
  let term = x;
  for (let n = 0; n < 30; n++) {
    sum += term / (2 * n + 1);
    term *= (-x * x) / ((2 * n + 2) * (2 * n + 3));
  }
  return sum;
}

describe('a strand off the head', () => {
  it('that starts straight down ends its length lower', () => {
    const p = points();
    const end = hang(p, 0, DOWN, 250, { down: DOWN, bendMm: 30, stepMm: 12, clearMm: 0 });
    expect([p[3 * end], p[3 * end + 1], p[3 * end + 2]]).toEqual([0, -250, 0]);
  });

  it.each([0.4, 1.1, Math.PI / 2])('that starts %f rad aside reaches b (Si(θ) - Si(θ e^(-L/b))) sideways', (angle) => {
    const p = points();
    const [b, L] = [40, 300];
    const end = hang(p, 0, [Math.sin(angle), -Math.cos(angle), 0], L, {
      down: DOWN,
      bendMm: b,
      stepMm: 1,
      clearMm: 0,
    });
    const reach = b * (sineIntegral(angle) - sineIntegral(angle * Math.exp(-L / b)));
    expect(p[3 * end] / reach).toBeCloseTo(1, 3);
    // The steps that are drawn are longer, and lose no more than half a millimetre by it.
    const coarse = points();
    const last = hang(coarse, 0, [Math.sin(angle), -Math.cos(angle), 0], L, {
      down: DOWN,
      bendMm: b,
      stepMm: 12,
      clearMm: 0,
    });
    expect(Math.abs(coarse[3 * last] - reach)).toBeLessThan(0.5);
  });

  it('slides along what is in its way and never comes nearer than it is kept', () => {
    const R = 60;
    const ball = new DistanceGrid(
      (x, y, z) => Math.sqrt(x * x + y * y + z * z) - R,
      [-100, -100, -100],
      [100, 100, 100],
      5,
    );
    const p = points();
    p.set([10, 90, 0], 0);
    const end = hang(p, 0, DOWN, 200, { down: DOWN, bendMm: 20, stepMm: 4, clearMm: 3, body: ball });
    for (let i = 8; i <= end; i++) {
      const r = Math.sqrt(p[3 * i] ** 2 + p[3 * i + 1] ** 2 + p[3 * i + 2] ** 2);
      expect(r).toBeGreaterThan(R + 2);
    }
    expect(p[3 * end]).toBeGreaterThan(R);
    expect(p[3 * end + 1]).toBeLessThan(0);
  });

  it('ends where the outline says', () => {
    const p = points();
    const end = hang(p, 0, DOWN, 300, { down: DOWN, bendMm: 20, stepMm: 10, clearMm: 0, ends: (_, y) => y < -120 });
    expect(p[3 * end + 1]).toBe(-120);
  });
});

describe('a distance grid', () => {
  it('reads a sphere to within a fraction of its step, and its way out', () => {
    const ball = new DistanceGrid(
      (x, y, z) => Math.sqrt(x * x + y * y + z * z) - 80,
      [-120, -120, -120],
      [120, 120, 120],
      8,
    );
    for (const [x, y, z] of [
      [90, 3, 4],
      [20, -70, 60],
      [-50, 50, -50],
    ] as const) {
      const r = Math.sqrt(x * x + y * y + z * z);
      expect(Math.abs(ball.distance(x, y, z) - (r - 80))).toBeLessThan(0.4);
      expect(ball.out[0] * x + ball.out[1] * y + ball.out[2] * z).toBeGreaterThan(0.995 * r);
    }
  });
});
