/** The row in hand close up: done is filled, to come is open, the row below is dimmed, the light stands still. */

import type { PlanResult } from '../../../core/findings/plan-result.ts';
import type { PlannedKnot } from '../../../core/knots/place/planned.ts';
import { signPath } from '../../../formats/signs.ts';

const PX_PER_MM = 4.6;

export function RowBand({
  result,
  index,
  width,
}: {
  readonly result: PlanResult;
  readonly index: number;
  readonly width: number;
}) {
  const knot = result.knots[index];
  if (!knot) return <div className="weave h-[118px]" />;
  const middle = width / 2;
  const x = (k: PlannedKnot) => middle + (k.fromMiddleMm - knot.fromMiddleMm) * PX_PER_MM;
  const near = (k: PlannedKnot) => Math.abs(x(k) - middle) < middle + 30;
  const here = result.knots.filter((k) => k.row === knot.row && near(k));
  const below = result.knots.filter((k) => k.row === knot.row - 1 && near(k));
  const row = result.rows[knot.row];
  const from = middle + (row.startMm - knot.fromMiddleMm) * PX_PER_MM;
  const to = middle + (row.endMm - knot.fromMiddleMm) * PX_PER_MM;
  return (
    <div className="weave h-[118px] overflow-hidden" aria-hidden="true">
      <svg aria-hidden="true" width={width} height="118">
        <defs>
          <linearGradient id="beam" x1="0" x2="1">
            <stop offset="0" stopColor="#ffdf9c" stopOpacity="0" />
            <stop offset=".3" stopColor="#ffdf9c" stopOpacity=".28" />
            <stop offset=".7" stopColor="#ffdf9c" stopOpacity=".28" />
            <stop offset="1" stopColor="#ffdf9c" stopOpacity="0" />
          </linearGradient>
        </defs>
        <rect x={middle - 50} width="100" height="118" fill="url(#beam)" />
        <path d={`M${middle},0V118`} stroke="#eeb04a" strokeWidth="2.5" />
        <g opacity=".6" fill="#f1e8d4">
          <path d={`M-10,90H${width + 10}`} stroke="#f1e8d4" strokeOpacity=".9" strokeWidth="1.6" />
          {below.map((k) => (
            <path key={k.id} d={signPath(k, 9)} transform={`translate(${x(k)} 90)`} />
          ))}
        </g>
        <path d={`M${Math.max(-10, from)},44H${middle}`} stroke="#f1e8d4" strokeWidth="4" />
        <path
          d={`M${middle},44H${Math.min(width + 10, to)}`}
          stroke="#f1e8d4"
          strokeWidth="1.8"
          strokeDasharray="7 6"
        />
        {here.map((k) => {
          if (k === knot) return null;
          const done = k.place < knot.place;
          return (
            <path
              key={k.id}
              d={signPath(k, 13)}
              transform={`translate(${x(k)} 44)`}
              fill={done ? '#f1e8d4' : '#1e2249'}
              stroke={done ? 'none' : '#f1e8d4'}
              strokeWidth="1.8"
            />
          );
        })}
        <circle cx={middle} cy="44" r="27" fill="#eeb04a" />
        <path d={signPath(knot, 15)} transform={`translate(${middle} 44)`} fill="#171b3a" />
      </svg>
    </div>
  );
}
