/** One style as one record: planned and used, what it really was row by row, its days, its photos, what she would have otherwise. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import type { StyleRow } from '../../../core/log/index.ts';
import {
  duration,
  fingersFigure,
  NEXT_WISH_INFO,
  NEXT_WISHES,
  type NextWish,
  wishesIn,
} from '../../../core/trade/index.ts';
import type { LogEntry, LogFigures } from '../../../model/install-log.ts';
import type { KeptStyle, StyleLine } from '../../../model/logged.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import { setNextTime } from '../../../store/styles.ts';
import { db } from '../../session/database.ts';
import { SelectField } from '../../ui/field.tsx';
import { day, money } from '../../ui/format.ts';
import { Ledger, WasNow } from '../../ui/ledger.tsx';
import { Trouble, useTrouble } from '../../ui/trouble.tsx';

interface OneStyle {
  readonly kept: KeptStyle;
  readonly line: StyleLine;
  readonly plan: PlanDocument;
}

export function StyleRecordView({ kept, line, plan }: OneStyle) {
  const { entry } = kept;
  const { sessionId } = entry;
  const deeds = useLiveQuery(async () => (sessionId ? db.deeds.get(sessionId) : undefined), [sessionId, kept]);
  const { currency } = plan;
  return (
    <article data-testid="log-entry">
      <h3 className="text-title">{entry.planName}</h3>
      <p className="note">
        Hooked {day(entry.atMs)};{' '}
        {line.isWornStill ? `worn for ${line.days} days so far` : `worn for ${line.days} days`}.
      </p>
      {entry.renewed && (
        <p className="note mt-1">
          Renewed while it was worn: {entry.renewed.reduce((sum, r) => sum + r.pieces, 0)} pieces more.
        </p>
      )}
      {entry.back && <p className="note mt-1">Back in the stash: {entry.back.map(backWords).join('; ')}.</p>}
      <Ledger
        caption="Planned → used"
        lines={FIGURES.map(([name, show]) => ({
          key: name,
          name,
          cells: [<WasNow key="f" was={show(entry.planned, currency)} now={show(entry.used, currency)} />],
        }))}
      />
      <Costs line={line} currency={currency} />
      {/* While a finished install is still asked about, its line is written there. */}
      {entry.byItself !== 1 && <Wishes entry={entry} />}
      {deeds && deeds.leftEmpty > 0 && (
        <p className="note mt-2">
          {deeds.leftEmpty} {deeds.leftEmpty === 1 ? 'place was' : 'places were'} left empty.
        </p>
      )}
      {deeds && deeds.rows.length > 0 && <RowByRow rows={deeds.rows} finger={fingerMm(plan)} />}
      <Photos sessionId={sessionId} />
    </article>
  );
}

const FIGURES: ReadonlyArray<readonly [string, (f: LogFigures, currency: string) => string]> = [
  ['Pieces', (f) => String(f.pieces)],
  ['Packs', (f) => String(f.packs)],
  ['Hours', (f) => duration(f.minutes)],
  ['Price', (f, currency) => money(f.price, currency)],
];

/** "2 packs and 36 pieces of Quillow loop curl, black". */
function backWords({ name, packs, pieces }: NonNullable<LogEntry['back']>[number]): string {
  const count = (n: number, what: string) => (n === 0 ? [] : [`${n} ${what}${n === 1 ? '' : 's'}`]);
  return `${[...count(packs, 'pack'), ...count(pieces, 'piece')].join(' and ')} of ${name}`;
}

function Costs({ line, currency }: { readonly line: StyleLine; readonly currency: string }) {
  const { costADay, costAWearing, wearings } = line;
  if (costADay === undefined || costAWearing === undefined) return null;
  const cost = (v: number) => money(Math.round(100 * v) / 100, currency);
  return (
    <p className="mt-2 text-small">
      <b className="fig text-lead">{cost(costADay)}</b> a day
      {wearings > 1 && (
        <>
          , <b className="fig text-lead">{cost(costAWearing)}</b> each of {wearings} times it was put on
        </>
      )}
      .
    </p>
  );
}

/** What she used of the hair that was there, over what would have been right. */
const ENOUGH: ReadonlyArray<readonly [string, string]> = [
  ['', 'not said'],
  ['0.8', 'a fifth less would do'],
  ['0.9', 'a tenth less would do'],
  ['1', 'just right'],
  ['1.1', 'a tenth more'],
  ['1.2', 'a fifth more'],
];

/** What she writes is kept so soon after the last letter, ms. */
const WRITTEN_MS = 500;

/** Her line, and what she taps; both can be put right whenever she likes. */
function Wishes({ entry }: { readonly entry: LogEntry }) {
  const [trouble, tried] = useTrouble();
  // As she writes it; what is kept shows as soon as she has left it.
  const [draft, setDraft] = useState<string>();
  const wishes = entry.wishes ?? wishesIn(entry.line);
  const keep = (change: Partial<Pick<LogEntry, 'line' | 'wishes' | 'enough'>>) => {
    const { enough } = entry;
    const told = { line: entry.line, wishes, ...(enough === undefined ? {} : { enough }), ...change };
    return tried(setNextTime(db, entry.id, told));
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what is written is kept by itself
  useEffect(() => {
    if (draft === undefined || draft === entry.line) return undefined;
    const timer = setTimeout(() => void keep({ line: draft }), WRITTEN_MS);
    return () => clearTimeout(timer);
  }, [draft]);
  const leave = async () => {
    if (draft === undefined) return;
    const line = draft.trim();
    const isKept = await keep({ line, wishes: [...new Set([...wishes, ...wishesIn(line)])] });
    if (isKept) setDraft(undefined);
  };
  const toggle = (wish: NextWish) =>
    void keep({ wishes: wishes.includes(wish) ? wishes.filter((w) => w !== wish) : [...wishes, wish] });
  return (
    <section className="mt-3" aria-label="What you would change">
      <label htmlFor={`line-${entry.id}`} className="font-strong">
        What you would change
      </label>
      <textarea
        id={`line-${entry.id}`}
        data-testid="style-line"
        className="entry mt-1 p-1"
        rows={2}
        maxLength={400}
        value={draft ?? entry.line}
        onChange={(e) => setDraft(e.target.value)}
        onBlur={() => void leave()}
      />
      <fieldset className="wishes">
        <legend className="sr-only">Wishes for next time</legend>
        {NEXT_WISHES.map((wish) => (
          <button
            key={wish}
            type="button"
            className="wish"
            aria-pressed={wishes.includes(wish)}
            data-testid={`wish-${wish}`}
            onClick={() => toggle(wish)}
          >
            {NEXT_WISH_INFO[wish].name}
          </button>
        ))}
      </fieldset>
      <SelectField
        label="Hair in it"
        wide
        value={ENOUGH.some(([v]) => v === String(entry.enough)) ? String(entry.enough) : ''}
        options={ENOUGH}
        testId="style-enough"
        onChange={(v) => void keep({ enough: v === '' ? undefined : Number(v) })}
      />
      <Trouble why={trouble} />
    </section>
  );
}

/** ", 6 % closer"; nothing where no hand could tell. */
function differsBy(factor: number): string {
  const by = Math.round(100 * (factor - 1));
  return Math.abs(by) < 2 ? '' : `, ${Math.abs(by)} % ${by > 0 ? 'wider' : 'closer'}`;
}

function RowByRow({ rows, finger }: { readonly rows: readonly StyleRow[]; readonly finger: number }) {
  const gap = (mm: number) => fingersFigure(Math.round((4 * mm) / finger) / 4);
  return (
    <details className="mt-3" data-testid="row-by-row">
      <summary>Row by row</summary>
      <Ledger
        caption="Planned → as it was"
        heads={['row', 'pieces', 'gap', 's a knot']}
        lines={rows.map((r) => ({
          key: r.id,
          name: r.label,
          cells: [
            <WasNow key="p" was={String(r.planned)} now={String(r.pieces)} />,
            `${gap(r.plannedMm)}${r.isCounted ? differsBy(r.hookedMm / r.plannedMm) : ''}`,
            r.timedKnots > 0 ? Math.round(r.seconds / r.timedKnots) : '–',
          ],
        }))}
      />
    </details>
  );
}

function Photos({ sessionId }: { readonly sessionId: string | undefined }) {
  const photos = useLiveQuery(
    async () => (sessionId ? db.photos.where('sessionId').equals(sessionId).sortBy('takenAtMs') : []),
    [sessionId],
  );
  if (!photos || photos.length === 0) return null;
  return (
    <ul className="style-photos" aria-label="Photos">
      {photos.map((p) => (
        <li key={p.id}>
          <figure>
            <img src={p.image} alt={`Taken ${day(p.takenAtMs)}`} />
            <figcaption className="note">{day(p.takenAtMs)}</figcaption>
          </figure>
        </li>
      ))}
    </ul>
  );
}
