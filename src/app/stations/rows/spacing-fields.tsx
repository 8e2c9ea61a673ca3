/** Spacing as two beads on a thread with her own fingers between them; the right bead is dragged. */
import { useId, useRef } from 'react';
import type { PlanResult } from '../../../core/findings/plan-result.ts';
import type { Part } from '../../../core/head/part.ts';
import { fingersFigure } from '../../../core/trade/fingers.ts';
import { type SpacingZone, ZONES, zoneName } from '../../../core/trade/zones.ts';
import { setSaid, setSpacing } from '../../../model/commands.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import type { PlanSession } from '../../session/plan-session.ts';

const FINGER_PX = 31;
const HEIGHT = 37;
const X0 = 7;
const LONGEST = 3;
const STEP = 0.25;

export function SpacingBench({
  session,
  result,
}: {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
}) {
  const { plan } = session;
  const clear = plan.spacing.said === 'clear';
  const knot = result?.piece.knotWidthMm;
  const difference =
    knot === undefined
      ? undefined
      : `Count the other way. A knot of this hair is about ${Math.round(knot)} mm wide: the two ways differ by ${fingersFigure(Math.round((4 * knot) / fingerMm(plan)) / 4)} of a finger.`;
  return (
    <>
      <div className="flex items-end justify-between">
        <h2>How far apart</h2>
        <button
          type="button"
          className="word -mb-2.5 text-note underline underline-offset-3"
          onClick={() => session.apply(setSaid(plan, clear ? 'centres' : 'clear'))}
          data-testid="said"
          title={difference}
        >
          {clear ? 'knot to knot' : 'clear gap'}
        </button>
      </div>
      <p className="note mt-1.25">
        {clear ? 'The clear gap between knots' : 'From knot to knot'}, in your own fingers. Drag a bead.
      </p>
      <div className="mt-2.5">
        {ZONES.map((zone) => (
          <ZoneSlider key={zone} zone={zone} session={session} />
        ))}
      </div>
    </>
  );
}

function ZoneSlider({ zone, session }: { readonly zone: SpacingZone; readonly session: PlanSession }) {
  const track = useRef<HTMLDivElement>(null);
  const { plan } = session;
  const value = plan.spacing.fingers[zone];
  const least = plan.spacing.said === 'clear' ? 0.25 : 0.5;
  const limited = (v: number) => Math.min(LONGEST, Math.max(least, Math.round(v / STEP) * STEP));
  // Read from the event, not from what is rendered: on a slow machine the finger is lifted before the screen follows.
  const valueAt = (event: React.PointerEvent) => {
    const box = track.current?.getBoundingClientRect();
    return box ? limited((event.clientX - box.left - X0) / FINGER_PX) : value;
  };
  const drag = (event: React.PointerEvent) => {
    const next = valueAt(event);
    if (next !== value) session.preview(setSpacing(plan, { [zone]: next }).plan);
  };
  const commit = (next: number) => session.apply(setSpacing(plan, { [zone]: next }));
  return (
    <div className="line grid h-11 grid-cols-[112px_1fr_48px] items-center">
      <span id={`zone-${zone}`}>{zoneName(zone, plan.part.kind as Part['kind'])}</span>
      <div
        ref={track}
        role="slider"
        tabIndex={0}
        aria-labelledby={`zone-${zone}`}
        aria-valuemin={least}
        aria-valuemax={LONGEST}
        aria-valuenow={value}
        aria-valuetext={`${fingersFigure(value)} fingers`}
        data-zone={zone}
        className="relative h-11 cursor-ew-resize touch-none"
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          drag(e);
        }}
        onPointerMove={(e) => {
          if (e.buttons > 0) drag(e);
        }}
        onPointerUp={(e) => commit(valueAt(e))}
        onPointerCancel={() => session.preview(undefined)}
        onKeyDown={(e) => {
          const by: Record<string, number> = {
            ArrowRight: STEP,
            ArrowUp: STEP,
            ArrowLeft: -STEP,
            ArrowDown: -STEP,
            PageUp: 1,
            PageDown: -1,
          };
          const next =
            e.key === 'Home' ? least : e.key === 'End' ? LONGEST : by[e.key] ? limited(value + by[e.key]) : undefined;
          if (next === undefined) return;
          e.preventDefault();
          commit(next);
        }}
      >
        <Fingers value={value} held={session.isDraft} />
      </div>
      <span className="fig text-right text-heading">{fingersFigure(value)}</span>
    </div>
  );
}

/** So many fingers between two beads; what is left of the last one is dashed. */
function Fingers({ value, held }: { readonly value: number; readonly held: boolean }) {
  const id = useId();
  const y = HEIGHT + 3;
  const end = X0 + value * FINGER_PX;
  const width = LONGEST * FINGER_PX + 14;
  const count = Math.ceil(value - 1e-6);
  return (
    <svg
      width={width}
      height={HEIGHT + 10}
      viewBox={`0 0 ${width} ${HEIGHT + 10}`}
      className="absolute left-0 -top-0.75"
      aria-hidden="true"
    >
      {Array.from({ length: count }, (_, i) => {
        const a = X0 + i * FINGER_PX + 2.5;
        const b = X0 + (i + 1) * FINGER_PX - 2.5;
        const w = b - a;
        const share = Math.min(1, value - i);
        const tip = `M${a},${y - 3.5}V${y - HEIGHT * 0.6}C${a},${y - HEIGHT} ${b},${y - HEIGHT} ${b},${y - HEIGHT * 0.6}V${y - 3.5}`;
        const nail = `M${a + w * 0.25},${y - HEIGHT * 0.56}C${a + w * 0.22},${y - HEIGHT * 0.9} ${b - w * 0.22},${y - HEIGHT * 0.9} ${b - w * 0.25},${y - HEIGHT * 0.56}C${b - w * 0.3},${y - HEIGHT * 0.45} ${a + w * 0.3},${y - HEIGHT * 0.45} ${a + w * 0.25},${y - HEIGHT * 0.56}ZM${a + w * 0.2},${y - HEIGHT * 0.26}q${w * 0.3},2.6 ${w * 0.6},0`;
        const shown = share < 1 ? share * FINGER_PX - 1 : w + 4;
        return (
          <g key={i}>
            {share < 1 && <path d={tip} fill="none" stroke="var(--hair)" strokeDasharray="2 3" />}
            <clipPath id={`${id}-${i}`}>
              <rect x={a - 2} y="-10" width={shown} height="70" />
            </clipPath>
            <g clipPath={`url(#${id}-${i})`}>
              <path d={`${tip}Z`} fill="var(--skin)" />
              <path d={nail} fill="none" stroke="var(--nail)" strokeWidth="1.2" strokeLinecap="round" />
            </g>
          </g>
        );
      })}
      <path d={`M0,${y}H${width}`} stroke="var(--ink)" strokeWidth="1.1" opacity=".55" />
      <path d={`M${X0},${y}H${end}`} stroke="var(--ink)" strokeWidth="1.8" />
      <circle cx={X0} cy={y} r="4.4" fill="var(--ink)" />
      {held && <circle cx={end} cy={y} r="11" fill="var(--brass-light)" />}
      <circle cx={end} cy={y} r="4.4" fill="var(--brass)" stroke="var(--ink)" strokeWidth="1.4" />
    </svg>
  );
}
