/** The place on her head, seen from the side it lies on, with her own fingers between the row before and the knot. */
import { useEffect, useMemo, useRef } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import { headFrame } from '../../head-view/framing.ts';
import { drawRows } from '../../head-view/lines/rows.ts';
import { paletteOf, scalpColour } from '../../head-view/picture/palette.ts';
import { type Projection, projection, screenX, screenY } from '../../head-view/projection.ts';
import { useHeadPicture } from '../../head-view/use-head-picture.ts';
import { useTheme } from '../../session/theme.ts';
import { cleared } from '../../ui/canvas.ts';
import { token } from '../../ui/tokens.ts';

const WIDTH = 330;
const HEIGHT = 250;
const PICTURE = { width: WIDTH, height: HEIGHT };
/** Views to look from, so that the picture stands still for many knots. */
const EIGHTH = Math.PI / 4;
const NONE: ReadonlySet<string> = new Set();

export function WherePicture(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly scene: HeadScene | undefined;
  readonly index: number;
}) {
  const { plan, result, scene, index } = props;
  const knot = result.knots[index];
  const gl = useRef<HTMLCanvasElement>(null);
  const lines = useRef<HTMLCanvasElement>(null);
  const { theme } = useTheme();
  const picture = useHeadPicture(gl, scene);
  const facingAzimuth = Math.round(Math.atan2(knot.normal[0], knot.normal[2]) / EIGHTH) * EIGHTH;
  const fromAbove = knot.normal[1] > 0.75 ? 0.9 : knot.normal[1] > 0.4 ? 0.45 : 0.06;
  const seen = useMemo(
    () =>
      projection(
        { azimuth: facingAzimuth, elevation: fromAbove },
        PICTURE,
        headFrame(PICTURE, fromAbove, { x: 0.5, y: 0.5 }, 0.0044),
        false,
      ),
    [facingAzimuth, fromAbove],
  );
  useEffect(() => {
    if (picture.state !== 'ready') return;
    picture.head.setPalette(paletteOf(plan, theme === 'dark'));
    const frame = requestAnimationFrame(() => picture.head.draw(seen, 2));
    return () => cancelAnimationFrame(frame);
  }, [picture, seen, plan, theme]);
  useEffect(() => {
    const ctx = cleared(lines.current, WIDTH, HEIGHT, 2);
    if (!ctx) return;
    drawRows(ctx, seen, soFar(result, knot), {
      selectedId: undefined,
      cautions: NONE,
      scalp: scalpColour(plan.skin),
      oldPart: undefined,
      doneKnots: index,
      signSize: 2.6,
    });
    drawFingers(ctx, seen, knot, fingerMm(plan));
    drawDisc(ctx, seen, knot);
  }, [result, knot, index, seen, plan]);
  return (
    <div
      className="relative flex-none beside:[zoom:0.66] max-tablet:[zoom:0.84] max-phone:hidden"
      style={{ width: WIDTH, height: HEIGHT, overflow: 'hidden' }}
      aria-hidden="true"
    >
      <canvas ref={gl} className="absolute inset-0 h-full w-full" />
      <canvas ref={lines} className="absolute inset-0 h-full w-full" />
    </div>
  );
}

/** Rows up to the one in hand; what comes later is not drawn. */
function soFar(result: PlanResult, knot: PlannedKnot): PlanResult {
  return { ...result, rows: result.rows.slice(0, knot.row + 1) };
}

/** Fingers lying flat between the row before (or the landmark) and the knot. */
function drawFingers(ctx: CanvasRenderingContext2D, seen: Projection, knot: PlannedKnot, finger: number) {
  const mm = knot.aboveRowBeforeMm ?? (knot.where.counts[0]?.fingers ?? 0) * finger;
  const count = Math.min(3, Math.max(0.5, Math.round((2 * mm) / finger) / 2));
  const at = [knot.xMm, knot.yMm, knot.zMm];
  const x = screenX(seen, at);
  const y = screenY(seen, at);
  const w = finger * seen.pxPerMm;
  const fromLeft = x < WIDTH / 2 + 20;
  for (let i = 0; i < Math.ceil(count); i++) {
    const share = Math.min(1, count - i);
    const top = y + 5 + i * (w + 1);
    ctx.save();
    ctx.beginPath();
    ctx.rect(0, top - 1, WIDTH, share * w + 2);
    ctx.clip();
    ctx.beginPath();
    const tip = x + (fromLeft ? 4 : -4);
    const start = fromLeft ? -20 : WIDTH + 20;
    ctx.roundRect(Math.min(start, tip), top, Math.abs(tip - start), w, w / 2);
    ctx.fillStyle = token('skin');
    ctx.fill();
    ctx.strokeStyle = token('nail');
    ctx.lineWidth = 1.3;
    ctx.stroke();
    ctx.beginPath();
    ctx.ellipse(tip + (fromLeft ? -w * 0.42 : w * 0.42), top + w / 2, w * 0.3, w * 0.26, 0, 0, 2 * Math.PI);
    ctx.lineWidth = 1;
    ctx.stroke();
    ctx.restore();
  }
}

function drawDisc(ctx: CanvasRenderingContext2D, seen: Projection, knot: PlannedKnot) {
  const at = [knot.xMm, knot.yMm, knot.zMm];
  ctx.beginPath();
  ctx.arc(screenX(seen, at), screenY(seen, at), 8.5, 0, 2 * Math.PI);
  ctx.fillStyle = token('light');
  ctx.fill();
  ctx.strokeStyle = token('sign');
  ctx.lineWidth = 2;
  ctx.stroke();
}
