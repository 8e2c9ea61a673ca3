/** The scan as it stands, turned by hand or by arrows; landmarks as beads, and the brush that presses hair down. */
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PictureMesh } from '../../core/head/index.ts';
import {
  type BrushStroke,
  MIDDLE_MARKS,
  SCAN_MARK_NAMES,
  SCAN_MARKS,
  type ScanMark,
  type ScanMarks,
} from '../../core/scan/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { Bead, movedOnScreen } from '../head-view/beads/bead.tsx';
import { headFrame } from '../head-view/framing.ts';
import { paletteOf } from '../head-view/picture/palette.ts';
import { type Projection, projection, screenX, screenY, type V3 } from '../head-view/projection.ts';
import { surfacePointAt, vertexAt } from '../head-view/surface-hit.ts';
import { turnByKey, useTurning } from '../head-view/turning.ts';
import { useHeadPicture } from '../head-view/use-head-picture.ts';
import { useTheme } from '../session/theme.ts';
import { useSize } from '../ui/use-size.ts';
import { useView } from '../view/view-store.ts';

export interface Brush {
  readonly radiusMm: number;
  readonly pressMm: number;
}

const NOTHING: PictureMesh = {
  positions: new Float32Array(0),
  normals: new Float32Array(0),
  triangles: new Uint32Array(0),
  light: new Float32Array(0),
  aboveHairlineMm: new Float32Array(0),
};
const NUDGE_MM = 2;
/** A stroke of the brush is set down anew after so much of its width. */
const ALONG = 0.6;

export function ScanStage(props: {
  readonly plan: PlanDocument;
  readonly picture: PictureMesh;
  /** Undefined while it is set upright. */
  readonly marks: ScanMarks | undefined;
  readonly brush: Brush | undefined;
  readonly onMark: (mark: ScanMark, at: V3) => void;
  readonly onStrokes: (strokes: readonly BrushStroke[]) => void;
}) {
  const { plan, picture, marks, brush } = props;
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { width, height } = useSize(box);
  const { theme } = useTheme();
  const { azimuth, elevation, moving } = useView();
  const scene = useMemo(() => ({ bust: picture, cap: NOTHING, tapes: {} as never, crownHeightMm: 0 }), [picture]);
  const drawn = useHeadPicture(canvas, scene);
  const view = useMemo(() => {
    const stage = { width, height };
    const share = Math.min(SCAN_SHARE, width / (WIDEST_MM * height));
    return projection({ azimuth, elevation }, stage, headFrame(stage, elevation, MIDDLE, share), false);
  }, [azimuth, elevation, width, height]);
  useEffect(() => {
    if (!drawn.head || width === 0) return;
    drawn.head.setPalette(paletteOf(plan, theme === 'dark', true));
    const frame = requestAnimationFrame(() => drawn.head.draw(view, moving ? 1 : 2, moving));
    return () => cancelAnimationFrame(frame);
  }, [drawn, view, width, plan, theme, moving]);
  const [atHand, setAtHand] = useState<ScanMark>();
  const touched = (e: React.SyntheticEvent) => {
    const { bead } = (e.target as HTMLElement).dataset;
    setAtHand(SCAN_MARKS.find((m) => bead === `mark-${m}`));
  };
  const turning = useTurning(box, () => undefined);
  const { pressInMiddle, ...strokes } = usePainting({ box, view, picture, brush, onStrokes: props.onStrokes });
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing that is turned is no element HTML has
    <div
      ref={box}
      className="scan-stage"
      role="group"
      aria-label={`The scan. Arrow keys turn it.${brush ? ' Enter sets the brush down where the cross is.' : ''}`}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: the arrows turn it
      tabIndex={0}
      data-brush={brush ? 'yes' : 'no'}
      onFocus={touched}
      onPointerOver={touched}
      {...(brush ? strokes : turning)}
      onKeyDown={(e) => {
        if (brush && e.key === 'Enter' && e.target === e.currentTarget) pressInMiddle();
        else turnByKey(e);
      }}
    >
      <canvas ref={canvas} aria-hidden="true" data-picture={drawn.state} />
      {brush && <i className="scan-aim" aria-hidden="true" />}
      {marks && !brush && (
        <p className="scan-told" aria-hidden="true" data-testid="scan-told">
          {atHand ? markName(atHand) : 'Touch a bead: it says what it marks.'}
        </p>
      )}
      {marks &&
        !brush &&
        SCAN_MARKS.map((mark) => (
          <MarkBead
            key={mark}
            mark={mark}
            marks={marks}
            view={view}
            picture={picture}
            stage={() => box.current?.getBoundingClientRect()}
            onMark={props.onMark}
          />
        ))}
    </div>
  );
}

/** Smaller than a head alone: shoulders may be on it. */
const SCAN_SHARE = 0.0035;
/** A long head from the side, with air: in a narrow column it is no larger than fits. */
const WIDEST_MM = 215;
/** Where the middle of the head stands, and the cross of the brush, as shares of the stage. */
const MIDDLE = { x: 0.5, y: 0.4 };

function MarkBead(props: {
  readonly mark: ScanMark;
  readonly marks: ScanMarks;
  readonly view: Projection;
  readonly picture: PictureMesh;
  readonly stage: () => DOMRect | undefined;
  readonly onMark: (mark: ScanMark, at: V3) => void;
}) {
  const { mark, marks, view, picture } = props;
  const [held, setHeld] = useState<V3>();
  const at = held ?? placeOf(picture, marks[mark]);
  const isMiddle = MIDDLE_MARKS.includes(mark);
  const take = (to: V3) => props.onMark(mark, directionTo(to, isMiddle));
  return (
    <Bead
      view={view}
      at={at}
      small={!isMiddle}
      name={`mark-${mark}`}
      label={markName(mark)}
      stage={props.stage}
      onDrag={({ x, y }) => setHeld(surfacePointAt(view, picture, x, y) ?? at)}
      onDrop={() => {
        if (held) take(held);
        setHeld(undefined);
      }}
      onCancel={() => setHeld(undefined)}
      onNudge={(right, down) => take(movedOnScreen(view, at, NUDGE_MM * right, NUDGE_MM * down))}
    />
  );
}

const markName = (mark: ScanMark) =>
  `${SCAN_MARK_NAMES[mark]}${MIDDLE_MARKS.includes(mark) ? '' : ', left; the right one follows'}`;

/** On the surface in that direction: the corner that lies nearest to it. */
function placeOf(picture: PictureMesh, [x, y, z]: V3): V3 {
  const v = 3 * vertexAt(picture, [100 * x, 100 * y, 100 * z]);
  const p = picture.positions;
  const long = Math.sqrt(p[v] ** 2 + p[v + 1] ** 2 + p[v + 2] ** 2);
  return [long * x, long * y, long * z];
}

function directionTo([x, y, z]: V3, isMiddle: boolean): V3 {
  // Both sides are one: what was moved on her right is set on her left.
  const across = isMiddle ? 0 : Math.abs(x);
  const long = Math.sqrt(across * across + y * y + z * z) || 1;
  return [across / long, y / long, z / long];
}

/** Strokes are kept until the finger lifts, then set down at once. */
function usePainting(props: {
  readonly box: React.RefObject<HTMLDivElement | null>;
  readonly view: Projection;
  readonly picture: PictureMesh;
  readonly brush: Brush | undefined;
  readonly onStrokes: (strokes: readonly BrushStroke[]) => void;
}) {
  const strokes = useRef<BrushStroke[]>(undefined);
  const last = useRef<readonly [number, number]>(undefined);
  const touch = (e: React.PointerEvent) => {
    const place = props.box.current?.getBoundingClientRect();
    if (!place || !props.brush || !strokes.current) return;
    const [x, y] = [e.clientX - place.left, e.clientY - place.top];
    const [lx, ly] = last.current ?? [Number.NEGATIVE_INFINITY, 0];
    const step = ALONG * props.brush.radiusMm * props.view.pxPerMm;
    if ((x - lx) ** 2 + (y - ly) ** 2 < step * step) return;
    const at = surfacePointAt(props.view, props.picture, x, y);
    if (!at || !isNear(props.view, at, x, y)) return;
    last.current = [x, y];
    strokes.current.push({ at: directionTo(at, false), ...props.brush });
  };
  const lift = () => {
    if (strokes.current?.length) props.onStrokes(strokes.current);
    strokes.current = undefined;
    last.current = undefined;
  };
  const pressInMiddle = () => {
    const place = props.box.current?.getBoundingClientRect();
    if (!place || !props.brush) return;
    const at = surfacePointAt(props.view, props.picture, MIDDLE.x * place.width, MIDDLE.y * place.height);
    if (at) props.onStrokes([{ at: directionTo(at, false), ...props.brush }]);
  };
  return {
    pressInMiddle,
    onPointerDown: (e: React.PointerEvent<HTMLDivElement>) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      strokes.current = [];
      touch(e);
    },
    onPointerMove: touch,
    onPointerUp: lift,
    onPointerCancel: lift,
  };
}

/** Beside the head nothing is painted, px. */
const BESIDE_PX = 24;
const isNear = (view: Projection, at: V3, x: number, y: number) =>
  Math.abs(screenX(view, at) - x) < BESIDE_PX && Math.abs(screenY(view, at) - y) < BESIDE_PX;
