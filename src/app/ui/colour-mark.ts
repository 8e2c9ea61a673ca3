/** Which colour a piece is of, as a mark beside its sign: no dot for the packs’ own, one to three for what is mixed in. */
import type { PlanResult } from '../../core/findings/index.ts';
import { token } from './tokens.ts';

/** Dots of each colour, by its id; none where all is of one. */
export function dotsOf({ mix }: Pick<PlanResult, 'mix'>): ReadonlyMap<string, number> {
  return new Map(mix?.colours.map(({ id }, i) => [id, i]));
}

/** Over a sign of that size at 0, 0. */
export function drawDots(ctx: CanvasRenderingContext2D, dots: number, r: number) {
  if (dots === 0) return;
  const path = new Path2D();
  for (let i = 0; i < dots; i++) {
    const x = 4.4 * (i - (dots - 1) / 2);
    path.moveTo(x + 1.5, -r - 3.4);
    path.arc(x, -r - 3.4, 1.5, 0, 2 * Math.PI);
  }
  ctx.strokeStyle = token('under');
  ctx.lineWidth = 1.6;
  ctx.stroke(path);
  ctx.fillStyle = token('light');
  ctx.fill(path);
}
