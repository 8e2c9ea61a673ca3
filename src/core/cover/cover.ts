/**
 * What shows: all footprints together. Ribbons over each other multiply, which at random places is the coverage of
 * a Boolean model, 1 - exp(-density × area) (P. Hall, "Introduction to the Theory of Coverage Processes", Wiley
 * 1988, ch. 3; from memory). Looked at under an angle c the way through the hair is longer: of a share that shows
 * straight on, shows^(1/c) is left.
 */

import type { Footprint } from '../fall/index.ts';
import type { SurfaceMesh, Vec3 } from '../geometry/index.ts';
import { exp, log } from '../numerics/index.ts';

/** Share that shows straight on at every vertex. */
export function showing(vertexCount: number, footprints: Iterable<Footprint>): Float64Array {
  const shows = new Float64Array(vertexCount).fill(1);
  for (const { vertices, through } of footprints) {
    for (let i = 0; i < vertices.length; i++) shows[vertices[i]] *= through[i];
  }
  return shows;
}

/** Mean share hidden over the scalp where cover is owed; 1 where none is. */
export function hiddenShare(mesh: SurfaceMesh, shows: ArrayLike<number>, owed: Uint8Array): number {
  let hidden = 0;
  let area = 0;
  for (let v = 0; v < mesh.vertexCount; v++) {
    if (owed[v] === 0) continue;
    hidden += mesh.vertexAreasMm2[v] * (1 - shows[v]);
    area += mesh.vertexAreasMm2[v];
  }
  return area > 0 ? hidden / area : 1;
}

export const SIDES = ['top', 'front', 'left', 'right', 'behind'] as const;
export type Side = (typeof SIDES)[number];

/** Towards the viewer: x is her left, y up, z to the face. */
export const SIDE_TO_EYE: Readonly<Record<Side, Vec3>> = {
  top: [0, 1, 0],
  front: [0, 0, 1],
  left: [1, 0, 0],
  right: [-1, 0, 0],
  behind: [0, 0, -1],
};

/** Below this a place is seen so slantwise that it counts for nothing. */
const RIM = 0.05;
/** What shows less than this counts as hidden. */
const LEAST = 1e-4;

/** Natural logarithms of what shows, as `seenShare` takes them: once for all sides. */
export function logOf(shows: ArrayLike<number>): Float64Array {
  const out = new Float64Array(shows.length);
  for (let v = 0; v < out.length; v++) out[v] = shows[v] > LEAST ? log(shows[v]) : Number.NEGATIVE_INFINITY;
  return out;
}

/** Share of the scalp seen from one side that shows through the hair, by the area as it is seen. */
export function seenShare(mesh: SurfaceMesh, logShows: Float64Array, owed: Uint8Array, toEye: Vec3): number {
  const { normals, vertexAreasMm2 } = mesh;
  let seen = 0;
  let area = 0;
  for (let v = 0; v < mesh.vertexCount; v++) {
    if (owed[v] === 0) continue;
    const c = normals[3 * v] * toEye[0] + normals[3 * v + 1] * toEye[1] + normals[3 * v + 2] * toEye[2];
    if (c <= RIM) continue;
    const a = vertexAreasMm2[v] * c;
    area += a;
    if (logShows[v] > Number.NEGATIVE_INFINITY) seen += a * exp(logShows[v] / c);
  }
  return area > 0 ? seen / area : 0;
}
