import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { REFERENCE_SCORES, wholeHead } from '../../../tests/helpers/heads.ts';
import { patch, sphere } from '../../../tests/helpers/spheres.ts';
import { buildSurfaceMesh, nearestVertex, validateDiscMesh, vertexUnder } from './surface-mesh.ts';

describe('surface mesh', () => {
  it('measures a flat patch exactly', () => {
    const mesh = patch(10, 3);
    const total = mesh.triangleAreasMm2.reduce((a, b) => a + b, 0);
    expect(total).toBeCloseTo(900, 9);
    expect(mesh.vertexAreasMm2.reduce((a, b) => a + b, 0)).toBeCloseTo(900, 9);
    expect(validateDiscMesh(mesh)).toEqual([]);
    expect(mesh.borders[0]).toHaveLength(40);
    for (let v = 0; v < mesh.vertexCount; v++) expect(mesh.normals[3 * v + 2]).toBeCloseTo(1, 12);
  });

  it('runs the border with the surface on its left', () => {
    const mesh = patch(4, 1);
    const [loop] = mesh.borders;
    let signed = 0;
    loop.forEach((v, i) => {
      const u = loop[(i + 1) % loop.length];
      signed +=
        mesh.positionsMm[3 * v] * mesh.positionsMm[3 * u + 1] - mesh.positionsMm[3 * u] * mesh.positionsMm[3 * v + 1];
    });
    expect(signed / 2).toBeCloseTo(16, 9);
  });

  it('gives normals that point along the radius on a sphere', () => {
    const mesh = sphere(90, 12);
    for (let i = 0; i < mesh.normals.length; i += 3) {
      const cos =
        (mesh.normals[i] * mesh.positionsMm[i] +
          mesh.normals[i + 1] * mesh.positionsMm[i + 1] +
          mesh.normals[i + 2] * mesh.positionsMm[i + 2]) /
        90;
      expect(cos).toBeGreaterThan(0.9995);
    }
  });

  it('finds the nearest vertex by walking, the same as by looking at all of them', () => {
    const mesh = sphere(90, 10);
    const unit = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(unit, unit, unit, fc.nat(mesh.vertexCount - 1), (x, y, z, start) => {
        const l = Math.sqrt(x * x + y * y + z * z);
        fc.pre(l > 0.1);
        const p = [(90 * x) / l, (90 * y) / l, (90 * z) / l];
        const dist = (v: number) =>
          (mesh.positionsMm[3 * v] - p[0]) ** 2 +
          (mesh.positionsMm[3 * v + 1] - p[1]) ** 2 +
          (mesh.positionsMm[3 * v + 2] - p[2]) ** 2;
        let best = 0;
        for (let v = 1; v < mesh.vertexCount; v++) if (dist(v) < dist(best)) best = v;
        expect(dist(nearestVertex(mesh, p[0], p[1], p[2], start))).toBeCloseTo(dist(best), 9);
      }),
      { numRuns: 60, seed: 4 },
    );
  });

  it('names what is wrong with a mesh that is no disc', () => {
    expect(validateDiscMesh(sphere(90, 3)).join()).toMatch(/Euler number 2.*0 border loops/);
    const broken = patch(2, 1);
    const withNaN = buildSurfaceMesh(
      broken.positionsMm.map((v, i) => (i === 4 ? Number.NaN : v)),
      broken.triangles,
    );
    expect(validateDiscMesh(withNaN).join()).toMatch(/not finite/);
    const flat = buildSurfaceMesh(
      broken.positionsMm.map((v, i) => (i % 3 === 1 ? 0 : v)),
      broken.triangles,
    );
    expect(validateDiscMesh(flat).join()).toMatch(/without area/);
  });
});

describe('the vertex under a place', () => {
  const { mesh } = wholeHead(REFERENCE_SCORES, 24);
  const p = mesh.positionsMm;
  const vertex = fc.integer({ min: 0, max: mesh.vertexCount - 1 });

  it('is found from anywhere: face and ears, where the scalp ends, stop no walk short', () => {
    fc.assert(
      fc.property(vertex, vertex, (from, to) => {
        expect(vertexUnder(mesh, p[3 * to], p[3 * to + 1], p[3 * to + 2], from)).toBe(to);
      }),
      { seed: 3, numRuns: 2000 },
    );
    // From one temple to the other the straight way leads over the face.
    const [rim] = mesh.borders;
    for (const from of rim)
      for (const to of rim) expect(vertexUnder(mesh, p[3 * to], p[3 * to + 1], p[3 * to + 2], from)).toBe(to);
  });
});
