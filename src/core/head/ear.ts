/** An ear that flares at its back edge: shell with its rolled rim, the ridge inside it, hollow, lobe and the fold in front. */
import { cos, sin } from '../numerics/index.ts';
import { ellipsoid, type Place, smoothMax, smoothMin } from './solids.ts';

const FLARE = [cos(0.42), sin(0.42)] as const;
const LEAN = [cos(-0.2), sin(-0.2)] as const;

/** Distance to the ear at either side, mm on a head of prior size. */
export function earDistance(x: number, y: number, z: number, earTop: Place): number {
  const X = Math.abs(x) - (earTop[0] + 5);
  const Y = y - (earTop[1] - 25);
  const Z = z - (earTop[2] - 7);
  const out = FLARE[0] * X + FLARE[1] * Z;
  const z1 = -FLARE[1] * X + FLARE[0] * Z;
  const up = LEAN[0] * Y - LEAN[1] * z1;
  const front = LEAN[1] * Y + LEAN[0] * z1;
  let d = ellipsoid(out, up - 4, front, 6, 27, 18);
  d = smoothMin(d, ellipsoid(out - 0.5, up + 21, front - 4, 5, 11, 8), 8);
  d = smoothMax(d, -ellipsoid(out - 7, up - 4.5, front - 1, 6, 21, 12.5), 4);
  // The rim: a roll along the edge of the shell, open where it meets the head.
  d = smoothMin(d, roll(out - 3.2, up - 4, front, 25, 16, 3.1) + 6 * Math.max(0, (front - 9) / 9), 3.5);
  // The ridge inside it.
  d = smoothMin(d, roll(out - 1.6, up - 2, front - 2, 15, 8, 2.4) + 5 * Math.max(0, (front - 4) / 7), 3);
  return smoothMin(d, ellipsoid(out - 1.5, up + 2, front - 12, 4, 7, 4), 4);
}

/** A roll along an ellipse in the plane of the ear. */
function roll(out: number, up: number, front: number, a: number, b: number, r: number): number {
  const k0 = Math.sqrt((up / a) ** 2 + (front / b) ** 2);
  const k1 = Math.sqrt((up / (a * a)) ** 2 + (front / (b * b)) ** 2);
  const aside = k1 < 1e-9 ? -b : (k0 * (k0 - 1)) / k1;
  return Math.sqrt(aside * aside + out * out) - r;
}
