import { describe, expect, it } from 'vitest';
import { icosphere } from './icosphere.ts';
import { buildSurfaceMesh } from './surface-mesh.ts';

describe('icosphere', () => {
  it.each([1, 2, 7, 24])('frequency %i has 10 f² + 2 vertices and 20 f² triangles', (f) => {
    const ico = icosphere(f);
    expect(ico.directions.length / 3).toBe(10 * f * f + 2);
    expect(ico.triangles.length / 3).toBe(20 * f * f);
  });

  it('is its own mirror image at x = 0', () => {
    const { directions: d } = icosphere(9);
    const at = (x: number, y: number, z: number) =>
      [x, y, z].map((v) => (Math.abs(v) < 1e-9 ? 0 : v).toFixed(9)).join();
    const places = new Set<string>();
    for (let i = 0; i < d.length; i += 3) places.add(at(d[i], d[i + 1], d[i + 2]));
    for (let i = 0; i < d.length; i += 3) expect(places.has(at(-d[i], d[i + 1], d[i + 2]))).toBe(true);
  });

  it('is closed: every edge has two triangles, Euler number 2', () => {
    const ico = icosphere(6);
    const mesh = buildSurfaceMesh(ico.directions, ico.triangles);
    expect(mesh.borders).toHaveLength(0);
    expect(mesh.acrossEdge.every((t) => t >= 0)).toBe(true);
    expect(mesh.vertexCount - mesh.triangles.length / 2 + mesh.triangleCount).toBe(2);
  });

  it('has unit directions and triangles that face outwards', () => {
    const { directions: d, triangles: t } = icosphere(5);
    for (let i = 0; i < d.length; i += 3) expect(d[i] ** 2 + d[i + 1] ** 2 + d[i + 2] ** 2).toBeCloseTo(1, 12);
    for (let k = 0; k < t.length; k += 3) {
      const [a, b, c] = [t[k], t[k + 1], t[k + 2]].map((v) => [d[3 * v], d[3 * v + 1], d[3 * v + 2]]);
      const det =
        a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0]);
      expect(det).toBeGreaterThan(0);
    }
  });

  it('comes near to the area of the sphere as 1/f² (closed form 4π)', () => {
    const area = (f: number) => {
      const ico = icosphere(f);
      return buildSurfaceMesh(ico.directions, ico.triangles).triangleAreasMm2.reduce((a, b) => a + b, 0);
    };
    const miss = (f: number) => 4 * Math.PI - area(f);
    expect(miss(8)).toBeGreaterThan(0);
    expect(miss(8) / miss(16)).toBeGreaterThan(3.7);
    expect(miss(8) / miss(16)).toBeLessThan(4.3);
  });

  it.each([0, -1, 2.5, 1000, Number.NaN])('refuses frequency %s', (f) => {
    expect(() => icosphere(f)).toThrow(RangeError);
  });
});
