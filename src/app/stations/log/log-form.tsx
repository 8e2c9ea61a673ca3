/** What an install used, written in the log and out of the stash by itself as it is finished; she puts right what is not, and adds her line. */
import { useEffect, useState } from 'react';
import { HURT_INFO, type HurtKind, type InstallState, SEEN_INFO, type SeenKind } from '../../../core/install/index.ts';
import { lowerFirst } from '../../../core/trade/index.ts';
import type { InstallSession, LogEntry, LogFigures, StoredInstallEvent } from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { usedOf } from '../../../model/stash.ts';
import { addLogEntry, correctLogEntry } from '../../../store/installs.ts';
import { db } from '../../session/database.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { type FieldEntry, Fields, type TakeChange } from '../../ui/fields.tsx';
import { Trouble, useTrouble } from '../../ui/trouble.tsx';

/** Words of each new plan that was taken on the way. */
export const changesIn = (events: readonly StoredInstallEvent[]) =>
  events.flatMap((e) => (e.kind === 'plan' && e.text ? [e.text] : []));

/** What happened on the way, for the line. */
export function toldBy({ noticed }: InstallState, changed: readonly string[]): string[] {
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
  /** As it was written by itself, once it is. */
  readonly entry: LogEntry | undefined;
  /** Whose stash it is. */
  readonly of: string | undefined;
}

export function LogForm(props: Installed) {
  const { entry } = props;
  const { planned, used: counted } = figuresOf(props);
  const noted = props.notes.join(' ').slice(0, 400);
  const [used, setUsed] = useState<LogFigures>(counted);
  const [line, setLine] = useState(noted);
  const [trouble, tried] = useTrouble();
  useWrittenByItself(props, { line: noted, used: counted, byItself: 1 }, tried);
  const set: TakeChange<LogFigures> = (change) => {
    const refusal = refusalOf(change);
    if (!refusal) setUsed({ ...used, ...change });
    return refusal;
  };
  const keep = () => tried(written(props, { line: line.trim(), used }));
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
      <p className="note mt-2" role="status" data-testid="by-itself">
        {entry
          ? 'It is in the log and out of your stash already, as it was counted. Put right what is not so.'
          : 'Writing it into the log …'}
      </p>
      <button type="button" className="button primary mt-3" onClick={() => void keep()} data-testid="keep-log">
        Keep it so
      </button>
      <Trouble why={trouble} />
    </section>
  );
}

type Line = Pick<LogEntry, 'line' | 'used' | 'byItself'>;

/** Into the log and out of the stash; a line that is there already is put right. */
function written(told: Installed, line: Line): Promise<void> {
  const { install, plan, result, entry, of } = told;
  const hair = usedOf(plan, result, line.used);
  const atMs = Date.now();
  if (entry) return correctLogEntry(db, entry.id, line, hair, of, atMs);
  const { planId, id: sessionId } = install;
  // The same in every tab: written twice it would be one.
  const id = `log-${sessionId}`;
  const { planned } = figuresOf(told);
  return addLogEntry(db, { id, planId, sessionId, planName: plan.name, atMs, planned, ...line }, hair, of);
}

/** As soon as it is counted; and again where she went on with it before she has seen to the line. */
function useWrittenByItself(told: Installed, line: Line, tried: (work: Promise<unknown>) => Promise<boolean>) {
  const { entry } = told;
  const { pieces, knots } = line.used;
  const isWritten = entry?.used.pieces === pieces && entry.used.knots === knots;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is written hangs on what was counted
  useEffect(() => {
    if (isWritten) return;
    const work = written(told, line).catch((error) => {
      // Another tab was there first.
      if (error?.name !== 'ConstraintError') throw error;
    });
    void tried(work);
  }, [isWritten, pieces, knots]);
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
