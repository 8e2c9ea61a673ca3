/** Orthographic view of the head: from mm in the head's frame to pixels on the stage. */
import type { Vec3 } from '../../core/geometry/vectors.ts';
import type { ViewAngle } from '../state/view-store.ts';

export type V3 = Vec3;

export interface Projection {
  readonly right: V3;
  readonly up: V3;
  /** Towards the viewer. */
  readonly toEye: V3;
  readonly pxPerMm: number;
  readonly centreX: number;
  readonly centreY: number;
  readonly width: number;
  readonly height: number;
  /** -1 as in a mirror. */
  readonly flip: 1 | -1;
}

/** Head height on the stage: pixels per mm for each pixel of stage height. */
const MM_SHARE = 0.0038;
/** A taller stage gives air, not a larger head. */
const LARGEST_PX = 540;
/** Where the head's middle stands, as a share of the stage: right of the middle, since words stand at the left. */
const CENTRE = { x: 0.61, y: 0.47 };

export function projection(
  angle: ViewAngle,
  width: number,
  height: number,
  mirror: boolean,
  centre: { readonly x: number; readonly y: number } = CENTRE,
  mmShare = MM_SHARE,
): Projection {
  const { azimuth: a, elevation: e } = angle;
  const toEye: V3 = [Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e)];
  const right: V3 = [Math.cos(a), 0, -Math.sin(a)];
  const up: V3 = [-Math.sin(a) * Math.sin(e), Math.cos(e), -Math.cos(a) * Math.sin(e)];
  return {
    right,
    up,
    toEye,
    pxPerMm: Math.min(height, LARGEST_PX) * mmShare,
    centreX: width * centre.x,
    // Seen from above the head's middle moves to the middle of the stage.
    centreY: height * (centre.y + (0.52 - centre.y) * Math.max(0, Math.sin(e)) ** 2),
    width,
    height,
    flip: mirror ? -1 : 1,
  };
}

export function dot(p: ArrayLike<number>, i: number, v: V3): number {
  return p[i] * v[0] + p[i + 1] * v[1] + p[i + 2] * v[2];
}

export function screenX(c: Projection, p: ArrayLike<number>, i = 0): number {
  return c.centreX + c.flip * c.pxPerMm * dot(p, i, c.right);
}

export function screenY(c: Projection, p: ArrayLike<number>, i = 0): number {
  return c.centreY - c.pxPerMm * dot(p, i, c.up);
}

/** How much a surface faces the viewer: 1 straight on, 0 at the rim, negative behind. */
export function facing(c: Projection, normals: ArrayLike<number>, i = 0): number {
  return dot(normals, i, c.toEye);
}
