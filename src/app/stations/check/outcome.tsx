/** What a search has found so far. */
import { useState } from 'react';
import type { Part } from '../../../core/head/part.ts';
import type { UseFigures } from '../../../core/search/best-use.ts';
import { changesInWords, planWithUse } from '../../../core/search/use.ts';
import { upperFirst } from '../../../core/trade/words.ts';
import { type UseRun, useBestUse } from '../../ask/best-use.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { hours, percent } from '../../ui/format.ts';
import { TradeOff } from './trade-off.tsx';

export function Outcome({ run, session }: { readonly run: UseRun; readonly session: PlanSession }) {
  const { best, now, curve } = run;
  const [chosen, setChosen] = useState<string>();
  const [refusal, setRefusal] = useState<string>();
  const { forget } = useBestUse();
  const pick = curve.find((c) => c.genome.join() === chosen) ?? best;
  const isOld = session.history.present.plan !== run.plan;
  const changes = pick ? changesInWords(run.space, pick.genome, run.plan.part.kind as Part['kind']) : [];
  return (
    <section className="mt-4" aria-label="What was found" data-testid="use-outcome" data-state={run.state}>
      <p className="text-small" role="status">
        {run.state === 'running'
          ? `${run.tried} of ${run.budget} ways tried`
          : run.state === 'failed'
            ? `It could not go on: ${run.why ?? ''}`
            : `${run.tried} ways tried in ${Math.round(run.seconds)} s${run.state === 'stopped' ? ', stopped by you' : ''}`}
        , start {run.asked.seed}.
      </p>
      <progress className="progress" value={run.tried} max={run.budget} aria-label="Ways tried" />
      {pick && now && (
        <>
          <table className="mt-2 w-full text-small" data-testid="use-figures">
            <caption className="sr-only">As planned, and as found</caption>
            <tbody>
              {FIGURES.map(([name, show]) => (
                <tr key={name} className="line">
                  <th scope="row" className="py-1.25 text-left font-normal">
                    {name}
                  </th>
                  <td className="fig whitespace-nowrap text-right text-lead">
                    <span className="font-normal text-ink2">{show(now, session)} → </span>
                    {show(pick.figures, session)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {changes.length === 0 ? (
            <p className="mt-2">Nothing better was found within these limits yet: the plan is as good.</p>
          ) : (
            <p className="mt-2 text-small" data-testid="use-words">
              {upperFirst(changes.join('; '))}.
            </p>
          )}
          <p className="note mt-1">
            Judged on a coarser head, within about two points; the tally says what the fine one gives.
          </p>
          {isOld && <p className="note mt-1 text-madder">The plan has changed since this search began: look again.</p>}
          {changes.length > 0 && !isOld && (
            <button
              type="button"
              className="button primary mt-2"
              data-testid="use-take"
              onClick={() => {
                const { packs } = pick.figures;
                const words = `Best use: ${packs} ${packs === 1 ? 'pack' : 'packs'}, ${percent(pick.hidden)} hidden`;
                const plan = planWithUse(session.history.present.plan, run.space, pick.genome);
                const why = session.apply({ words, plan });
                setRefusal(why);
                if (why === undefined) forget();
              }}
            >
              Put it in the plan
            </button>
          )}
          {refusal && (
            <p role="alert" className="note text-madder">
              {refusal} Nothing was changed.
            </p>
          )}
          <button type="button" className="word text-note" onClick={forget}>
            Leave it
          </button>
        </>
      )}
      {curve.length > 1 && <TradeOff run={run} chosen={pick} onChoose={(c) => setChosen(c.genome.join())} />}
    </section>
  );
}

const FIGURES: ReadonlyArray<readonly [name: string, show: (f: UseFigures, session: PlanSession) => string]> = [
  ['Hidden', (f) => percent(f.hidden)],
  ['Packs', (f) => String(f.packs)],
  ['Pieces', (f) => String(f.pieces)],
  ['Hours', (f) => hours(f.minutes)],
  ['Weight', (f) => `${Math.round(f.massG)} g`],
];
