/** The ribbons of a plan as strips for a ray caster: the same ways, followed by the same tracer. */
import { type Ribbons, ribbonAngle } from '../../src/core/fall/ribbons.ts';
import { StrandTracer } from '../../src/core/fall/trace.ts';
import type { SurfaceMesh } from '../../src/core/geometry/surface-mesh.ts';
import type { Strip } from './ray-cast.ts';

export interface Rooted {
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
  readonly vertex: number;
}

export function stripsOf(mesh: SurfaceMesh, ways: Float64Array, roots: readonly Rooted[], ribbons: Ribbons): Strip[] {
  const tracer = new StrandTracer(mesh, ways);
  return roots.flatMap((root) =>
    Array.from({ length: ribbons.count }, (_, j): Strip => {
      const { xMm, yMm, zMm, vertex } = root;
      tracer.trace(xMm, yMm, zMm, vertex, ribbonAngle(ribbons, j), ribbons.fanReachMm, ribbons.lengthMm);
      const n = tracer.steps + 1;
      const normals = new Float64Array(3 * n);
      for (let i = 0; i < n; i++)
        normals.set(mesh.normals.subarray(3 * tracer.vertices[i], 3 * tracer.vertices[i] + 3), 3 * i);
      const half = (s: number) => (ribbons.widthMm / 2) * (ribbons.springs ? 1 : 0.35 + 0.65 * Math.min(1, s / 20));
      return {
        pointsMm: tracer.pointsMm.slice(0, 3 * n),
        normals,
        halfMm: Array.from({ length: n }, (__, i) => half(tracer.arcMm[i])),
        opacity: ribbons.opacity,
      };
    }),
  );
}
