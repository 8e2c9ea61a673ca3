import { describe, expect, it } from 'vitest';
import { buildSurfaceMesh } from './surface-mesh.ts';
import { latticeOver, surfaceNets } from './surface-nets.ts';

const box = { min: [-60, -60, -60], max: [60, 60, 60] } as const;

describe('surface nets', () => {
  const ball = surfaceNets((x, y, z) => Math.sqrt(x * x + y * y + z * z) - 45, latticeOver(box, 4));

  it('puts its vertices near the surface', () => {
    for (let i = 0; i < ball.positionsMm.length; i += 3) {
      const r = Math.sqrt(ball.positionsMm[i] ** 2 + ball.positionsMm[i + 1] ** 2 + ball.positionsMm[i + 2] ** 2);
      expect(Math.abs(r - 45)).toBeLessThan(0.5);
    }
  });

  it('is closed, faces outwards, and has the sphere’s area within 2 % (4πr²)', () => {
    const mesh = buildSurfaceMesh(ball.positionsMm, ball.triangles);
    expect(mesh.borders).toEqual([]);
    expect(mesh.vertexCount - mesh.triangles.length / 2 + mesh.triangleCount).toBe(2);
    const share = mesh.triangleAreasMm2.reduce((a, b) => a + b, 0) / (4 * Math.PI * 45 ** 2);
    expect(Math.abs(share - 1)).toBeLessThan(0.02);
    for (let v = 0; v < mesh.vertexCount; v += 7) {
      const out =
        mesh.normals[3 * v] * mesh.positionsMm[3 * v] +
        mesh.normals[3 * v + 1] * mesh.positionsMm[3 * v + 1] +
        mesh.normals[3 * v + 2] * mesh.positionsMm[3 * v + 2];
      expect(out).toBeGreaterThan(0);
    }
  });

  it('with finer planes at one side stays closed and has more vertices there', () => {
    const finer = { min: [-20, -20, 20], max: [20, 20, 60], stepMm: 1.5 } as const;
    const net = surfaceNets((x, y, z) => Math.sqrt(x * x + y * y + z * z) - 45, latticeOver(box, 4, [finer]));
    const mesh = buildSurfaceMesh(net.positionsMm, net.triangles);
    expect(mesh.borders).toEqual([]);
    const near = (sign: number) => {
      let count = 0;
      for (let v = 0; v < mesh.vertexCount; v++) if (sign * mesh.positionsMm[3 * v + 2] > 38) count++;
      return count;
    };
    expect(near(1)).toBeGreaterThan(1.2 * near(-1));
    for (let v = 0; v < mesh.vertexCount; v++) {
      const p = mesh.positionsMm.subarray(3 * v, 3 * v + 3);
      expect(Math.abs(Math.sqrt(p[0] ** 2 + p[1] ** 2 + p[2] ** 2) - 45)).toBeLessThan(0.5);
    }
  });

  it('is open where the body leaves the box, and empty where there is none', () => {
    const tube = surfaceNets((x, _y, z) => Math.sqrt(x * x + z * z) - 30, latticeOver(box, 5));
    expect(buildSurfaceMesh(tube.positionsMm, tube.triangles).borders.length).toBe(2);
    expect(surfaceNets(() => 50, latticeOver(box, 5)).triangles).toHaveLength(0);
  });
});
