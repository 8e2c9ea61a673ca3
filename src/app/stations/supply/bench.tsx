/** Supply: what to buy, what a step of spacing would change, and the files. */

import { useState } from 'react';
import { Link } from 'react-router';
import type { PlanResult } from '../../../core/findings/index.ts';
import { neededBeside, neededWords, type SpacingStep } from '../../../core/plan/index.ts';
import { capName } from '../../../model/cap-name.ts';
import { setField } from '../../../model/commands.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { setSpacing } from '../../../model/spacing-commands.ts';
import { useSpacingStep } from '../../ask/plan.ts';
import { exportPlan } from '../../session/files.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { exportComputed, exportKnots, exportMap } from '../../session/tables.ts';
import type { WithFinding } from '../../ui/bench-props.ts';
import { NumberField } from '../../ui/field.tsx';
import { countOf, money, range } from '../../ui/format.ts';
import { Ledger } from '../../ui/ledger.tsx';
import { Parts } from '../../ui/tabs.tsx';
import { EveningsTab } from './evenings-tab.tsx';
import { FromLog } from './from-log.tsx';
import { LessTab } from './less-tab.tsx';
import { ShopTab } from './shop-tab.tsx';
import { StashTab } from './stash-tab.tsx';
import { TestRow } from './test-row.tsx';

export function SupplyBench(props: WithFinding) {
  const [open, setOpen] = useState<string>('buy');
  const { session, result } = props;
  if (!result) return null;
  return (
    <Parts
      label="Supply"
      open={open}
      onOpen={setOpen}
      parts={[
        { id: 'buy', name: 'Packs', content: <PacksTab {...props} result={result} /> },
        { id: 'shop', name: 'Shop', content: <ShopTab session={session} result={result} /> },
        { id: 'have', name: 'Stash', content: <StashTab session={session} result={result} /> },
        { id: 'less', name: 'Less', content: <LessTab session={session} result={result} /> },
        { id: 'when', name: 'Evenings', content: <EveningsTab session={session} result={result} /> },
      ]}
    />
  );
}

function PacksTab({ session, result, finding }: WithFinding & { readonly result: PlanResult }) {
  const { plan } = session;
  const step = useSpacingStep(session.history.present.plan, session.isDraft);
  return (
    <>
      <h2>What to buy</h2>
      <ToBuy plan={plan} result={result} />
      {finding}
      <WillItLast result={result} />
      <TestRow session={session} result={result} />
      <FromLog session={session} result={result} />
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
      {step && <OneStep session={session} step={step} packs={result.supply.packs} />}
      <h3 className="mt-5 text-title">Also needed</h3>
      <AlsoNeeded plan={plan} result={result} />
      <h3 className="mt-5 text-title">Take it with you</h3>
      <Files plan={plan} result={result} step={step} />
    </>
  );
}

interface Planned {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
}

function ToBuy({ plan, result: { supply } }: Planned) {
  return (
    <>
      <p className="fig mt-4 text-great">
        {supply.packs} <span className="text-heading">{supply.packs === 1 ? 'pack' : 'packs'}</span>
      </p>
      <p className="mt-1">
        {supply.toBuy < supply.packs && `${supply.toBuy} to buy, the rest you have. `}
        {money(supply.price, plan.currency)}. Likely {range(supply.packRange, String)}.
      </p>
      <ul className="mt-1 text-small">
        {supply.lines.map((l) => (
          <li key={l.product}>
            {l.packs} × {l.name}, {countOf(l.piecesPerPack)} pieces each, {l.pieces} hooked
          </li>
        ))}
      </ul>
    </>
  );
}

/** How likely packs are to last, for the knots alone and with what is kept for gaps. */
function WillItLast({ result: { supply, ownRow } }: { readonly result: PlanResult }) {
  // Lower halves come with their upper ones.
  const lines = supply.lines.filter((l) => l.enough.length > 0);
  if (lines.length === 0) return null;
  return (
    <section className="mt-5" data-testid="enough">
      <h3 className="text-title">Will it last?</h3>
      {lines.map((l) => (
        <Ledger
          key={l.product}
          caption={`${lines.length > 1 ? `${l.name}, in` : 'In'} so many of a hundred installs. ${sureWords(l.packsToBeSure)}`}
          heads={['with', 'every knot', 'and the gaps']}
          lines={l.enough.map((e) => ({
            key: String(e.packs),
            name: (
              <span className={Math.abs(e.packs - l.packs) < 1e-9 ? 'font-strong' : ''}>
                {countOf(e.packs)} {e.packs === 1 ? 'pack' : 'packs'}
              </span>
            ),
            cells: [chance(e.forKnots), chance(e.withReserve)],
          }))}
        />
      ))}
      {!ownRow && <p className="note mt-1">How much hands differ from a plan is a guess: about a tenth either way.</p>}
    </section>
  );
}

/** In so many of a hundred; never all, and never none. */
const chance = (share: number) => {
  const hundred = Math.round(100 * share);
  return hundred > 99 ? 'over 99' : hundred < 1 ? 'under 1' : String(hundred);
};

/** "Packs that last with the gaps filled: 5 half of the time, 5 in four of five installs, 6 in nineteen of twenty." */
function sureWords([half, most, nearly]: readonly number[]): string {
  if (half === nearly)
    return `${half === 1 ? '1 pack lasts' : `${half} packs last`} in nineteen of twenty installs, with the gaps filled.`;
  return `With the gaps filled: ${half} last half of the time, ${most} in four of five installs, ${nearly} in nineteen of twenty.`;
}

/** What a quarter finger wider or closer would do to packs and pieces. */
function OneStep(props: { readonly session: PlanSession; readonly step: SpacingStep; readonly packs: number }) {
  const { session, step, packs } = props;
  const [refusal, setRefusal] = useState<string>();
  const ways = [
    { words: 'A quarter finger wider', would: step.wider },
    { words: 'A quarter finger closer', would: step.tighter },
  ];
  return (
    <>
      <h3 className="mt-5 text-title">One step of spacing</h3>
      {refusal && (
        <p role="alert" className="note text-madder">
          {refusal} Nothing was changed.
        </p>
      )}
      <div className="mt-2 grid gap-2">
        {ways.map(
          ({ words, would }) =>
            would && (
              <button
                key={words}
                type="button"
                className="button"
                onClick={() => setRefusal(session.apply({ ...setSpacing(session.plan, would.fingers), words }))}
              >
                {words}
                <span className="note block font-normal">
                  {difference(would.packs - packs)}, {would.pieces} pieces
                </span>
              </button>
            ),
        )}
      </div>
    </>
  );
}

/** Its own place, with what she has of each, is the stash. */
function AlsoNeeded({ plan, result }: Planned) {
  return (
    <ul className="mt-2 text-small">
      {neededBeside(result, capName(plan, result)).map((n) => (
        <li key={n.name}>{neededWords(n)}</li>
      ))}
    </ul>
  );
}

function Files({ plan, result, step }: Planned & { readonly step: SpacingStep | undefined }) {
  const files = [
    { id: 'plan', words: 'Plan, to open again (JSON)', save: () => exportPlan(plan) },
    { id: 'knots', words: 'Every knot as a table (CSV)', save: () => exportKnots(plan, result) },
    { id: 'map', words: 'Map of the rows, to print (SVG)', save: () => exportMap(plan, result) },
    ...(step
      ? [{ id: 'computed', words: 'Everything worked out (JSON)', save: () => exportComputed(plan, result, step) }]
      : []),
  ];
  return (
    <ul className="mt-1">
      <li>
        <Link className="word" to={`/plan/${plan.id}/paper`}>
          On paper, at true size (PDF, SVG, GLB, OBJ)
        </Link>
      </li>
      {files.map(({ id, words, save }) => (
        <li key={id}>
          <button type="button" className="word" data-testid={`export-${id}`} onClick={save}>
            {words}
          </button>
        </li>
      ))}
    </ul>
  );
}

function difference(packs: number): string {
  if (packs === 0) return 'As many packs';
  const n = Math.abs(packs);
  return `${n} ${n === 1 ? 'pack' : 'packs'} ${packs > 0 ? 'more' : 'less'}`;
}
