/** The weave: all rows unrolled; scrubbing it plays the install back and forth. Linked with the head both ways. */
import { useEffect, useMemo, useRef } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import { knotName } from '../../core/trade/index.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useTheme } from '../session/theme.ts';
import { cleared } from '../ui/canvas.ts';
import { duration } from '../ui/format.ts';
import { token } from '../ui/tokens.ts';
import { useSize } from '../ui/use-size.ts';
import { useView } from '../view/view-store.ts';
import { drawWeave } from './draw-row-map.ts';
import { knotNear, type WeaveLayout, weaveLayout } from './layout.ts';
import { Legend, SeenLegend } from './legend.tsx';
import { stepTo } from './step-to.ts';
import { usePlay } from './use-play.ts';
import { usePull } from './use-pull.ts';
import './row-map.css';

interface Props {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  /** At Check: knots that nothing hides. */
  readonly seenIds?: ReadonlySet<string> | undefined;
  /** Knots that are in, where not all are looked at. */
  readonly hooked?: number | undefined;
}

export function RowMap(props: Props) {
  const { result, seenIds } = props;
  const box = useRef<HTMLDivElement>(null);
  const size = useSize(box);
  const play = usePlay(result);
  return (
    <section ref={box} className="weave" aria-label="Weave">
      <Cloth {...props} box={box} size={size} onTouch={play.stop} />
      {result &&
        (seenIds ? (
          <SeenLegend seen={seenIds.size} hooked={props.hooked ?? result.knots.length} of={result.knots.length} />
        ) : (
          <Legend result={result} />
        ))}
      {result && <Play {...play} minutes={result.time.knotMinutes} />}
    </section>
  );
}

/** What is drawn, and the finger and the keys on it. */
function Cloth(props: Touched) {
  const { result, size } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const selectedId = useView((v) => v.selectedId);
  const index = result ? result.knots.findIndex((k) => k.id === selectedId) : -1;
  const selected = result?.knots[index];
  const layout = useMemo(
    () => (result ? weaveLayout(result, size.width, size.height, selected?.row) : undefined),
    [result, size, selected?.row],
  );
  useDrawn(canvas, { ...props, layout });
  const handlers = useTouch(props, layout, index);
  const words = selected ? `Knot ${index + 1}, ${knotName(selected)}, ${selected.where.words}` : 'No knot selected';
  return (
    <>
      <canvas ref={canvas} aria-hidden="true" />
      <div
        className="absolute inset-0 touch-none"
        role="slider"
        tabIndex={0}
        aria-label="Knots in the order of work"
        aria-valuemin={0}
        aria-valuemax={result?.knots.length ?? 0}
        aria-valuenow={index + 1}
        aria-valuetext={words}
        data-testid="weave"
        {...handlers}
      />
    </>
  );
}

type Touched = Props & {
  readonly size: { readonly width: number; readonly height: number };
  readonly box: React.RefObject<HTMLDivElement | null>;
  readonly onTouch: () => void;
};

/** A finger or a key goes along the knots; with the tool for it in hand they pull a row. */
function useTouch({ session, result, box, onTouch }: Touched, layout: WeaveLayout | undefined, index: number) {
  const { select, tool } = useView();
  const pulls = usePull(session, result, layout);
  const pulling = tool.kind === 'pullRow';
  const near = ({ clientX, clientY }: React.PointerEvent) => {
    const place = box.current?.getBoundingClientRect();
    return result && layout && place && knotNear(result, layout, clientX - place.left, clientY - place.top);
  };
  const scrub = (event: React.PointerEvent) => {
    onTouch();
    select(near(event)?.id);
  };
  return {
    onPointerDown: (e: React.PointerEvent) => {
      e.currentTarget.setPointerCapture(e.pointerId);
      const knot = near(e);
      if (!pulling) scrub(e);
      else if (knot) pulls.take(knot, e.clientY);
    },
    onPointerMove: (e: React.PointerEvent) => {
      if (e.buttons === 0) return;
      if (pulling) pulls.pull(e.clientY);
      else scrub(e);
    },
    onPointerUp: pulls.drop,
    onPointerCancel: pulls.cancel,
    onKeyDown: (e: React.KeyboardEvent) => {
      if (pulling && pulls.byKey(e.key, result?.knots[index])) return e.preventDefault();
      const next = result && stepTo(result, index, e.key);
      if (next === undefined || !result) return;
      e.preventDefault();
      onTouch();
      select(next === -1 ? undefined : result.knots[next].id);
    },
  };
}

function useDrawn(
  canvas: React.RefObject<HTMLCanvasElement | null>,
  drawn: Touched & { readonly layout: WeaveLayout | undefined },
) {
  const { result, layout, seenIds, size } = drawn;
  const { plan } = drawn.session;
  const { theme } = useTheme();
  const selectedId = useView((v) => v.selectedId);
  // biome-ignore lint/correctness/useExhaustiveDependencies: tokens change with the theme
  useEffect(() => {
    const ctx = cleared(canvas.current, size.width, size.height);
    if (!ctx || !result || !layout) return;
    drawWeave(ctx, size.width, size.height, result, layout, {
      selectedId,
      cautions: new Set(result.findings.flatMap((f) => (f.severity === 'note' ? [] : (f.knotIds ?? [])))),
      fingerMm: fingerMm(plan),
      cloth: token('cloth'),
      topWord: TOP_WORDS[plan.part.kind],
      seenIds,
    });
  }, [result, layout, size, selectedId, plan, seenIds, theme]);
}

const TOP_WORDS = { line: 'part', crown: 'crown', swept: 'hairline' } as const;

function Play(props: { readonly playing: boolean; readonly toggle: () => void; readonly minutes: number }) {
  return (
    <button type="button" className="word play text-yarn" onClick={props.toggle}>
      <svg width="16" height="18" viewBox="0 0 16 18" aria-hidden="true">
        <path d={props.playing ? 'M1 0h5v18h-5zM10 0h5v18h-5z' : 'M0 0L16 9L0 18Z'} fill="var(--light)" />
      </svg>
      {props.playing ? 'Stop' : 'Play the install'}
      <span className="play-minutes text-small font-normal text-yarn2">{duration(props.minutes)}</span>
    </button>
  );
}
