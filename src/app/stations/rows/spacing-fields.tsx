/** Spacing as two beads on a thread with her own fingers between them; the right bead is dragged. */
import { Slider } from 'radix-ui';
import { lazy, Suspense, useId, useRef } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { Part } from '../../../core/head/index.ts';
import { fingersFigure, SCHEME_INFO, type SpacingZone, ZONES, zoneName } from '../../../core/trade/index.ts';
import { setGap, setSaid } from '../../../model/spacing-commands.ts';
import { fingerMm, schemeOf } from '../../../model/to-inputs.ts';
import type { PlanSession } from '../../session/plan-session.ts';

/** Asked for when the rest stands: it needs more of the core. */
const ForThisHair = lazy(() => import('./for-this-hair.tsx').then((m) => ({ default: m.ForThisHair })));

const FINGER_PX = 31;
const HEIGHT = 37;
const X0 = 7;
const LONGEST = 4;
const STEP = 0.25;

export function SpacingBench({
  session,
  result,
}: {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
}) {
  const { plan } = session;
  const shown = result?.spacing.fingers;
  const { gapsBy } = SCHEME_INFO[schemeOf(plan)];
  if (gapsBy)
    return (
      <>
        <h2>How far apart</h2>
        <p className="note mt-1.25" data-testid="gaps-by">
          {gapsBy}
        </p>
      </>
    );
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
        {shown &&
          ZONES.map((zone) => (
            <ZoneSlider
              key={zone}
              zone={zone}
              session={session}
              // What she sets is ahead of what has been worked out.
              shown={{ ...shown, ...plan.spacing.fingers }}
            />
          ))}
      </div>
      {result && (
        <Suspense>
          <ForThisHair session={session} result={result} />
        </Suspense>
      )}
    </>
  );
}

type Shown = Readonly<Record<SpacingZone, number>>;

function ZoneSlider(props: { readonly zone: SpacingZone; readonly session: PlanSession; readonly shown: Shown }) {
  const { zone, session, shown } = props;
  const { plan } = session;
  const value = shown[zone];
  const least = plan.spacing.said === 'clear' ? 0.25 : 0.5;
  const held = useHeldSpacing(zone, session, shown);
  const page = (e: React.KeyboardEvent) => {
    const by = { PageUp: 1, PageDown: -1 }[e.key];
    if (by === undefined) return;
    // A finger more or less; the slider itself would go ten steps.
    e.preventDefault();
    held.keep(Math.min(LONGEST, Math.max(least, Math.round((value + by) / STEP) * STEP)));
  };
  return (
    <div className="line grid h-11 grid-cols-zone items-center">
      <span id={`zone-${zone}`}>{zoneName(zone, plan.part.kind as Part['kind'])}</span>
      <div className="relative h-11">
        <Fingers value={value} held={session.isDraft} />
        <Slider.Root
          className="absolute inset-y-0 flex cursor-ew-resize touch-none items-center"
          style={{ left: X0 + least * FINGER_PX, width: (LONGEST - least) * FINGER_PX }}
          min={least}
          max={LONGEST}
          step={STEP}
          value={[value]}
          onValueChange={([next]) => held.change(next)}
          onValueCommit={([next]) => held.keep(next)}
          onPointerDown={held.begin}
          onPointerUp={held.lift}
          onPointerCancel={held.cancel}
          onKeyDown={(e) => {
            held.begin();
            page(e);
          }}
        >
          <Slider.Track className="h-full flex-1" />
          {/* Without a size of its own it stands where its value is; what is caught and ringed lies round it. */}
          <Slider.Thumb
            className="bead block size-0"
            aria-labelledby={`zone-${zone}`}
            aria-valuetext={`${fingersFigure(value)} fingers`}
            data-zone={zone}
          >
            <span className="absolute -left-3 top-0.75 block size-6 rounded-full" />
          </Slider.Thumb>
        </Slider.Root>
      </div>
      <span className="fig text-right text-heading">{fingersFigure(value)}</span>
    </div>
  );
}

/**
 * The gap while a finger or a key has it. When the finger lifts, what was last told is kept, not what is on the screen:
 * on a slow machine that has not followed yet. The slider tells a key's end before its change, a finger's after it.
 */
function useHeldSpacing(zone: SpacingZone, session: PlanSession, shown: Shown) {
  const latest = useRef<number>(undefined);
  const kept = useRef<number>(undefined);
  const { plan } = session.history.present;
  const keep = (next: number) => {
    if (kept.current === next) return;
    kept.current = next;
    latest.current = undefined;
    session.apply(setGap(plan, shown, zone, next));
  };
  return {
    begin() {
      kept.current = undefined;
    },
    change(next: number) {
      if (kept.current === next) return;
      latest.current = next;
      session.preview(setGap(plan, shown, zone, next).plan);
    },
    keep,
    lift() {
      if (latest.current !== undefined) keep(latest.current);
    },
    cancel() {
      latest.current = undefined;
      session.preview(undefined);
    },
  };
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
