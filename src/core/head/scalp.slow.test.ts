import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryScores, REFERENCE_SCORES, sphereOf } from '../../../tests/helpers/heads.ts';
import { validateDiscMesh } from '../geometry/surface-mesh.ts';
import { bust, bustMesh } from './bust.ts';
import { aboveHairline, hairline } from './hairline.ts';
import { landmarks } from './landmarks.ts';
import { scalpMesh } from './scalp.ts';
import { gauge, headShape } from './shape.ts';

const areaCm2 = (scores: ArrayLike<number>, frequency: number) => {
  const head = headShape(scores);
  return scalpMesh(head, hairline(head), sphereOf(frequency)).triangleAreasMm2.reduce((a, b) => a + b, 0) / 100;
};

describe('hair-bearing scalp', () => {
  it('of the head nobody measured is about 652 cm² (600 to 700 in handbooks, from memory), whatever the mesh', () => {
    for (const f of [24, 32, 40]) expect(Math.abs(areaCm2(new Float64Array(8), f) - 652.3)).toBeLessThan(2.5);
  });

  it('has about 10 000 vertices at frequency 40', () => {
    const head = headShape(REFERENCE_SCORES);
    const mesh = scalpMesh(head, hairline(head), sphereOf(40));
    expect(mesh.vertexCount).toBeGreaterThan(9500);
    expect(mesh.vertexCount).toBeLessThan(10500);
  });

  it('is a sound disc on the surface, inside the hairline, on random heads', () => {
    fc.assert(
      fc.property(arbitraryScores, fc.constantFrom(12, 20, 24), (scores, frequency) => {
        const head = headShape(scores);
        const line = hairline(head);
        const mesh = scalpMesh(head, line, sphereOf(frequency));
        expect(validateDiscMesh(mesh)).toEqual([]);
        const p = mesh.positionsMm;
        for (let i = 0; i < p.length; i += 3) {
          expect(Math.abs(gauge(head, p[i], p[i + 1], p[i + 2]))).toBeLessThan(1e-6);
          expect(aboveHairline(line, p[i], p[i + 1], p[i + 2])).toBeGreaterThan(-1e-5);
        }
        for (const v of mesh.borders[0])
          expect(Math.abs(aboveHairline(line, p[3 * v], p[3 * v + 1], p[3 * v + 2]))).toBeLessThan(1e-4);
      }),
      { seed: 41, numRuns: 40 },
    );
  });

  it('grows with the square of the head', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 2, noNaN: true }), (by) => {
        const scores = [by, 0.3, -0.4, 0.2, 0.1, -0.5, 0.3, 0];
        const k = headShape(scores).sizeMm / headShape([0, ...scores.slice(1)]).sizeMm;
        expect(areaCm2(scores, 20) / areaCm2([0, ...scores.slice(1)], 20)).toBeCloseTo(k * k, 3);
      }),
      { seed: 42, numRuns: 15 },
    );
  });
});

describe('hairline', () => {
  it('runs through the landmarks on both sides', () => {
    fc.assert(
      fc.property(arbitraryScores, (scores) => {
        const head = headShape(scores);
        const line = hairline(head);
        const { frontHairline, temple, earTop, napeCorner, napeHairline } = landmarks(head);
        for (const [x, y, z] of [frontHairline, temple, earTop, napeCorner, napeHairline]) {
          expect(Math.abs(aboveHairline(line, x, y, z))).toBeLessThan(1e-6);
          expect(Math.abs(aboveHairline(line, -x, y, z))).toBeLessThan(1e-6);
        }
      }),
      { seed: 43 },
    );
  });
});

describe('bust', () => {
  const head = headShape(REFERENCE_SCORES);
  it('follows the cranium where no face, neck or ear is near, within half a millimetre', () => {
    const body = bust(head);
    const { crown, occiput } = landmarks(head);
    for (const p of [crown, occiput]) expect(Math.abs(body.distance(p[0], p[1], p[2]))).toBeLessThan(0.5);
  });

  it('has ears on both sides, a nose in front, and no broken vertex', () => {
    const body = bust(head);
    const { earTop } = landmarks(head);
    for (const side of [1, -1])
      expect(body.ear(side * (earTop[0] + 8), earTop[1] - 20, earTop[2] - 10)).toBeLessThan(6);
    const mesh = bustMesh(head, hairline(head), 8);
    expect(mesh.positions.every(Number.isFinite)).toBe(true);
    expect(mesh.light.every((l) => l >= 0 && l <= 1)).toBe(true);
    const widest = mesh.positions.reduce(
      (w, v, i) => (i % 3 === 0 && mesh.positions[i + 1] > -60 ? Math.max(w, Math.abs(v)) : w),
      0,
    );
    expect(widest).toBeGreaterThan(head.halfBreadthMm + 4);
    const foremost = mesh.positions.reduce((w, v, i) => (i % 3 === 2 ? Math.max(w, v) : w), 0);
    expect(foremost).toBeGreaterThan(head.frontDepthMm + 3);
  });
});
