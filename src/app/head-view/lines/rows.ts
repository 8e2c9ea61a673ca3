/** Rows, knots, part and tape as crisp lines over the picture. Thread shrinks with facing and has a 1 px shadow. */

import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { dotsOf, drawDots } from '../../ui/colour-mark.ts';
import { signOf } from '../../ui/sign-path.ts';
import { token } from '../../ui/tokens.ts';
import { dot, facing, type Projection, screenX, screenY } from '../projection.ts';
import { looseLine, RIM, ring } from './lines.ts';

export interface RowsDrawing {
  readonly selectedId: string | undefined;
  /** Knots with a caution. */
  readonly cautions: ReadonlySet<string>;
  /** Knots of the place that is in hand. */
  readonly inPlace?: (knot: PlannedKnot) => boolean;
  readonly scalp: string;
  /** Where the part was before the finger came down. */
  readonly oldPart: Float32Array | undefined;
  /** What lies between the part and the knots. */
  readonly drawUnderKnots?: (ctx: CanvasRenderingContext2D, view: Projection, result: PlanResult) => void;
  /** Only these knots are drawn: what is in of an install. */
  readonly onlyKnots?: ReadonlySet<string>;
  readonly signSize?: number;
}

export function drawRows(ctx: CanvasRenderingContext2D, view: Projection, result: PlanResult, drawing: RowsDrawing) {
  const selected = result.knots.find((k) => k.id === drawing.selectedId);
  result.rows.forEach((row, i) => {
    drawThread(ctx, rowPath(view, row), selected?.row === i);
  });
  for (const line of result.linesThere) if (!line.isOn) drawOff(ctx, view, line.pointsMm);
  drawParts(ctx, view, result, drawing);
  drawing.drawUnderKnots?.(ctx, view, result);
  drawKnots(ctx, view, result, drawing, selected);
  for (const strand of result.strands) drawStrand(ctx, view, strand.atMm);
  for (const { atMm } of result.rowScheme.lostChanges) {
    const l = Math.sqrt(atMm[0] ** 2 + atMm[1] ** 2 + atMm[2] ** 2);
    if (dot(atMm, 0, view.toEye) / l > RIM) ring(ctx, screenX(view, atMm), screenY(view, atMm), token('caution'));
  }
}

/** One row with the shadow that it throws. */
function drawThread(ctx: CanvasRenderingContext2D, path: Path2D, isSelected: boolean) {
  ctx.save();
  ctx.translate(0.3, 1.2);
  ctx.strokeStyle = token('under');
  ctx.lineWidth = 2.2;
  ctx.stroke(path);
  ctx.restore();
  ctx.globalAlpha = isSelected ? 1 : 0.85;
  ctx.strokeStyle = token('yarn');
  ctx.lineWidth = isSelected ? 1.9 : 1.25;
  ctx.stroke(path);
  ctx.globalAlpha = 1;
}

/** A strand that does a job of its own: wound once round the place where it does it. */
function drawStrand(ctx: CanvasRenderingContext2D, view: Projection, atMm: readonly number[]) {
  const l = Math.sqrt(atMm[0] ** 2 + atMm[1] ** 2 + atMm[2] ** 2);
  if (dot(atMm, 0, view.toEye) / l <= RIM) return;
  const [x, y] = [screenX(view, atMm), screenY(view, atMm)];
  const winding = new Path2D();
  for (let i = 0; i <= 40; i++) {
    const turn = (i / 40) * 4 * Math.PI;
    const r = 5 + 3.5 * (i / 40);
    if (i === 0) winding.moveTo(x + r * Math.cos(turn), y + r * Math.sin(turn));
    else winding.lineTo(x + r * Math.cos(turn), y + r * Math.sin(turn));
  }
  for (const [style, width] of [
    [token('under'), 4],
    [token('yarn'), 2],
  ] as const) {
    ctx.strokeStyle = style;
    ctx.lineWidth = width;
    ctx.stroke(winding);
  }
}

/** A row that is there and that no piece follows. */
function drawOff(ctx: CanvasRenderingContext2D, view: Projection, pointsMm: Float32Array) {
  if (pointsMm.length <= 3) return;
  ctx.strokeStyle = token('yarn');
  ctx.globalAlpha = 0.7;
  ctx.lineWidth = 1.4;
  ctx.setLineDash([1, 5]);
  ctx.stroke(looseLine(view, pointsMm));
  ctx.setLineDash([]);
  ctx.globalAlpha = 1;
}

/** A row through tied roots is not drawn from one to the next, which lie farther apart than this, mm. */
const JUMP_MM = 20;

/** The parts of a line that face the viewer, as one path. */
function rowPath(view: Projection, { pointsMm: p, normals, closed, into }: PlanResult['rows'][number]): Path2D {
  const path = new Path2D();
  let drawing = false;
  const n = p.length / 3;
  const isJump = (i: number) =>
    into === 'root' &&
    i >= 3 &&
    (p[i] - p[i - 3]) ** 2 + (p[i + 1] - p[i - 2]) ** 2 + (p[i + 2] - p[i - 1]) ** 2 > JUMP_MM * JUMP_MM;
  for (let k = 0; k < (closed ? n + 1 : n); k++) {
    const i = 3 * (k % n);
    const seen = facing(view, normals, i) > RIM;
    if (seen) {
      if (drawing && !isJump(i)) path.lineTo(screenX(view, p, i), screenY(view, p, i));
      else path.moveTo(screenX(view, p, i), screenY(view, p, i));
    }
    drawing = seen;
  }
  return path;
}

/** The part, and the second one where there is one. */
export function drawParts(
  ctx: CanvasRenderingContext2D,
  view: Projection,
  { part: { pointsMm, second } }: PlanResult,
  { oldPart, scalp }: Pick<RowsDrawing, 'oldPart' | 'scalp'>,
) {
  drawPart(ctx, view, pointsMm, { oldPart, scalp });
  if (second) drawPart(ctx, view, second.pointsMm, { oldPart: undefined, scalp });
}

function drawPart(
  ctx: CanvasRenderingContext2D,
  view: Projection,
  part: Float32Array,
  options: Pick<RowsDrawing, 'oldPart' | 'scalp'>,
) {
  if (options.oldPart && options.oldPart.length > 3) {
    const old = looseLine(view, options.oldPart);
    ctx.strokeStyle = token('under');
    ctx.lineWidth = 4;
    ctx.stroke(old);
    ctx.strokeStyle = token('light');
    ctx.lineWidth = 2.2;
    ctx.setLineDash([0.1, 5.4]);
    ctx.stroke(old);
    ctx.setLineDash([]);
  }
  if (part.length <= 3) return;
  const line = looseLine(view, part, 1);
  ctx.strokeStyle = token('under');
  ctx.lineWidth = 8;
  ctx.stroke(line);
  ctx.strokeStyle = options.scalp;
  ctx.lineWidth = 5;
  ctx.stroke(line);
}

function drawKnots(
  ctx: CanvasRenderingContext2D,
  view: Projection,
  result: PlanResult,
  options: RowsDrawing,
  selected: PlannedKnot | undefined,
) {
  const dots = dotsOf(result);
  result.knots.forEach((knot) => {
    if (knot === selected) return;
    if (options.onlyKnots && !options.onlyKnots.has(knot.id)) return;
    drawKnot(ctx, view, knot, options);
    if (dots.size > 0) drawColour(ctx, view, knot, dots.get(knot.colour) ?? 0);
  });
  if (!selected || facing(view, selected.normal) < 0) return;
  const at = [selected.xMm, selected.yMm, selected.zMm];
  ctx.save();
  ctx.translate(screenX(view, at), screenY(view, at));
  ctx.fillStyle = token('light');
  ctx.beginPath();
  ctx.arc(0, 0, 12, 0, 2 * Math.PI);
  ctx.fill();
  ctx.rotate(angleOf(view, selected));
  ctx.fillStyle = token('sign');
  ctx.fill(signOf(selected, 6.4));
  ctx.restore();
  drawBarb(ctx, view, selected);
}

function drawColour(ctx: CanvasRenderingContext2D, view: Projection, knot: PlannedKnot, dots: number) {
  if (facing(view, knot.normal) <= RIM) return;
  const at = [knot.xMm, knot.yMm, knot.zMm];
  ctx.save();
  ctx.translate(screenX(view, at), screenY(view, at));
  drawDots(ctx, dots, SIGN_SIZE);
  ctx.restore();
}

const SIGN_SIZE = 4.4;

function drawKnot(ctx: CanvasRenderingContext2D, view: Projection, knot: PlannedKnot, options: RowsDrawing) {
  const seen = facing(view, knot.normal);
  if (seen <= RIM) return;
  const at = [knot.xMm, knot.yMm, knot.zMm];
  const x = screenX(view, at);
  const y = screenY(view, at);
  const r = Math.round((options.signSize ?? SIGN_SIZE) * (0.55 + 0.45 * Math.min(1, seen * 1.25)) * 10) / 10;
  const path = signOf(knot, r);
  const angle = angleOf(view, knot);
  ctx.save();
  ctx.translate(x + 0.7, y + 1.5);
  ctx.rotate(angle);
  ctx.fillStyle = token('under');
  ctx.fill(path);
  ctx.restore();
  ctx.save();
  ctx.translate(x, y);
  ctx.rotate(angle);
  ctx.fillStyle = token('yarn');
  ctx.fill(path);
  ctx.restore();
  if (options.inPlace?.(knot)) ring(ctx, x, y, token('light'));
  if (options.cautions.has(knot.id)) ring(ctx, x, y, token('caution'));
}

/** Along its row; the half bead of a one-leg knot points away from the part. */
function angleOf(view: Projection, knot: PlannedKnot): number {
  const angle = Math.atan2(-dot(knot.along, 0, view.up), view.flip * dot(knot.along, 0, view.right));
  if (knot.kind !== 'oneLeg') return angle;
  const awayX = -view.flip * dot(knot.hook, 0, view.right);
  const awayY = dot(knot.hook, 0, view.up);
  const below = -Math.sin(angle) * awayX + Math.cos(angle) * awayY;
  return below >= 0 ? angle : angle + Math.PI;
}

/** A short barb in the way the hook goes in. */
function drawBarb(ctx: CanvasRenderingContext2D, view: Projection, knot: PlannedKnot) {
  const dx = view.flip * dot(knot.hook, 0, view.right);
  const dy = -dot(knot.hook, 0, view.up);
  const l = Math.sqrt(dx * dx + dy * dy);
  if (l < 0.15) return;
  const ux = dx / l;
  const uy = dy / l;
  const at = [knot.xMm, knot.yMm, knot.zMm];
  const x = screenX(view, at);
  const y = screenY(view, at);
  const barb = new Path2D();
  barb.moveTo(x + 12 * ux, y + 12 * uy);
  barb.lineTo(x + 25 * ux, y + 25 * uy);
  barb.lineTo(x + 19 * ux - 4 * uy, y + 19 * uy + 4 * ux);
  for (const [style, width] of [
    [token('under'), 4],
    [token('light'), 2],
  ] as const) {
    ctx.strokeStyle = style;
    ctx.lineWidth = width;
    ctx.stroke(barb);
  }
}

/** The knot nearest to a place on the stage, if one is within reach. */
export function knotAt(
  view: Projection,
  result: PlanResult,
  x: number,
  y: number,
  reach = 18,
): PlannedKnot | undefined {
  let best: PlannedKnot | undefined;
  let nearest = reach * reach;
  for (const knot of result.knots) {
    if (facing(view, knot.normal) <= RIM) continue;
    const at = [knot.xMm, knot.yMm, knot.zMm];
    const d = (screenX(view, at) - x) ** 2 + (screenY(view, at) - y) ** 2;
    if (d < nearest) {
      nearest = d;
      best = knot;
    }
  }
  return best;
}
