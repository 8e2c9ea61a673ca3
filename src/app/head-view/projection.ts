/** Orthographic view of the head: from mm in the head's frame to pixels on the stage. */
import type { Vec3 } from '../../core/geometry/index.ts';
import type { ViewAngle } from '../view/angle.ts';
import type { Frame, Stage } from './framing.ts';

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

export function projection(
  { azimuth: a, elevation: e }: ViewAngle,
  { width, height }: Stage,
  frame: Frame,
  mirror: boolean,
): Projection {
  return {
    ...frame,
    toEye: [Math.sin(a) * Math.cos(e), Math.sin(e), Math.cos(a) * Math.cos(e)],
    right: [Math.cos(a), 0, -Math.sin(a)],
    up: [-Math.sin(a) * Math.sin(e), Math.cos(e), -Math.cos(a) * Math.sin(e)],
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
  if (gravity[0] === 0 && gravity[2] === 0) return view;
  const turned = bend(gravity, 1);
  return { ...view, right: turned(view.right), up: turned(view.up), toEye: turned(view.toEye) };
}

/** Where a point of a bent head is in the room, whose down is down. */
export const inRoom = (gravity: V3) => bend(gravity, -1);

/** The shortest turn that brings straight down to where things fall, or back: axis down × gravity, angle between them. */
function bend([gx, gy, gz]: V3, way: 1 | -1): (v: V3) => V3 {
  const cos = -gy;
  const sin = way * Math.sqrt(gx * gx + gz * gz);
  if (Math.abs(sin) < 1e-6) return (v) => v;
  const [kx, kz] = [(-gz * way) / sin, (gx * way) / sin];
  return (v) => {
    const along = kx * v[0] + kz * v[2];
    const cross: V3 = [-kz * v[1], kz * v[0] - kx * v[2], kx * v[1]];
    return [
      v[0] * cos + cross[0] * sin + kx * along * (1 - cos),
      v[1] * cos + cross[1] * sin,
      v[2] * cos + cross[2] * sin + kz * along * (1 - cos),
    ];
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
