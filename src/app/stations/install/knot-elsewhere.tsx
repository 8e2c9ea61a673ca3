/** A knot that sits elsewhere than planned: tapped on the head, or moved by half fingers; what is to come follows it. */
import { useMemo, useState } from 'react';
import { directionDeg } from '../../../core/head/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { lowerFirst, rowWords } from '../../../core/trade/index.ts';
import { setElsewhere } from '../../../model/from-here.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import type { Projection } from '../../head-view/projection.ts';
import { surfacePointAt } from '../../head-view/surface-hit.ts';
import { RowUnrolled } from './row-unrolled.tsx';
import type { Install } from './use-install.ts';
import { type NewPlan, soFarOf } from './use-new-plan.ts';
import { drawDisc, HeadSoFar, type OnHead, viewOf } from './where-picture.tsx';

type Place = readonly [number, number, number];

export function KnotElsewhere(
  props: OnHead & { readonly install: Install; readonly newPlan: NewPlan; readonly onTaken: () => void },
) {
  const { plan, result, scene, install, isIn, newPlan, onTaken } = props;
  const last = result.knots.find((k) => k.id === install.state.done.at(-1)?.knotId);
  const [at, setAt] = useState<Place>();
  const [refusal, setRefusal] = useState<string>();
  const here = at ?? (last && ([last.xMm, last.yMm, last.zMm] as const));
  const view = useMemo(() => viewOf(last?.normal ?? [0, 0, -1]), [last]);
  const drawOver = useMemo(
    () =>
      here &&
      ((ctx: CanvasRenderingContext2D, seen: Projection) => {
        drawDisc(ctx, seen, { xMm: here[0], yMm: here[1], zMm: here[2] });
      }),
    [here],
  );
  if (!last || !here) return null;
  const half = fingerMm(plan) / 2;
  const take = async () => {
    const moved = { id: last.id, xMm: here[0], yMm: here[1], zMm: here[2] };
    const from = directionDeg([last.xMm, last.yMm, last.zMm]);
    const change = setElsewhere(plan, soFarOf(result, install.now()), from, directionDeg(here));
    const why = change
      ? await newPlan.take(change, { moved })
      : 'It sits on what is there, a band, a rod or a twist: no plan moves that. Nothing was changed.';
    setRefusal(why);
    if (!why) onTaken();
  };
  return (
    <section className="mt-3 flex flex-wrap items-start gap-x-6" aria-label="A knot elsewhere">
      <HeadSoFar
        {...{ plan, result, scene, isIn, view }}
        {...(drawOver ? { drawOver } : {})}
        className="cursor-pointer max-tablet:[zoom:0.84]"
        onTap={(x, y, seen) => {
          const found = scene && surfacePointAt(seen, scene.cap, x, y);
          if (found) setAt(found);
        }}
      />
      <div className="min-w-64 flex-1">
        <p className="text-body">
          The last knot, {last.where.words.toLowerCase()} in {lowerFirst(rowWords(result.rows[last.row].label))}, sits
          elsewhere? Tap where, on the head or on its row, or move it by half a finger.
        </p>
        <RowUnrolled {...{ result, isIn }} knot={last} onPlace={setAt} />
        <div className="mt-2 flex flex-wrap gap-3">
          {WAYS.map(([name, by]) => (
            <button
              key={name}
              type="button"
              className="min-h-11 rounded-[3px] border border-ink px-3"
              data-testid={`move-${name}`}
              onClick={() => setAt(by(here, last, half))}
            >
              {name}
            </button>
          ))}
        </div>
        <button
          type="button"
          className="button mt-3"
          disabled={!at || newPlan.isWorking}
          data-testid="take-elsewhere"
          onClick={() => void take()}
        >
          It sits there
        </button>
        {refusal && (
          <p role="alert" className="mt-1 text-madder">
            {refusal}
          </p>
        )}
      </div>
    </section>
  );
}

/** Along the row to her left and right, and across it. */
const WAYS: ReadonlyArray<readonly [string, (at: Place, knot: PlannedKnot, mm: number) => Place]> = [
  ['left', (at, { along }, mm) => moved(at, along, -mm)],
  ['right', (at, { along }, mm) => moved(at, along, mm)],
  ['up', (at, knot, mm) => moved(at, across(knot), mm)],
  ['down', (at, knot, mm) => moved(at, across(knot), -mm)],
];

const moved = (at: Place, way: readonly number[], mm: number): Place => [
  at[0] + mm * way[0],
  at[1] + mm * way[1],
  at[2] + mm * way[2],
];

/** Square to the row on the scalp, upwards. */
function across({ along: a, normal: n }: PlannedKnot): Place {
  const way: Place = [a[1] * n[2] - a[2] * n[1], a[2] * n[0] - a[0] * n[2], a[0] * n[1] - a[1] * n[0]];
  return way[1] >= 0 ? way : [-way[0], -way[1], -way[2]];
}
