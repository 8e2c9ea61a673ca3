/** The foot of a place on a curve, against every point of it looked at. */
import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { SurfaceCurve } from './contour.ts';
import { footOn } from './polyline.ts';

/** A way of short steps, as wild as it likes, none of them nothing. */
const step = fc.tuple(
  fc.integer({ min: 1, max: 6000 }),
  fc.integer({ min: -6000, max: 6000 }),
  fc.integer({ min: -6000, max: 6000 }),
);
const anyCurve = fc
  .tuple(
    fc.array(step, { minLength: 2, maxLength: 120 }),
    fc.array(fc.boolean(), { minLength: 120, maxLength: 120 }),
    fc.boolean(),
  )
  .map(([steps, back, closed]): SurfaceCurve => {
    const n = steps.length;
    const pointsMm = new Float64Array(3 * n);
    const arcMm = new Float64Array(n);
    for (let i = 1; i < n; i++) {
      const [x, y, z] = steps[i].map((v) => v / 1000);
      const way = [back[i] ? -x : x, y, z];
      for (let c = 0; c < 3; c++) pointsMm[3 * i + c] = pointsMm[3 * i - 3 + c] + way[c];
      arcMm[i] = arcMm[i - 1] + Math.hypot(...way);
    }
    const none = new Int32Array(n);
    const share = new Float64Array(n);
    return { pointsMm, arcMm, pointCount: n, closed, lengthMm: arcMm[n - 1], fromVertex: none, toVertex: none, share };
  });
const coordinate = fc.double({ min: -80, max: 80, noNaN: true });

it('is where no point of the curve, nor of its stretches, lies nearer', () => {
  fc.assert(
    fc.property(anyCurve, coordinate, coordinate, coordinate, (curve, xMm, yMm, zMm) => {
      const foot = footOn(curve, curve.arcMm, { xMm, yMm, zMm });
      const p = curve.pointsMm;
      let nearest = Infinity;
      let first = 0;
      for (let i = 0; i < curve.pointCount; i++) {
        const d = Math.hypot(p[3 * i] - xMm, p[3 * i + 1] - yMm, p[3 * i + 2] - zMm);
        if (d < nearest - 1e-12) {
          nearest = d;
          first = i;
        }
      }
      expect(foot.distance).toBeLessThanOrEqual(nearest + 1e-9);
      // On one of the two stretches at the nearest point.
      const [low, high] = [Math.max(0, first - 1), Math.min(curve.pointCount - 1, first + 1)];
      expect(foot.u).toBeGreaterThanOrEqual(curve.arcMm[low] - 1e-9);
      expect(foot.u).toBeLessThanOrEqual(curve.arcMm[high] + 1e-9);
      expect(foot.atEnd).toBe(!curve.closed && (first === 0 || first === curve.pointCount - 1));
    }),
    { seed: 63, numRuns: 500 },
  );
});
