/** Zones and gaps by triangle of the scalp. */
import type { SurfaceMesh } from '../../geometry/surface-mesh.ts';

export function triangleZone(mesh: SurfaceMesh, zone: Float64Array, t: number): number {
  const { triangles } = mesh;
  return (zone[triangles[3 * t]] + zone[triangles[3 * t + 1]] + zone[triangles[3 * t + 2]]) / 3;
}

export function triangleRatio(
  mesh: SurfaceMesh,
  slope: Float64Array,
  zone: Float64Array,
  t: number,
  step: number,
  s: number,
): number {
  return step / (Math.max(1e-6, slope[t]) * s * triangleZone(mesh, zone, t));
}
