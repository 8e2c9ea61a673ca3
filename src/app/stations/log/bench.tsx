/** Log: one line for next time. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { foldInstall } from '../../../core/install/session.ts';
import type { InstallSession, LogEntry, LogFigures } from '../../../model/install-log.ts';
import { addLogEntry, sessionEvents, unloggedSession } from '../../../store/installs.ts';
import { storageSentence } from '../../../store/plans.ts';
import { db, newId } from '../../session/database.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { NumberField } from '../../ui/field.tsx';
import { day, duration, money } from '../../ui/format.ts';

export function LogBench({ session, result }: BenchProps) {
  const { plan } = session;
  const entries = useLiveQuery(() => db.log.where('planId').equals(plan.id).reverse().sortBy('atMs'), [plan.id]);
  const waiting = useLiveQuery(async () => {
    const found = await unloggedSession(db, plan.id);
    return found ? { session: found, state: foldInstall(await sessionEvents(db, found.id)) } : null;
  }, [plan.id]);
  return (
    <>
      <h2>Log</h2>
      {waiting && result && (
        <LogForm
          key={waiting.session.id}
          install={waiting.session}
          done={waiting.state.done.length}
          pieces={waiting.state.piecesUsed}
          workedMinutes={waiting.state.workedSeconds / 60}
          notes={waiting.state.notes.map((n) => n.text)}
          result={result}
        />
      )}
      {entries?.length === 0 && !waiting && (
        <p className="mt-3">
          Nothing here yet. A finished install asks for one line: what was planned, what was used, what to change.
        </p>
      )}
      {entries?.map((e) => (
        <Entry key={e.id} entry={e} currency={plan.currency} />
      ))}
    </>
  );
}

function LogForm(props: {
  readonly install: InstallSession;
  readonly done: number;
  readonly pieces: number;
  readonly workedMinutes: number;
  readonly notes: readonly string[];
  readonly result: NonNullable<BenchProps['result']>;
}) {
  const { result, install } = props;
  const planned: LogFigures = {
    knots: result.knots.length,
    pieces: result.supply.pieces,
    packs: result.supply.packs,
    minutes: Math.round(result.time.totalMinutes),
    price: result.supply.price,
  };
  const [used, setUsed] = useState<LogFigures>({
    knots: props.done,
    pieces: props.pieces,
    packs: Math.ceil(props.pieces / result.supply.piecesPerPack),
    minutes: Math.max(1, Math.round(props.workedMinutes)),
    price: planned.price,
  });
  const [line, setLine] = useState(props.notes.join(' '));
  const [trouble, setTrouble] = useState<string>();
  const set = (key: keyof LogFigures, most: number) => (value: number) => {
    if (value < 0 || value > most) return `It has to be from 0 to ${most}.`;
    setUsed({ ...used, [key]: value });
    return undefined;
  };
  const keep = async () => {
    const entry: LogEntry = {
      id: newId(),
      planId: install.planId,
      sessionId: install.id,
      planName: install.plan.name,
      atMs: Date.now(),
      line: line.trim(),
      planned,
      used,
    };
    try {
      await addLogEntry(db, entry);
    } catch (error) {
      setTrouble(storageSentence(error));
    }
  };
  return (
    <section className="mt-3" aria-label="One line for the log">
      <p>You finished {props.done} knots. One line, while it is fresh:</p>
      <label className="sr-only" htmlFor="log-line">
        What to change next time
      </label>
      <textarea
        id="log-line"
        data-testid="log-line"
        className="mt-2 w-full border-b-[1.5px] border-hair p-1"
        rows={3}
        value={line}
        maxLength={400}
        placeholder="What to change next time"
        onChange={(e) => setLine(e.target.value)}
      />
      <NumberField
        label={`Pieces used (planned ${planned.pieces})`}
        value={used.pieces}
        testId="log-pieces"
        onCommit={set('pieces', 5000)}
      />
      <NumberField label={`Packs opened (planned ${planned.packs})`} value={used.packs} onCommit={set('packs', 200)} />
      <NumberField
        label={`Minutes (planned ${planned.minutes})`}
        value={used.minutes}
        onCommit={set('minutes', 6000)}
      />
      <NumberField label="Paid" value={used.price} onCommit={set('price', 100000)} />
      <button type="button" className="button primary mt-3" onClick={keep} data-testid="keep-log">
        Keep it in the log
      </button>
      {trouble && (
        <p role="alert" className="mt-2 text-madder">
          {trouble}
        </p>
      )}
    </section>
  );
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
