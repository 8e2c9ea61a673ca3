/** Lines and colours that everything drawn over the picture shares. */

import { token } from '../../ui/tokens.ts';
import { dot, type Projection, screenX, screenY } from '../projection.ts';

/** Below this facing a thread is at the rim and no longer drawn. */
export const RIM = 0.06;

/** Lines without normals: near enough, the head faces the way its points lie from its middle. */
export function looseLine(view: Projection, p: Float32Array, lift = 0): Path2D {
  const path = new Path2D();
  let drawing = false;
  for (let i = 0; i < p.length; i += 3) {
    const l = Math.sqrt(p[i] ** 2 + p[i + 1] ** 2 + p[i + 2] ** 2) || 1;
    const out = [p[i] * (1 + lift / l), p[i + 1] * (1 + lift / l), p[i + 2] * (1 + lift / l)];
    const seen = dot(out, 0, view.toEye) / l > RIM;
    if (seen) {
      if (drawing) path.lineTo(screenX(view, out), screenY(view, out));
      else path.moveTo(screenX(view, out), screenY(view, out));
    }
    drawing = seen;
  }
  return path;
}

/** A ring round a place, with a dark rim so that it stands on any ground. */
export function ring(ctx: CanvasRenderingContext2D, x: number, y: number, colour: string, radius = 9.5) {
  for (const [style, width] of [
    [token('under'), 4.4],
    [colour, 2.2],
  ] as const) {
    ctx.strokeStyle = style;
    ctx.lineWidth = width;
    ctx.beginPath();
    ctx.arc(x, y, radius, 0, 2 * Math.PI);
    ctx.stroke();
  }
}
