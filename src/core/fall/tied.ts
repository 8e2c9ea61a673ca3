/**
 * Hair tied up, or the upper half of it: what is long enough is drawn along the head to a tie and falls from there;
 * shorter pieces stay as they fall. Our own construction: drawn hair takes the shortest way over the scalp.
 */
import { distanceFrom, gradients, type SurfaceMesh, type Vec3 } from '../geometry/index.ts';
import type { Landmarks } from '../head/index.ts';
import { cos, sin } from '../numerics/index.ts';
import type { Root } from './footprint.ts';
import { isTied, type WornAs } from './worn-as.ts';

export interface Tie {
  /** Over the scalp, at every vertex. */
  readonly fromTieMm: Float64Array;
  /** Where it sits, and which way is out. */
  readonly atMm: Vec3;
  readonly out: Vec3;
  /** Hair that grows below stays down. */
  readonly fromHeightMm: number;
}

/** Within so much of its middle hair is in the tie, mm. */
const TIE_MM = 14;
/** Nearer than this the way to it is a straight line, mm. */
const NEAR_MM = 48;
/** What sticks out of a tie by less is not held by it, mm (guess). */
const HELD_MM = 40;
/** Over the midline behind, so steeply above the middle of the head (by eye). */
const HIGH_DEG = 38;
const HALF_UP_DEG = 46;
/** The upper half begins so far above the top of the ear, mm. */
const ABOVE_EAR_MM = 12;
const RAD = Math.PI / 180;

/** @returns nothing where hair is worn down */
export function tieOf(
  as: WornAs | undefined,
  mesh: SurfaceMesh,
  { earTop }: Pick<Landmarks, 'earTop'>,
): Tie | undefined {
  if (!as || !isTied(as)) return undefined;
  const at = vertexTowards(mesh, (as === 'tiedUp' ? HIGH_DEG : HALF_UP_DEG) * RAD);
  const atMm = vec(mesh.positionsMm, at);
  const fromHeightMm = as === 'tiedUp' ? Number.NEGATIVE_INFINITY : earTop[1] + ABOVE_EAR_MM;
  return {
    fromTieMm: distanceFrom(mesh, { pointsMm: atMm }),
    atMm,
    out: vec(mesh.normals, at),
    fromHeightMm,
  };
}

/** Whether a piece is held by the tie: it is drawn there and long enough. */
export function isHeld({ fromTieMm, fromHeightMm }: Tie, root: Root, lengthMm: number): boolean {
  return root.yMm >= fromHeightMm && lengthMm > fromTieMm[root.vertex] + HELD_MM;
}

/** Drawn, by its place, whether long enough or not. */
export const isDrawn = ({ fromHeightMm }: Tie, root: Root) => root.yMm >= fromHeightMm;

/** Ways straight to the tie, xyz interleaved; none within it. */
export function waysToTie(mesh: SurfaceMesh, { fromTieMm, atMm }: Tie): Float64Array {
  const ways = gradients(mesh, fromTieMm);
  const { positionsMm: p, normals } = mesh;
  const inTie = Math.max(TIE_MM, 1.5 * mesh.meanEdgeMm);
  for (let v = 0; v < mesh.vertexCount; v++) {
    const o = 3 * v;
    // Near the tie the field is too pointed for a mesh: there it is the straight line, along the skin.
    const isNear = fromTieMm[v] < NEAR_MM;
    const to = [0, 1, 2].map((c) => (isNear ? atMm[c] - p[o + c] : -ways[o + c]));
    const into = to[0] * normals[o] + to[1] * normals[o + 1] + to[2] * normals[o + 2];
    for (let c = 0; c < 3; c++) to[c] -= into * normals[o + c];
    const l = Math.sqrt(to[0] ** 2 + to[1] ** 2 + to[2] ** 2);
    for (let c = 0; c < 3; c++) ways[o + c] = fromTieMm[v] < inTie || l === 0 ? 0 : to[c] / l;
  }
  return ways;
}

/** A strand leaves the tie outwards, each a little to another side: they fill a cone. @param nth strand that comes out of it */
export function outOfTie({ out }: Tie, nth: number): Vec3 {
  // The golden angle: no two beside each other, however many there are.
  const round = 2.399963 * nth;
  const wide = 0.45 * Math.sqrt(((nth * 0.618034) % 1) + 0.02);
  const aside: Vec3 = [1, 0, 0];
  const up: Vec3 = [0, out[2], -out[1]];
  const v = [0, 1, 2].map((c) => out[c] + wide * (cos(round) * aside[c] + sin(round) * up[c]));
  const l = Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
  return [v[0] / l, v[1] / l, v[2] / l];
}

/** The vertex furthest in a direction behind the head. */
function vertexTowards({ positionsMm: p, vertexCount }: SurfaceMesh, elevationRad: number): number {
  const y = sin(elevationRad);
  const z = -cos(elevationRad);
  let best = 0;
  let most = Number.NEGATIVE_INFINITY;
  for (let v = 0; v < vertexCount; v++) {
    const l = Math.sqrt(p[3 * v] ** 2 + p[3 * v + 1] ** 2 + p[3 * v + 2] ** 2);
    const towards = (y * p[3 * v + 1] + z * p[3 * v + 2]) / l;
    if (towards > most) {
      most = towards;
      best = v;
    }
  }
  return best;
}

const vec = (a: ArrayLike<number>, v: number): Vec3 => [a[3 * v], a[3 * v + 1], a[3 * v + 2]];
