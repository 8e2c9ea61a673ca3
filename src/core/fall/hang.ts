/**
 * A strand off the head: its angle to the way in which things fall dies away over a bending length, so that it
 * leaves as it lay and hangs straight further down; where it would run into face, neck or shoulders it slides along them.
 * Without anything in its way the sideways reach has a closed form: b (Si(θ₀) - Si(θ₀ e^(-L/b))).
 */

import type { Vec3 } from '../geometry/index.ts';
import { acos, cos, exp, sin } from '../numerics/index.ts';

/** What is in the way: distance from it, negative inside, and the unit way out. */
export interface InTheWay {
  distance(x: number, y: number, z: number): number;
  /** Of the last place asked for. */
  readonly out: Float64Array;
}

export interface Hanging {
  /** Unit vector. */
  readonly down: Vec3;
  readonly bendMm: number;
  readonly stepMm: number;
  readonly body?: InTheWay;
  /** Kept from the body, mm. */
  readonly clearMm: number;
  /** The strand ends where this is true. */
  readonly ends?: (x: number, y: number, z: number) => boolean;
}

/**
 * @param points where the strand starts at index `from` (xyz at 3 × from); later points are written behind it.
 * @param direction unit vector in which it starts.
 * @returns index of its last point
 */
export function hang(
  points: Float64Array,
  from: number,
  direction: Vec3,
  lengthMm: number,
  { down, bendMm, stepMm, body, clearMm, ends }: Hanging,
): number {
  let x = points[3 * from];
  let y = points[3 * from + 1];
  let z = points[3 * from + 2];
  let [dx, dy, dz] = direction;
  let left = lengthMm;
  let n = from;
  const last = points.length / 3 - 1;
  while (left > 1e-6 && n < last) {
    const h = Math.min(stepMm, left);
    // Half a turn before the step and half after it: the midpoint rule of the angle law.
    for (let half = 0; half < 2; half++) {
      const along = Math.min(1, Math.max(-1, dx * down[0] + dy * down[1] + dz * down[2]));
      const angle = acos(along);
      const aside = sin(angle);
      if (aside > 1e-4) {
        const to = angle * exp(-h / (2 * bendMm));
        const a = sin(to) / aside;
        const b = cos(to) - a * along;
        dx = a * dx + b * down[0];
        dy = a * dy + b * down[1];
        dz = a * dz + b * down[2];
      }
      if (half === 1) break;
      x += h * dx;
      y += h * dy;
      z += h * dz;
    }
    if (body) {
      const away = body.distance(x, y, z);
      if (away < clearMm) {
        const [ox, oy, oz] = body.out;
        x += (clearMm - away) * ox;
        y += (clearMm - away) * oy;
        z += (clearMm - away) * oz;
        const into = dx * ox + dy * oy + dz * oz;
        if (into < 0) {
          dx -= into * ox;
          dy -= into * oy;
          dz -= into * oz;
          const l = Math.sqrt(dx * dx + dy * dy + dz * dz) || 1;
          dx /= l;
          dy /= l;
          dz /= l;
        }
      }
    }
    if (ends?.(x, y, z)) break;
    left -= h;
    n++;
    points[3 * n] = x;
    points[3 * n + 1] = y;
    points[3 * n + 2] = z;
  }
  return n;
}
