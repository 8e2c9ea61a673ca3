/** What another pack would do, as a curve. */
import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import type { UseCandidate, UseRun } from '../../ask/best-use.ts';
import { percentRange } from '../../ui/format.ts';

const W = 300;

const H = 170;

const EDGE = { left: 38, right: 12, top: 12, bottom: 34 };

interface Props {
  readonly run: UseRun;
  readonly chosen: UseCandidate | undefined;
  readonly onChoose: (c: UseCandidate) => void;
}

/** Packs against the share that is hidden: where another pack stops helping. */
export function TradeOff({ run, chosen, onChoose }: Props) {
  const { curve, stopsAt } = run;
  return (
    <div className="mt-4">
      <h3 className="text-title">Where another pack stops helping</h3>
      <p className="mt-1 text-small" data-testid="stops-at">
        {stopsAt === undefined
          ? 'Each pack more still hides more than a point of the scalp.'
          : `From ${stopsAt} ${stopsAt === 1 ? 'pack' : 'packs'} on another one hides less than a point more.`}
      </p>
      <Curve run={run} chosen={chosen} />
      <p className="note">The cross is the plan as it is.</p>
      <ul className="mt-1">
        {curve.map((c) => (
          <li key={c.packs}>
            <button
              type="button"
              className="pick"
              aria-pressed={c.genome === chosen?.genome}
              onClick={() => onChoose(c)}
            >
              <span>
                {c.packs} {c.packs === 1 ? 'pack' : 'packs'}
              </span>
              <span>{Math.round(c.figures.massG)} g</span>
              <span>{(c.figures.thicknessMm / 10).toFixed(1)} cm</span>
              <span>{percentRange(c.figures.range)} hidden</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** The scales and ticks: whole packs across, per cent upwards. */
function scalesOf({ curve, now }: UseRun, chosen: UseCandidate | undefined) {
  const all = [...curve, now, chosen].filter((p) => p !== undefined);
  const hidden = all.map((p) => p.hidden);
  const packs = all.map((p) => p.packs);
  const x = scaleLinear([Math.min(...packs) - 0.4, Math.max(...packs) + 0.6], [EDGE.left, W - EDGE.right]);
  const y = scaleLinear(
    [Math.max(0, Math.min(...hidden) - 0.03), Math.min(1, Math.max(...hidden) + 0.01)],
    [H - EDGE.bottom, EDGE.top],
  ).nice();
  return { x, y, packs: [...new Set(packs)].sort((a, b) => a - b) };
}

function Point(props: { readonly x: number; readonly y: number; readonly r: number; readonly fill: string }) {
  return <circle cx={props.x} cy={props.y} r={props.r} fill={props.fill} stroke="var(--ink)" strokeWidth="1.6" />;
}

function Curve({ run, chosen }: Omit<Props, 'onChoose'>) {
  const { curve, now, stopsAt } = run;
  const { x, y, packs } = scalesOf(run, chosen);
  const path = line<UseCandidate>(
    (c) => x(c.packs),
    (c) => y(c.hidden),
  ).curve(curveStepAfter)(curve as UseCandidate[]);
  const text = { className: 'fill-ink2 text-note' };
  return (
    <svg viewBox={`0 0 ${W} ${H}`} width="100%" className="mt-2" aria-hidden="true" data-testid="trade-off">
      {y.ticks(4).map((t) => (
        <g key={t}>
          <path d={`M${EDGE.left} ${y(t)}H${W - EDGE.right}`} stroke="var(--hair2)" />
          <text {...text} x={EDGE.left - 6} y={y(t) + 4} textAnchor="end">
            {Math.round(100 * t)}
          </text>
        </g>
      ))}
      {packs.map((p) => (
        <text {...text} key={p} x={x(p)} y={H - EDGE.bottom + 16} textAnchor="middle">
          {p}
        </text>
      ))}
      <text {...text} x={W - EDGE.right} y={H - 4} textAnchor="end">
        packs; % hidden upwards
      </text>
      {stopsAt !== undefined && (
        <path d={`M${x(stopsAt)} ${EDGE.top}V${H - EDGE.bottom}`} stroke="var(--ink)" strokeDasharray="2 4" />
      )}
      <path d={path ?? ''} fill="none" stroke="var(--ink)" strokeWidth="1.8" />
      {now && <path d={`M${x(now.packs) - 5} ${y(now.hidden)}h10m-5 -5v10`} stroke="var(--madder)" strokeWidth="2.2" />}
      {curve.map((c) => (
        <Point key={c.packs} x={x(c.packs)} y={y(c.hidden)} r={4} fill="var(--ground)" />
      ))}
      {chosen && <Point x={x(chosen.packs)} y={y(chosen.hidden)} r={6.5} fill="var(--brass)" />}
    </svg>
  );
}
