import { expect, it } from 'vitest';
import { sideOf } from './opening.ts';

it('the side of a line lies across it and along the surface', () => {
  // Over the middle of a sphere of 100 mm, from the front to the crown.
  const line = Array.from({ length: 12 }, (_, i) => {
    const a = (0.5 + 0.09 * i) as number;
    return [0, 100 * Math.sin(a), 100 * Math.cos(a)];
  });
  const flat = line.flat();
  for (let i = 0; i < line.length; i++) {
    const side = sideOf(flat, i);
    const along = [0, 1, 2].map((c) => (line[Math.min(11, i + 1)][c] - line[Math.max(0, i - 1)][c]) * side[c]);
    const out = [0, 1, 2].map((c) => (line[i][c] * side[c]) / 100);
    expect(along.reduce((a, b) => a + b)).toBeCloseTo(0, 9);
    expect(out.reduce((a, b) => a + b)).toBeCloseTo(0, 9);
    expect(Math.abs(side[0])).toBeCloseTo(1, 9);
  }
});
