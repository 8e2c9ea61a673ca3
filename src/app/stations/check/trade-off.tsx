/** What another pack would do, as a curve. */
import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import type { UseCandidate, UseRun } from '../../ask/best-use.ts';
import { tenths } from '../../ui/format.ts';

const W = 300;

const H = 170;

const EDGE = { left: 38, right: 12, top: 12, bottom: 34 };

/** Packs against the share that is hidden: where another pack stops helping. */
export function TradeOff(props: {
  readonly run: UseRun;
  readonly chosen: UseCandidate | undefined;
  readonly onChoose: (c: UseCandidate) => void;
}) {
  const { curve, now, stopsAt } = props.run;
  const beside = [now, props.chosen].filter((p) => p !== undefined);
  const all = [...curve, ...beside].map((p) => p.hidden);
  const packs = [...curve, ...beside].map((p) => p.packs);
  const x = scaleLinear([Math.min(...packs) - 0.4, Math.max(...packs) + 0.6], [EDGE.left, W - EDGE.right]);
  const y = scaleLinear(
    [Math.max(0, Math.min(...all) - 0.03), Math.min(1, Math.max(...all) + 0.01)],
    [H - EDGE.bottom, EDGE.top],
  ).nice();
  const path = line<UseCandidate>(
    (c) => x(c.packs),
    (c) => y(c.hidden),
  ).curve(curveStepAfter)(curve as UseCandidate[]);
  const whole = [...new Set(packs)].sort((a, b) => a - b);
  return (
    <div className="mt-4">
      <h3 className="text-title">Where another pack stops helping</h3>
      <p className="mt-1 text-small" data-testid="stops-at">
        {stopsAt === undefined
          ? 'Each pack more still hides more than a point of the scalp.'
          : `From ${stopsAt} ${stopsAt === 1 ? 'pack' : 'packs'} on another one hides less than a point more.`}
      </p>
      <svg viewBox={`0 0 ${W} ${H}`} width="100%" className="mt-2" aria-hidden="true" data-testid="trade-off">
        {y.ticks(4).map((t) => (
          <g key={t}>
            <path d={`M${EDGE.left} ${y(t)}H${W - EDGE.right}`} stroke="var(--hair2)" />
            <text x={EDGE.left - 6} y={y(t) + 4} textAnchor="end" fontSize="12.5" fill="var(--ink2)">
              {Math.round(100 * t)}
            </text>
          </g>
        ))}
        {whole.map((p) => (
          <text key={p} x={x(p)} y={H - EDGE.bottom + 16} textAnchor="middle" fontSize="12.5" fill="var(--ink2)">
            {p}
          </text>
        ))}
        <text x={W - EDGE.right} y={H - 4} textAnchor="end" fontSize="12.5" fill="var(--ink2)">
          packs; % hidden upwards
        </text>
        {stopsAt !== undefined && (
          <path d={`M${x(stopsAt)} ${EDGE.top}V${H - EDGE.bottom}`} stroke="var(--ink)" strokeDasharray="2 4" />
        )}
        <path d={path ?? ''} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
        {now && (
          <path d={`M${x(now.packs) - 5} ${y(now.hidden)}h10m-5 -5v10`} stroke="var(--madder)" strokeWidth="2.2" />
        )}
        {props.chosen && !curve.includes(props.chosen) && (
          <circle
            cx={x(props.chosen.packs)}
            cy={y(props.chosen.hidden)}
            r="6.5"
            fill="var(--brass)"
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
        )}
        {curve.map((c) => (
          <circle
            key={c.packs}
            cx={x(c.packs)}
            cy={y(c.hidden)}
            r={c.genome === props.chosen?.genome ? 6.5 : 4}
            fill={c.genome === props.chosen?.genome ? 'var(--brass)' : 'var(--ground)'}
            stroke="var(--ink)"
            strokeWidth="1.6"
          />
        ))}
      </svg>
      <p className="note">The cross is the plan as it is.</p>
      <ul className="mt-1">
        {curve.map((c) => (
          <li key={c.packs}>
            <button
              type="button"
              className="pick"
              aria-pressed={c.genome === props.chosen?.genome}
              onClick={() => props.onChoose(c)}
            >
              <span>
                {c.packs} {c.packs === 1 ? 'pack' : 'packs'}
              </span>
              <span>{Math.round(c.figures.massG)} g</span>
              <span>{tenths(c.hidden)} hidden</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
