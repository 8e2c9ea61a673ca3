/** Brush, pulls, knots and rows by hand. */

import { dequal } from 'dequal';
import { useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { directionDeg } from '../../../core/head/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import type { HandChange } from '../../../core/rows/index.ts';
import { rowWords, upperFirst } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { PlanChange } from '../../../model/plan-change.ts';
import {
  clearBrush,
  clearHand,
  forgetHand,
  lineToKeep,
  lockRow,
  pullRow,
  removeKnot,
  unlockRow,
} from '../../../model/rows-by-hand.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { SelectField } from '../../ui/field.tsx';
import { ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';

/** Spacing factors of the brush: a quarter of a finger on a finger, and so on. */
const BRUSHES = [
  { name: 'Fuller', factor: 0.85, words: 'about a third more' },
  { name: 'Much fuller', factor: 0.7, words: 'about twice as much' },
  { name: 'Thinner', factor: 1.2, words: 'about a third less' },
  { name: 'As planned', factor: 1, words: 'wipes out' },
] as const;

const WIDTHS = [
  ['14', 'a finger'],
  ['27', 'three fingers'],
  ['45', 'a hand'],
] as const;

const PULL_MM = 1.5;

export function HandTab({ session, result }: BenchProps) {
  const { selectedId, refusal } = useView();
  const knot = result?.knots.find((k) => k.id === selectedId);
  return (
    <>
      <h2>By brush and hand</h2>
      <p className="note mt-1">What you change here stays when something changes elsewhere.</p>
      {refusal && (
        <p role="alert" className="note mt-2 text-madder">
          {refusal} Nothing was changed.
        </p>
      )}
      <BrushTools session={session} />
      <KnotTools />
      {!knot && <p className="note mt-2">Touch a knot to move it, take it out, or pull or lock its row.</p>}
      {knot && result && <SelectedKnot session={session} result={result} knot={knot} />}
      {session.plan.rows.hand.length > 0 && <KeptByHand session={session} result={result} />}
    </>
  );
}

/** Holds a tool, or lets it go when it is held already. */
function useTool() {
  const { tool, hold } = useView();
  const toggle = (next: typeof tool) => hold(dequal(next, tool) ? TURN_TOOL : next);
  return { tool, hold, toggle };
}

function BrushTools({ session }: Pick<BenchProps, 'session'>) {
  const { plan } = session;
  const { tool, hold, toggle } = useTool();
  const [radius, setRadius] = useState('27');
  return (
    <>
      <h3 className="mt-3 text-title">Brush</h3>
      <div className="mt-1 grid grid-cols-2 gap-2">
        {BRUSHES.map((b) => {
          const brush = { kind: 'density', factor: b.factor, radiusMm: Number(radius) } as const;
          return (
            <ToolButton
              key={b.name}
              held={dequal(tool, brush)}
              testId={`brush-${b.factor}`}
              onPress={() => toggle(brush)}
            >
              {b.name}
              <span className="note block font-normal">{b.words}</span>
            </ToolButton>
          );
        })}
      </div>
      <SelectField
        label="as wide as"
        value={radius}
        options={WIDTHS}
        onChange={(r) => {
          setRadius(r);
          if (tool.kind === 'density') hold({ ...tool, radiusMm: Number(r) });
        }}
      />
      {plan.rows.brush.length > 0 && (
        <button type="button" className="word text-note" onClick={() => session.apply(clearBrush(plan))}>
          {plan.rows.brush.length === 1 ? 'Wipe out the stroke' : `Wipe out all ${plan.rows.brush.length} strokes`}
        </button>
      )}
    </>
  );
}

function KnotTools() {
  const { tool, toggle } = useTool();
  return (
    <>
      <h3 className="mt-4 text-title">Knots</h3>
      <div className="mt-1 grid grid-cols-2 gap-2">
        <ToolButton held={tool.kind === 'moveKnot'} testId="tool-move" onPress={() => toggle({ kind: 'moveKnot' })}>
          Move one
        </ToolButton>
        <ToolButton held={tool.kind === 'addKnot'} testId="tool-add" onPress={() => toggle({ kind: 'addKnot' })}>
          Put one in
        </ToolButton>
        <ToolButton held={tool.kind === 'pullRow'} testId="tool-pull" onPress={() => toggle({ kind: 'pullRow' })}>
          Pull a row on the cloth
        </ToolButton>
      </div>
    </>
  );
}

interface SelectedKnotProps extends Pick<BenchProps, 'session'> {
  readonly result: PlanResult;
  readonly knot: PlannedKnot;
}

type Deed = readonly [testId: string, words: string, deed: () => PlanChange];

function SelectedKnot({ session, result, knot }: SelectedKnotProps) {
  const { plan } = session;
  const { refuse } = useView();
  const row = result.rows[knot.row];
  const at = directionDeg([knot.xMm, knot.yMm, knot.zMm]);
  const apply = (change: PlanChange) => refuse(session.apply(change));
  const ofRow: readonly Deed[] = [
    ['row-up', 'Row a little up', () => pullRow(plan, row, at, PULL_MM)],
    ['row-down', 'Row a little down', () => pullRow(plan, row, at, -PULL_MM)],
    [
      'row-lock',
      row.locked ? 'Unlock the row' : 'Lock the row',
      () => (row.locked ? unlockRow(plan, row.label, at) : lockOf(plan, result, knot)),
    ],
  ];
  // A row along the border follows the head and its own gap alone: it is neither pulled nor locked.
  const deeds: readonly Deed[] = [
    ['knot-out', 'Take it out', () => removeKnot(plan, at)],
    ...(row.kind === 'border' ? [] : ofRow),
  ];
  return (
    <section className="mt-2" aria-label="The knot that is selected">
      <p className="text-small">
        {knot.id}
        {knot.hand ? `, ${knot.hand} by hand` : ''}. {upperFirst(rowWords(row.label))}
        {row.locked ? ', locked' : row.pulledBy !== undefined ? ', pulled' : ''}.
      </p>
      <div className="mt-1 flex flex-wrap gap-x-5">
        {deeds.map(([testId, words, deed]) => (
          <button key={testId} type="button" className="word" data-testid={testId} onClick={() => apply(deed())}>
            {words}
          </button>
        ))}
      </div>
    </section>
  );
}

function KeptByHand({ session, result }: BenchProps) {
  const { plan } = session;
  const lost = new Map(result?.rowScheme.lostChanges.map((l) => [l.id, l.why]) ?? []);
  return (
    <section className="mt-3">
      <h3 className="text-title">Kept by hand</h3>
      <ul className="mt-1 text-note" data-testid="hand-list">
        {plan.rows.hand.map((h) => (
          <li key={h.id} className="line flex items-center justify-between gap-2 py-0.5">
            <span>
              {handWords(h)}
              {lost.has(h.id) && <span className="block text-madder">Could not be kept: {lost.get(h.id)}.</span>}
            </span>
            <button
              type="button"
              className="word text-note"
              aria-label={`Forget: ${handWords(h)}`}
              onClick={() => session.apply(forgetHand(plan, h.id, handWords(h)))}
            >
              forget
            </button>
          </li>
        ))}
      </ul>
      <button type="button" className="word text-note" onClick={() => session.apply(clearHand(plan))}>
        Forget all of them
      </button>
    </section>
  );
}

function handWords(h: HandChange): string {
  switch (h.op) {
    case 'pull':
      return `Row pulled ${Math.abs(h.mm)} mm ${h.mm > 0 ? 'up' : 'down'}`;
    case 'move':
      return 'Knot moved';
    case 'add':
      return 'Knot put in';
    case 'remove':
      return 'Knot taken out';
    case 'lock':
      return `Row locked, ${h.knots.length} knots`;
  }
}

function lockOf(plan: PlanDocument, result: PlanResult, knot: PlannedKnot) {
  const row = result.rows[knot.row];
  const knots = result.knots
    .slice(row.firstKnot, row.firstKnot + row.knotCount)
    .map((k) => directionDeg([k.xMm, k.yMm, k.zMm]));
  return lockRow(plan, row.label, lineToKeep(row), knots);
}
