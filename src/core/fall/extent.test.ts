/** Outermost points of hair. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { Extent } from './extent.ts';

it('no hair reaches nowhere', () => {
  expect(new Extent().done()).toHaveLength(0);
});

it('the outermost points are points of the hair, and hold all of it to a few hundredths of its reach', () => {
  const coordinate = fc.double({ min: -600, max: 600, noNaN: true });
  fc.assert(
    fc.property(fc.array(coordinate, { minLength: 30, maxLength: 300 }), (flat) => {
      const points = flat.slice(0, 3 * Math.floor(flat.length / 3));
      const extent = new Extent();
      extent.add(points, points.length / 3);
      const out = extent.done();
      const reach = (p: ArrayLike<number>, axis: readonly number[]) => {
        let most = Number.NEGATIVE_INFINITY;
        for (let i = 0; i < p.length; i += 3)
          most = Math.max(most, p[i] * axis[0] + p[i + 1] * axis[1] + p[i + 2] * axis[2]);
        return most;
      };
      for (const axis of [
        [0, 1, 0],
        [0, -1, 0],
        [1, 0, 0],
        [0, 0, -1],
        [0.6, -0.8, 0],
      ]) {
        expect(reach(out, axis)).toBeLessThanOrEqual(reach(points, axis) + 1e-3);
        expect(reach(out, axis)).toBeGreaterThan(reach(points, axis) - 0.12 * 600);
      }
    }),
    { seed: 4, numRuns: 40 },
  );
});
