/** Check and Supply: what is found, what it weighs, what a step of spacing would change, and the files. */

import { useState } from 'react';
import { DOME_INFO } from '../../core/cap/cap.ts';
import { ZONES } from '../../core/pipeline/inputs.ts';
import type { SpacingStep } from '../../core/pipeline/stages.ts';
import { lowerFirst } from '../../core/words.ts';
import { setField, setSpacing } from '../../model/commands.ts';
import { FindingNote } from '../bench/finding-note.tsx';
import { exportComputed, exportKnots, exportMap, exportPlan } from '../state/files.ts';
import { useView } from '../state/view-store.ts';
import { NumberField } from '../ui/field.tsx';
import { money, range } from '../ui/format.ts';
import type { BenchProps } from './planning.tsx';

/** A grid has a hundred sections: the heaviest are told. */
const MOST_ROWS = 12;

export function CheckBench({ session, result }: BenchProps) {
  const select = useView((v) => v.select);
  if (!result) return null;
  const exposed = result.knots.filter((k) => k.exposed);
  const carrying = result.load.sections
    .filter((s) => s.pieces > 0)
    .sort((a, b) => b.timesOwnHair[1] - a.timesOwnHair[1])
    .slice(0, MOST_ROWS);
  const nameOf = (id: string) =>
    result.base.sections.find((s) => s.id === id)?.name.replace(', from your left', '') ?? id;
  return (
    <>
      <h2>Before any hair is bought</h2>
      {result.findings.length === 0 && (
        <p className="mt-3">Nothing speaks against this plan. Hook two pieces and look before you buy the rest.</p>
      )}
      {result.findings.map((f) => (
        <FindingNote key={f.code} finding={f} more={0} session={session} />
      ))}
      <h3 className="mt-6 text-[19px]">What lies open</h3>
      <p className="mt-2 text-[14px]">
        {exposed.length} of {result.knots.length} knots have nothing above to hide them;{' '}
        {exposed.filter((k) => k.kind === 'oneLeg').length} of these are one-leg.
      </p>
      {exposed[0] && (
        <button type="button" className="word text-[13px]" onClick={() => select(exposed[0].id)}>
          Show the first
        </button>
      )}
      <h3 className="mt-4 text-[19px]">What each section carries</h3>
      <table className="mt-2 w-full text-[13px]">
        <caption className="sr-only">Load of each section, dry, against its own hair</caption>
        <tbody>
          {carrying.map((s) => (
            <tr key={s.sectionId} className="line">
              <th scope="row" className="py-[5px] text-left font-normal">
                {nameOf(s.sectionId)}
              </th>
              <td className="text-right">{s.pieces} pieces</td>
              <td className="text-right">{range(s.timesOwnHair, (v) => v.toFixed(1))} ×</td>
            </tr>
          ))}
        </tbody>
      </table>
      {result.load.sections.length > carrying.length && (
        <p className="note mt-1">
          The {carrying.length} that carry most of {result.load.sections.length}.
        </p>
      )}
      <p className="note mt-2">
        Times the weight of the section’s own hair, once the net has taken its share. Pain, bumps, headache or shiny
        skin at the hairline mean too tight: take it out, and see a professional if it stays. How each strand falls is
        not drawn yet; cover is the estimate in the tally.
      </p>
    </>
  );
}

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
      <p className="fig mt-4 text-[46px]">
        {supply.packs} <span className="text-[25px]">packs</span>
      </p>
      <p className="mt-1">
        {supply.toBuy < supply.packs && `${supply.toBuy} to buy, the rest you have. `}
        {money(supply.price, plan.currency)}. Likely {range(supply.packRange, String)}.
      </p>
      <ul className="mt-1 text-[14px]">
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
          <h3 className="mt-5 text-[19px]">One step of spacing</h3>
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
      <h3 className="mt-5 text-[19px]">Also needed</h3>
      <ul className="mt-2 text-[14px]">
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
      <h3 className="mt-5 text-[19px]">Take it with you</h3>
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
