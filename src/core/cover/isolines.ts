/** Lines of equal cover: two of them make the picture readable without colour. */
import { contours, type SurfaceMesh } from '../geometry/index.ts';

export const ISOLINES = [0.2, 0.45] as const;
/** Shorter closed curves are specks. */
const LEAST_ISOLINE_MM = 14;

export interface Isoline {
  readonly level: number;
  readonly pointsMm: Float32Array;
  readonly closed: boolean;
}

export function isolines(mesh: SurfaceMesh, shows: Float64Array): Isoline[] {
  return contours(mesh, shows, ISOLINES).flatMap((curves, i) =>
    curves
      .filter((c) => c.lengthMm > LEAST_ISOLINE_MM)
      .map((c) => ({ level: ISOLINES[i], pointsMm: Float32Array.from(c.pointsMm), closed: c.closed })),
  );
}
