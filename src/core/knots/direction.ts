/**
 * Which way hair falls from a knot and which way the hook is pushed. Fall: away from the part near it, with
 * gravity further off, never back across the part. The hook is pushed the way the hair should fall; for a
 * one-leg knot towards the part, from the side that the free leg will cover (common practice).
 */
import { gradientAt } from '../geometry/gradient.ts';
import type { SurfaceMesh } from '../geometry/surface-mesh.ts';
import type { Entry } from './rules.ts';

export type Vector = readonly [x: number, y: number, z: number];

/** Distance over which the part's pull on the direction fades, mm. */
const PART_REACH_MM = 45;
/** Hair keeps at least this share of its way going away from the part. */
const LEAST_AWAY = 0.3;

export function fallDirection(mesh: SurfaceMesh, fromPart: Float64Array, vertex: number): Vector {
  const away = gradientAt(mesh, fromPart, vertex);
  const n = [mesh.normals[3 * vertex], mesh.normals[3 * vertex + 1], mesh.normals[3 * vertex + 2]];
  // Gravity (0, -1, 0) less its part along the normal.
  const down: Vector = [n[1] * n[0], -1 + n[1] * n[1], n[1] * n[2]];
  const steep = Math.sqrt(down[0] ** 2 + down[1] ** 2 + down[2] ** 2);
  const pull = Math.max(Math.exp(-((fromPart[vertex] / PART_REACH_MM) ** 2)), 1 - 0.85 * steep);
  let t: Vector = [
    pull * away[0] + (1 - pull) * down[0],
    pull * away[1] + (1 - pull) * down[1],
    pull * away[2] + (1 - pull) * down[2],
  ];
  const along = t[0] * away[0] + t[1] * away[1] + t[2] * away[2];
  if (along < LEAST_AWAY) {
    const lift = LEAST_AWAY - along;
    t = [t[0] + lift * away[0], t[1] + lift * away[1], t[2] + lift * away[2]];
  }
  const l = Math.sqrt(t[0] ** 2 + t[1] ** 2 + t[2] ** 2);
  return l > 0 ? [t[0] / l, t[1] / l, t[2] / l] : [0, -1, 0];
}

/** The way the hook is pushed for each way in. */
export function hookDirection(fall: Vector, entry: Entry): Vector {
  switch (entry) {
    // `0 -` rather than unary minus, so that no component becomes a negative zero.
    case 'fromCoveredSide':
    case 'across':
      return [0 - fall[0], 0 - fall[1], 0 - fall[2]];
    case 'fromTheFront':
      return [0, 0, -1];
    default:
      return fall;
  }
}

/** A direction in the wearer's own words: the strongest way, and a second where it matters. */
export function directionWords(v: Vector): string {
  const ways: Array<[number, string]> = [
    [Math.abs(v[0]), v[0] > 0 ? 'to your left' : 'to your right'],
    [Math.abs(v[1]), v[1] > 0 ? 'up' : 'down'],
    [Math.abs(v[2]), v[2] > 0 ? 'forward' : 'back'],
  ];
  ways.sort((a, b) => b[0] - a[0]);
  return ways[1][0] > 0.5 * ways[0][0] ? `${ways[0][1]} and ${ways[1][1]}` : ways[0][1];
}
