/** Zones and gaps by triangle of the scalp. */
import type { SurfaceMesh } from '../../geometry/index.ts';

export function triangleFactor(mesh: SurfaceMesh, spacingFactor: Float64Array, t: number): number {
  const { triangles } = mesh;
  return (
    (spacingFactor[triangles[3 * t]] + spacingFactor[triangles[3 * t + 1]] + spacingFactor[triangles[3 * t + 2]]) / 3
  );
}

export function triangleRatio(
  mesh: SurfaceMesh,
  slope: Float64Array,
  spacingFactor: Float64Array,
  t: number,
  step: number,
  s: number,
): number {
  return step / (Math.max(1e-6, slope[t]) * s * triangleFactor(mesh, spacingFactor, t));
}
