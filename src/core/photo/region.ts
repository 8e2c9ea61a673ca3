/** Where the scalp is in a photo: two taps on landmarks lay her own head over it, moved, turned and sized. */
import { polygonHull } from 'd3-polygon';
import { SIDE_TO_EYE, type Side } from '../cover/index.ts';
import type { Vec3 } from '../geometry/index.ts';
import type { Landmarks } from '../head/index.ts';

export const TAP_PAIRS = ['crownNape', 'ears', 'crownEar'] as const;
export type TapPair = (typeof TAP_PAIRS)[number];
type Pixel = readonly [x: number, y: number];

/** What can be tapped from a side, what is found most easily first. */
export const PAIRS_OF: Readonly<Record<'behind' | 'left' | 'right', readonly TapPair[]>> = {
  behind: ['crownNape', 'ears'],
  left: ['crownNape', 'crownEar'],
  right: ['crownNape', 'crownEar'],
};
export type PhotoSide = keyof typeof PAIRS_OF;

export interface HeadOutside {
  readonly positions: ArrayLike<number>;
  readonly normals: ArrayLike<number>;
  readonly triangles: ArrayLike<number>;
  /** Negative on bare skin, mm. */
  readonly aboveHairlineMm: ArrayLike<number>;
}

/** From mm on the head to pixels: x' = a·u − b·v + e, y' = −b·u − a·v + f with u to the right and v up. */
export interface Laid {
  readonly a: number;
  readonly b: number;
  readonly e: number;
  readonly f: number;
}

/** To the right and up in a photo from a side. */
export function axesOf(side: Side): readonly [right: Vec3, up: Vec3] {
  const [x, y, z] = SIDE_TO_EYE[side];
  return y > 0.5
    ? [
        [-1, 0, 0],
        [0, 0, 1],
      ]
    : [
        [z, 0, 0 - x],
        [0, 1, 0],
      ];
}

export function flat([right, up]: readonly [Vec3, Vec3], p: ArrayLike<number>, i = 0): readonly [number, number] {
  return [
    right[0] * p[i] + right[1] * p[i + 1] + right[2] * p[i + 2],
    up[0] * p[i] + up[1] * p[i + 1] + up[2] * p[i + 2],
  ];
}

/** The two places of a pair, in the order in which they are tapped; from behind and from the front her left ear first. */
export function placesOf(pair: TapPair, side: PhotoSide, mark: Landmarks): readonly [Vec3, Vec3] {
  const [x, y, z] = mark.earTop;
  const rightEar: Vec3 = [0 - x, y, z];
  if (pair === 'ears') return [mark.earTop, rightEar];
  return [mark.crown, pair === 'crownNape' ? mark.napeHairline : side === 'right' ? rightEar : mark.earTop];
}

/** Taps closer than this tell nothing, pixels. */
const LEAST_APART = 20;

/** @throws RangeError where both taps are at one place */
export function layHead(side: PhotoSide, [p, q]: readonly [Vec3, Vec3], [from, to]: readonly [Pixel, Pixel]): Laid {
  const axes = axesOf(side);
  const [u1, v1] = flat(axes, p);
  const [u2, v2] = flat(axes, q);
  const [du, dv] = [u2 - u1, v2 - v1];
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  if (dx * dx + dy * dy < LEAST_APART * LEAST_APART)
    throw new RangeError('The two places lie on each other: tap them apart.');
  const l = du * du + dv * dv;
  const a = (dx * du - dy * dv) / l;
  const b = -(dx * dv + dy * du) / l;
  return { a, b, e: from[0] - a * u1 + b * v1, f: from[1] + b * u1 + a * v1 };
}

/** Less than this towards the eye is seen so slantwise that it tells nothing. */
const RIM = 0.05;

/** Pixels on which hair-bearing scalp faces the eye, 1; all others 0. */
export function scalpMask(head: HeadOutside, side: PhotoSide, laid: Laid, width: number, height: number): Uint8Array {
  const mask = new Uint8Array(width * height);
  const axes = axesOf(side);
  const eye = SIDE_TO_EYE[side];
  const { positions: p, normals: n, triangles: t, aboveHairlineMm: above } = head;
  const x = new Float64Array(p.length / 3);
  const y = new Float64Array(p.length / 3);
  const isSeen = new Uint8Array(p.length / 3);
  for (let v = 0; v < x.length; v++) {
    const [u, w] = flat(axes, p, 3 * v);
    x[v] = laid.a * u - laid.b * w + laid.e;
    y[v] = -laid.b * u - laid.a * w + laid.f;
    const facing = n[3 * v] * eye[0] + n[3 * v + 1] * eye[1] + n[3 * v + 2] * eye[2];
    isSeen[v] = facing > RIM && above[v] >= 0 ? 1 : 0;
  }
  for (let i = 0; i < t.length; i += 3) {
    const [a, b, c] = [t[i], t[i + 1], t[i + 2]];
    if (isSeen[a] & isSeen[b] & isSeen[c]) fill(mask, width, height, [x[a], y[a]], [x[b], y[b]], [x[c], y[c]]);
  }
  return mask;
}

/** Where the scalp ends in a photo, as a polygon round all that faces the eye: for her, to see whether it fits. */
export function scalpOutline(head: HeadOutside, side: PhotoSide, laid: Laid): Array<readonly [number, number]> {
  const axes = axesOf(side);
  const eye = SIDE_TO_EYE[side];
  const { positions: p, normals: n, aboveHairlineMm: above } = head;
  const points: Array<[number, number]> = [];
  for (let v = 0; v < above.length; v++) {
    if (above[v] < 0 || n[3 * v] * eye[0] + n[3 * v + 1] * eye[1] + n[3 * v + 2] * eye[2] <= RIM) continue;
    const [u, w] = flat(axes, p, 3 * v);
    points.push([laid.a * u - laid.b * w + laid.e, -laid.b * u - laid.a * w + laid.f]);
  }
  return polygonHull(points) ?? [];
}

function fill(mask: Uint8Array, width: number, height: number, a: Pixel, b: Pixel, c: Pixel) {
  const top = Math.max(0, Math.floor(Math.min(a[1], b[1], c[1])));
  const foot = Math.min(height - 1, Math.ceil(Math.max(a[1], b[1], c[1])));
  const left = Math.max(0, Math.floor(Math.min(a[0], b[0], c[0])));
  const right = Math.min(width - 1, Math.ceil(Math.max(a[0], b[0], c[0])));
  const area = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
  if (area === 0) return;
  const edge = (p: Pixel, q: Pixel, x: number, y: number) =>
    ((q[0] - p[0]) * (y - p[1]) - (q[1] - p[1]) * (x - p[0])) / area;
  for (let y = top; y <= foot; y++) {
    for (let x = left; x <= right; x++) {
      const [px, py] = [x + 0.5, y + 0.5];
      if (edge(a, b, px, py) >= 0 && edge(b, c, px, py) >= 0 && edge(c, a, px, py) >= 0) mask[y * width + x] = 1;
    }
  }
}
