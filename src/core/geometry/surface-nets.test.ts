import { describe, expect, it } from 'vitest';
import { buildSurfaceMesh } from './surface-mesh.ts';
import { surfaceNets } from './surface-nets.ts';

const box = { min: [-60, -60, -60], max: [60, 60, 60] } as const;

describe('surface nets', () => {
  const ball = surfaceNets((x, y, z) => Math.sqrt(x * x + y * y + z * z) - 45, box, 4);

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

  it('is open where the body leaves the box, and empty where there is none', () => {
    const tube = surfaceNets((x, _y, z) => Math.sqrt(x * x + z * z) - 30, box, 5);
    expect(buildSurfaceMesh(tube.positionsMm, tube.triangles).borders.length).toBe(2);
    expect(surfaceNets(() => 50, box, 5).triangles).toHaveLength(0);
  });
});
