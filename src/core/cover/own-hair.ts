/** Own hair that stays in sight, laid by the same stamps as pieces are. */
import type { Footprint } from '../fall/index.ts';
import type { SurfaceMesh, VertexBalls } from '../geometry/index.ts';
import type { HairOnScalp } from '../hair/index.ts';
import { FootprintMaker } from './footprint.ts';

/** A strand of own hair as it lies, and the scalp that it stands for (guesses). */
export const OWN_STRAND = {
  count: 2,
  widthMm: 12,
  opacity: 0.4,
  fanRad: 0.4,
  fanReachMm: 60,
  springs: false,
} as const;
const OWN_STRAND_MM2 = 80;
/** Scalp of a vertex over the square of the mean edge: a mesh of equilateral triangles. */
const VERTEX_AREA = 0.87;

/** @param sight 1 where own hair stays in sight, at every vertex */
export function ownHairPrints(
  mesh: SurfaceMesh,
  ownHairInSight: Uint8Array,
  { regionOf, regions }: HairOnScalp,
  ways: Float64Array,
  balls: VertexBalls,
): Footprint[] {
  const maker = new FootprintMaker(mesh, ways, balls);
  // One strand stands for so much scalp.
  const each = Math.max(1, Math.round(OWN_STRAND_MM2 / (VERTEX_AREA * mesh.meanEdgeMm ** 2)));
  const p = mesh.positionsMm;
  const prints: Footprint[] = [];
  for (let v = 0; v < mesh.vertexCount; v += each) {
    if (ownHairInSight[v] === 0) continue;
    const root = { xMm: p[3 * v], yMm: p[3 * v + 1], zMm: p[3 * v + 2], vertex: v };
    prints.push(maker.of(root, { ...OWN_STRAND, lengthMm: regions[regionOf[v]].lengthMm }));
  }
  return prints;
}
