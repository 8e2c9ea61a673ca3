/** The weave: all rows unrolled; scrubbing it plays the install back and forth. Linked with the head both ways. */
import { useEffect, useMemo, useRef } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import { duration, knotName } from '../../core/trade/index.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useTheme } from '../session/theme.ts';
import type { StationId } from '../thread/stations.ts';
import { cleared } from '../ui/canvas.ts';

import { token } from '../ui/tokens.ts';
import { useNextFrame } from '../ui/use-next-frame.ts';
import { useSize } from '../ui/use-size.ts';
import { useCloth } from '../view/room.ts';
import { useView } from '../view/view-store.ts';
import { drawRibbon, drawWeave } from './draw-row-map.ts';
import { knotNear, ribbonLayout, type WeaveLayout, weaveLayout } from './layout.ts';
import { Legend, SeenLegend } from './legend.tsx';
import { stepTo } from './step-to.ts';
import { usePlay } from './use-play.ts';
import { usePull } from './use-pull.ts';
import './row-map.css';

interface Props {
  readonly session: PlanSession;
  readonly station: StationId;
  readonly result: PlanResult | undefined;
  /** Knots that are ringed: at Check those that nothing hides, at Takedown those that hold to own hair. */
  readonly seenIds?: ReadonlySet<string> | undefined;
  /** Knots that are in, where not all are looked at. */
  readonly hooked?: number | undefined;
}

export function RowMap(props: Props) {
  const { result, seenIds } = props;
  const box = useRef<HTMLDivElement>(null);
  const size = useSize(box);
  const play = usePlay(result);
  const [open, setOpen] = useCloth(props.station);
  return (
    <section ref={box} className={`weave ${open ? '' : 'folded'}`} aria-label="Weave">
      <Cloth {...props} {...{ box, size, open, setOpen }} onTouch={play.stop} />
      {result && !open && <RibbonCount result={result} />}
      {result &&
        open &&
        (seenIds ? (
          <SeenLegend
            seen={seenIds.size}
            hooked={props.hooked ?? result.knots.length}
            of={result.knots.length}
            {...(props.station === 'takedown' ? { words: ['to find, in own hair', 'others'] as const } : {})}
          />
        ) : (
          <Legend result={result} />
        ))}
      {result && <Play {...play} minutes={result.time.knotMinutes} />}
      <Fold open={open} setOpen={setOpen} />
    </section>
  );
}

/** What is drawn, and the finger and the keys on it. */
function Cloth(props: Touched) {
  const { result, size, open } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const selectedId = useView((v) => v.selectedId);
  const index = result ? result.knots.findIndex((k) => k.id === selectedId) : -1;
  const selected = result?.knots[index];
  const layout = useMemo(
    () =>
      result && size.width > 0
        ? open
          ? weaveLayout(result, size.width, size.height, selected?.row)
          : ribbonLayout(result, size.width, size.height)
        : undefined,
    [result, size, selected?.row, open],
  );
  useDrawn(canvas, { ...props, layout });
  const { isComing, ...handlers } = useTouch(props, layout, index);
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
        data-pen={isComing ? 'loading' : undefined}
        {...handlers}
      />
    </>
  );
}

type Touched = Props & {
  readonly size: { readonly width: number; readonly height: number };
  readonly box: React.RefObject<HTMLDivElement | null>;
  /** Open, or a ribbon. */
  readonly open: boolean;
  readonly setOpen: (open: boolean) => void;
  readonly onTouch: () => void;
};

/** A finger or a key goes along the knots; with the tool for it in hand they pull a row. */
function useTouch(
  { session, result, box, open, setOpen, onTouch }: Touched,
  layout: WeaveLayout | undefined,
  index: number,
) {
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
    isComing: pulls.isComing,
    onPointerDown: (e: React.PointerEvent) => {
      // A ribbon is too narrow to say which knot is meant.
      if (!open) return setOpen(true);
      e.currentTarget.setPointerCapture(e.pointerId);
      const knot = near(e);
      if (!pulling) scrub(e);
      else if (knot) pulls.take(knot, e.clientY);
    },
    onPointerMove: (e: React.PointerEvent) => {
      if (e.buttons === 0 || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
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
      setOpen(true);
      onTouch();
      select(next === -1 ? undefined : result.knots[next].id);
    },
  };
}

function useDrawn(
  canvas: React.RefObject<HTMLCanvasElement | null>,
  drawn: Touched & { readonly layout: WeaveLayout | undefined },
) {
  const { result, layout, seenIds, size, open } = drawn;
  const { plan } = drawn.session;
  const { theme } = useTheme();
  const selectedId = useView((v) => v.selectedId);
  const inNextFrame = useNextFrame();
  // biome-ignore lint/correctness/useExhaustiveDependencies: tokens change with the theme
  useEffect(() => {
    const draw = () => {
      const ctx = cleared(canvas.current, size.width, size.height);
      if (!ctx || !result || !layout) return;
      if (!open) return drawRibbon(ctx, size.height, result, layout, selectedId);
      drawWeave(ctx, size.width, size.height, result, layout, {
        selectedId,
        cautions: new Set(result.findings.flatMap((f) => (f.severity === 'note' ? [] : (f.knotIds ?? [])))),
        fingerMm: fingerMm(plan),
        cloth: token('cloth'),
        topWord: TOP_WORDS[plan.part.kind],
        seenIds,
      });
    };
    return inNextFrame(draw);
  }, [result, layout, size, selectedId, plan, seenIds, theme, open, inNextFrame]);
}

const TOP_WORDS = { line: 'part', crown: 'crown', swept: 'hairline' } as const;

function Play(props: { readonly playing: boolean; readonly toggle: () => void; readonly minutes: number }) {
  return (
    <button type="button" className="word play text-yarn" onClick={props.toggle}>
      <svg width="16" height="18" viewBox="0 0 16 18" aria-hidden="true">
        <path d={props.playing ? 'M1 0h5v18h-5zM10 0h5v18h-5z' : 'M0 0L16 9L0 18Z'} fill="var(--light)" />
      </svg>
      <span className="play-word">{props.playing ? 'Stop' : 'Play the install'}</span>
      <span className="play-minutes text-small font-normal text-yarn2">{duration(props.minutes)}</span>
    </button>
  );
}

/** How many there are, and which one stands in the light. */
function RibbonCount({ result }: { readonly result: PlanResult }) {
  const selectedId = useView((v) => v.selectedId);
  const at = result.knots.findIndex((k) => k.id === selectedId);
  return (
    <p className="ribbon-count text-small text-yarn">
      {at >= 0 && (
        <>
          <span className="fig text-lead">{at + 1}</span> of{' '}
        </>
      )}
      <span className="fig text-lead">{result.knots.length}</span> knots, {result.rows.length} rows
    </p>
  );
}

function Fold({ open, setOpen }: { readonly open: boolean; readonly setOpen: (open: boolean) => void }) {
  return (
    <button
      type="button"
      className="word fold text-yarn2"
      aria-expanded={open}
      aria-label={open ? 'Fold the cloth' : 'Open the cloth'}
      title={open ? 'Fold the cloth' : 'Open the cloth'}
      data-testid="fold"
      onClick={() => setOpen(!open)}
    >
      <svg width="16" height="9" viewBox="0 0 16 9" aria-hidden="true">
        <path
          d={open ? 'M1 1.5L8 7.5L15 1.5' : 'M1 7.5L8 1.5L15 7.5'}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.6"
        />
      </svg>
    </button>
  );
}
