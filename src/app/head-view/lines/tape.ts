/** A tape measure as it runs over the head: a ribbon with marks in her own unit, its ends told in words. */
import { TAPE_INFO, type TapeMeasure } from '../../../core/trade/index.ts';
import { type LengthUnit, mmPer } from '../../../model/lengths.ts';
import { noteFont, token } from '../../ui/tokens.ts';
import { dot, type Projection, screenX, screenY } from '../projection.ts';
import { looseLine } from './lines.ts';

export interface TapeDrawing {
  readonly measure: TapeMeasure;
  readonly pointsMm: Float32Array;
  readonly unit: LengthUnit;
  readonly fingerMm: number;
}

/** Marks with a number: every so many of the unit. */
const NUMBERED: Readonly<Record<LengthUnit, number>> = { cm: 5, in: 2, mm: 50, finger: 3 };
const LEAST: Readonly<Record<LengthUnit, number>> = { cm: 1, in: 1, mm: 10, finger: 1 };
const RIBBON_PX = 11;

export function drawTape(ctx: CanvasRenderingContext2D, view: Projection, tape: TapeDrawing) {
  const path = looseLine(view, tape.pointsMm, 2.4);
  ctx.lineCap = 'butt';
  for (const [style, width] of [
    [token('under'), RIBBON_PX + 3],
    [token('yarn'), RIBBON_PX],
  ] as const) {
    ctx.strokeStyle = style;
    ctx.lineWidth = width;
    ctx.stroke(path);
  }
  ctx.lineCap = 'round';
  drawMarks(ctx, view, tape);
  drawEnds(ctx, view, tape);
}

/** Other measures lie under it as thin lines, so that she sees how they belong together. */
export function drawOtherTapes(ctx: CanvasRenderingContext2D, view: Projection, tapes: readonly Float32Array[]) {
  ctx.strokeStyle = token('yarn');
  ctx.globalAlpha = 0.55;
  ctx.lineWidth = 1.1;
  ctx.setLineDash([2, 5]);
  for (const tape of tapes) ctx.stroke(looseLine(view, tape, 1.5));
  ctx.setLineDash([]);
  ctx.globalAlpha = 1;
}

function drawMarks(ctx: CanvasRenderingContext2D, view: Projection, { pointsMm: p, unit, fingerMm }: TapeDrawing) {
  const step = LEAST[unit] * mmPer(unit, fingerMm);
  const numbered = NUMBERED[unit] / LEAST[unit];
  ctx.strokeStyle = token('sign');
  ctx.fillStyle = token('sign');
  ctx.textAlign = 'center';
  ctx.textBaseline = 'middle';
  ctx.font = `600 ${RIBBON_PX - 1}px ${token('font-display')}`;
  let walked = 0;
  let mark = 1;
  for (let i = 3; i < p.length; i += 3) {
    const length = Math.sqrt((p[i] - p[i - 3]) ** 2 + (p[i + 1] - p[i - 2]) ** 2 + (p[i + 2] - p[i - 1]) ** 2);
    while (mark * step <= walked + length) {
      const t = (mark * step - walked) / length;
      const at = [0, 1, 2].map((k) => p[i - 3 + k] + t * (p[i + k] - p[i - 3 + k]));
      const along = [p[i] - p[i - 3], p[i + 1] - p[i - 2], p[i + 2] - p[i - 1]];
      drawMark(ctx, view, at, along, mark % numbered === 0 ? String(mark * LEAST[unit]) : undefined);
      mark++;
    }
    walked += length;
  }
}

function drawMark(
  ctx: CanvasRenderingContext2D,
  view: Projection,
  at: readonly number[],
  along: readonly number[],
  number: string | undefined,
) {
  const l = Math.sqrt(at[0] ** 2 + at[1] ** 2 + at[2] ** 2);
  if (dot(at, 0, view.toEye) / l < 0.12) return;
  const x = screenX(view, at);
  const y = screenY(view, at);
  const dx = view.flip * dot(along, 0, view.right);
  const dy = -dot(along, 0, view.up);
  const d = Math.sqrt(dx * dx + dy * dy);
  // Seen end on the ribbon has no room for marks.
  if (d < 0.25 * Math.sqrt(along[0] ** 2 + along[1] ** 2 + along[2] ** 2)) return;
  ctx.save();
  ctx.translate(x, y);
  ctx.rotate(Math.atan2(dy, dx));
  if (number) {
    ctx.fillStyle = token('yarn');
    ctx.fillRect(-8, -RIBBON_PX / 2, 16, RIBBON_PX);
    ctx.fillStyle = token('sign');
    // Upright enough to be read.
    if (dx < 0) ctx.rotate(Math.PI);
    ctx.fillText(number, 0, 0.5);
  } else {
    ctx.lineWidth = 1;
    ctx.beginPath();
    ctx.moveTo(0, -RIBBON_PX / 2);
    ctx.lineTo(0, -RIBBON_PX / 2 + 4);
    ctx.stroke();
  }
  ctx.restore();
}

function drawEnds(ctx: CanvasRenderingContext2D, view: Projection, tape: TapeDrawing) {
  const { pointsMm: p, measure } = tape;
  const ends = TAPE_INFO[measure].ends;
  const n = p.length - 3;
  const closed = Math.abs(p[0] - p[n]) + Math.abs(p[1] - p[n + 1]) + Math.abs(p[2] - p[n + 2]) < 2;
  const words: ReadonlyArray<readonly [number, string]> = closed
    ? [[0, `from ${ends[0]}, ${ends[1]}`]]
    : [
        [0, `from ${ends[0]}`],
        [n, `to ${ends[1]}`],
      ];
  ctx.font = noteFont();
  ctx.textBaseline = 'alphabetic';
  for (const [i, text] of words) {
    const at = [p[i], p[i + 1], p[i + 2]];
    const l = Math.sqrt(at[0] ** 2 + at[1] ** 2 + at[2] ** 2);
    if (dot(at, 0, view.toEye) / l < -0.1) continue;
    const x = screenX(view, at);
    const y = screenY(view, at);
    ctx.fillStyle = token('light');
    ctx.strokeStyle = token('sign');
    ctx.lineWidth = 1.6;
    ctx.beginPath();
    ctx.arc(x, y, 5, 0, 2 * Math.PI);
    ctx.fill();
    ctx.stroke();
    // The word stands outside the silhouette; a thread leads to its place.
    const right = x > view.centreX;
    const edge = view.centreX + (right ? 1 : -1) * OUTSIDE_MM * view.pxPerMm;
    const tx = right ? Math.min(view.width - 8, Math.max(x + 14, edge)) : Math.max(8, Math.min(x - 14, edge));
    const lines = wrapped(ctx, text, right ? view.width - tx - 8 : tx - 8);
    ctx.strokeStyle = token('brass');
    ctx.lineWidth = 1.5;
    ctx.beginPath();
    ctx.moveTo(tx, y + 14);
    ctx.quadraticCurveTo((tx + x) / 2, y + 16, x, y + 5);
    ctx.stroke();
    ctx.textAlign = right ? 'left' : 'right';
    ctx.strokeStyle = token('ground');
    ctx.lineWidth = 5;
    ctx.fillStyle = token('ink');
    lines.forEach((line, k) => {
      const ty = y + 20 + 18 * k;
      ctx.strokeText(line, tx, ty);
      ctx.fillText(line, tx, ty);
    });
  }
}

/** The head is no wider than this from its middle, with ears, mm. */
const OUTSIDE_MM = 104;

/** Words in as few lines as the room allows. */
function wrapped(ctx: CanvasRenderingContext2D, text: string, room: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    const longer = last === undefined ? word : `${last} ${word}`;
    if (last !== undefined && ctx.measureText(longer).width <= Math.max(room, 90)) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}
