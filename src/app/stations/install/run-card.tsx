/** A row, or a stretch of it in which nothing changes, told at once; and how many pieces it took. */
import { useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { type PlannedKnot, shortWhere } from '../../../core/knots/index.ts';
import { knotName, rowWords, THROUGH_WORDS, upperFirst } from '../../../core/trade/index.ts';
import { colourName } from '../../../model/colours.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { CardTitle } from './card-title.tsx';
import { isSameKnot, runWords, startWords } from './mirror-words.ts';

export function RunTitle(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly run: readonly PlannedKnot[];
  readonly isRow: boolean;
  readonly paused: boolean;
  readonly onPause: () => void;
  readonly children?: React.ReactNode;
}) {
  const { plan, result, run, isRow, paused, onPause } = props;
  const row = result.rows[run[0].row];
  return (
    <CardTitle
      number={run.length}
      what={isRow ? upperFirst(rowWords(row.label)) : knotName(run[0])}
      testIds={['run-count', 'run-what']}
      beside={props.children}
      paused={paused}
      onPause={onPause}
    >
      <span data-testid="run-words">
        {runWords(run, plan)}
        {isRow ? '' : `, in ${rowWords(row.label)}`}, {THROUGH_WORDS[run[0].through]}
      </span>
    </CardTitle>
  );
}

/** Where it begins, and where on the way something changes. */
export function RunWhere(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly run: readonly PlannedKnot[];
  readonly forHelper: boolean;
}) {
  const { plan, result, run, forHelper } = props;
  return (
    <div className="min-w-[min(300px,100%)] flex-1 max-phone:min-w-0">
      <p className="fig text-far-kind" style={{ fontStretch: '80%' }}>
        {shortWhere(run[0].where)}
      </p>
      <p className="mt-2 text-far-note leading-tight" data-testid="run-start">
        {startWords(run, result, forHelper)}
      </p>
      <ul className="mt-2 text-far-note leading-tight">
        {stretchesOf(run).map(({ from, knots }) => (
          <li key={knots[0].id} className="line py-1">
            {knots.length === run.length
              ? `All alike: ${knotName(knots[0])}`
              : `${knots.length === 1 ? `Number ${from}` : `${from} to ${from + knots.length - 1}`}: ${knotName(knots[0])}`}
            {result.mix ? `, ${colourName(plan, knots[0].colour)}` : ''}
          </li>
        ))}
      </ul>
    </div>
  );
}

function stretchesOf(run: readonly PlannedKnot[]) {
  const stretches: Array<{ from: number; knots: PlannedKnot[] }> = [];
  run.forEach((k, i) => {
    const last = stretches.at(-1);
    if (last && isSameKnot(last.knots[0], k)) last.knots.push(k);
    else stretches.push({ from: i + 1, knots: [k] });
  });
  return stretches;
}

/** "This row took 23": counted once it is in; large enough for fingers with gel on them. */
export function RunTook(props: {
  readonly planned: number;
  readonly took: number;
  readonly onTook: (n: number) => void;
}) {
  const { planned, took, onTook } = props;
  const step = (by: number) => onTook(Math.max(1, Math.min(500, took + by)));
  return (
    <div className="flex items-center gap-3 text-far-note" data-testid="run-took">
      <span className="max-tablet:hidden">{took === planned ? 'It takes' : `It took (${planned} planned)`}</span>
      <button
        type="button"
        className="min-h-15 w-15 rounded-[3px] border-2 border-ink text-center text-far-text"
        aria-label="One piece fewer"
        onClick={() => step(-1)}
        data-testid="took-less"
      >
        −
      </button>
      <output className="fig w-15 text-center text-far-kind" aria-live="polite" data-testid="took">
        {took}
      </output>
      <button
        type="button"
        className="min-h-15 w-15 rounded-[3px] border-2 border-ink text-center text-far-text"
        aria-label="One piece more"
        onClick={() => step(1)}
        data-testid="took-more"
      >
        +
      </button>
    </div>
  );
}

/** Pieces that she counted, and the run that they are of. */
export interface Took {
  readonly run: string;
  readonly pieces: number;
}

export const runKey = (run: ReadonlyArray<Pick<PlannedKnot, 'id'>>) => run.map((k) => k.id).join();

/** What she counts for the run in hand; as planned until she says otherwise. */
export function useTook() {
  const [took, setTook] = useState<Took>();
  const of = (run: readonly PlannedKnot[]) => (took?.run === runKey(run) ? took.pieces : run.length);
  return { took, of, set: (run: readonly PlannedKnot[], pieces: number) => setTook({ run: runKey(run), pieces }) };
}
