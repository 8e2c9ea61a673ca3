/** Log: one line for next time. */
import { useLiveQuery } from 'dexie-react-hooks';
import { foldInstall } from '../../../core/install/index.ts';
import { type LogEntry, type LogFigures, planOf } from '../../../model/install-log.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import { unseenSession } from '../../../store/installs.ts';
import { useResult } from '../../ask/plan.ts';
import { db } from '../../session/database.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { day, duration, money } from '../../ui/format.ts';
import { changesIn, LogForm, toldBy } from './log-form.tsx';
import { Renewed } from './renewed.tsx';

export function LogBench({ session }: BenchProps) {
  const { plan } = session;
  const entries = useLiveQuery(() => db.log.where('planId').equals(plan.id).reverse().sortBy('atMs'), [plan.id]);
  const waiting = useLiveQuery(async () => {
    const found = await unseenSession(db, plan.id);
    if (!found) return null;
    const events = await sessionEvents(db, found.session.id);
    const followed = planOf(found.session, events);
    const of = (await db.plans.get(plan.id))?.wearer?.id;
    return { ...found, of, plan: followed, state: foldInstall(events), changed: changesIn(events) };
  }, [plan.id]);
  // What was followed last, not what the plan has become since.
  const { answer } = useResult(waiting?.plan);
  return (
    <>
      <h2>Log</h2>
      {waiting && answer && (
        <LogForm
          key={waiting.session.id}
          install={waiting.session}
          plan={waiting.plan}
          done={waiting.state.done.length}
          pieces={waiting.state.piecesFirst}
          workedMinutes={waiting.state.workedSeconds / 60}
          notes={[...waiting.state.notes.map((n) => n.text), ...toldBy(waiting.state, waiting.changed)]}
          result={answer.value}
          entry={waiting.entry}
          of={waiting.of}
        />
      )}
      <Renewed planId={plan.id} />
      {entries?.length === 0 && !waiting && (
        <p className="mt-3">
          Nothing here yet. A finished install asks for one line: what was planned, what was used, what to change.
        </p>
      )}
      {entries
        ?.filter((e) => e.byItself !== 1)
        .map((e) => (
          <Entry key={e.id} entry={e} currency={plan.currency} />
        ))}
    </>
  );
}

/** "2 packs and 36 pieces of Quillow loop curl, black". */
function backWords({ name, packs, pieces }: NonNullable<LogEntry['back']>[number]): string {
  const count = (n: number, what: string) => (n === 0 ? [] : [`${n} ${what}${n === 1 ? '' : 's'}`]);
  return `${[...count(packs, 'pack'), ...count(pieces, 'piece')].join(' and ')} of ${name}`;
}

function Entry({ entry, currency }: { readonly entry: LogEntry; readonly currency: string }) {
  const rows: ReadonlyArray<readonly [string, (f: LogFigures) => string]> = [
    ['Pieces', (f) => String(f.pieces)],
    ['Packs', (f) => String(f.packs)],
    ['Hours', (f) => duration(f.minutes)],
    ['Price', (f) => money(f.price, currency)],
  ];
  return (
    <article className="mt-5" data-testid="log-entry">
      <h3 className="text-title">{day(entry.atMs)}</h3>
      {entry.line !== '' && <p className="mt-1">“{entry.line}”</p>}
      {entry.renewed && (
        <p className="note mt-1">
          Renewed while it was worn: {entry.renewed.reduce((sum, r) => sum + r.pieces, 0)} pieces more.
        </p>
      )}
      {entry.back && <p className="note mt-1">Back in the stash: {entry.back.map(backWords).join('; ')}.</p>}
      <table className="mt-2 w-full text-note">
        <caption className="sr-only">Planned and used</caption>
        <thead className="text-ink2">
          <tr>
            <th scope="col" className="text-left font-normal">
              <span className="sr-only">figure</span>
            </th>
            <th scope="col" className="text-right font-normal">
              planned
            </th>
            <th scope="col" className="text-right font-normal">
              used
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, show]) => (
            <tr key={name} className="line">
              <th scope="row" className="py-1.25 text-left font-normal">
                {name}
              </th>
              <td className="text-right text-ink2">{show(entry.planned)}</td>
              <td className="text-right">{show(entry.used)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </article>
  );
}
