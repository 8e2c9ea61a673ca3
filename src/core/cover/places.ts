/** Where the scalp shows most: connected patches beyond a limit, with their size, the barest first. */
import type { SurfaceMesh } from '../geometry/index.ts';

export interface BarePatch {
  /** Its barest vertex. */
  readonly vertex: number;
  readonly areaMm2: number;
  /** Across its narrow side, mm, about: what a finger laid over it would have to hide. */
  readonly widthMm: number;
  /** Mean share that shows in it. */
  readonly shows: number;
}

/** More than this shows: the solid isoline of the picture. */
export const BARE = 0.45;
/** Smaller than a fingertip's half is not told, mm². */
const SMALLEST_MM2 = 60;

/** A brush no wider than two hands. */
const WIDEST_BRUSH_MM = 75;

/** Radius of a brush that makes a patch fuller: all of it, and at least so far that a piece more finds room. mm */
export function brushRadiusMm(patch: Pick<BarePatch, 'areaMm2'>, gapMm: number): number {
  return Math.min(WIDEST_BRUSH_MM, Math.max(1.5 * gapMm, Math.sqrt(patch.areaMm2 / Math.PI)));
}

export function barePatches(mesh: SurfaceMesh, shows: ArrayLike<number>, owed: Uint8Array, limit = BARE): BarePatch[] {
  const seen = new Uint8Array(mesh.vertexCount);
  const isBare = (v: number) => owed[v] === 1 && shows[v] > limit;
  const patches: BarePatch[] = [];
  for (let start = 0; start < mesh.vertexCount; start++) {
    if (seen[start] || !isBare(start)) continue;
    const members = [start];
    seen[start] = 1;
    let area = 0;
    let shown = 0;
    let rim = 0;
    let barest = start;
    for (let i = 0; i < members.length; i++) {
      const v = members[i];
      area += mesh.vertexAreasMm2[v];
      shown += mesh.vertexAreasMm2[v] * shows[v];
      if (shows[v] > shows[barest]) barest = v;
      let onRim = false;
      for (let k = mesh.neighbourStart[v]; k < mesh.neighbourStart[v + 1]; k++) {
        const u = mesh.neighbours[k];
        if (!isBare(u)) {
          onRim = true;
        } else if (!seen[u]) {
          seen[u] = 1;
          members.push(u);
        }
      }
      if (onRim) rim += mesh.meanEdgeMm;
    }
    if (area < SMALLEST_MM2) continue;
    // A long strip of width w and length l has area w l and rim 2 l.
    patches.push({
      vertex: barest,
      areaMm2: area,
      widthMm: Math.max(mesh.meanEdgeMm, (2 * area) / Math.max(rim, 1)),
      shows: shown / area,
    });
  }
  return patches.sort((a, b) => b.areaMm2 * b.shows - a.areaMm2 * a.shows);
}
