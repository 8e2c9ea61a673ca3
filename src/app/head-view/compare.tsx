/** Two heads that turn as one, and a third with what is different between them. */
import { useEffect, useMemo, useRef } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import type { HeadScene, Look } from '../../core/plan/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { serialOf, useAsk } from '../ask/ask.ts';
import { painter } from '../ask/clients.ts';
import { useTheme } from '../session/theme.ts';
import { useSize } from '../ui/use-size.ts';
import { type OtherPlan, useView } from '../view/view-store.ts';
import { headFrame } from './framing.ts';
import type { Layers } from './picture/head-picture.ts';
import { layered, layersOf } from './picture/layers.ts';
import { paletteOf } from './picture/palette.ts';
import { projection } from './projection.ts';
import { Strip } from './strip.tsx';
import { turnByKey, useTurning } from './turning.ts';
import { useHeadPicture } from './use-head-picture.ts';

const PLAIN = { bumps: false, sectionId: undefined, atBase: false } as const;
/** A difference of this much is shown in full light. */
const FULL = 0.4;

interface Compared {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly look: Look;
  readonly scene: HeadScene;
  readonly other: OtherPlan;
  /** What each is called, where its plan’s name does not say it. */
  readonly names?: readonly [other: string, own: string];
}

export function CompareStage(props: Compared) {
  const { plan, result, look, scene, other } = props;
  const box = useRef<HTMLDivElement>(null);
  const drag = useTurning(box, () => undefined);
  const layers = useMemo(() => layersOf(layered(result), { ...PLAIN, shows: look.shows }), [result, look]);
  const otherLayers = useMemo(() => layersOf(layered(other.result), { ...PLAIN, shows: other.look.shows }), [other]);
  const by = useDifference(props);
  const isFound = useView((v) => v.check.against?.kind === 'found');
  const names: readonly string[] =
    props.names ??
    (isFound
      ? ['as found', 'as planned']
      : other.plan.id === plan.id
        ? ['as it was', 'as it is']
        : [other.plan.name, plan.name]);
  const difference = useMemo(
    (): Layers => ({ marks: layersOf(undefined, PLAIN).marks, difference: by?.map((d) => d / FULL) ?? [] }),
    [by],
  );
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing that is turned is no element HTML has
    <div
      ref={box}
      className="stage compare"
      role="group"
      aria-label="Both heads and what is different. Arrow keys turn them."
      // biome-ignore lint/a11y/noNoninteractiveTabindex: the arrows turn them
      tabIndex={0}
      {...drag}
      onKeyDown={turnByKey}
      data-testid="compare"
    >
      <Head
        plan={other.plan}
        scene={other.scene}
        layers={otherLayers}
        name={names[0]}
        hidden={other.look.hiddenShare}
      />
      <Head plan={plan} scene={scene} layers={layers} name={names[1]} hidden={look.hiddenShare} />
      <Head plan={plan} scene={scene} layers={difference} name="light: more shows; hatched: less" />
      <Strip />
    </div>
  );
}

/** Worked out beside the screen: two heads of unlike tape take their time. */
function useDifference({ look, scene, other }: Compared): Float32Array | undefined {
  const shown = (l: Look, s: HeadScene) => ({ shows: l.shows, cap: { positions: s.cap.positions } });
  const asked = { first: shown(other.look, other.scene), second: shown(look, scene) };
  const key = [other.look, other.scene, look, scene].map(serialOf);
  return useAsk(painter, 'lookDifference', asked, key).answer?.value;
}

function Head(props: {
  readonly plan: PlanDocument;
  readonly scene: HeadScene;
  readonly layers: Layers;
  readonly name: string;
  readonly hidden?: number;
}) {
  const { plan, layers } = props;
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { width, height } = useSize(box);
  const { azimuth, elevation, mirror, moving } = useView();
  const { theme } = useTheme();
  const picture = useHeadPicture(canvas, props.scene);
  const seen = useMemo(() => {
    const stage = { width, height };
    const share = Math.min(0.0034, 0.0044 * (width / Math.max(1, height)));
    return projection({ azimuth, elevation }, stage, headFrame(stage, elevation, { x: 0.5, y: 0.55 }, share), mirror);
  }, [azimuth, elevation, mirror, width, height]);
  useEffect(() => {
    if (!picture.head || width === 0) return;
    picture.head.setPalette(paletteOf(plan, theme === 'dark'));
    picture.head.setLayers(layers);
    const frame = requestAnimationFrame(() => picture.head.draw(seen, moving ? 1 : 2, moving));
    return () => cancelAnimationFrame(frame);
  }, [picture, seen, width, plan, theme, layers, moving]);
  return (
    <figure>
      <div ref={box} className="relative min-h-0 overflow-hidden">
        <canvas
          ref={canvas}
          aria-hidden="true"
          data-picture={picture.state}
          style={{ transform: mirror ? 'scaleX(-1)' : undefined }}
        />
      </div>
      <figcaption className="pointer-events-none text-center">
        {props.hidden !== undefined && (
          <span className="fig mr-2 text-heading">{Math.round(100 * props.hidden)} %</span>
        )}
        <span className="note">{props.name}</span>
      </figcaption>
    </figure>
  );
}
