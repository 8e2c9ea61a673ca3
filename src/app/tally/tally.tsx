/** A ticket along the foot: the last deed with undo and redo, then seven figures that each open into their working. */
import { lazy, Suspense, useState } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import { isWorn } from '../../core/trade/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { asBefore, type Figures, figuresOf, type JudgedFigures } from '../ask/figures.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { countOf, hours, money, range } from '../ui/format.ts';
import './tally.css';

/** The working of a figure comes when it is first asked for. */
const Working = lazy(() => import('./working.tsx').then((m) => ({ default: m.Working })));

export function Tally(props: {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly judged: JudgedFigures;
  readonly before: Figures | undefined;
  readonly onExport: () => void;
}) {
  const { session, result, before, judged } = props;
  const { plan } = session;
  return (
    <footer className="tally">
      <Stub session={session} onExport={props.onExport} />
      {result && <Cells plan={plan} result={result} judged={judged} before={before} />}
    </footer>
  );
}

function Stub({ session, onExport }: { readonly session: PlanSession; readonly onExport: () => void }) {
  const { history, trouble } = session;
  return (
    <div className="stub">
      {trouble ? (
        <div role="alert">
          <p className="text-note leading-tight text-madder">{trouble}</p>
          <button type="button" className="word text-note" onClick={session.retry}>
            Try again
          </button>
          <button type="button" className="word ml-4 text-note" onClick={onExport}>
            Save as a file
          </button>
          <button type="button" className="word ml-4 text-note" onClick={session.dismiss}>
            Close
          </button>
        </div>
      ) : (
        <>
          <div className="truncate font-strong" data-testid="last-deed" aria-live="polite">
            {session.isDraft ? 'Not kept until you let go' : history.present.words}
          </div>
          <button
            type="button"
            className="word text-note"
            disabled={history.past.length === 0}
            onClick={session.undo}
            title={history.past.length > 0 ? `Undo: ${history.present.words} (Ctrl+Z)` : undefined}
          >
            Undo
          </button>
          <button
            type="button"
            className="word ml-6 text-note"
            disabled={history.future.length === 0}
            onClick={session.redo}
            title={history.future[0] ? `Redo: ${history.future[0].words} (Ctrl+Shift+Z)` : undefined}
          >
            Redo
          </button>
        </>
      )}
    </div>
  );
}

interface CellSpec {
  readonly key: keyof Figures;
  readonly name: string;
  readonly show: (v: number) => string;
  readonly unit?: string;
  readonly third: string;
}

interface Told {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly judged: JudgedFigures;
}

const whole = (v: number) => String(v);

function cellsOf({ plan, result, judged }: Told): readonly CellSpec[] {
  const { supply, time, load } = result;
  return [
    {
      key: 'pieces',
      name: 'Pieces',
      show: whole,
      third: `${result.rows.length} rows`,
    },
    {
      key: 'packs',
      name: 'Packs',
      show: whole,
      third:
        supply.packRange[0] === supply.packRange[1]
          ? `${countOf(supply.piecesPerPack)} each`
          : `${range(supply.packRange, whole)}, ${countOf(supply.piecesPerPack)} each`,
    },
    {
      key: 'leftOver',
      name: 'Left over',
      show: whole,
      third: `and ${supply.reservePieces} for gaps`,
    },
    {
      key: 'minutes',
      name: 'Hours',
      show: hours,
      third: range(time.range, hours),
    },
    {
      key: 'price',
      name: 'Price',
      show: (v) => money(v, plan.currency),
      third:
        supply.lines.length > 1
          ? `${supply.lines.length} kinds of hair`
          : `${supply.toBuy} at ${money(plan.products[0].packPrice, plan.currency)}`,
    },
    {
      key: 'massG',
      name: 'Weight',
      show: whole,
      unit: 'g',
      third: range(load.range.map(Math.round) as [number, number], whole),
    },
    {
      key: 'cover',
      name: 'Cover',
      show: (v) => whole(Math.round(v)),
      unit: '%',
      third: judged.range
        ? `${isWorn(plan.madeFor) ? 'guess' : 'of the net'}, ${range(judged.range.all.map((v) => Math.round(v * 100)) as [number, number], whole)}`
        : isWorn(plan.madeFor)
          ? 'a guess'
          : 'of the net',
    },
  ];
}

/** On a tablet the tally is one line of these, and opens to all. */
const FIRST_FOUR: ReadonlySet<keyof Figures> = new Set(['pieces', 'packs', 'minutes', 'cover']);

function Cells(props: Told & { readonly before: Figures | undefined }) {
  const { plan, result, judged } = props;
  const now = figuresOf(result, judged.look);
  const before = props.before && asBefore(props.before, now);
  const cells = cellsOf(props);
  const [open, setOpen] = useState<{ readonly key: keyof Figures; readonly at: HTMLButtonElement }>();
  const [all, setAll] = useState(false);
  return (
    <>
      {cells.map((cell) => (
        <Cell
          key={cell.key}
          cell={cell}
          now={now[cell.key]}
          before={before?.[cell.key]}
          isOpen={open?.key === cell.key}
          waits={!all && !FIRST_FOUR.has(cell.key)}
          onOpen={(at) => setOpen({ key: cell.key, at })}
        />
      ))}
      <button type="button" className="all-figures word" aria-expanded={all} onClick={() => setAll(!all)}>
        {all ? 'four' : 'all seven'}
      </button>
      {open && (
        <Suspense>
          <Working
            figure={open.key}
            name={cells.find((c) => c.key === open.key)?.name ?? ''}
            at={open.at}
            plan={plan}
            result={result}
            judged={judged}
            onClose={() => setOpen(undefined)}
          />
        </Suspense>
      )}
    </>
  );
}

/** One figure; what it was before the last change steps to its left. */
function Cell(props: {
  readonly cell: CellSpec;
  readonly now: number | undefined;
  readonly before: number | undefined;
  readonly isOpen: boolean;
  /** Where there is room for four only. */
  readonly waits: boolean;
  readonly onOpen: (at: HTMLButtonElement) => void;
}) {
  const { cell, now, before } = props;
  return (
    <button
      type="button"
      className={`cell ${props.waits ? 'waits' : ''}`}
      data-figure={cell.key}
      aria-haspopup="dialog"
      aria-expanded={props.isOpen}
      onClick={(e) => props.onOpen(e.currentTarget)}
    >
      <span className="cell-name">{cell.name}</span>
      <span className="cell-figure">
        {before !== undefined && now !== undefined && before !== now && (
          <span className="cell-was">
            {cell.show(before)}
            <svg width="15" height="8" viewBox="0 0 15 8" aria-hidden="true" className="self-center">
              <path d="M0 4H13M9.5 .8L13.4 4L9.5 7.2" fill="none" stroke="currentColor" strokeWidth="1.3" />
            </svg>
          </span>
        )}
        <span data-testid={`figure-${cell.key}`}>{now === undefined ? '…' : cell.show(now)}</span>
        {cell.unit && <small>{cell.unit}</small>}
      </span>
      <span className="cell-third">{cell.third}</span>
      <span className="sr-only">. How it is worked out</span>
    </button>
  );
}
