/**
 * Which way hair lies at every place of the scalp. Near the part it goes away from it, further off it follows
 * gravity, and never back across the part: T = A ∇d + (1 - A) g + e with A = max(exp(-(d/45)²), 1 - 0.85 |g|),
 * d the distance from the part, g gravity along the skin and e a wind; where T would turn back towards the part
 * it is raised until it doesn't. Our own construction: gravity alone pulls hair over a side part.
 */

import { distanceFrom, gradientAt, gradients, type SurfaceMesh, type Vec3 } from '../geometry/index.ts';
import { exp } from '../numerics/index.ts';
import { AT_REST, type HairState } from './state.ts';

/** Distance over which the part's pull on the direction fades, mm. */
const PART_REACH_MM = 45;
/** Distance over which a finger pushes hair aside, mm (guess). */
const FINGER_REACH_MM = 22;
/** Hair keeps at least this share of its way going away from the part. */
const LEAST_AWAY = 0.3;

/** Unit tangent at one vertex, at rest. */
export function fallDirection(mesh: SurfaceMesh, fromPart: Float64Array, vertex: number): Vec3 {
  const out = new Float64Array(3);
  const away = gradientAt(mesh, fromPart, vertex);
  wayInto(out, 0, mesh.normals, 3 * vertex, away, 0, fromPart[vertex], AT_REST);
  return [out[0], out[1], out[2]];
}

/** The same at every vertex, xyz interleaved, however she holds her head. */
export function fallWays(mesh: SurfaceMesh, fromPart: Float64Array, state: HairState): Float64Array {
  const away = gradients(mesh, fromPart);
  const out = new Float64Array(3 * mesh.vertexCount);
  for (let v = 0; v < mesh.vertexCount; v++) wayInto(out, 3 * v, mesh.normals, 3 * v, away, 3 * v, fromPart[v], state);
  if (!state.finger) return out;
  const fromFinger = distanceFrom(mesh, { pointsMm: state.finger });
  const aside = gradients(mesh, fromFinger);
  for (let v = 0; v < mesh.vertexCount; v++) pushAside(out, 3 * v, aside, fromFinger[v]);
  return out;
}

function wayInto(
  out: Float64Array,
  o: number,
  normals: ArrayLike<number>,
  n: number,
  away: ArrayLike<number>,
  a: number,
  fromPartMm: number,
  { gravity, wind }: HairState,
) {
  const nx = normals[n];
  const ny = normals[n + 1];
  const nz = normals[n + 2];
  const pull = gravity[0] * nx + gravity[1] * ny + gravity[2] * nz;
  const gx = gravity[0] - pull * nx;
  const gy = gravity[1] - pull * ny;
  const gz = gravity[2] - pull * nz;
  const steep = Math.sqrt(gx * gx + gy * gy + gz * gz);
  const near = fromPartMm / PART_REACH_MM;
  const A = Math.max(exp(-near * near), 1 - 0.85 * steep);
  const blow = wind[0] * nx + wind[1] * ny + wind[2] * nz;
  let x = A * away[a] + (1 - A) * gx + wind[0] - blow * nx;
  let y = A * away[a + 1] + (1 - A) * gy + wind[1] - blow * ny;
  let z = A * away[a + 2] + (1 - A) * gz + wind[2] - blow * nz;
  const along = x * away[a] + y * away[a + 1] + z * away[a + 2];
  if (along < LEAST_AWAY) {
    const lift = LEAST_AWAY - along;
    x += lift * away[a];
    y += lift * away[a + 1];
    z += lift * away[a + 2];
  }
  setUnit(out, o, x, y, z);
}

/** Beside the finger hair lies away from it. */
function pushAside(out: Float64Array, o: number, aside: Float64Array, fromFingerMm: number) {
  const near = fromFingerMm / FINGER_REACH_MM;
  const A = exp(-near * near);
  if (A < 0.01) return;
  setUnit(
    out,
    o,
    A * aside[o] + (1 - A) * out[o],
    A * aside[o + 1] + (1 - A) * out[o + 1],
    A * aside[o + 2] + (1 - A) * out[o + 2],
  );
}

function setUnit(out: Float64Array, o: number, x: number, y: number, z: number) {
  const l = Math.sqrt(x * x + y * y + z * z);
  out[o] = l > 0 ? x / l : 0;
  out[o + 1] = l > 0 ? y / l : -1;
  out[o + 2] = l > 0 ? z / l : 0;
}
