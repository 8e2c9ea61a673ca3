/** Supply: what to buy, what a step of spacing would change, and the files. */

import { useState } from 'react';
import type { SpacingStep } from '../../../core/plan/ask/spacing-step.ts';
import { DOME_INFO } from '../../../core/trade/caps.ts';
import { lowerFirst } from '../../../core/trade/words.ts';
import { ZONES } from '../../../core/trade/zones.ts';
import { setField, setSpacing } from '../../../model/commands.ts';
import { exportComputed, exportKnots, exportMap, exportPlan } from '../../session/files.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { NumberField } from '../../ui/field.tsx';
import { money, range } from '../../ui/format.ts';

export function SupplyBench({
  session,
  result,
  step,
  finding,
}: BenchProps & { readonly step: SpacingStep | undefined; readonly finding: React.ReactNode }) {
  const { plan } = session;
  const [refusal, setRefusal] = useState<string>();
  if (!result) return null;
  const { supply } = result;
  const move = (by: number) =>
    setRefusal(
      session.apply({
        ...setSpacing(plan, Object.fromEntries(ZONES.map((z) => [z, Math.max(0.25, plan.spacing.fingers[z] + by)]))),
        words: by > 0 ? 'A quarter finger wider' : 'A quarter finger closer',
      }),
    );
  return (
    <>
      <h2>What to buy</h2>
      <p className="fig mt-4 text-great">
        {supply.packs} <span className="text-heading">packs</span>
      </p>
      <p className="mt-1">
        {supply.toBuy < supply.packs && `${supply.toBuy} to buy, the rest you have. `}
        {money(supply.price, plan.currency)}. Likely {range(supply.packRange, String)}.
      </p>
      <ul className="mt-1 text-small">
        {supply.lines.map((l) => (
          <li key={l.product}>
            {l.packs} × {l.name}, {l.piecesPerPack} pieces each, {l.pieces} hooked
          </li>
        ))}
      </ul>
      {finding}
      <div className="mt-4">
        <NumberField
          label="Kept for gaps, %"
          testId="reserve"
          value={Math.round(plan.reserveShare * 100)}
          onCommit={(percent) =>
            session.apply(setField(plan, 'reserveShare', percent / 100, `${percent} % kept for gaps`))
          }
          beside="A tenth to a quarter is usual: gaps show after separating."
        />
      </div>
      {step && (
        <>
          <h3 className="mt-5 text-title">One step of spacing</h3>
          {refusal && (
            <p role="alert" className="note text-madder">
              {refusal} Nothing was changed.
            </p>
          )}
          <div className="mt-2 grid gap-2">
            {step.wider && (
              <button type="button" className="button" onClick={() => move(step.stepFingers)}>
                A quarter finger wider
                <span className="note block font-normal">
                  {difference(step.wider.packs - supply.packs)}, {step.wider.pieces} pieces
                </span>
              </button>
            )}
            {step.tighter && (
              <button type="button" className="button" onClick={() => move(-step.stepFingers)}>
                A quarter finger closer
                <span className="note block font-normal">
                  {difference(step.tighter.packs - supply.packs)}, {step.tighter.pieces} pieces
                </span>
              </button>
            )}
          </div>
        </>
      )}
      <h3 className="mt-5 text-title">Also needed</h3>
      <ul className="mt-2 text-small">
        {plan.cap.dome !== 'none' && (
          <li>
            a cap, {lowerFirst(DOME_INFO[plan.cap.dome].name)}, {result.cap.sizeName}, over the base
          </li>
        )}
        {result.base.consumables.map((c) => (
          <li key={c.name}>
            {c.count} {c.unit} {c.name}
          </li>
        ))}
        <li>a latch hook, blunt scissors</li>
      </ul>
      <h3 className="mt-5 text-title">Take it with you</h3>
      <ul className="mt-1">
        <li>
          <button type="button" className="word" data-testid="export-plan" onClick={() => exportPlan(plan)}>
            Plan, to open again (JSON)
          </button>
        </li>
        <li>
          <button type="button" className="word" data-testid="export-knots" onClick={() => exportKnots(plan, result)}>
            Every knot as a table (CSV)
          </button>
        </li>
        <li>
          <button type="button" className="word" data-testid="export-map" onClick={() => exportMap(plan, result)}>
            Map of the rows, to print (SVG)
          </button>
        </li>
        {step && (
          <li>
            <button
              type="button"
              className="word"
              data-testid="export-computed"
              onClick={() => exportComputed(plan, result, step)}
            >
              Everything worked out (JSON)
            </button>
          </li>
        )}
      </ul>
    </>
  );
}

function difference(packs: number): string {
  if (packs === 0) return 'As many packs';
  const n = Math.abs(packs);
  return `${n} ${n === 1 ? 'pack' : 'packs'} ${packs > 0 ? 'more' : 'less'}`;
}
