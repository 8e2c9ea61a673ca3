/**
 * A mannequin's face, nobody's portrait: brow, closed lids, nose with wings, lips, chin and jaw, joined on to a head by
 * smooth unions. Alike on both sides. Radii by eye, mm on a head of prior size.
 */
import { capsule, crease, ellipsoid, smoothMax, smoothMin } from './solids.ts';

/** What is finest of the face lies in it, mm on a head of prior size. */
export const FACE_BOX = { min: [-50, -104, 70], max: [50, 2, 128] } as const;

/** @param d distance of the head so far @param sided x, either side of the middle */
export function withFace(d: number, sided: number, y: number, z: number): number {
  const x = Math.abs(sided);
  let f = smoothMin(d, ellipsoid(x, y + 44, z - 44, 61, 66, 56), 26);
  f = smoothMin(f, ellipsoid(x, y + 92, z - 62, 30, 22, 32), 30);
  f = smoothMin(f, capsule(x, y, z, [52, -58, 8], [14, -104, 78], 13, 13), 26);
  f = smoothMin(f, ellipsoid(x, y + 106, z - 86, 15, 10, 10), 18);
  // A part whose join can't reach this place is left out.
  if (z < 56 || Math.abs(f) > 30) return f;
  if (y > -50 && y < 14) f = withEye(f, x, y, z);
  if (x < 36 && y > -86 && y < 4) f = withNose(f, x, y, z);
  return x < 44 && y < -60 ? withMouth(f, x, y, z) : f;
}

/** How far from a line that is drawn on the face from the front. */
const drawn = (x: number, y: number, a: readonly [number, number], b: readonly [number, number]) =>
  capsule(x, y, 0, [...a, 0], [...b, 0], 0, 0);

/** A hollow under the brow, the closed lid in it, and the line where it rests. */
function withEye(d: number, x: number, y: number, z: number): number {
  let f = smoothMin(d, capsule(x, y, z, [13, -9, 94], [42, -7, 82], 5.5, 4.5), 12);
  f = smoothMax(f, -ellipsoid(x - 29, y + 25, z - 104, 19, 12, 11), 10);
  f = smoothMin(f, ellipsoid(x - 30, y + 25.5, z - 81, 15.5, 10.5, 13.5), 4);
  const rests = Math.min(drawn(x, y, [17, -28], [30, -32.2]), drawn(x, y, [30, -32.2], [43, -27.5]));
  const fold = drawn(x, y, [18, -18.5], [43, -18]);
  return f + crease(rests, 1.7, 1.7) + crease(fold, 0.6, 2.6);
}

function withNose(d: number, x: number, y: number, z: number): number {
  let f = smoothMin(d, capsule(x, y, z, [0, -16, 94], [0, -54, 108], 5.5, 7), 11);
  f = smoothMin(f, ellipsoid(x, y + 60, z - 109, 9, 8, 9), 7);
  f = smoothMin(f, ellipsoid(x - 11, y + 62.5, z - 102, 6, 6, 8), 5);
  return f + crease(capsule(x, y, z, [5, -68.6, 109], [6.5, -68.4, 104], 0, 0), 2.6, 2.6);
}

function withMouth(d: number, x: number, y: number, z: number): number {
  let f = smoothMin(d, ellipsoid(x, y + 83, z - 80, 27, 16, 19), 12);
  f += crease(drawn(x, y, [0, -72], [0, -77]), 0.8, 3);
  f = smoothMax(f, -ellipsoid(x, y + 97, z - 107, 15, 4, 8), 9);
  const upper = Math.min(
    capsule(x, y, z, [3, -80, 97.4], [20, -83.6, 91], 4.8, 1.6),
    ellipsoid(x, y + 81, z - 97.4, 4, 4, 4.6),
  );
  f = smoothMin(f, upper, 3);
  f = smoothMin(f, capsule(x, y, z, [0, -89.8, 95], [17, -87, 90.5], 6.4, 2.2), 3);
  return f + crease(drawn(x, y, [0, -84.9], [21, -84.2]), 1.1, 1.5);
}
