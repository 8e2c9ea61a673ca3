/** What a search has found so far. */
import { useEffect, useMemo, useState } from 'react';
import type { Part } from '../../../core/head/index.ts';
import { beyondUsual, type Proposed, planWithUse, proposals, type UseFigures } from '../../../core/search/index.ts';
import { planInputs } from '../../../model/to-inputs.ts';
import { useAgainst } from '../../ask/against.ts';
import { type UseCandidate, type UseRun, useBestUse } from '../../ask/best-use.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { hours, percent, percentRange } from '../../ui/format.ts';
import { Ledger, WasNow } from '../../ui/ledger.tsx';
import { useView } from '../../view/view-store.ts';
import { TradeOff } from './trade-off.tsx';

export function Outcome({ run, session }: { readonly run: UseRun; readonly session: PlanSession }) {
  const { best, now, curve } = run;
  const [chosen, setChosen] = useState<string>();
  const forget = useBestUse((s) => s.forget);
  const pick = curve.find((c) => c.genome.join() === chosen) ?? best;
  return (
    <section className="mt-4" aria-label="What was found" data-testid="use-outcome" data-state={run.state}>
      <p className="text-small" role="status">
        {progressWords(run)}, start {run.asked.seed}.
      </p>
      <progress className="progress" value={run.tried} max={run.budget} aria-label="Ways tried" />
      {pick && now && (
        <>
          <Ledger
            large
            captionSaid
            testId="use-figures"
            caption="As planned, and as found"
            lines={FIGURES.map(([name, show]) => ({
              key: name,
              name,
              cells: [<WasNow key="now" was={show(now)} now={show(pick.figures)} />],
            }))}
          />
          <Taking run={run} pick={pick} session={session} />
          <button type="button" className="word text-note" onClick={forget}>
            Leave it
          </button>
        </>
      )}
      {curve.length > 1 && <TradeOff run={run} chosen={pick} onChoose={(c) => setChosen(c.genome.join())} />}
    </section>
  );
}

function progressWords({ state, tried, budget, why, seconds }: UseRun): string {
  if (state === 'running') return `${tried} of ${budget} ways tried`;
  if (state === 'checking') return `${tried} ways tried; the best are worked out on your own head`;
  if (state === 'failed') return `It could not go on: ${why ?? ''}`;
  return `${tried} ways tried in ${Math.round(seconds)} s${state === 'stopped' ? ', stopped by you' : ''}`;
}

/** What it would change, and the button that does. */
function Taking(props: { readonly run: UseRun; readonly pick: UseCandidate; readonly session: PlanSession }) {
  const { run, pick, session } = props;
  const [refusal, setRefusal] = useState<string>();
  const forget = useBestUse((s) => s.forget);
  const isOld = session.history.present.plan !== run.plan;
  const lines = proposals(run.space, pick.genome, run.plan.part.kind as Part['kind']);
  const changes = lines.filter((l) => l.was !== l.now);
  const beyond = beyondUsual(run.space, pick.genome, planInputs(run.plan), run.plan.part.kind as Part['kind']);
  const take = () => {
    const { packs } = pick.figures;
    const words = `Best use: ${packs} ${packs === 1 ? 'pack' : 'packs'}, ${percent(pick.hidden)} hidden`;
    const why = session.apply({ words, plan: planWithUse(session.history.present.plan, run.space, pick.genome) });
    setRefusal(why);
    if (why === undefined) forget();
  };
  return (
    <>
      {changes.length === 0 ? (
        <p className="mt-2">Nothing better was found within these limits yet: the plan is as good.</p>
      ) : (
        <>
          <Proposal lines={lines} />
          {!isOld && (run.state === 'done' || run.state === 'stopped') && <SideBySide {...props} />}
        </>
      )}
      {run.state === 'running' && (
        <p className="note mt-1">
          So far, on a coarser head; the best are worked out on your own before they are shown.
        </p>
      )}
      {beyond.length > 0 && (
        <p className="note mt-1" data-testid="use-beyond">
          Beyond what people do: {beyond.join('; ')}. Try a first row before you cut.
        </p>
      )}
      {isOld && <p className="note mt-1 text-madder">The plan has changed since this search began: look again.</p>}
      {changes.length > 0 && !isOld && (run.state === 'done' || run.state === 'stopped') && (
        <button type="button" className="button primary mt-2" data-testid="use-take" onClick={take}>
          Put it in the plan
        </button>
      )}
      {refusal && (
        <p role="alert" className="note text-madder">
          {refusal} Nothing was changed.
        </p>
      )}
    </>
  );
}

/** Zone by zone, gaps in fingers; what changes stands out. */
function Proposal({ lines }: { readonly lines: readonly Proposed[] }) {
  return (
    <Ledger
      captionSaid
      testId="use-changes"
      caption="What it would change: as planned, as found"
      heads={['Gaps in fingers', 'planned', 'found']}
      lines={lines.map(({ what, was, now }) => ({
        key: what,
        name: what,
        cells: [
          <span key="was" className="text-ink2">
            {was}
          </span>,
          <span key="now" className={was === now ? 'text-ink2' : 'font-strong'}>
            {now}
          </span>,
        ],
      }))}
    />
  );
}

/** The head as planned and as found, and what is different, on the stage. */
function SideBySide({
  run,
  pick,
  session,
}: {
  readonly run: UseRun;
  readonly pick: UseCandidate;
  readonly session: PlanSession;
}) {
  const { setCheck } = useView.getState();
  const kept = session.history.present.plan;
  const plan = useMemo(() => planWithUse(kept, run.space, pick.genome), [kept, run.space, pick.genome]);
  useEffect(() => {
    setCheck({ against: { kind: 'found', plan } });
    return () => setCheck({ against: undefined });
  }, [plan, setCheck]);
  useAgainst(session);
  return null;
}

const FIGURES: ReadonlyArray<readonly [name: string, show: (f: UseFigures) => string]> = [
  ['Hidden', (f) => `${percent(f.hidden)} (${percentRange(f.range)})`],
  ['Thick', (f) => `${(f.thicknessMm / 10).toFixed(1)} cm`],
  ['Packs', (f) => String(f.packs)],
  ['Pieces', (f) => String(f.pieces)],
  ['Hours', (f) => hours(f.minutes)],
  ['Weight', (f) => `${Math.round(f.massG)} g`],
];
