/** Signed distances that a bust is joined from, and smooth joins. Smooth minimum: I. Quilez' polynomial form (k/4 at the join). */
import { exp } from '../numerics/index.ts';

export type Place = readonly [x: number, y: number, z: number];

export function smoothMin(a: number, b: number, k: number): number {
  const h = Math.max(0, k - Math.abs(a - b)) / k;
  return Math.min(a, b) - h * h * k * 0.25;
}

export const smoothMax = (a: number, b: number, k: number) => -smoothMin(-a, -b, k);

/** A soft crease in a surface: deepest on a curve, gone two widths away. @param away from the curve */
export const crease = (away: number, depth: number, width: number) => depth * exp(-((away / width) ** 2));

export function ellipsoid(x: number, y: number, z: number, a: number, b: number, c: number): number {
  const k0 = Math.sqrt((x / a) ** 2 + (y / b) ** 2 + (z / c) ** 2);
  const k1 = Math.sqrt((x / (a * a)) ** 2 + (y / (b * b)) ** 2 + (z / (c * c)) ** 2);
  return k1 < 1e-9 ? -Math.min(a, b, c) : (k0 * (k0 - 1)) / k1;
}

export function capsule(x: number, y: number, z: number, a: Place, b: Place, ra: number, rb: number): number {
  const bx = b[0] - a[0];
  const by = b[1] - a[1];
  const bz = b[2] - a[2];
  const px = x - a[0];
  const py = y - a[1];
  const pz = z - a[2];
  const h = Math.min(1, Math.max(0, (px * bx + py * by + pz * bz) / (bx * bx + by * by + bz * bz)));
  return Math.sqrt((px - bx * h) ** 2 + (py - by * h) ** 2 + (pz - bz * h) ** 2) - (ra + (rb - ra) * h);
}
