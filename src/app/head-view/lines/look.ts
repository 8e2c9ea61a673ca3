/** What Check draws over the picture: where light comes through as lines, knots that are hidden and knots that show. */

import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import type { Look } from '../../../core/plan/index.ts';
import { signPath } from '../../../formats/signs.ts';
import { token } from '../../ui/tokens.ts';
import { facing, type Projection, screenX, screenY } from '../projection.ts';
import { looseLine, RIM, ring } from './lines.ts';

export interface LookDrawing {
  readonly look: Look;
  readonly picture: 'hair' | 'light';
  readonly selectedId: string | undefined;
  readonly marksSeen: boolean;
  /** The place that is asked about, mm. */
  readonly whyAtMm: readonly [number, number, number] | undefined;
}

/** Out of the surface, so that no line is cut by it, mm. */
const LIFT_MM = 2;
const SOLID = 0.45;

export function drawLook(ctx: CanvasRenderingContext2D, view: Projection, result: PlanResult, drawing: LookDrawing) {
  if (drawing.picture === 'light') {
    drawIsolines(ctx, view, drawing.look);
    result.knots.forEach((k, i) => {
      drawCovered(ctx, view, k, drawing.look.knots[i]?.by === 'nothing');
    });
  } else if (drawing.marksSeen) {
    // Under drawn hair only what shows is marked.
    result.knots.forEach((k, i) => {
      if (drawing.look.knots[i]?.by === 'nothing') drawCovered(ctx, view, k, true);
    });
  }
  const selected = result.knots.find((k) => k.id === drawing.selectedId);
  if (selected && facing(view, selected.normal) > 0) {
    ring(ctx, screenX(view, placeOf(selected)), screenY(view, placeOf(selected)), token('light'));
  }
  if (drawing.whyAtMm) ring(ctx, screenX(view, drawing.whyAtMm), screenY(view, drawing.whyAtMm), token('yarn'));
}

const placeOf = (k: PlannedKnot) => [k.xMm, k.yMm, k.zMm];

function drawIsolines(ctx: CanvasRenderingContext2D, view: Projection, look: Look) {
  for (const { level, pointsMm, closed } of look.isolines) {
    const points = closed ? Float32Array.from([...pointsMm, ...pointsMm.subarray(0, 3)]) : pointsMm;
    const path = looseLine(view, points, LIFT_MM);
    ctx.setLineDash(level < SOLID ? [5, 4] : []);
    ctx.strokeStyle = token(level < SOLID ? 'yarn' : 'sign');
    ctx.lineWidth = level < SOLID ? 1.3 : 1.8;
    ctx.stroke(path);
  }
  ctx.setLineDash([]);
}

/** Hidden: a small bead. Seen: its sign, open. */
function drawCovered(ctx: CanvasRenderingContext2D, view: Projection, knot: PlannedKnot, seen: boolean) {
  const face = facing(view, knot.normal);
  if (face <= RIM) return;
  const at = placeOf(knot);
  ctx.save();
  ctx.translate(screenX(view, at), screenY(view, at));
  if (seen) {
    const path = new Path2D(signPath(knot, 5 * (0.6 + 0.4 * Math.min(1, face * 1.25))));
    ctx.lineWidth = 4;
    ctx.strokeStyle = token('sign');
    ctx.stroke(path);
    ctx.fillStyle = token('sign');
    ctx.fill(path);
    ctx.lineWidth = 1.8;
    ctx.strokeStyle = token('caution');
    ctx.stroke(path);
  } else {
    ctx.globalAlpha = 0.6;
    ctx.fillStyle = token('yarn');
    ctx.beginPath();
    ctx.arc(0, 0, 1.7, 0, 2 * Math.PI);
    ctx.fill();
  }
  ctx.restore();
}
