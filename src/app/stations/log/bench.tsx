/** Log: one line for next time. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import {
  foldInstall,
  HURT_INFO,
  type HurtKind,
  type InstallState,
  SEEN_INFO,
  type SeenKind,
} from '../../../core/install/index.ts';
import { lowerFirst } from '../../../core/trade/index.ts';
import {
  type InstallSession,
  type LogEntry,
  type LogFigures,
  planOf,
  type StoredInstallEvent,
} from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { usedOf } from '../../../model/stash.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import { addLogEntry, unloggedSession } from '../../../store/installs.ts';
import { storageSentence } from '../../../store/plans.ts';
import { useResult } from '../../ask/plan.ts';
import { db, newId } from '../../session/database.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { type FieldEntry, Fields, type TakeChange } from '../../ui/fields.tsx';
import { day, duration, money } from '../../ui/format.ts';

export function LogBench({ session }: BenchProps) {
  const { plan } = session;
  const entries = useLiveQuery(() => db.log.where('planId').equals(plan.id).reverse().sortBy('atMs'), [plan.id]);
  const waiting = useLiveQuery(async () => {
    const found = await unloggedSession(db, plan.id);
    if (!found) return null;
    const events = await sessionEvents(db, found.id);
    return { session: found, plan: planOf(found, events), state: foldInstall(events), changed: changesIn(events) };
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
          pieces={waiting.state.piecesUsed}
          workedMinutes={waiting.state.workedSeconds / 60}
          notes={[...waiting.state.notes.map((n) => n.text), ...toldBy(waiting.state, waiting.changed)]}
          result={answer.value}
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

/** Words of each new plan that was taken on the way. */
const changesIn = (events: readonly StoredInstallEvent[]) =>
  events.flatMap((e) => (e.kind === 'plan' && e.text ? [e.text] : []));

/** What happened on the way, for the line. */
function toldBy({ noticed }: InstallState, changed: readonly string[]): string[] {
  const names = noticed.map(
    ({ what }) => HURT_INFO[what as HurtKind]?.name ?? SEEN_INFO[what as SeenKind]?.name ?? what,
  );
  return [
    ...(names.length > 0 ? [`Noticed: ${[...new Set(names)].map(lowerFirst).join(', ')}.`] : []),
    ...(changed.length > 0 ? [`Changed on the way: ${changed.map(lowerFirst).join('; ')}.`] : []),
  ];
}

interface Installed {
  readonly install: InstallSession;
  /** As it was followed last. */
  readonly plan: PlanDocument;
  readonly done: number;
  readonly pieces: number;
  readonly workedMinutes: number;
  readonly notes: readonly string[];
  readonly result: NonNullable<BenchProps['result']>;
}

function LogForm(props: Installed) {
  const { install } = props;
  const of = useWearerOf(install.planId);
  const { planned, used: guessed } = figuresOf(props);
  const [used, setUsed] = useState<LogFigures>(guessed);
  const [line, setLine] = useState(props.notes.join(' ').slice(0, 400));
  const [trouble, setTrouble] = useState<string>();
  const set: TakeChange<LogFigures> = (change) => {
    const refusal = refusalOf(change);
    if (!refusal) setUsed({ ...used, ...change });
    return refusal;
  };
  const keep = async () => {
    const { planId, id: sessionId } = install;
    const { plan } = props;
    const made = { id: newId(), planId, sessionId, planName: plan.name, atMs: Date.now() };
    try {
      const hair = usedOf(plan, props.result, used);
      await addLogEntry(db, { ...made, line: line.trim(), planned, used }, hair, of);
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
        className="entry mt-2 p-1"
        rows={3}
        value={line}
        maxLength={400}
        placeholder="What to change next time"
        onChange={(e) => setLine(e.target.value)}
      />
      <Fields record={used} of={usedFields(planned)} set={set} />
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

/** What was planned, and what seems to have been used of it. */
function figuresOf({ result, done, pieces, workedMinutes }: Installed) {
  const { supply, knots, time } = result;
  const planned: LogFigures = {
    knots: knots.length,
    pieces: supply.pieces,
    packs: supply.packs,
    minutes: Math.round(time.totalMinutes),
    price: supply.price,
  };
  const used: LogFigures = {
    knots: done,
    pieces,
    packs: Math.ceil(pieces / supply.piecesPerPack),
    minutes: Math.max(1, Math.round(workedMinutes)),
    price: planned.price,
  };
  return { planned, used };
}

const MOST: Readonly<Partial<LogFigures>> = { pieces: 5000, packs: 200, minutes: 6000, price: 100_000 };

function refusalOf(change: Partial<LogFigures>): string | undefined {
  const wrong = Object.entries(change).find(([key, v]) => v < 0 || v > (MOST[key as keyof LogFigures] ?? v));
  return wrong && `It has to be from 0 to ${MOST[wrong[0] as keyof LogFigures]}.`;
}

const usedFields = (planned: LogFigures): ReadonlyArray<FieldEntry<LogFigures>> => [
  { key: 'pieces', kind: 'number', label: `Pieces used (planned ${planned.pieces})`, testId: 'log-pieces' },
  { key: 'packs', kind: 'number', label: `Packs opened (planned ${planned.packs})` },
  { key: 'minutes', kind: 'number', label: `Minutes (planned ${planned.minutes})` },
  { key: 'price', kind: 'number', label: 'Paid' },
];

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
