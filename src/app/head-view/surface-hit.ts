/** From a place on the stage to the head's surface: the nearest facing cap vertex under the finger. */
import type { PictureMesh } from '../../core/head/index.ts';
import { facing, type Projection, screenX, screenY, type V3 } from './projection.ts';

/**
 * The mesh is fine enough (about 3 mm) that the nearest vertices, weighted by closeness on the screen, give a
 * smooth point; no ray has to be cast through 16 000 triangles while a finger moves.
 */
export function surfacePointAt(view: Projection, cap: PictureMesh, x: number, y: number): V3 | undefined {
  const { positions: p, normals } = cap;
  const reach = 6 * view.pxPerMm;
  let weights = 0;
  const sum = [0, 0, 0];
  let nearest = Number.POSITIVE_INFINITY;
  let fallback = -1;
  for (let i = 0; i < p.length; i += 3) {
    if (facing(view, normals, i) <= 0) continue;
    const dx = screenX(view, p, i) - x;
    const dy = screenY(view, p, i) - y;
    const d = dx * dx + dy * dy;
    if (d < nearest) {
      nearest = d;
      fallback = i;
    }
    if (d > reach * reach) continue;
    const w = 1 / (1 + d);
    weights += w;
    for (let k = 0; k < 3; k++) sum[k] += w * p[i + k];
  }
  if (weights > 0) return [sum[0] / weights, sum[1] / weights, sum[2] / weights];
  return fallback < 0 ? undefined : [p[fallback], p[fallback + 1], p[fallback + 2]];
}

/** The vertex of the cap nearest to a place on the head. */
export function vertexAt({ positions: p }: PictureMesh, [x, y, z]: V3): number {
  let best = 0;
  let nearest = Number.POSITIVE_INFINITY;
  for (let i = 0; i < p.length; i += 3) {
    const d = (p[i] - x) * (p[i] - x) + (p[i + 1] - y) * (p[i + 1] - y) + (p[i + 2] - z) * (p[i + 2] - z);
    if (d < nearest) {
      nearest = d;
      best = i / 3;
    }
  }
  return best;
}
