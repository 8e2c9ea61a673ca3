/** A test row of her own: how close she places and how long a piece takes, before any pack is bought. */
import { useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { setTestRow } from '../../../model/hands.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { NumberField, TextField } from '../../ui/field.tsx';

/** As it is asked for: five pieces; nothing is counted until the rest is there. */
const ASKED = { pieces: 5, span: '', minutes: 0 };

export function TestRow({ session, result }: { readonly session: PlanSession; readonly result: PlanResult }) {
  const { plan } = session;
  const [begun, setBegun] = useState(ASKED);
  const row = plan.testRow ?? begun;
  const take = (change: Partial<typeof ASKED>) => {
    const next = { ...row, ...change };
    if (next.span.trim() === '' || next.minutes === 0) {
      setBegun(next);
      return undefined;
    }
    return session.apply(setTestRow(plan, next));
  };
  return (
    <section className="mt-5" aria-label="Your own test row" data-testid="test-row">
      <h3 className="text-title">Your own test row</h3>
      <p className="note mt-1">Hook a few pieces side by side on a scrap of net, as you would on top, and time it.</p>
      <NumberField label="Pieces" testId="row-pieces" value={row.pieces} onCommit={(pieces) => take({ pieces })} />
      <TextField
        label="From the first to the last"
        testId="row-span"
        value={row.span}
        placeholder={`${plan.unit}`}
        onCommit={(span) => take({ span })}
      />
      <NumberField
        label="Minutes for all of them"
        testId="row-minutes"
        value={row.minutes}
        onCommit={(minutes) => take({ minutes })}
      />
      {result.ownRow && plan.testRow && (
        <>
          <p className="mt-2 text-small" role="status" data-testid="row-says">
            {saysOf(result, plan.testRow.pieces)}
          </p>
          <button
            type="button"
            className="word text-note"
            onClick={() => {
              setBegun(ASKED);
              session.apply(setTestRow(plan, undefined));
            }}
          >
            Forget it
          </button>
        </>
      )}
    </section>
  );
}

/** Differences below this share are as planned. */
const ALIKE = 0.015;

/** "From 5 pieces: you place about 4 % closer than planned, some 9 pieces more; each takes 12 % longer than was told." */
function saysOf({ ownRow, supply }: PlanResult, pieces: number): string {
  if (!ownRow) return '';
  const { hands, pace } = ownRow;
  const more = Math.round((hands.factor - 1) * supply.pieces);
  const closer = Math.abs(hands.factor - 1) < ALIKE || more === 0;
  const place = closer
    ? 'you place as planned'
    : `you place about ${percent(hands.factor)} ${more > 0 ? 'closer' : 'wider'} than planned, some ${Math.abs(more)} ${Math.abs(more) === 1 ? 'piece' : 'pieces'} ${more > 0 ? 'more' : 'fewer'}`;
  const time =
    Math.abs(pace - 1) < ALIKE
      ? 'and as fast as was told'
      : `and each takes ${percent(pace)} ${pace > 1 ? 'longer' : 'less'} than was told`;
  return `From ${pieces} pieces, and others’ hands beside yours: ${place}, ${time}.`;
}

const percent = (factor: number) => `${Math.round(100 * Math.abs(factor - 1))} %`;
