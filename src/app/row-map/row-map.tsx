/** The weave: all rows unrolled; scrubbing it plays the install back and forth. Linked with the head both ways. */

import { useEffect, useMemo, useRef, useState } from 'react';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import { type DirectionDeg, directionDeg } from '../../core/head/marks.ts';
import { knotName } from '../../core/trade/knots.ts';
import { lowerFirst } from '../../core/trade/words.ts';
import { signKey } from '../../formats/signs.ts';
import { pullRow } from '../../model/rows-by-hand.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useTheme } from '../session/theme.ts';
import { duration } from '../ui/format.ts';
import { Sign } from '../ui/sign.tsx';
import { token } from '../ui/tokens.ts';
import { useSize } from '../ui/use-size.ts';
import { useView } from '../view/view-store.ts';
import { drawWeave } from './draw-row-map.ts';
import { knotNear, weaveLayout } from './layout.ts';
import './row-map.css';

const FRAME_MS = 70;

/** A row that is held: how far the finger has come becomes mm through the gap between two threads. */
interface Pull {
  readonly row: number;
  readonly at: DirectionDeg;
  readonly fromY: number;
  readonly mm: number;
}
const PULL_STEP_MM = 1;

export function RowMap(props: {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  /** At Check: knots that nothing hides. */
  readonly seenIds?: ReadonlySet<string> | undefined;
  /** Knots that are in, where not all are looked at. */
  readonly hooked?: number | undefined;
}) {
  const { session, result, seenIds } = props;
  const { plan } = session;
  const box = useRef<HTMLDivElement>(null);
  const { theme } = useTheme();
  const canvas = useRef<HTMLCanvasElement>(null);
  const size = useSize(box);
  const { selectedId, select, tool } = useView();
  const pulling = useRef<Pull>(undefined);
  const [playing, setPlaying] = useState(false);
  const index = result ? result.knots.findIndex((k) => k.id === selectedId) : -1;
  const selected = result?.knots[index];
  const layout = useMemo(
    () => (result ? weaveLayout(result, size.width, size.height, selected?.row) : undefined),
    [result, size, selected?.row],
  );
  const cautions = useMemo(
    () => new Set(result?.findings.flatMap((f) => (f.severity === 'note' ? [] : (f.knotIds ?? []))) ?? []),
    [result],
  );

  // biome-ignore lint/correctness/useExhaustiveDependencies: tokens change with the theme
  useEffect(() => {
    const ctx = canvas.current?.getContext('2d');
    if (!ctx || !canvas.current || size.width === 0) return;
    const ratio = Math.max(1, window.devicePixelRatio || 1);
    canvas.current.width = Math.round(size.width * ratio);
    canvas.current.height = Math.round(size.height * ratio);
    ctx.setTransform(ratio, 0, 0, ratio, 0, 0);
    ctx.clearRect(0, 0, size.width, size.height);
    if (!result || !layout) return;
    const topWord = plan.part.kind === 'line' ? 'part' : plan.part.kind === 'crown' ? 'crown' : 'hairline';
    drawWeave(ctx, size.width, size.height, result, layout, {
      selectedId,
      cautions,
      fingerMm: fingerMm(plan),
      cloth: token('cloth'),
      topWord,
      seenIds,
    });
  }, [result, layout, size, selectedId, cautions, plan, seenIds, theme]);

  useEffect(() => {
    if (!playing || !result) return;
    const timer = setInterval(() => {
      const at = result.knots.findIndex((k) => k.id === useView.getState().selectedId);
      if (at + 1 >= result.knots.length) setPlaying(false);
      else select(result.knots[at + 1].id);
    }, FRAME_MS);
    return () => clearInterval(timer);
  }, [playing, result, select]);

  const scrub = (event: React.PointerEvent) => {
    const place = box.current?.getBoundingClientRect();
    if (!result || !layout || !place) return;
    setPlaying(false);
    select(knotNear(result, layout, event.clientX - place.left, event.clientY - place.top)?.id);
  };
  const takeRow = (event: React.PointerEvent) => {
    const place = box.current?.getBoundingClientRect();
    const near =
      result && layout && place && knotNear(result, layout, event.clientX - place.left, event.clientY - place.top);
    if (!near) return;
    select(near.id);
    const at = directionDeg([near.xMm, near.yMm, near.zMm]);
    pulling.current = { row: near.row, at, fromY: event.clientY, mm: 0 };
  };
  const pull = (event: React.PointerEvent) => {
    const held = pulling.current;
    if (!held || !result || !layout) return;
    const mm = ((held.fromY - event.clientY) / layout.rowGap) * result.spacing.mm.gapMm;
    pulling.current = { ...held, mm: Math.round(2 * mm) / 2 };
    session.preview(pullRow(session.history.present.plan, result.rows[held.row], held.at, pulling.current.mm).plan);
  };
  const dropRow = () => {
    const held = pulling.current;
    pulling.current = undefined;
    if (!held || !result) return;
    if (held.mm === 0) return session.preview(undefined);
    const kept = result.rows[held.row];
    useView.getState().refuse(session.apply(pullRow(session.history.present.plan, kept, held.at, held.mm)));
  };
  const pullByKey = (key: string) => {
    const way = key === 'ArrowUp' ? 1 : key === 'ArrowDown' ? -1 : 0;
    if (way === 0 || !selected || !result) return false;
    const at = directionDeg([selected.xMm, selected.yMm, selected.zMm]);
    const deed = pullRow(session.history.present.plan, result.rows[selected.row], at, way * PULL_STEP_MM);
    useView.getState().refuse(session.apply(deed));
    return true;
  };
  const onKey = (event: React.KeyboardEvent) => {
    if (tool.kind === 'pullRow' && pullByKey(event.key)) return event.preventDefault();
    const next = result && stepTo(result, index, event.key);
    if (next === undefined || !result) return;
    event.preventDefault();
    setPlaying(false);
    select(next === -1 ? undefined : result.knots[next].id);
  };

  return (
    <section ref={box} className="weave" aria-label="Weave">
      <canvas ref={canvas} aria-hidden="true" />
      <div
        className="absolute inset-0"
        role="slider"
        tabIndex={0}
        aria-label="Knots in the order of work"
        aria-valuemin={0}
        aria-valuemax={result?.knots.length ?? 0}
        aria-valuenow={index + 1}
        aria-valuetext={
          selected ? `Knot ${index + 1}, ${knotName(selected)}, ${selected.where.words}` : 'No knot selected'
        }
        style={{ touchAction: 'none' }}
        data-testid="weave"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          if (tool.kind === 'pullRow') takeRow(e);
          else scrub(e);
        }}
        onPointerMove={(e) => {
          if (e.buttons === 0) return;
          if (tool.kind === 'pullRow') pull(e);
          else scrub(e);
        }}
        onPointerUp={dropRow}
        onPointerCancel={() => {
          pulling.current = undefined;
          session.preview(undefined);
        }}
        onKeyDown={onKey}
      />
      {result &&
        (seenIds ? (
          <SeenLegend seen={seenIds.size} hooked={props.hooked ?? result.knots.length} of={result.knots.length} />
        ) : (
          <Legend result={result} />
        ))}
      {result && (
        <button
          type="button"
          className="word play text-yarn"
          onClick={() => {
            if (!playing && index + 1 >= result.knots.length) select(result.knots[0]?.id);
            setPlaying(!playing);
          }}
        >
          <svg width="16" height="18" viewBox="0 0 16 18" aria-hidden="true">
            <path d={playing ? 'M1 0h5v18h-5zM10 0h5v18h-5z' : 'M0 0L16 9L0 18Z'} fill="var(--light)" />
          </svg>
          {playing ? 'Stop' : 'Play the install'}
          <span className="play-minutes text-small font-normal text-yarn2">{duration(result.time.knotMinutes)}</span>
        </button>
      )}
    </section>
  );
}

/** The knot that a key leads to: along the row, to the nearest in the next row, first, last, or none (-1). */
function stepTo(result: PlanResult, index: number, key: string): number | undefined {
  const last = result.knots.length - 1;
  if (last < 0) return undefined;
  switch (key) {
    case 'ArrowRight':
      return Math.min(last, index + 1);
    case 'ArrowLeft':
      return Math.max(0, index - 1);
    case 'Home':
      return 0;
    case 'End':
      return last;
    case 'Escape':
      return -1;
    case 'ArrowUp':
    case 'ArrowDown': {
      if (index < 0) return 0;
      const from = result.knots[index];
      const row = result.rows[from.row + (key === 'ArrowUp' ? 1 : -1)];
      if (!row || row.knotCount === 0) return index;
      let best = row.firstKnot;
      for (let i = row.firstKnot; i < row.firstKnot + row.knotCount; i++) {
        const off = (k: number) => Math.abs(result.knots[k].fromMiddleMm - from.fromMiddleMm);
        if (off(i) < off(best)) best = i;
      }
      return best;
    }
    default:
      return undefined;
  }
}

/** At Check: what is open shows, what is filled does not. */
function SeenLegend(props: { readonly seen: number; readonly hooked: number; readonly of: number }) {
  return (
    <ul className="pointer-events-none absolute bottom-2 left-8 grid gap-y-0.25 text-note text-yarn">
      <li className="flex items-center gap-2">
        <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true">
          <circle r="4.2" fill="none" stroke="var(--light)" strokeWidth="1.8" />
        </svg>
        seen {props.seen}
      </li>
      <li className="flex items-center gap-2">
        <svg width="14" height="14" viewBox="-7 -7 14 14" aria-hidden="true">
          <circle r="4.6" fill="var(--yarn)" />
        </svg>
        hidden {props.hooked - props.seen}
      </li>
      {props.hooked < props.of && <li className="pl-5.5">not hooked yet {props.of - props.hooked}</li>}
    </ul>
  );
}

function Legend({ result }: { readonly result: PlanResult }) {
  const entries = new Map<string, { knot: PlanResult['knots'][number]; count: number }>();
  for (const knot of result.knots) {
    const entry = entries.get(signKey(knot));
    if (entry) entry.count++;
    else entries.set(signKey(knot), { knot, count: 1 });
  }
  return (
    <ul className="pointer-events-none absolute bottom-2 left-8 grid gap-y-0.25 text-note text-yarn">
      {[...entries.values()].map(({ knot, count }) => (
        <li key={signKey(knot)} className="flex items-center gap-2">
          <Sign knot={knot} size={4.8} colour="var(--yarn)" />
          {lowerFirst(knotName(knot))} {count}
        </li>
      ))}
    </ul>
  );
}
