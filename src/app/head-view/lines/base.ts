/** The base as crisp lines over the picture: lines between sections, tails where they lie, ties. */

import type { PlanResult } from '../../../core/findings/index.ts';
import type { TailStyle } from '../../../core/trade/index.ts';
import { token } from '../../ui/tokens.ts';
import { dot, type Projection, screenX, screenY } from '../projection.ts';
import { looseLine } from './lines.ts';

export interface BaseMarks {
  readonly sectionId: string | undefined;
  readonly lineKey: string | undefined;
  readonly cautions: ReadonlySet<string>;
  readonly showBumps: boolean;
}

export function drawBase(ctx: CanvasRenderingContext2D, view: Projection, result: PlanResult, marks: BaseMarks) {
  drawLines(ctx, view, result, marks);
  if (result.base.sections.length <= MOST_TAILS) drawTails(ctx, view, result, marks);
  drawTies(ctx, view, result, marks);
  if (marks.showBumps) drawLumps(ctx, view, result);
}

/** More tails than this would hide the head. */
const MOST_TAILS = 40;

function drawLines(ctx: CanvasRenderingContext2D, view: Projection, { base }: PlanResult, marks: BaseMarks) {
  for (const line of base.lines) {
    const path = looseLine(view, line.pointsMm, 1.6);
    const held = line.key === marks.lineKey;
    ctx.strokeStyle = token('under');
    ctx.lineWidth = line.shown ? 5 : 3.4;
    ctx.stroke(path);
    ctx.strokeStyle = held ? token('light') : token('yarn');
    ctx.lineWidth = held ? 2.6 : line.shown ? 2.6 : 1.4;
    // A line that is covered only has to separate: it is drawn lightly.
    if (!line.shown && !held) ctx.setLineDash([5, 3.4]);
    ctx.stroke(path);
    ctx.setLineDash([]);
    if (line.locked) drawLock(ctx, view, line.pointsMm);
  }
}

/** A small bar across the middle of a locked line. */
function drawLock(ctx: CanvasRenderingContext2D, view: Projection, p: Float32Array) {
  const i = 3 * Math.floor(p.length / 6);
  const j = Math.min(p.length - 3, i + 6);
  if (dot(p, i, view.toEye) <= 0) return;
  const x = screenX(view, p, i);
  const y = screenY(view, p, i);
  const angle = Math.atan2(screenY(view, p, j) - y, screenX(view, p, j) - x) + Math.PI / 2;
  ctx.strokeStyle = token('yarn');
  ctx.lineWidth = 3;
  ctx.beginPath();
  ctx.moveTo(x - 6 * Math.cos(angle), y - 6 * Math.sin(angle));
  ctx.lineTo(x + 6 * Math.cos(angle), y + 6 * Math.sin(angle));
  ctx.stroke();
}

function drawTails(ctx: CanvasRenderingContext2D, view: Projection, { base }: PlanResult, marks: BaseMarks) {
  for (const section of base.sections) {
    const held = section.id === marks.sectionId;
    const width = Math.max(3, Math.min(16, section.tailThicknessMm * view.pxPerMm * 0.8));
    if (section.rowMm.length > 3) drawRibbon(ctx, looseLine(view, section.rowMm, 3), 0.62 * width, section.tail, held);
    if (section.parking.how === 'laid') continue;
    if (section.parking.how === 'coiled') drawCoil(ctx, view, section.tieMm, width);
    else drawRibbon(ctx, looseLine(view, section.pathMm, 3), width, section.tail, held);
  }
}

/** A plait or twist lying on the head. */
function drawRibbon(ctx: CanvasRenderingContext2D, path: Path2D, width: number, style: TailStyle, held: boolean) {
  ctx.save();
  ctx.translate(0.8, 2);
  ctx.strokeStyle = token('under');
  ctx.lineWidth = width + 2;
  ctx.stroke(path);
  ctx.restore();
  ctx.strokeStyle = held ? token('light') : token('tail-light');
  ctx.lineWidth = width;
  ctx.stroke(path);
  ctx.strokeStyle = token('tail');
  ctx.lineWidth = Math.max(1.5, width - 2.4);
  ctx.stroke(path);
  if (style === 'smooth') return;
  // Its turns.
  ctx.strokeStyle = token('tail-light');
  ctx.lineWidth = Math.max(1, width - 4);
  ctx.lineCap = 'butt';
  ctx.setLineDash(style === 'plait' ? [1.4, 4.4] : [1.2, 6.4]);
  ctx.stroke(path);
  ctx.setLineDash([]);
  ctx.lineCap = 'round';
}

function drawCoil(ctx: CanvasRenderingContext2D, view: Projection, at: ArrayLike<number>, width: number) {
  if (dot(at, 0, view.toEye) <= 0) return;
  const x = screenX(view, at);
  const y = screenY(view, at);
  const path = new Path2D();
  const turns = 2.4;
  for (let i = 0; i <= 60; i++) {
    const a = (i / 60) * turns * 2 * Math.PI;
    const r = 3 + (i / 60) * Math.min(34, 2.2 * width);
    if (i === 0) path.moveTo(x + r * Math.cos(a), y + r * Math.sin(a));
    else path.lineTo(x + r * Math.cos(a), y + r * Math.sin(a) * 0.9);
  }
  for (const [style, w] of [
    [token('tail-light'), width],
    [token('tail'), Math.max(1.5, width - 2.4)],
  ] as const) {
    ctx.strokeStyle = style;
    ctx.lineWidth = w;
    ctx.stroke(path);
  }
}

function drawTies(ctx: CanvasRenderingContext2D, view: Projection, { base }: PlanResult, marks: BaseMarks) {
  const r = base.sections.length > MOST_TAILS ? 2.6 : 4.2;
  for (const section of base.sections) {
    if (section.role !== 'base' || section.parking.how === 'laid') continue;
    const at = section.tieMm;
    if (dot(at, 0, view.toEye) <= 6) continue;
    const x = screenX(view, at);
    const y = screenY(view, at);
    ctx.fillStyle = section.id === marks.sectionId ? token('light') : token('yarn');
    ctx.strokeStyle = token('sign');
    ctx.lineWidth = 1.6;
    ctx.beginPath();
    ctx.arc(x, y, r, 0, 2 * Math.PI);
    ctx.fill();
    ctx.stroke();
    if (!marks.cautions.has(section.id)) continue;
    ctx.strokeStyle = token('caution');
    ctx.lineWidth = 2.2;
    ctx.beginPath();
    ctx.arc(x, y, r + 5, 0, 2 * Math.PI);
    ctx.stroke();
  }
}

/** A ring round every lump, as large as it is. */
function drawLumps(ctx: CanvasRenderingContext2D, view: Projection, { base }: PlanResult) {
  ctx.strokeStyle = token('caution');
  ctx.lineWidth = 2;
  ctx.setLineDash([4, 4]);
  for (const lump of base.bumps.lumps) {
    if (dot(lump.atMm, 0, view.toEye) <= 0) continue;
    ctx.beginPath();
    ctx.arc(
      screenX(view, lump.atMm),
      screenY(view, lump.atMm),
      Math.max(10, Math.sqrt(lump.areaMm2 / Math.PI) * view.pxPerMm),
      0,
      2 * Math.PI,
    );
    ctx.stroke();
  }
  ctx.setLineDash([]);
}
