import type { PlanResult } from '../../core/findings/index.ts';
import type { PlannedKnot } from '../../core/knots/index.ts';
import { INTO_INFO } from '../../core/trade/index.ts';
import { dotsOf, drawDots } from '../ui/colour-mark.ts';
import { signOf } from '../ui/sign-path.ts';
import { noteFont, token } from '../ui/tokens.ts';
import type { WeaveLayout } from './layout.ts';

const SIGN = 4.1;
const OPEN_SIGN = 5.6;

export interface WeaveDrawing {
  readonly selectedId: string | undefined;
  readonly cautions: ReadonlySet<string>;
  readonly fingerMm: number;
  readonly cloth: string;
  readonly topWord: string;
  /** At Check: knots that would be seen are drawn open, hidden ones filled. */
  readonly seenIds?: ReadonlySet<string> | undefined;
}

export function drawWeave(
  ctx: CanvasRenderingContext2D,
  width: number,
  height: number,
  result: PlanResult,
  layout: WeaveLayout,
  drawing: WeaveDrawing,
) {
  const { x, y } = layout;
  const selectedIndex = result.knots.findIndex((k) => k.id === drawing.selectedId);
  const selected = result.knots[selectedIndex];
  drawRuler(ctx, width, layout, drawing.fingerMm);
  if (selected) drawBeam(ctx, x(selected.fromMiddleMm), height);
  ctx.lineCap = 'round';
  result.rows.forEach((row, i) => {
    const here = selected?.row === i;
    const toCome = selected !== undefined && i > selected.row;
    ctx.strokeStyle = token('yarn');
    ctx.globalAlpha = here ? 1 : toCome ? 0.5 : 0.8;
    ctx.lineWidth = here ? 1.8 : toCome ? 0.9 : 1.15;
    ctx.stroke(threadPath(x(row.startMm), x(row.endMm), y(i)));
  });
  const dots = dotsOf(result);
  result.knots.forEach((k, i) => {
    if (i === selectedIndex) return;
    const r = selected?.row === k.row ? OPEN_SIGN : SIGN;
    ctx.globalAlpha = selected === undefined || i < selectedIndex ? 1 : 0.72;
    drawKnot(ctx, k, layout, r, drawing);
    ctx.save();
    ctx.translate(x(k.fromMiddleMm), y(k.row));
    drawDots(ctx, dots.get(k.colour) ?? 0, r);
    ctx.restore();
  });
  if (selected) {
    ctx.save();
    ctx.translate(x(selected.fromMiddleMm), y(selected.row));
    disc(ctx, 12, drawing.cloth);
    disc(ctx, 10.5, token('light'));
    ctx.fillStyle = token('sign');
    ctx.fill(signOf(selected, 5.4));
    ctx.restore();
  }
  drawEndWords(ctx, result, layout, drawing.topWord);
}

/** Folded: rows as threads, and the light. */
export function drawRibbon(
  ctx: CanvasRenderingContext2D,
  height: number,
  result: PlanResult,
  { x, y }: WeaveLayout,
  selectedId: string | undefined,
) {
  const selected = result.knots.find((k) => k.id === selectedId);
  if (selected) drawBeam(ctx, x(selected.fromMiddleMm), height);
  ctx.strokeStyle = token('yarn');
  result.rows.forEach((row, i) => {
    const here = selected?.row === i;
    ctx.globalAlpha = here ? 1 : selected && i > selected.row ? 0.4 : 0.62;
    ctx.lineWidth = here ? 1.6 : 0.9;
    ctx.beginPath();
    ctx.moveTo(x(row.startMm), y(i));
    ctx.lineTo(x(row.endMm), y(i));
    ctx.stroke();
  });
  ctx.globalAlpha = 1;
  if (selected) {
    ctx.save();
    ctx.translate(x(selected.fromMiddleMm), y(selected.row));
    disc(ctx, 4, token('light'));
    ctx.restore();
  }
}

function drawKnot(
  ctx: CanvasRenderingContext2D,
  knot: PlannedKnot,
  { x, y }: WeaveLayout,
  r: number,
  { seenIds, cautions, cloth }: WeaveDrawing,
) {
  const path = signOf(knot, r);
  ctx.save();
  ctx.translate(x(knot.fromMiddleMm), y(knot.row));
  if (seenIds?.has(knot.id)) {
    ctx.globalAlpha = 1;
    ctx.fillStyle = cloth;
    ctx.fill(path);
    ctx.strokeStyle = token('light');
    ctx.lineWidth = 1.6;
    ctx.stroke(path);
  } else {
    ctx.fillStyle = token('yarn');
    ctx.fill(path);
  }
  ctx.restore();
  ctx.globalAlpha = 1;
  if (!cautions.has(knot.id)) return;
  ctx.strokeStyle = token('caution');
  ctx.lineWidth = 1.8;
  ctx.beginPath();
  ctx.arc(x(knot.fromMiddleMm), y(knot.row), 7.6, 0, 2 * Math.PI);
  ctx.stroke();
}

/** A thread whose ends curl. */
function threadPath(from: number, to: number, y: number): Path2D {
  const path = new Path2D();
  path.moveTo(from - 9, y + 4.2);
  path.bezierCurveTo(from - 6, y + 4.8, from - 5, y, from, y);
  path.lineTo(to, y);
  path.bezierCurveTo(to + 5, y, to + 6, y + 4.8, to + 9, y + 4.2);
  return path;
}

function drawBeam(ctx: CanvasRenderingContext2D, x: number, height: number) {
  const glow = ctx.createLinearGradient(x - 24, 0, x + 24, 0);
  glow.addColorStop(0, token('glow-out'));
  glow.addColorStop(0.28, token('glow'));
  glow.addColorStop(0.72, token('glow'));
  glow.addColorStop(1, token('glow-out'));
  ctx.fillStyle = glow;
  ctx.fillRect(x - 24, 0, 48, height);
  ctx.strokeStyle = token('light');
  ctx.lineWidth = 1.5;
  ctx.beginPath();
  ctx.moveTo(x, 0);
  ctx.lineTo(x, height);
  ctx.stroke();
}

function drawRuler(ctx: CanvasRenderingContext2D, width: number, layout: WeaveLayout, fingerMm: number) {
  ctx.font = noteFont();
  ctx.textAlign = 'center';
  ctx.fillStyle = token('w-ink2');
  ctx.strokeStyle = token('w-ink2');
  ctx.lineWidth = 1;
  for (let f = -40; f <= 40; f++) {
    const at = layout.x(f * fingerMm);
    if (at < 60 || at > width - 60) continue;
    const strong = f % 4 === 0;
    ctx.globalAlpha = strong ? 0.9 : 0.5;
    ctx.beginPath();
    ctx.moveTo(at, 0);
    ctx.lineTo(at, strong ? 8 : 4);
    ctx.stroke();
    ctx.globalAlpha = 1;
    if (strong && f !== 0 && at < width - 220) ctx.fillText(String(Math.abs(f)), at, 19);
  }
  ctx.font = noteFont();
  ctx.textAlign = 'right';
  ctx.fillText('fingers from the middle', width - 60, 18);
}

/** Nape and part stand beside the lowest and the highest row of the first pass; a row along the border is called what it is. */
function drawEndWords(ctx: CanvasRenderingContext2D, result: PlanResult, layout: WeaveLayout, topWord: string) {
  ctx.font = noteFont();
  ctx.textAlign = 'right';
  ctx.fillStyle = token('w-ink2');
  const at = (row: number, words: string) => {
    if (row >= 0) ctx.fillText(words, layout.x(result.rows[row].startMm) - 16, layout.y(row) + 4);
  };
  const isPlain = (row: PlanResult['rows'][number]) =>
    row.kind !== 'border' && row.kind !== 'base' && !row.second && !row.opened;
  const lowest = result.rows.findIndex(isPlain);
  const highest = result.rows.findLastIndex(isPlain);
  at(lowest, 'nape');
  if (highest > lowest) at(highest, topWord);
  at(
    result.rows.findIndex((row) => row.kind === 'border'),
    'border',
  );
  // Rows are many and lie close: only where one of hers begins it is called what it is.
  for (const entry of new Set(result.rows.flatMap((row) => row.entry ?? []))) {
    const first = result.rows.findIndex((row) => row.entry === entry);
    at(first, INTO_INFO[result.rows[first].into ?? 'root'].short);
  }
}

function disc(ctx: CanvasRenderingContext2D, r: number, colour: string) {
  ctx.fillStyle = colour;
  ctx.beginPath();
  ctx.arc(0, 0, r, 0, 2 * Math.PI);
  ctx.fill();
}
