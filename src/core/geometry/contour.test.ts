import { describe, expect, it } from 'vitest';
import { patch, sphere } from '../../../tests/helpers/spheres.ts';
import { contours, fieldAt, pointBefore, reverseCurve, sliceCurve } from './contour.ts';
import { distanceFrom } from './eikonal.ts';
import { gradientAt, gradientLengths } from './gradient.ts';

const R = 90;

describe('contours of the distance from a point on a sphere', () => {
  const mesh = sphere(R, 32);
  const distance = distanceFrom(mesh, { pointsMm: [0, R, 0] });
  const levels = [30, 60, 90, 120];
  const curves = contours(mesh, distance, levels);

  it.each(levels)('the circle at %i mm is one closed ring of length 2πR sin(d/R), within 0.35 mm', (d) => {
    const [ring, ...others] = curves[levels.indexOf(d)];
    expect(others).toEqual([]);
    expect(ring.closed).toBe(true);
    expect(Math.abs(ring.lengthMm - 2 * Math.PI * R * Math.sin(d / R))).toBeLessThan(0.35);
  });

  it('reads a field along the curve: the level itself', () => {
    for (let i = 0; i < curves[1][0].pointCount; i++) expect(fieldAt(curves[1][0], distance, i)).toBeCloseTo(60, 9);
  });

  it('has a gradient of length 1 nearly everywhere, pointing away from the source', () => {
    const slope = gradientLengths(mesh, distance);
    const mean = slope.reduce((a, b) => a + b, 0) / slope.length;
    expect(mean).toBeCloseTo(1, 2);
    for (const v of [500, 1500, 4000]) {
      const g = gradientAt(mesh, distance, v);
      const [x, y, z] = [0, 1, 2].map((k) => mesh.positionsMm[3 * v + k] / R);
      // Away from the pole (0, 1, 0), along the sphere.
      const away = [x * y, y * y - 1, z * y];
      const l = Math.sqrt(away[0] ** 2 + away[1] ** 2 + away[2] ** 2);
      const cos = (g[0] * away[0] + g[1] * away[1] + g[2] * away[2]) / l;
      expect(cos).toBeGreaterThan(0.98);
    }
  });
});

describe('contours on a flat patch', () => {
  const mesh = patch(12, 2);
  const x = Float64Array.from({ length: mesh.vertexCount }, (_, v) => mesh.positionsMm[3 * v]);

  it('of a linear field are straight and open, from border to border', () => {
    const [[line, ...others]] = contours(mesh, x, [7.3]);
    expect(others).toEqual([]);
    expect(line.closed).toBe(false);
    expect(line.lengthMm).toBeCloseTo(24, 9);
    for (let i = 0; i < line.pointCount; i++) expect(line.pointsMm[3 * i]).toBeCloseTo(7.3, 9);
  });

  it('has the exact gradient of a linear field', () => {
    const field = x.map((v, i) => 3 * v - 4 * mesh.positionsMm[3 * i + 1]);
    for (const g of gradientLengths(mesh, field)) expect(g).toBeCloseTo(5, 9);
    expect(gradientAt(mesh, field, 40).map((v) => v + 0)).toEqual([
      expect.closeTo(0.6, 9),
      expect.closeTo(-0.8, 9),
      expect.closeTo(0, 9),
    ]);
  });

  it('goes through vertices that lie on the level without a gap or a double', () => {
    const [[line, ...others]] = contours(mesh, x, [8]);
    expect(others).toEqual([]);
    expect(line.lengthMm).toBeCloseTo(24, 9);
  });

  it('gives one list a level, empty where none passes', () => {
    expect(contours(mesh, x, [-5, 3, 99]).map((c) => c.length)).toEqual([0, 1, 0]);
  });

  it('slices and reverses without moving a point', () => {
    const [[line]] = contours(mesh, x, [5.5]);
    const part = sliceCurve(line, 2, 9);
    expect(part.pointCount).toBe(8);
    expect(part.lengthMm).toBeCloseTo(line.arcMm[9] - line.arcMm[2], 9);
    const back = reverseCurve(line);
    expect(back.pointsMm.slice(0, 3)).toEqual(line.pointsMm.slice(-3));
    expect(back.lengthMm).toBeCloseTo(line.lengthMm, 9);
    expect(pointBefore(line, -1)).toBe(0);
    expect(pointBefore(line, 1e9)).toBe(line.pointCount - 1);
    const i = pointBefore(line, 10);
    expect(line.arcMm[i]).toBeLessThanOrEqual(10);
    expect(line.arcMm[i + 1]).toBeGreaterThan(10);
  });
});
