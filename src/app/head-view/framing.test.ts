/** All of the hair in the picture, whatever its length and whatever way she is looked at. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { closer, hairFrame, headFrame, MOST_ZOOM, stepCloser, WHOLE } from './framing.ts';
import { bentBy, inRoom, projection, screenX, screenY, type V3 } from './projection.ts';

const stage = fc.record({
  width: fc.integer({ min: 340, max: 1400 }),
  height: fc.integer({ min: 300, max: 1000 }),
});
/** A point that hair reaches, mm in cylinders round the head. */
const point = fc
  .tuple(
    fc.double({ min: 0, max: 420, noNaN: true }),
    fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
    fc.double({ min: -950, max: 260, noNaN: true }),
  )
  .map(([r, a, y]): V3 => [r * Math.sin(a), y, r * Math.cos(a)]);
const DOWN: V3 = [0, -1, 0];

describe('the whole hair', () => {
  it('lies within the stage from any side, upright and bent', () => {
    fc.assert(
      fc.property(
        stage,
        fc.array(point, { minLength: 1, maxLength: 30 }),
        fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
        fc.double({ min: -0.35, max: 1.5, noNaN: true }),
        fc.boolean(),
        fc.constantFrom<V3>(DOWN, [0, -0.5, Math.sqrt(0.75)], [0.6, -0.8, 0]),
        (on, points, azimuth, elevation, mirror, gravity) => {
          const frame = hairFrame(on, elevation, Float32Array.from(points.flat()), inRoom(gravity));
          const view = bentBy(projection({ azimuth, elevation }, on, frame, mirror), gravity);
          for (const p of points) {
            expect(screenX(view, p)).toBeGreaterThan(0);
            expect(screenX(view, p)).toBeLessThan(on.width);
            expect(screenY(view, p)).toBeGreaterThan(0);
            expect(screenY(view, p)).toBeLessThan(on.height);
          }
        },
      ),
      { seed: 31, numRuns: 400 },
    );
  });

  it('longer hair never makes the head larger', () => {
    const on = { width: 928, height: 543 };
    const scale = (length: number) =>
      hairFrame(on, 0.1, Float32Array.from([90, -length, 20, 0, 150, 0]), (p) => p).pxPerMm;
    for (let length = 100; length < 900; length += 50) expect(scale(length + 50)).toBeLessThanOrEqual(scale(length));
  });
});

describe('closer', () => {
  it('keeps what is under the finger there, and ends at the whole', () => {
    const on = { width: 928, height: 543 };
    const frame = headFrame(on, 0.2);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 928 }),
        fc.integer({ min: 0, max: 543 }),
        fc.double({ min: 1.01, max: 2, noNaN: true }),
        (x, y, by) => {
          const first = stepCloser(WHOLE, by, on, { x, y });
          const second = stepCloser(first, by, on, { x, y });
          const at = (close: typeof WHOLE) => {
            const f = closer(frame, on, close);
            return [(x - f.centreX) / f.pxPerMm, (y - f.centreY) / f.pxPerMm];
          };
          for (const close of [first, second])
            for (const k of [0, 1]) expect(at(close)[k]).toBeCloseTo(at(WHOLE)[k], 6);
          expect(second.zoom).toBeLessThanOrEqual(MOST_ZOOM);
          expect(stepCloser(second, 0.01, on, { x, y })).toBe(WHOLE);
        },
      ),
      { seed: 7 },
    );
  });
});
