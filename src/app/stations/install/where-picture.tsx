/** Her head with what is in so far, seen from the side that matters, with her own fingers between the row before and the knot. */
import { useEffect, useMemo, useRef } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import type { HairOnHead, HeadScene } from '../../../core/plan/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import { headFrame } from '../../head-view/framing.ts';
import { drawBase } from '../../head-view/lines/base.ts';
import { drawRows } from '../../head-view/lines/rows.ts';
import { paletteOf, scalpColour } from '../../head-view/picture/palette.ts';
import { type Projection, projection, screenX, screenY } from '../../head-view/projection.ts';
import { hairLooksOf } from '../../head-view/use-drawn-picture.ts';
import { useHeadPicture } from '../../head-view/use-head-picture.ts';
import { useTheme } from '../../session/theme.ts';
import { cleared } from '../../ui/canvas.ts';
import { token } from '../../ui/tokens.ts';
import type { ViewAngle } from '../../view/view-store.ts';
import type { Mirrors } from './mirror-settings.ts';

const WIDTH = 330;
const HEIGHT = 250;
const PICTURE = { width: WIDTH, height: HEIGHT };
/** Views to look from, so that the picture stands still for many knots. */
const EIGHTH = Math.PI / 4;
const NONE: ReadonlySet<string> = new Set();
const PX_PER_MM_SHARE = 0.0044;
/** Long hair needs more room below. */
const HAIR_SHARE = 0.0027;

/** Her plan on her head, with what of it is in. */
export interface OnHead {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly scene: HeadScene | undefined;
  readonly isIn: ReadonlySet<string>;
}

interface HeadSoFarProps extends OnHead {
  readonly view: ViewAngle;
  /** As in one mirror: left and right change places. */
  readonly isMirrored?: boolean;
  /** Nothing is on the base yet, or this section of it is in hand. */
  readonly base?: { readonly sectionId: string | undefined } | undefined;
  /** Rows up to this one are drawn; all of them where it is left out. */
  readonly upToRow?: number;
  /** Hair as it is meant to hang by now, in place of rows and knots. */
  readonly hair?: HairOnHead | undefined;
  readonly drawOver?: (ctx: CanvasRenderingContext2D, seen: Projection) => void;
  readonly onTap?: (x: number, y: number, seen: Projection) => void;
  readonly className?: string;
}

export function HeadSoFar(props: HeadSoFarProps) {
  const { plan, result, scene, isIn, base, upToRow, hair, drawOver, onTap } = props;
  const { azimuth, elevation } = props.view;
  const isMirrored = props.isMirrored === true;
  const gl = useRef<HTMLCanvasElement>(null);
  const lines = useRef<HTMLCanvasElement>(null);
  const { theme } = useTheme();
  const picture = useHeadPicture(gl, scene);
  const seen = useMemo(
    () =>
      projection(
        { azimuth, elevation },
        PICTURE,
        headFrame(PICTURE, elevation, { x: 0.5, y: hair ? 0.35 : 0.5 }, hair ? HAIR_SHARE : PX_PER_MM_SHARE),
        isMirrored,
      ),
    [azimuth, elevation, isMirrored, hair],
  );
  useEffect(() => {
    if (picture.state !== 'ready') return;
    picture.head.setPalette(paletteOf(plan, theme === 'dark'));
    picture.head.setHair(hair?.mesh);
    if (hair) picture.head.setHairLooks(hairLooksOf(plan));
    const frame = requestAnimationFrame(() => {
      picture.head.draw(seen, 2);
      if (gl.current) gl.current.dataset.drawn = hair ? 'hair' : 'head';
    });
    return () => cancelAnimationFrame(frame);
  }, [picture, seen, plan, theme, hair]);
  useEffect(() => {
    const ctx = cleared(lines.current, WIDTH, HEIGHT, 2);
    if (!ctx || hair) return;
    if (base) drawBase(ctx, seen, result, { ...base, lineKey: undefined, cautions: NONE, showBumps: false });
    else
      drawRows(ctx, seen, upToRow === undefined ? result : { ...result, rows: result.rows.slice(0, upToRow + 1) }, {
        selectedId: undefined,
        cautions: NONE,
        scalp: scalpColour(plan.skin),
        oldPart: undefined,
        onlyKnots: isIn,
        signSize: 2.6,
      });
    drawOver?.(ctx, seen);
  }, [result, isIn, seen, plan, base, upToRow, hair, drawOver]);
  return (
    <div
      className={`relative flex-none ${props.className ?? 'beside:[zoom:0.66] max-tablet:[zoom:0.84] max-phone:hidden'}`}
      style={{ width: WIDTH, height: HEIGHT, overflow: 'hidden' }}
      aria-hidden="true"
      onPointerDown={
        onTap &&
        ((e) => {
          const box = e.currentTarget.getBoundingClientRect();
          onTap(((e.clientX - box.left) * WIDTH) / box.width, ((e.clientY - box.top) * HEIGHT) / box.height, seen);
        })
      }
    >
      <canvas ref={gl} className="absolute inset-0 h-full w-full" />
      <canvas ref={lines} className="absolute inset-0 h-full w-full" />
    </div>
  );
}

/** The side that a place lies on, from an eighth of a turn. */
export function viewOf(normal: readonly [number, number, number]): ViewAngle {
  return {
    azimuth: Math.round(Math.atan2(normal[0], normal[2]) / EIGHTH) * EIGHTH,
    elevation: normal[1] > 0.75 ? 0.9 : normal[1] > 0.4 ? 0.45 : 0.06,
  };
}

export function WherePicture(
  props: OnHead & {
    readonly knot: PlannedKnot;
    /** All that are told together with it. */
    readonly run: readonly PlannedKnot[];
    readonly mirrors: Mirrors;
    readonly forHelper: boolean;
  },
) {
  const { plan, result, isIn, knot, run } = props;
  const view = useMemo(() => viewOf(knot.normal), [knot]);
  // One mirror shows what lies in front, turned; the back is seen in none of one, and as it is in two.
  const isInMirror = props.mirrors === 'one' && !props.forHelper && knot.normal[2] > -0.3;
  const drawOver = useMemo(
    () => (ctx: CanvasRenderingContext2D, seen: Projection) => {
      if (run.length <= 1) drawFingers(ctx, seen, knot, fingerMm(plan));
      for (const k of run.slice(1)) drawOpen(ctx, seen, k);
      drawHook(ctx, seen, knot);
      drawDisc(ctx, seen, knot);
    },
    [knot, run, plan],
  );
  return (
    <HeadSoFar
      {...{ plan, result, isIn, view, drawOver }}
      scene={props.scene}
      isMirrored={isInMirror}
      upToRow={knot.row}
    />
  );
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

export function drawDisc(
  ctx: CanvasRenderingContext2D,
  seen: Projection,
  knot: Pick<PlannedKnot, 'xMm' | 'yMm' | 'zMm'>,
) {
  const at = [knot.xMm, knot.yMm, knot.zMm];
  ctx.beginPath();
  ctx.arc(screenX(seen, at), screenY(seen, at), 8.5, 0, 2 * Math.PI);
  ctx.fillStyle = token('light');
  ctx.fill();
  ctx.strokeStyle = token('sign');
  ctx.lineWidth = 2;
  ctx.stroke();
}

function drawOpen(ctx: CanvasRenderingContext2D, seen: Projection, knot: PlannedKnot) {
  const at = [knot.xMm, knot.yMm, knot.zMm];
  ctx.beginPath();
  ctx.arc(screenX(seen, at), screenY(seen, at), 3.4, 0, 2 * Math.PI);
  ctx.strokeStyle = token('light');
  ctx.lineWidth = 1.6;
  ctx.stroke();
}

/** Where the hook goes, as it is seen here. */
const HOOK_MM = 24;
function drawHook(ctx: CanvasRenderingContext2D, seen: Projection, knot: PlannedKnot) {
  const at = [knot.xMm, knot.yMm, knot.zMm];
  const to = at.map((c, i) => c + HOOK_MM * knot.hook[i]);
  const [x, y, tx, ty] = [screenX(seen, at), screenY(seen, at), screenX(seen, to), screenY(seen, to)];
  const angle = Math.atan2(ty - y, tx - x);
  const shaft = new Path2D();
  shaft.moveTo(x - (tx - x) * 0.2, y - (ty - y) * 0.2);
  shaft.lineTo(tx, ty);
  for (const turn of [2.6, -2.6]) {
    shaft.moveTo(tx, ty);
    shaft.lineTo(tx + 8 * Math.cos(angle + turn), ty + 8 * Math.sin(angle + turn));
  }
  for (const [style, width] of [
    [token('under'), 6],
    [token('light'), 3],
  ] as const) {
    ctx.strokeStyle = style;
    ctx.lineWidth = width;
    ctx.lineCap = 'round';
    ctx.stroke(shaft);
  }
}
