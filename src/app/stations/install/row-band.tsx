/** The row in hand close up: done is filled, to come is open, the row below is dimmed, the light stands still. */

import type { PlanResult } from '../../../core/findings/index.ts';
import type { StepStand } from '../../../core/install/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { signPath } from '../../../formats/signs.ts';
import '../../row-map/row-map.css';

const PX_PER_MM = 4.6;

export function RowBand(props: {
  readonly result: PlanResult;
  readonly knot: PlannedKnot;
  readonly isIn: ReadonlySet<string>;
  readonly width: number;
}) {
  const { result, knot, isIn, width } = props;
  const middle = width / 2;
  const x = (k: PlannedKnot) => middle + (k.fromMiddleMm - knot.fromMiddleMm) * PX_PER_MM;
  const near = result.knots.filter((k) => x(k) > -30 && x(k) < width + 30);
  const row = result.rows[knot.row];
  const from = middle + (row.startMm - knot.fromMiddleMm) * PX_PER_MM;
  const to = middle + (row.endMm - knot.fromMiddleMm) * PX_PER_MM;
  return (
    <div className="weave h-29.5 overflow-hidden max-phone:h-21" aria-hidden="true">
      <svg aria-hidden="true" width={width} height="118">
        <Beam middle={middle} />
        <g opacity=".6" fill="var(--yarn)">
          <path d={`M-10,90H${width + 10}`} stroke="var(--yarn)" strokeOpacity=".9" strokeWidth="1.6" />
          {near.map(
            (k) => k.row === knot.row - 1 && <path key={k.id} d={signPath(k, 9)} transform={`translate(${x(k)} 90)`} />,
          )}
        </g>
        <path d={`M${Math.max(-10, from)},44H${middle}`} stroke="var(--yarn)" strokeWidth="4" />
        <path
          d={`M${middle},44H${Math.min(width + 10, to)}`}
          stroke="var(--yarn)"
          strokeWidth="1.8"
          strokeDasharray="7 6"
        />
        {near.map((k) => {
          if (k === knot || k.row !== knot.row) return null;
          const done = isIn.has(k.id);
          return (
            <path
              key={k.id}
              d={signPath(k, 13)}
              transform={`translate(${x(k)} 44)`}
              fill={done ? 'var(--yarn)' : 'var(--cloth)'}
              stroke={done ? 'none' : 'var(--yarn)'}
              strokeWidth="1.8"
            />
          );
        })}
        <circle cx={middle} cy="44" r="27" fill="var(--light)" />
        <path d={signPath(knot, 15)} transform={`translate(${middle} 44)`} fill="var(--sign)" />
      </svg>
    </div>
  );
}

/** The order of work as one thread: a step is a bead on it, done is filled, to come is open. */
export function StepBand(props: {
  readonly stands: readonly StepStand[];
  readonly step: number | undefined;
  readonly width: number;
}) {
  const { stands, step, width } = props;
  const middle = width / 2;
  const here = step ?? stands.length;
  const x = (i: number) => middle + (i - here) * STEP_PX;
  return (
    <div className="weave h-29.5 overflow-hidden max-phone:h-21" aria-hidden="true">
      <svg aria-hidden="true" width={width} height="118">
        <Beam middle={middle} />
        <path d={`M${Math.max(-10, x(0))},58H${middle}`} stroke="var(--yarn)" strokeWidth="4" />
        <path
          d={`M${middle},58H${Math.min(width + 10, x(stands.length - 1))}`}
          stroke="var(--yarn)"
          strokeWidth="1.8"
          strokeDasharray="7 6"
        />
        {stands.map((stand, i) =>
          i === step || x(i) < -30 || x(i) > width + 30 ? null : (
            <circle
              key={i}
              cx={x(i)}
              cy="58"
              r="11"
              fill={stand === 'done' ? 'var(--yarn)' : 'var(--cloth)'}
              stroke="var(--yarn)"
              strokeWidth="1.8"
            />
          ),
        )}
        {step !== undefined && (
          <>
            <circle cx={middle} cy="58" r="27" fill="var(--light)" />
            <circle cx={middle} cy="58" r="12" fill="var(--sign)" />
          </>
        )}
      </svg>
    </div>
  );
}
const STEP_PX = 74;

/** The light stands still; the row moves under it. */
function Beam({ middle }: { readonly middle: number }) {
  return (
    <>
      <defs>
        <linearGradient id="beam" x1="0" x2="1">
          <stop offset="0" stopColor="var(--glow-out)" />
          <stop offset=".3" stopColor="var(--glow)" />
          <stop offset=".7" stopColor="var(--glow)" />
          <stop offset="1" stopColor="var(--glow-out)" />
        </linearGradient>
      </defs>
      <rect x={middle - 50} width="100" height="118" fill="url(#beam)" />
      <path d={`M${middle},0V118`} stroke="var(--light)" strokeWidth="2.5" />
    </>
  );
}
