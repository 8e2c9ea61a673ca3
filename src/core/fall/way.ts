/**
 * Which way hair lies at every place of the scalp. Near the part it goes away from it, further off it follows
 * gravity, and never back across the part: T = A ∇d + (1 - A) g + e with A = max(exp(-(d/45)²), 1 - 0.85 |g|),
 * d the distance from the part, g gravity along the skin and e a wind; where T would turn back towards the part
 * it is raised until it doesn't. Our own construction: gravity alone pulls hair over a side part.
 */
import { gradientAt } from '../geometry/gradient.ts';
import type { SurfaceMesh } from '../geometry/surface-mesh.ts';
import type { Vec3 } from '../geometry/vectors.ts';

/** How she holds her head, and what moves her hair. Directions in the frame of the head. */
export interface HairState {
  /** Unit vector in which things fall. */
  readonly gravity: Vec3;
  /** Added to the way of the hair; its length against 1 is the strength of the wind. */
  readonly wind: Vec3;
  /** A line along which a finger parts the hair: how far every place lies from it, mm. */
  readonly fromFinger?: Float64Array;
}

export const AT_REST: HairState = { gravity: [0, -1, 0], wind: [0, 0, 0] };

/** Distance over which the part's pull on the direction fades, mm. */
const PART_REACH_MM = 45;
/** Distance over which a finger pushes hair aside, mm (guess). */
const FINGER_REACH_MM = 22;
/** Hair keeps at least this share of its way going away from the part. */
const LEAST_AWAY = 0.3;

/** Unit tangent at one vertex. */
export function fallDirection(
  mesh: SurfaceMesh,
  fromPart: Float64Array,
  vertex: number,
  state: HairState = AT_REST,
): Vec3 {
  const away = gradientAt(mesh, fromPart, vertex);
  const out = new Float64Array(3);
  wayInto(out, 0, mesh.normals, 3 * vertex, away, 0, fromPart[vertex], state);
  if (state.fromFinger) pushAside(out, 0, gradientAt(mesh, state.fromFinger, vertex), 0, state.fromFinger[vertex]);
  return [out[0], out[1], out[2]];
}

/** The same at every vertex, xyz interleaved. */
export function fallWays(mesh: SurfaceMesh, fromPart: Float64Array, state: HairState = AT_REST): Float64Array {
  const away = gradients(mesh, fromPart);
  const out = new Float64Array(3 * mesh.vertexCount);
  for (let v = 0; v < mesh.vertexCount; v++) wayInto(out, 3 * v, mesh.normals, 3 * v, away, 3 * v, fromPart[v], state);
  if (state.fromFinger) {
    const aside = gradients(mesh, state.fromFinger);
    for (let v = 0; v < mesh.vertexCount; v++) pushAside(out, 3 * v, aside, 3 * v, state.fromFinger[v]);
  }
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
  const A = Math.max(Math.exp(-near * near), 1 - 0.85 * steep);
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
function pushAside(out: Float64Array, o: number, aside: ArrayLike<number>, a: number, fromFingerMm: number) {
  const near = fromFingerMm / FINGER_REACH_MM;
  const A = Math.exp(-near * near);
  if (A < 0.01) return;
  setUnit(
    out,
    o,
    A * aside[a] + (1 - A) * out[o],
    A * aside[a + 1] + (1 - A) * out[o + 1],
    A * aside[a + 2] + (1 - A) * out[o + 2],
  );
}

function setUnit(out: Float64Array, o: number, x: number, y: number, z: number) {
  const l = Math.sqrt(x * x + y * y + z * z);
  out[o] = l > 0 ? x / l : 0;
  out[o + 1] = l > 0 ? y / l : -1;
  out[o + 2] = l > 0 ? z / l : 0;
}

/** Unit gradients of a field at all vertices: area-weighted means over the triangles round each. */
function gradients(mesh: SurfaceMesh, field: Float64Array): Float64Array {
  const { positionsMm: p, triangles, triangleAreasMm2 } = mesh;
  const out = new Float64Array(3 * mesh.vertexCount);
  for (let t = 0; t < mesh.triangleCount; t++) {
    const a = triangles[3 * t];
    const b = triangles[3 * t + 1];
    const c = triangles[3 * t + 2];
    const ux = p[3 * b] - p[3 * a];
    const uy = p[3 * b + 1] - p[3 * a + 1];
    const uz = p[3 * b + 2] - p[3 * a + 2];
    const vx = p[3 * c] - p[3 * a];
    const vy = p[3 * c + 1] - p[3 * a + 1];
    const vz = p[3 * c + 2] - p[3 * a + 2];
    const E = ux * ux + uy * uy + uz * uz;
    const F = ux * vx + uy * vy + uz * vz;
    const G = vx * vx + vy * vy + vz * vz;
    const du = field[b] - field[a];
    const dv = field[c] - field[a];
    const w = triangleAreasMm2[t] / (E * G - F * F);
    const alongU = w * (G * du - F * dv);
    const alongV = w * (E * dv - F * du);
    const gx = alongU * ux + alongV * vx;
    const gy = alongU * uy + alongV * vy;
    const gz = alongU * uz + alongV * vz;
    for (let k = 3 * t; k < 3 * t + 3; k++) {
      const v = 3 * triangles[k];
      out[v] += gx;
      out[v + 1] += gy;
      out[v + 2] += gz;
    }
  }
  for (let v = 0; v < out.length; v += 3) {
    const l = Math.sqrt(out[v] * out[v] + out[v + 1] * out[v + 1] + out[v + 2] * out[v + 2]);
    if (l === 0) continue;
    out[v] /= l;
    out[v + 1] /= l;
    out[v + 2] /= l;
  }
  return out;
}
