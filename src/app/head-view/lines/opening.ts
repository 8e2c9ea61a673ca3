/** The opening of the cap on the head: where it is stitched or cut, and the margin round it. */
import type { PlanResult } from '../../../core/findings/index.ts';
import { token } from '../../ui/tokens.ts';
import { dot, type Projection, screenX, screenY } from '../projection.ts';
import { looseLine, RIM } from './lines.ts';

/** Across the line at a point of it, in the surface: a unit vector towards her left where it runs back. */
export function sideOf(line: ArrayLike<number>, i: number): readonly [number, number, number] {
  const n = line.length / 3;
  const a = 3 * Math.max(0, i - 1);
  const b = 3 * Math.min(n - 1, i + 1);
  const t = [line[b] - line[a], line[b + 1] - line[a + 1], line[b + 2] - line[a + 2]];
  const p = [line[3 * i], line[3 * i + 1], line[3 * i + 2]];
  // The head faces the way a point lies from its middle.
  const s = [t[1] * p[2] - t[2] * p[1], t[2] * p[0] - t[0] * p[2], t[0] * p[1] - t[1] * p[0]];
  const l = Math.sqrt(s[0] ** 2 + s[1] ** 2 + s[2] ** 2) || 1;
  return [s[0] / l, s[1] / l, s[2] / l];
}

/** Steps of the round end of an outline. */
const END_STEPS = 8;

/** Along both sides at the given distance from the middle line, round its back end. */
function outline(line: ArrayLike<number>, awayMm: number): Float32Array {
  const n = line.length / 3;
  const left: number[] = [];
  const right: number[] = [];
  for (let i = 0; i < n; i++) {
    const side = sideOf(line, i);
    for (let c = 0; c < 3; c++) left.push(line[3 * i + c] + awayMm * side[c]);
    right.unshift(...[0, 1, 2].map((c) => line[3 * i + c] - awayMm * side[c]));
  }
  const end = 3 * (n - 1);
  const side = sideOf(line, n - 1);
  const on = [0, 1, 2].map((c) => line[end + c] - line[end - 3 + c]);
  const l = Math.sqrt(on[0] ** 2 + on[1] ** 2 + on[2] ** 2) || 1;
  const round: number[] = [];
  for (let k = 1; k < END_STEPS; k++) {
    const angle = (Math.PI * k) / END_STEPS;
    for (let c = 0; c < 3; c++) {
      round.push(line[end + c] + awayMm * (Math.cos(angle) * side[c] + (Math.sin(angle) * on[c]) / l));
    }
  }
  return Float32Array.from([...left, ...round, ...right]);
}

/** The opening, and the combs of the cap. */
export function drawCap(ctx: CanvasRenderingContext2D, view: Projection, result: PlanResult) {
  drawOpening(ctx, view, result);
  for (const at of result.cap.combsMm) drawComb(ctx, view, at);
}

/** A back with four teeth, as it is seen from outside. */
function drawComb(ctx: CanvasRenderingContext2D, view: Projection, at: readonly number[]) {
  const l = Math.sqrt(at[0] ** 2 + at[1] ** 2 + at[2] ** 2);
  if (dot(at, 0, view.toEye) / l <= RIM) return;
  const [x, y] = [screenX(view, at), screenY(view, at)];
  const comb = new Path2D();
  comb.moveTo(x - 9, y - 4);
  comb.lineTo(x + 9, y - 4);
  for (let i = 0; i < 4; i++) {
    comb.moveTo(x - 7.5 + 5 * i, y - 4);
    comb.lineTo(x - 7.5 + 5 * i, y + 6);
  }
  ctx.lineCap = 'round';
  for (const [style, width] of [
    [token('under'), 5],
    [token('light'), 2.2],
  ] as const) {
    ctx.strokeStyle = style;
    ctx.lineWidth = width;
    ctx.stroke(comb);
  }
}

function drawOpening(ctx: CanvasRenderingContext2D, view: Projection, result: PlanResult) {
  const { opening } = result.cap;
  if (opening.lineMm.length < 9) return;
  const cut = looseLine(view, outline(opening.lineMm, Math.max(1, opening.cutAtMm)), 1.5);
  const margin = looseLine(view, outline(opening.lineMm, opening.cutAtMm + opening.marginMm), 1.5);
  ctx.strokeStyle = token('under');
  ctx.lineWidth = 4;
  ctx.stroke(cut);
  ctx.strokeStyle = token('light');
  ctx.lineWidth = 1.8;
  ctx.stroke(cut);
  // A stitch: what the scissors leave.
  ctx.setLineDash([5, 4]);
  ctx.lineWidth = 1.3;
  ctx.stroke(margin);
  ctx.setLineDash([]);
}
