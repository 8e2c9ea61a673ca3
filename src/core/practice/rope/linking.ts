/** How often one closed curve goes round another: crossings as they are seen, each with its sign, halved. */
import type { Points } from './curve.ts';

/** Looked at a little aslant, so that nothing lies straight behind something else. */
const TILT = { x: 0.137, y: 0.0713 };

/**
 * Linking number of two closed polygons (half the sum of signed crossings in a projection: Rolfsen, Knots and Links, 1976, ch. 5;
 * from memory); the last point is joined to the first.
 *
 * @param a n × 3 @param b m × 3; they may not touch
 */
export function linkingNumber(a: Points, b: Points): number {
  let sum = 0;
  const [n, m] = [a.length / 3, b.length / 3];
  for (let i = 0; i < n; i++) for (let j = 0; j < m; j++) sum += crossing(a, i, (i + 1) % n, b, j, (j + 1) % m);
  return sum / 2;
}

function crossing(a: Points, i: number, i2: number, b: Points, j: number, j2: number): number {
  const [px, py] = seen(a, i);
  const [qx, qy] = seen(a, i2);
  const [rx, ry] = seen(b, j);
  const [sx, sy] = seen(b, j2);
  const across = (qx - px) * (sy - ry) - (qy - py) * (sx - rx);
  if (across === 0) return 0;
  const t = ((rx - px) * (sy - ry) - (ry - py) * (sx - rx)) / across;
  const u = ((rx - px) * (qy - py) - (ry - py) * (qx - px)) / across;
  if (t < 0 || t >= 1 || u < 0 || u >= 1) return 0;
  const za = a[3 * i + 2] + t * (a[3 * i2 + 2] - a[3 * i + 2]);
  const zb = b[3 * j + 2] + u * (b[3 * j2 + 2] - b[3 * j + 2]);
  return Math.sign(across) * (za > zb ? 1 : -1);
}

const seen = (p: Points, i: number): readonly [number, number] => [
  p[3 * i] + TILT.x * p[3 * i + 2],
  p[3 * i + 1] + TILT.y * p[3 * i + 2],
];
