/** Sections, or rows and knots, of a plan on a head that is only a dark round, small: for a page of many. */
import type { PlanResult } from '../../core/findings/index.ts';
import { token } from '../ui/tokens.ts';
import { headFrame } from './framing.ts';
import { drawBase } from './lines/base.ts';
import { drawRows } from './lines/rows.ts';
import { scalpColour } from './picture/palette.ts';
import { projection, screenX, screenY } from './projection.ts';

const WIDTH = 148;
const HEIGHT = 156;
/** From behind, her left, a little from above: part, sides and nape are in it. */
const ANGLE = { azimuth: 2.5, elevation: 0.5 };
const STAGE = { width: WIDTH, height: HEIGHT };
const NONE: ReadonlySet<string> = new Set();
/** The scalp reaches a little beyond its outermost knots, px. */
const BEYOND = 5;

/** @param of what it is about: how the hair is sectioned, or where rows and knots run */
export function drawSmall(
  canvas: HTMLCanvasElement,
  result: PlanResult,
  skin: 'light' | 'brown' | 'deep',
  of: 'base' | 'rows',
) {
  const ratio = Math.min(2, window.devicePixelRatio || 1);
  canvas.width = WIDTH * ratio;
  canvas.height = HEIGHT * ratio;
  const ctx = canvas.getContext('2d');
  if (!ctx) return;
  ctx.scale(ratio, ratio);
  const view = projection(ANGLE, STAGE, headFrame(STAGE, ANGLE.elevation, { x: 0.5, y: 0.54 }, 0.0042), false);
  drawRound(ctx, view, result);
  if (of === 'base')
    return drawBase(ctx, view, result, { sectionId: undefined, lineKey: undefined, cautions: NONE, showBumps: false });
  drawRows(ctx, view, result, {
    selectedId: undefined,
    cautions: NONE,
    scalp: scalpColour(skin),
    oldPart: undefined,
    signSize: 2.2,
  });
}

function drawRound(ctx: CanvasRenderingContext2D, view: ReturnType<typeof projection>, { knots }: PlanResult) {
  let [left, right, top, foot] = [WIDTH, 0, HEIGHT, 0];
  for (const k of knots) {
    const at = [k.xMm, k.yMm, k.zMm];
    left = Math.min(left, screenX(view, at));
    right = Math.max(right, screenX(view, at));
    top = Math.min(top, screenY(view, at));
    foot = Math.max(foot, screenY(view, at));
  }
  if (right <= left) return;
  ctx.fillStyle = token('cap');
  ctx.beginPath();
  ctx.ellipse(
    (left + right) / 2,
    (top + foot) / 2,
    (right - left) / 2 + BEYOND,
    (foot - top) / 2 + BEYOND,
    0,
    0,
    2 * Math.PI,
  );
  ctx.fill();
}
