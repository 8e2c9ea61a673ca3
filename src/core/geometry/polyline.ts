/** Curves on a surface as polylines: the foot of a point on one. */
import type { SurfaceCurve } from './contour.ts';
import { between, pointAt, type Vec3 } from './vectors.ts';

export interface PlaceMm {
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
}

export interface Foot {
  /** At the foot, of what was given along the curve. */
  readonly u: number;
  readonly distance: number;
  /** The nearest point is an end of the curve. */
  readonly atEnd: boolean;
}

/** Every so manieth point tells roughly how near a curve comes. */
const STRIDE = 8;
/** Lengths along a curve are sums: they may be off by so much. */
const ROUNDING_MM = 1e-6;

/** Where a curve passes nearest to a place. @param u what is wanted along it, a value a point */
export function footOn(curve: SurfaceCurve, u: Float64Array, { xMm, yMm, zMm }: PlaceMm): Foot {
  const p = curve.pointsMm;
  const arc = curve.arcMm;
  const n = curve.pointCount;
  const awaySq = (i: number) => (p[3 * i] - xMm) ** 2 + (p[3 * i + 1] - yMm) ** 2 + (p[3 * i + 2] - zMm) ** 2;
  // No nearest point is farther than this; from one that is, as much of the curve can be passed over as it is farther.
  let bound = Infinity;
  for (let i = 0; i < n; i += STRIDE) bound = Math.min(bound, awaySq(i));
  bound = Math.sqrt(bound) + ROUNDING_MM;
  let best = Infinity;
  let at = 0;
  for (let i = 0; i < n; ) {
    const d = awaySq(i);
    if (d < best) {
      best = d;
      at = i;
    }
    const upTo = arc[i] + Math.sqrt(d) - bound;
    i++;
    while (i < n && arc[i] < upTo) i++;
  }
  let place = u[at];
  for (const next of [at - 1, at + 1]) {
    if (next < 0 || next >= curve.pointCount) continue;
    const ex = p[3 * next] - p[3 * at];
    const ey = p[3 * next + 1] - p[3 * at + 1];
    const ez = p[3 * next + 2] - p[3 * at + 2];
    const px = xMm - p[3 * at];
    const py = yMm - p[3 * at + 1];
    const pz = zMm - p[3 * at + 2];
    const lengthSq = ex * ex + ey * ey + ez * ez;
    // Two points of a curve coincide where it passes through a vertex of the mesh.
    if (lengthSq === 0) continue;
    const t = (px * ex + py * ey + pz * ez) / lengthSq;
    if (t <= 0 || t > 1) continue;
    const d = (px - t * ex) ** 2 + (py - t * ey) ** 2 + (pz - t * ez) ** 2;
    if (d >= best) continue;
    best = d;
    place = u[at] + t * (u[next] - u[at]);
  }
  const atEnd = !curve.closed && (at === 0 || at === curve.pointCount - 1);
  return { u: place, distance: Math.sqrt(best), atEnd };
}

export function arcNear(curve: SurfaceCurve, at: Vec3): number {
  const p = curve.pointsMm;
  let best = 0;
  let nearest = Infinity;
  for (let i = 0; i + 1 < curve.pointCount; i++) {
    const a = pointAt(p, i);
    const b = pointAt(p, i + 1);
    const way = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const l = way[0] ** 2 + way[1] ** 2 + way[2] ** 2;
    const t = l > 0 ? ((at[0] - a[0]) * way[0] + (at[1] - a[1]) * way[1] + (at[2] - a[2]) * way[2]) / l : 0;
    const share = Math.min(1, Math.max(0, t));
    const c = between(a, b, share);
    const d = (c[0] - at[0]) ** 2 + (c[1] - at[1]) ** 2 + (c[2] - at[2]) ** 2;
    if (d >= nearest) continue;
    nearest = d;
    best = curve.arcMm[i] + share * (curve.arcMm[i + 1] - curve.arcMm[i]);
  }
  return best;
}

export function lengthOf(p: Float64Array): number {
  let sum = 0;
  for (let i = 3; i < p.length; i += 3) {
    sum += Math.sqrt((p[i] - p[i - 3]) ** 2 + (p[i + 1] - p[i - 2]) ** 2 + (p[i + 2] - p[i - 1]) ** 2);
  }
  return sum;
}

/** So many points at equal steps along a way. */
export function resampled(p: Float64Array, count: number): Float64Array {
  const n = p.length / 3;
  const arc = new Float64Array(n);
  for (let i = 1; i < n; i++) {
    const d = Math.sqrt(
      (p[3 * i] - p[3 * i - 3]) ** 2 + (p[3 * i + 1] - p[3 * i - 2]) ** 2 + (p[3 * i + 2] - p[3 * i - 1]) ** 2,
    );
    arc[i] = arc[i - 1] + d;
  }
  const out = new Float64Array(3 * count);
  let i = 0;
  for (let k = 0; k < count; k++) {
    const at = (arc[n - 1] * k) / (count - 1);
    while (i + 2 < n && arc[i + 1] < at) i++;
    const t = arc[i + 1] > arc[i] ? Math.min(1, (at - arc[i]) / (arc[i + 1] - arc[i])) : 0;
    for (let c = 0; c < 3; c++) out[3 * k + c] = p[3 * i + c] + t * (p[3 * i + 3 + c] - p[3 * i + c]);
  }
  return out;
}
