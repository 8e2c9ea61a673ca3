/** This plan against another, or against itself before a change: a table of differences beside the two heads. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import { SIDES } from '../../../core/cover/index.ts';
import type { Look } from '../../../core/plan/index.ts';
import type { History } from '../../../model/history.ts';
import { keptPlans, nameOf } from '../../../store/plans.ts';
import { holdsPlan } from '../../../store/records.ts';
import { useAgainst } from '../../ask/against.ts';
import { asBefore, type Figures, figuresOf } from '../../ask/figures.ts';
import { db } from '../../session/database.ts';
import type { CheckProps } from '../../ui/bench-props.ts';
import { SelectField } from '../../ui/field.tsx';
import { hours, money, percent } from '../../ui/format.ts';
import { Ledger, WasNow } from '../../ui/ledger.tsx';
import { type Against, useView } from '../../view/view-store.ts';

const NONE = '';
const MOST_STEPS = 8;

export function WhatIfTab({ session, result, checked }: CheckProps) {
  const other = useAgainst(session);
  const look = checked.looked?.value;
  const { plan, history } = session;
  const against = useView((v) => v.check.against);
  const setCheck = useView((v) => v.setCheck);
  const plans = useLiveQuery(() => keptPlans(db));
  // Leaving this part puts the one head back.
  useEffect(() => () => setCheck({ against: undefined }), [setCheck]);
  const steps = stepsBack(history);
  const others = (plans ?? [])
    .filter((p) => p.id !== plan.id && holdsPlan(p))
    .map((p) => [`plan ${p.id}`, nameOf(p)] as const);
  return (
    <>
      <h2>What if</h2>
      <p className="note mt-1.25">
        Two heads turn as one; the third shows what is different. Nothing is changed by looking.
      </p>
      <div className="mt-3">
        <SelectField
          label="Against"
          wide
          value={keyOf(against)}
          testId="against"
          options={[[NONE, 'nothing'], ...steps, ...others]}
          onChange={(key) => setCheck({ against: read(key) })}
        />
      </div>
      {steps.length === 0 && (
        <p className="note mt-1">Change something in this plan and it can be held against how it was before.</p>
      )}
      {against && !other && <p className="mt-3">Working it out …</p>}
      {other && result && look && (
        <Ledger
          large
          testId="differences"
          caption="Against → this plan"
          lines={[
            ...differences(figuresOf(other.result, other.look), figuresOf(result, look), plan.currency),
            ...lookDifferences(other.look, look),
          ].map(([name, was, now]) => ({ key: name, name, cells: [<WasNow key="now" was={was} now={now} />] }))}
        />
      )}
    </>
  );
}

/** The last changes of this plan, newest first. */
function stepsBack({ past, present }: History) {
  return past
    .slice(-MOST_STEPS)
    .map((_, i, all) => {
      const back = all.length - i;
      const change = back === 1 ? present.words : past[past.length - back + 1].words;
      return [`before ${back}`, `before “${change}”`] as const;
    })
    .reverse();
}

function differences(was: Figures, now: Figures, currency: string) {
  const rows: ReadonlyArray<readonly [string, (f: Figures) => string]> = [
    ['Hidden', (f) => `${f.cover === undefined ? '…' : Math.round(f.cover)} %`],
    ['Pieces', (f) => String(f.pieces)],
    ['Packs', (f) => String(f.packs)],
    ['Hours', (f) => hours(f.minutes)],
    ['Price', (f) => money(f.price, currency)],
    ['Weight', (f) => `${f.massG} g`],
  ];
  const before = asBefore(was, now);
  return rows.map(([name, show]) => [name, show(before), show(now)] as const);
}

function lookDifferences(was: Look, now: Look) {
  const seen = ({ knots }: Look) => String(knots.filter((k) => k.by === 'nothing').length);
  return [
    ...SIDES.map((s) => {
      const name = `Shows, ${s === 'behind' ? s : `from the ${s}`}`;
      const isSame = Math.abs(was.seen[s] - now.seen[s]) < 0.01;
      return [name, percent((isSame ? now : was).seen[s]), percent(now.seen[s])] as const;
    }),
    ['Knots that show', seen(was), seen(now)] as const,
  ];
}

function keyOf(against: Against | undefined): string {
  if (!against || against.kind === 'found') return NONE;
  return against.kind === 'before' ? `before ${against.steps}` : `plan ${against.id}`;
}

function read(key: string): Against | undefined {
  if (key === NONE) return undefined;
  const value = key.slice(key.indexOf(' ') + 1);
  return key.startsWith('before') ? { kind: 'before', steps: Number(value) } : { kind: 'plan', id: value };
}
