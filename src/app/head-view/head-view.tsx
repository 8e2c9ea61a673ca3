/** The stage: her head, turned with a finger; what is selected stands in one light and is told in words. */
import { lazy, Suspense, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { POSES } from '../../core/fall/poses.ts';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import type { HeadScene } from '../../core/plan/ask/scene.ts';
import type { HairOnHead, Look } from '../../core/plan/look-result.ts';
import { litHair } from '../../core/trade/colours.ts';
import { TAPE_MEASURES, type TapeMeasure } from '../../core/trade/tape.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import { useSame } from '../ask/use-same.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useTheme } from '../session/theme.ts';
import { useLoaded } from '../session/use-loaded.ts';
import { token } from '../ui/tokens.ts';
import { useSize } from '../ui/use-size.ts';
import { useView } from '../view/view-store.ts';
import { askAbout, onScene } from './ask-about.ts';
import { PartHandles } from './beads/part.tsx';
import { KnotNote } from './knot-note.tsx';
import type { drawLook } from './lines/look.ts';
import { drawOverlay, drawStroke, knotAt, type OverlayOptions, type OverlayParts } from './lines/rows.ts';
import { layersOf } from './picture/layers.ts';
import { blockPalette, paletteOf, scalpColour } from './picture/palette.ts';
import { bentBy, facing, projection, screenX, screenY } from './projection.ts';
import { surfacePointAt, vertexAt } from './surface-hit.ts';
import { turnByKey, useTurning } from './turning.ts';
import { useHeadPicture } from './use-head-picture.ts';
import { useStrokes } from './use-strokes.ts';
import { ViewRing } from './view-ring.tsx';
import './head-view.css';

export interface ShownLook {
  readonly look: Look | undefined;
  readonly hair: HairOnHead | undefined;
}

const loadBase = () => import('./lines/base.ts');
const loadTapes = () => import('./lines/tape.ts');
const loadOpening = () => import('./lines/opening.ts');
const loadLookOverlay = () => import('./lines/look.ts').then((m) => m.drawLook);

/** Beads come with the station that has them. */
const CheckNotes = lazy(() => import('./check-notes.tsx').then((m) => ({ default: m.CheckNotes })));
const Ramp = lazy(() => import('./check-notes.tsx').then((m) => ({ default: m.Ramp })));
const BaseBeads = lazy(() => import('./beads/base.tsx').then((m) => ({ default: m.BaseBeads })));
const BrushBead = lazy(() => import('./beads/brush.tsx').then((m) => ({ default: m.BrushBead })));
const KnotBeads = lazy(() => import('./beads/knots.tsx').then((m) => ({ default: m.KnotBeads })));
const OpeningBeads = lazy(() => import('./beads/opening.tsx').then((m) => ({ default: m.OpeningBeads })));
const HairlineBeads = lazy(() => import('./beads/hairline.tsx').then((m) => ({ default: m.HairlineBeads })));

/** Hair stands out: the head is drawn smaller under it, the wider the smaller, and a little lower. */
function hairView(hair: HairOnHead | undefined): { centre?: { x: number; y: number }; mmShare?: number } {
  const mmShare = Math.min(0.0033, 0.97 / Math.max(1, hair?.size.front.widthMm ?? 0));
  return { centre: { x: 0.57, y: 0.52 }, mmShare };
}

const REST_MS = 160;
/** Strands smooth each other: at rest they need fewer pixels than the edge of a bare head. */
const HAIR_REST = 1.5;

export function HeadView(props: {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly scene: HeadScene | undefined;
  readonly show: OverlayOptions['show'] | 'look';
  readonly partHandles: boolean;
  /** The opening of the cap is drawn, with its beads. */
  readonly opening: boolean;
  /** How the finished style looks, at Check. */
  readonly shown?: ShownLook | undefined;
}) {
  const { session, result, scene, show, shown } = props;
  const box = useRef<HTMLDivElement>(null);
  const glCanvas = useRef<HTMLCanvasElement>(null);
  const lineCanvas = useRef<HTMLCanvasElement>(null);
  const size = useSize(box);
  const view = useView();
  const { theme } = useTheme();
  const [oldPart, setOldPart] = useState<Float32Array>();
  const picture = useHeadPicture(glCanvas, scene);
  const { pose } = view.check;
  const parts: OverlayParts = {
    ...useLoaded(show === 'sections', loadBase),
    ...useLoaded(show === 'tape', loadTapes),
    ...useLoaded(props.opening, loadOpening),
  };
  const { drawBase, drawTape, drawOpening } = parts;
  const lookOverlay = useLoaded<typeof drawLook>(show === 'look', loadLookOverlay);
  const withHair = show === 'look' && view.check.picture === 'hair';
  const seen = useMemo(() => {
    const { centre, mmShare } = withHair ? hairView(shown?.hair) : {};
    const angle = { azimuth: view.azimuth, elevation: view.elevation };
    const upright = projection(angle, size.width, size.height, view.mirror, centre, mmShare);
    return show === 'look' ? bentBy(upright, POSES[pose].state.gravity) : upright;
  }, [view.azimuth, view.elevation, view.mirror, size, withHair, shown?.hair, show, pose]);
  const { skin, cap } = session.plan;
  // The picture hangs on skin and cap alone: dragging a spacing must not draw it again.
  const capOff = show === 'sections' || show === 'tape';
  const onBlock = show === 'look' && view.check.onBlock;
  const palette = useMemo(
    () => ({
      ...paletteOf({ skin, cap }, theme === 'dark', capOff),
      ...(onBlock ? blockPalette() : {}),
    }),
    [skin, cap, theme, capOff, onBlock],
  );
  const selected = result?.knots.find((k) => k.id === view.selectedId);
  const cautions = useMemo(
    () => new Set(result?.findings.flatMap((f) => (f.severity === 'note' ? [] : (f.knotIds ?? []))) ?? []),
    [result],
  );

  const sectionCautions = useMemo(
    () => new Set(result?.findings.flatMap((f) => (f.severity === 'note' ? [] : (f.sectionIds ?? []))) ?? []),
    [result],
  );
  const { sectionId, showBumps } = view;
  const atBase = show === 'sections';
  // A spacing change leaves marks and sections as they are, and the picture too.
  const marks = useSame(result?.head.marks);
  const base = useSame(result?.base);
  const shows = show === 'look' && view.check.picture === 'cover' ? shown?.look?.shows : undefined;
  const layers = useMemo(
    () => layersOf(marks && base && { marks, base }, { bumps: showBumps, sectionId, atBase, shows }),
    [marks, base, showBumps, sectionId, atBase, shows],
  );
  const hair = withHair ? shown?.hair : undefined;
  const strokes = useStrokes({ session, result, scene, view: seen, box });

  useEffect(() => {
    if (picture.state === 'ready') picture.head.setLayers(layers);
  }, [picture, layers]);
  useEffect(() => {
    if (picture.state === 'ready') picture.head.setHair(hair?.mesh);
  }, [picture, hair]);

  // The picture: at screen resolution while it turns, at twice that when it rests.
  // biome-ignore lint/correctness/useExhaustiveDependencies: new layers are drawn though they are set elsewhere
  useEffect(() => {
    if (picture.state !== 'ready' || size.width === 0) return;
    picture.head.setPalette(palette);
    picture.head.setHairLook(hairLookOf(session.plan));
    const ratio = Math.min(2, window.devicePixelRatio || 1);
    const frame = requestAnimationFrame(() =>
      picture.head.draw(seen, view.moving ? Math.min(1, ratio) : ratio, view.moving),
    );
    const rest = view.moving
      ? undefined
      : setTimeout(() => picture.head.draw(seen, Math.min(1, ratio) * (hair ? HAIR_REST : 2)), REST_MS);
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(rest);
    };
  }, [picture, layers, hair, seen, size, view.moving, palette]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: ink and ground change with the theme
  useEffect(() => {
    const canvas = lineCanvas.current;
    if (!canvas || size.width === 0) return;
    const ratio = Math.max(1, window.devicePixelRatio || 1);
    canvas.width = Math.round(size.width * ratio);
    canvas.height = Math.round(size.height * ratio);
    const ctx = canvas.getContext('2d');
    if (!ctx) return;
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    ctx.clearRect(0, 0, size.width, size.height);
    if (!result) return;
    if (show === 'look' && view.check.picture !== 'plain') {
      if (!shown?.look) return;
      const { whyAt, picture: kind } = view.check;
      const whyAtMm = whyAt && scene ? onScene(scene, whyAt) : undefined;
      lookOverlay?.(ctx, seen, result, { look: shown.look, picture: kind, selectedId: view.selectedId, whyAtMm });
      if (strokes.pixels) drawStroke(ctx, strokes.pixels);
      return;
    }
    const tapes = scene?.tapes;
    const measure = view.tape as TapeMeasure | undefined;
    drawOverlay(ctx, seen, result, {
      parts,
      selectedId: view.selectedId,
      cautions,
      scalp: scalpColour(session.plan.skin),
      oldPart,
      show: show === 'look' ? 'rows' : show,
      ...(tapes
        ? {
            tape: measure && {
              measure,
              pointsMm: tapes[measure],
              unit: session.plan.unit,
              fingerMm: fingerMm(session.plan),
              ink: token('ink'),
              ground: token('ground'),
            },
            otherTapes: measure ? TAPE_MEASURES.filter((m) => m !== measure).map((m) => tapes[m]) : [],
          }
        : {}),
      base: { sectionId, lineKey: view.lineKey, cautions: sectionCautions, showBumps },
      stroke: strokes.pixels,
      opening: props.opening,
    });
  }, [
    result,
    scene,
    seen,
    size,
    view.selectedId,
    view.tape,
    view.lineKey,
    sectionId,
    showBumps,
    cautions,
    sectionCautions,
    oldPart,
    show,
    shown,
    lookOverlay,
    drawBase,
    drawTape,
    drawOpening,
    view.check,
    session.plan,
    strokes.pixels,
    props.opening,
    theme,
  ]);

  const drag = useTurning(box, (x, y) => {
    if (!result) return;
    if (show === 'rows') return view.select(knotAt(seen, result, x, y)?.id);
    if (show === 'look' && scene) return askAbout(seen, scene, result, x, y, view.check.picture);
    if (show !== 'sections' || !scene) return;
    const hit = surfacePointAt(seen, scene.cap, x, y);
    const section = hit && result.base.sections[result.base.sectionOf[vertexAt(scene.cap, hit)]];
    view.selectSection(section?.id);
  });
  const stageBox = useCallback(() => box.current?.getBoundingClientRect(), []);
  const target = selected && facing(seen, selected.normal) > 0 ? placeOf(seen, selected) : undefined;

  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing that is turned is no element HTML has
    <div
      ref={box}
      className="stage"
      role="group"
      aria-label={`Your head${result ? ` with ${result.rows.length} rows and ${result.knots.length} knots` : ''}. Arrow keys turn it.`}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: the arrows turn it
      tabIndex={0}
      {...(strokes.handlers ?? drag)}
      data-tool={view.tool.kind}
      data-moving={view.moving ? 'yes' : 'no'}
      onKeyDown={(e) => turnByKey(e)}
    >
      <canvas
        ref={glCanvas}
        aria-hidden="true"
        data-picture={picture.state}
        style={{ transform: view.mirror ? 'scaleX(-1)' : undefined }}
      />
      <canvas ref={lineCanvas} aria-hidden="true" />
      {picture.state === 'none' && (
        <p className="note absolute bottom-4 right-4 max-w-[36ch]">
          This browser draws no 3D picture. Rows and knots are drawn all the same.
        </p>
      )}
      {withHair && !hair && result && (
        <p className="note absolute bottom-4 right-6" role="status">
          Laying the hair …
        </p>
      )}
      {target && selected && result && show === 'rows' && (
        <svg
          className="pointer-events-none absolute inset-0"
          width={size.width}
          height={size.height}
          aria-hidden="true"
        >
          <path
            d={slack(size.width < 700 ? 150 : 156, 80, target.x - 2, target.y - 13)}
            fill="none"
            stroke="var(--brass)"
            strokeWidth="1.6"
          />
        </svg>
      )}
      {(show === 'rows' || (show === 'look' && (selected || view.check.picture === 'plain'))) && result && (
        <KnotNote result={result} knot={selected} />
      )}
      {props.partHandles && view.tool.kind === 'turn' && result && scene && (
        <PartHandles view={seen} scene={scene} result={result} session={session} stage={stageBox} onHold={setOldPart} />
      )}
      <Suspense>
        {show === 'look' && result && shown?.look && !selected && view.check.picture !== 'plain' && (
          <CheckNotes view={seen} result={result} look={shown.look} fingerMm={fingerMm(session.plan)} />
        )}
        {show === 'look' && view.check.picture === 'cover' && <Ramp />}
        {show === 'tape' && view.tool.kind === 'hairline' && result && (
          <HairlineBeads view={seen} result={result} session={session} stage={stageBox} />
        )}
        {view.tool.kind === 'brush' && scene && (
          <BrushBead view={seen} scene={scene} session={session} tool={view.tool} stage={stageBox} />
        )}
        {props.opening && result && scene && (
          <OpeningBeads view={seen} scene={scene} result={result} session={session} stage={stageBox} />
        )}
        {show === 'rows' && view.tool.kind !== 'turn' && result && scene && (
          <KnotBeads
            view={seen}
            scene={scene}
            result={result}
            session={session}
            stage={stageBox}
            tool={view.tool}
            selected={selected}
          />
        )}
        {show === 'sections' && result && scene && view.tool.kind === 'turn' && (
          <BaseBeads view={seen} scene={scene} result={result} session={session} stage={stageBox} />
        )}
      </Suspense>
      <ViewRing />
    </div>
  );
}

function hairLookOf({ products }: PlanSession['plan']) {
  const [product] = products;
  return { colour: litHair(product.colours[0] ?? ''), texture: product.texture };
}

function placeOf(seen: ReturnType<typeof projection>, knot: { xMm: number; yMm: number; zMm: number }) {
  const at = [knot.xMm, knot.yMm, knot.zMm];
  return { x: screenX(seen, at), y: screenY(seen, at) };
}

/** A slack thread from a word to its place. */
function slack(x0: number, y0: number, x1: number, y1: number): string {
  const top = Math.max(4, Math.min(y0, y1) - 44);
  return `M${x0},${y0} C${x0 + 0.42 * (x1 - x0)},${y0 - 6} ${x0 + 0.6 * (x1 - x0)},${top} ${x1 - 40},${top} C${x1 - 12},${top} ${x1},${(top + y1) / 2} ${x1},${y1}`;
}
