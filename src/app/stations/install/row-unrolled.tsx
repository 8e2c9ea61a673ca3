/** The row of a knot unrolled, to be touched where a knot really sits. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { signPath } from '../../../formats/signs.ts';
import '../../row-map/row-map.css';

type Place = readonly [number, number, number];
const WIDTH = 600;
const HEIGHT = 64;
const EDGE = 24;

export function RowUnrolled(props: {
  readonly result: PlanResult;
  readonly knot: PlannedKnot;
  readonly isIn: ReadonlySet<string>;
  readonly onPlace: (at: Place) => void;
}) {
  const { result, knot, isIn, onPlace } = props;
  const row = result.rows[knot.row];
  const span = Math.max(1, row.endMm - row.startMm);
  const x = (mm: number) => EDGE + ((mm - row.startMm) / span) * (WIDTH - 2 * EDGE);
  const inRow = result.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
  return (
    <svg
      className="weave mt-3 w-full cursor-pointer"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      aria-hidden="true"
      data-testid="row-unrolled"
      onPointerDown={(e) => {
        const box = e.currentTarget.getBoundingClientRect();
        const at = ((e.clientX - box.left) * WIDTH) / box.width;
        onPlace(alongRow(row, (at - EDGE) / (WIDTH - 2 * EDGE)));
      }}
    >
      <path d={`M${x(row.startMm)},${HEIGHT / 2}H${x(row.endMm)}`} stroke="var(--yarn)" strokeWidth="1.6" />
      {inRow.map((k) => (
        <path
          key={k.id}
          d={signPath(k, k === knot ? 13 : 9)}
          transform={`translate(${x(k.fromMiddleMm)} ${HEIGHT / 2})`}
          fill={k === knot ? 'var(--light)' : isIn.has(k.id) ? 'var(--yarn)' : 'var(--cloth)'}
          stroke="var(--yarn)"
          strokeWidth="1.4"
        />
      ))}
    </svg>
  );
}

/** The place on the head at a share of the row, from her left to her right. */
function alongRow({ pointsMm: p }: PlanResult['rows'][number], share: number): Place {
  const n = p.length / 3;
  const steps = Array.from({ length: n - 1 }, (_, i) =>
    Math.sqrt((p[3 * i + 3] - p[3 * i]) ** 2 + (p[3 * i + 4] - p[3 * i + 1]) ** 2 + (p[3 * i + 5] - p[3 * i + 2]) ** 2),
  );
  let left = Math.max(0, Math.min(1, share)) * steps.reduce((a, b) => a + b, 0);
  let i = 0;
  while (i < steps.length - 1 && left > steps[i]) left -= steps[i++];
  const t = steps[i] > 0 ? Math.min(1, left / steps[i]) : 0;
  const c = (k: number) => p[3 * i + k] + t * (p[3 * i + 3 + k] - p[3 * i + k]);
  return [c(0), c(1), c(2)];
}
