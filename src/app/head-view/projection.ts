/** Orthographic view of the head: from mm in the head's frame to pixels on the stage. */
import type { Vec3 } from '../../core/geometry/index.ts';
import type { ViewAngle } from '../view/view-store.ts';

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

/**
 * The same view of a head that is bent: things fall down the screen whatever way she holds it.
 *
 * @param gravity unit vector in which things fall, in the frame of the head
 */
export function bentBy(view: Projection, gravity: V3): Projection {
  const [gx, gy, gz] = gravity;
  // The shortest turn that brings straight down to where things fall: axis down × gravity, angle between them.
  const cos = -gy;
  const axis: V3 = [-gz, 0, gx];
  const sin = Math.sqrt(gx * gx + gz * gz);
  if (sin < 1e-6) return view;
  const [kx, , kz] = [axis[0] / sin, 0, axis[2] / sin];
  const turned = (v: V3): V3 => {
    const along = kx * v[0] + kz * v[2];
    const cross: V3 = [-kz * v[1], kz * v[0] - kx * v[2], kx * v[1]];
    return [
      v[0] * cos + cross[0] * sin + kx * along * (1 - cos),
      v[1] * cos + cross[1] * sin,
      v[2] * cos + cross[2] * sin + kz * along * (1 - cos),
    ];
  };
  return { ...view, right: turned(view.right), up: turned(view.up), toEye: turned(view.toEye) };
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
