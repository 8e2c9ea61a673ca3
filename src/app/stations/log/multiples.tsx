/** Small multiples over her styles, the oldest first: the same few figures of each, on one scale. */
import { scaleBand, scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useLiveQuery } from 'dexie-react-hooks';
import type { KeptStyle, StyleLine } from '../../../model/logged.ts';
import { db } from '../../session/database.ts';
import { day, money } from '../../ui/format.ts';
import { useLogView } from './log-view.ts';

const WIDTH = 150;
const HEIGHT = 64;
/** Of the newest styles; more by row no one compares by eye. */
const MOST_BY_ROW = 5;

interface Multiples {
  readonly lines: readonly StyleLine[];
  readonly all: readonly KeptStyle[];
  readonly currency: string;
}

export function SmallMultiples({ lines, all, currency }: Multiples) {
  const old = [...lines].reverse();
  const cost = (v: number) => money(Math.round(100 * v) / 100, currency);
  return (
    <div className="multiples" data-testid="multiples">
      <Bars name="Pieces" lines={old} of={(l) => l.pieces} show={String} />
      <Bars name="Left over" lines={old} of={(l) => l.leftOver} show={String} />
      <Bars name="Days worn" lines={old} of={(l) => l.days} show={String} />
      <Bars name="Cost a day" lines={old} of={(l) => l.costADay} show={cost} />
      <ByRow all={all.slice(0, MOST_BY_ROW).reverse()} />
    </div>
  );
}

function Bars(props: {
  readonly name: string;
  readonly lines: readonly StyleLine[];
  readonly of: (line: StyleLine) => number | undefined;
  readonly show: (value: number) => string;
}) {
  const { name, lines, of, show } = props;
  const chosen = useLogView((v) => v.chosen);
  const told = lines.flatMap((l) => {
    const value = of(l);
    return value === undefined ? [] : [{ id: l.id, value, day: day(l.atMs) }];
  });
  if (told.length === 0) return null;
  const x = scaleBand(
    told.map((t) => t.id),
    [0, WIDTH],
  ).padding(0.28);
  const y = scaleLinear([0, Math.max(1, ...told.map((t) => t.value))], [HEIGHT, 0]);
  const marked = told.find((t) => t.id === chosen) ?? told[told.length - 1];
  return (
    <figure>
      <figcaption>
        <span>{name}</span> <b className="fig text-lead">{show(marked.value)}</b>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 1}`}
        role="img"
        aria-label={`${name}: ${told.map((t) => `${t.day} ${show(t.value)}`).join('; ')}`}
      >
        {told.map((t) => (
          <rect
            key={t.id}
            x={x(t.id)}
            width={x.bandwidth()}
            y={y(t.value)}
            height={HEIGHT - y(t.value)}
            fill={t === marked ? 'var(--ink)' : 'var(--hair)'}
          />
        ))}
        <path d={`M0,${HEIGHT + 0.5}H${WIDTH}`} stroke="var(--ink)" strokeWidth="1" />
      </svg>
    </figure>
  );
}

/** Seconds a knot from the first row to the last. */
function ByRow({ all }: { readonly all: readonly KeptStyle[] }) {
  const chosen = useLogView((v) => v.chosen);
  const ids = all.map((s) => s.entry.sessionId ?? '');
  const deeds = useLiveQuery(() => db.deeds.bulkGet(ids), [ids.join()]);
  const told = all.flatMap(({ id, entry }, s) => {
    const rows = deeds?.[s]?.rows ?? [];
    const points = rows.flatMap((r, i) => (r.timedKnots > 0 ? [[i, r.seconds / r.timedKnots] as const] : []));
    return points.length < 2 ? [] : [{ id, day: day(entry.atMs), points, last: rows.length - 1 }];
  });
  if (told.length === 0) return null;
  const marked = told.find((t) => t.id === chosen) ?? told[told.length - 1];
  const y = scaleLinear([0, Math.max(...told.flatMap((t) => t.points.map((p) => p[1])))], [HEIGHT, 2]);
  const path = (t: (typeof told)[number]) => {
    const x = scaleLinear([0, t.last], [1, WIDTH - 1]);
    return line<readonly [number, number]>(
      (p) => x(p[0]),
      (p) => y(p[1]),
    )(t.points as Array<readonly [number, number]>);
  };
  const mean = (t: (typeof told)[number]) => Math.round(t.points.reduce((s, p) => s + p[1], 0) / t.points.length);
  return (
    <figure>
      <figcaption>
        <span>Seconds a knot, by row</span> <b className="fig text-lead">{mean(marked)}</b>
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 1}`}
        role="img"
        aria-label={`Seconds a knot by row: ${told.map((t) => `${t.day}, ${mean(t)} on the whole, ${Math.round(t.points[0][1])} in the first row, ${Math.round(t.points[t.points.length - 1][1])} in the last`).join('; ')}`}
      >
        {told.map((t) => (
          <path
            key={t.id}
            d={path(t) ?? undefined}
            fill="none"
            stroke={t === marked ? 'var(--ink)' : 'var(--hair)'}
            strokeWidth={t === marked ? 2 : 1.4}
          />
        ))}
        <path d={`M0,${HEIGHT + 0.5}H${WIDTH}`} stroke="var(--ink)" strokeWidth="1" />
      </svg>
    </figure>
  );
}
