/** Parts of the rows bench: which way rows run, what is changed by brush and hand, which knot, in which order. */

import { dequal } from 'dequal';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import { directionDeg } from '../../core/head/marks.ts';
import type { Override } from '../../core/knots/place/overrides.ts';
import type { PlannedKnot } from '../../core/knots/place/planned.ts';
import { cannot } from '../../core/knots/rules/may.ts';
import type { HandChange } from '../../core/rows/choice.ts';
import { isFieldScheme } from '../../core/rows/field/schemes.ts';
import {
  ENTRY_WORDS,
  KIND_NAMES,
  KNOT_KINDS,
  knotName,
  RULES_SOURCE,
  THROUGH_WORDS,
  THROUGHS,
} from '../../core/trade/knots.ts';
import { FRINGE_INFO, FRINGES, SCHEME_INFO, SCHEMES, SECOND_PASS_INFO, SECOND_PASSES } from '../../core/trade/rows.ts';
import { SCHOOL_NAMES } from '../../core/trade/schools.ts';
import { lowerFirst } from '../../core/trade/words.ts';
import { pieceZoneOf } from '../../core/trade/zones.ts';
import type { PlanDocument } from '../../model/plan.ts';
import {
  clearBrush,
  clearHand,
  forgetHand,
  lockRow,
  pullRow,
  removeKnot,
  setRows,
  unlockRow,
  wishKnot,
  wishWords,
} from '../../model/rows-by-hand.ts';
import { SchoolsBench } from '../bench/schools-bench.tsx';
import type { PlanSession } from '../state/plan-session.ts';
import { TURN_TOOL, useView } from '../state/view-store.ts';
import { Choice } from '../ui/choice.tsx';
import { NumberField, SelectField } from '../ui/field.tsx';
import { duration } from '../ui/format.ts';
import { Figure, ToolButton } from '../ui/tabs.tsx';

interface PartProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
}

export function SchemePart({ session, result }: PartProps) {
  const { plan } = session;
  const { rows } = plan;
  const { fringe } = rows;
  return (
    <>
      <h2>Which way rows run</h2>
      <div className="mt-2">
        <Choice
          label="Row scheme"
          value={rows.scheme}
          options={SCHEMES.map((value) => ({ value, ...SCHEME_INFO[value] }))}
          onChange={(scheme) => session.apply(setRows(plan, { scheme }))}
        />
      </div>
      {result && (
        <dl className="mt-3">
          <Figure name="Bricks (1 best, 0.5 random)">{result.rowScheme.brickScore.toFixed(2)}</Figure>
          <Figure name="Rows, short ones between">
            {result.rowScheme.wholeRows}, {result.rowScheme.insertedRows}
          </Figure>
        </dl>
      )}
      <h3 className="mt-5 text-[19px]">Passes</h3>
      <Choice
        label="Passes"
        value={rows.secondPass}
        options={SECOND_PASSES.map((value) => ({ value, ...SECOND_PASS_INFO[value] }))}
        onChange={(secondPass) => session.apply(setRows(plan, { secondPass }))}
      />
      {isFieldScheme(rows.scheme) && (
        <NumberField
          label="Rows moved from the part, % of a gap"
          value={Math.round(100 * rows.offset)}
          testId="row-offset"
          beside="Moves where the bricks fall; nearer is below zero. At most a quarter of a gap."
          onCommit={(percent) =>
            session.apply(setRows(plan, { offset: percent / 100 }, `Rows moved by ${percent} % of a gap`))
          }
        />
      )}
      <h3 className="mt-5 text-[19px]">Fringe</h3>
      <Choice
        label="Fringe"
        value={fringe.how}
        options={FRINGES.map((value) => ({ value, ...FRINGE_INFO[value] }))}
        onChange={(how) => session.apply(setRows(plan, { fringe: { ...fringe, how } }))}
      />
      {fringe.how === 'short' && (
        <>
          <NumberField
            label="Wide, fingers"
            value={fringe.widthFingers}
            onCommit={(widthFingers) =>
              session.apply(
                setRows(plan, { fringe: { ...fringe, widthFingers } }, `Fringe ${widthFingers} fingers wide`),
              )
            }
          />
          <NumberField
            label="Rows of it"
            value={fringe.rows}
            onCommit={(n) => session.apply(setRows(plan, { fringe: { ...fringe, rows: n } }, `Fringe in ${n} rows`))}
          />
        </>
      )}
      <SchoolsBench session={session} names={['bun', 'wideTwist']} />
    </>
  );
}

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

export function HandPart({ session, result }: PartProps) {
  const { plan } = session;
  const { tool, hold, selectedId, refusal, refuse } = useView();
  const [radius, setRadius] = useState('27');
  const knot = result?.knots.find((k) => k.id === selectedId);
  const row = knot && result?.rows[knot.row];
  const toggle = (next: typeof tool) => hold(JSON.stringify(next) === JSON.stringify(tool) ? TURN_TOOL : next);
  const lost = new Map(result?.rowScheme.lostChanges.map((l) => [l.id, l.why]) ?? []);
  const atOf = (k: PlannedKnot) => directionDeg([k.xMm, k.yMm, k.zMm]);
  const done = (why: string | undefined) => refuse(why);
  return (
    <>
      <h2>By brush and hand</h2>
      <p className="quiet mt-1">What you change here stays when something changes elsewhere.</p>
      {refusal && (
        <p role="alert" className="note mt-2 text-madder">
          {refusal} Nothing was changed.
        </p>
      )}
      <h3 className="mt-3 text-[19px]">Brush</h3>
      <div className="mt-1 grid grid-cols-2 gap-2">
        {BRUSHES.map((b) => {
          const brush = { kind: 'density', factor: b.factor, radiusMm: Number(radius) } as const;
          return (
            <ToolButton
              key={b.name}
              held={JSON.stringify(tool) === JSON.stringify(brush)}
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
        <button type="button" className="word text-[13px]" onClick={() => session.apply(clearBrush(plan))}>
          Wipe out all {plan.rows.brush.length} strokes
        </button>
      )}
      <h3 className="mt-4 text-[19px]">Knots</h3>
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
      {!knot && <p className="note mt-2">Touch a knot to move it, take it out, or pull or lock its row.</p>}
      {knot && row && result && (
        <section className="mt-2" aria-label="The knot that is selected">
          <p className="text-[14px]">
            {knot.id}
            {knot.hand ? `, ${knot.hand} by hand` : ''}. Row {row.label}
            {row.locked ? ', locked' : row.pulledBy !== undefined ? ', pulled' : ''}.
          </p>
          <div className="mt-1 flex flex-wrap gap-x-5">
            <button
              type="button"
              className="word"
              data-testid="knot-out"
              onClick={() => done(session.apply(removeKnot(plan, knot.id, atOf(knot))))}
            >
              Take it out
            </button>
            <button
              type="button"
              className="word"
              data-testid="row-up"
              onClick={() => done(session.apply(pullRow(plan, row, atOf(knot), PULL_MM)))}
            >
              Row a little up
            </button>
            <button
              type="button"
              className="word"
              data-testid="row-down"
              onClick={() => done(session.apply(pullRow(plan, row, atOf(knot), -PULL_MM)))}
            >
              Row a little down
            </button>
            <button
              type="button"
              className="word"
              data-testid="row-lock"
              onClick={() =>
                done(session.apply(row.locked ? unlockRow(plan, row.label, atOf(knot)) : lockOf(plan, result, knot)))
              }
            >
              {row.locked ? 'Unlock the row' : 'Lock the row'}
            </button>
          </div>
        </section>
      )}
      {plan.rows.hand.length > 0 && (
        <section className="mt-3">
          <h3 className="text-[19px]">Kept by hand</h3>
          <ul className="mt-1 text-[13px]" data-testid="hand-list">
            {plan.rows.hand.map((h) => (
              <li key={h.id} className="line flex items-center justify-between gap-2 py-[2px]">
                <span>
                  {handWords(h)}
                  {lost.has(h.id) && <span className="block text-madder">Could not be kept: {lost.get(h.id)}.</span>}
                </span>
                <button
                  type="button"
                  className="word text-[13px]"
                  aria-label={`Forget: ${handWords(h)}`}
                  onClick={() => session.apply(forgetHand(plan, h.id, handWords(h)))}
                >
                  forget
                </button>
              </li>
            ))}
          </ul>
          <button type="button" className="word text-[13px]" onClick={() => session.apply(clearHand(plan))}>
            Forget all of them
          </button>
        </section>
      )}
    </>
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

/** A row is kept by points of its line a finger or so apart, and its knots. */
const LINE_STRIDE = 3;

function lockOf(plan: PlanDocument, result: PlanResult, knot: PlannedKnot) {
  const row = result.rows[knot.row];
  const p = row.pointsMm;
  const line = [];
  for (let i = 0; i < p.length; i += 3 * LINE_STRIDE) line.push(directionDeg([p[i], p[i + 1], p[i + 2]]));
  const e = p.length - 3;
  line.push(directionDeg([p[e], p[e + 1], p[e + 2]]));
  const knots = result.knots
    .slice(row.firstKnot, row.firstKnot + row.knotCount)
    .map((k) => directionDeg([k.xMm, k.yMm, k.zMm]));
  return lockRow(plan, row.label, line, knots);
}

export function KnotPart({ session, result }: PartProps) {
  const { plan } = session;
  const selectedId = useView((v) => v.selectedId);
  const knot = result?.knots.find((k) => k.id === selectedId);
  return (
    <>
      <h2>Which knot, and why</h2>
      {!knot && <p className="quiet mt-1">Touch a knot: it shows the rules behind it, and you may choose another.</p>}
      {knot && <KnotWhy knot={knot} />}
      {knot && <KnotWishes session={session} knot={knot} />}
      {plan.knotWishes.length > 0 && (
        <button
          type="button"
          className="word mt-2 text-[13px]"
          onClick={() => session.apply({ words: 'The rules decide everywhere', plan: { ...plan, knotWishes: [] } })}
        >
          Let the rules decide everywhere again ({plan.knotWishes.length} chosen)
        </button>
      )}
      <SchoolsBench
        session={session}
        names={['oneLeg', 'exposed', 'oneLegWraps', 'perimeterKnot', 'through', 'tender']}
      />
      <WayBack plan={plan} result={result} />
    </>
  );
}

function KnotWhy({ knot }: { readonly knot: PlannedKnot }) {
  return (
    <section className="mt-2" aria-label="Rules behind this knot" data-testid="rule-chain">
      <p className="font-[650]">
        {knotName(knot)}, {THROUGH_WORDS[knot.through]}
      </p>
      <ol className="mt-1 text-[14px]">
        {knot.chain.map((r) => (
          <li key={r.id} className="line py-[5px]" data-rule={r.id}>
            {r.because}
            {r.school && <span className="note block">School: {lowerFirst(SCHOOL_NAMES[r.school])}</span>}
          </li>
        ))}
      </ol>
      <p className="note mt-1">
        {knot.holes > 0 ? `${knot.holes} ${knot.holes === 1 ? 'hole' : 'holes'} of the net. ` : ''}
        {knot.biteMm > 0 ? `Take up scalp about ${knot.biteMm.toFixed(0)} mm square (a guess). ` : ''}
        Hook {ENTRY_WORDS[knot.entry]}. {RULES_SOURCE}.
      </p>
    </section>
  );
}

function KnotWishes({ session, knot }: { readonly session: PlanSession; readonly knot: PlannedKnot }) {
  const { plan } = session;
  const [of, setOf] = useState<'knot' | 'row' | 'zone'>('knot');
  const product = plan.products.find((p) => p.id === knot.piece.product) ?? plan.products[0];
  const cut = plan.cuts.find((c) => c.id === knot.cut);
  const at = directionDeg([knot.xMm, knot.yMm, knot.zMm]);
  const place: Override['of'] =
    of === 'zone' ? { zone: pieceZoneOf(knot.zone) } : of === 'row' ? { row: at } : { knot: at };
  const now = plan.knotWishes.find((w) => dequal(w.of, place))?.wish ?? {};
  const want = (change: Override['wish']) => {
    const wish = { ...now, ...change };
    session.apply(wishKnot(plan, place, wish, wishWords(place, knot, wish, plan.part.kind)));
  };
  const oneLeg =
    product.test.apart !== 'clings' &&
    (product.loop === 'thread' || product.loop === 'none' || (product.loop !== 'stiff' && product.loopComesOff));
  const piece = {
    canOneLeg: oneLeg,
    canLock: (product.loop === 'ring' || product.loop === 'slidingBand') && cut?.split === 1,
    threadLoop: product.loop === 'thread',
    loose: product.loop === 'none',
    capped: plan.cap.dome !== 'none',
    netHere: knot.onNet === 'none' ? ('net' as const) : knot.onNet,
    blending: knot.blending,
    on:
      plan.rows.scheme === 'grid'
        ? ('band' as const)
        : plan.rows.scheme === 'rods'
          ? ('rod' as const)
          : ('scalp' as const),
  };
  const kinds = KNOT_KINDS.filter((kind) => kind === knot.kind || cannot(piece, { kind }) === undefined);
  const ways = THROUGHS.filter((through) => through === knot.through || cannot(piece, { through }) === undefined);
  return (
    <section className="mt-4" aria-label="Your own choice">
      <h3 className="text-[19px]">Your own choice</h3>
      <SelectField
        label="for"
        value={of}
        testId="wish-of"
        options={
          [
            ['knot', 'this knot'],
            ['row', 'its whole row'],
            ['zone', 'its zone'],
          ] as const
        }
        onChange={setOf}
      />
      <SelectField
        label="Knot"
        wide
        value={now.kind ?? ''}
        testId="wish-kind"
        options={[['', 'as the rules say'] as const, ...kinds.map((k) => [k, lowerFirst(KIND_NAMES[k])] as const)]}
        onChange={(kind) => want({ kind: kind === '' ? undefined : kind })}
      />
      <SelectField
        label="Wraps"
        value={now.wraps === undefined ? '' : String(now.wraps)}
        testId="wish-wraps"
        options={[['', 'as the rules say'] as const, ...[1, 2, 3, 4].map((n) => [String(n), String(n)] as const)]}
        onChange={(n) => want({ wraps: n === '' ? undefined : Number(n) })}
      />
      {piece.canLock && (
        <SelectField
          label="Lock"
          value={now.lock === undefined ? '' : now.lock ? 'yes' : 'no'}
          options={
            [
              ['', 'as the rules say'],
              ['yes', 'yes'],
              ['no', 'no'],
            ] as const
          }
          onChange={(v) => want({ lock: v === '' ? undefined : v === 'yes' })}
        />
      )}
      <SelectField
        label="Through"
        wide
        value={now.through ?? ''}
        options={[
          ['', 'as the rules say'] as const,
          ...ways.map((t) => [t, THROUGH_WORDS[t].replace('through ', '')] as const),
        ]}
        onChange={(through) => want({ through: through === '' ? undefined : through })}
      />
      {plan.cuts.length > 1 && (
        <SelectField
          label="Piece"
          wide
          value={now.cut ?? ''}
          options={[['', 'as its zone'] as const, ...plan.cuts.map((c) => [c.id, c.name] as const)]}
          onChange={(id) => want({ cut: id === '' ? undefined : id })}
        />
      )}
    </section>
  );
}

/** To lay hair over to the other side it has to reach across the first rows there (guess: three gaps and four fingers). */
const ACROSS_GAPS = 3;
const ACROSS_MM = 70;

function WayBack({ plan, result }: { readonly plan: PlanDocument; readonly result: PlanResult | undefined }) {
  if (!result || plan.part.kind !== 'line') return null;
  const piece = result.pieces.find((p) => p.cut === plan.pieces.part.cut);
  if (!piece) return null;
  const needed = ACROSS_GAPS * result.spacing.centresMm.part + ACROSS_MM;
  const can = piece.lengthMm >= needed;
  return (
    <section className="mt-5">
      <h3 className="text-[19px]">If the part fails</h3>
      <p className="mt-1 text-[14px]">
        Add layers beside it, or lay it over to the other side:{' '}
        {can
          ? `the hair there hangs ${Math.round(piece.lengthMm / 10)} cm, enough to reach across.`
          : `for that it would have to hang about ${Math.round(needed / 10)} cm, and it hangs ${Math.round(piece.lengthMm / 10)}. Layers it is.`}
      </p>
    </section>
  );
}

export function OrderPart({ session, result }: PartProps) {
  const { plan } = session;
  const select = useView((v) => v.select);
  if (!result) return null;
  return (
    <>
      <h2>In which order</h2>
      <p className="mt-1 flex flex-wrap gap-x-6">
        <Link className="word" to={`/plan/${plan.id}/rows/chart`} data-testid="to-chart">
          Knot chart, to print
        </Link>
      </p>
      <ol className="mt-2 text-[14px]" data-testid="worklist">
        {result.worklist.map((step, i) => (
          <li
            key={`${step.what}${i}`}
            className="line grid grid-cols-[26px_1fr_auto] gap-x-1 py-[7px]"
            data-step={step.kind}
          >
            <span className="fig text-[17px]">{i + 1}</span>
            <span>
              {step.knots ? (
                <button
                  type="button"
                  className="word -my-3 text-left font-[650]"
                  onClick={() => select(result.knots[step.knots?.[0] ?? 0]?.id)}
                >
                  {step.what}
                </button>
              ) : (
                <b className="font-[650]">{step.what}</b>
              )}
              <span className="note block">{step.how}</span>
            </span>
            <span className="text-ink2">{duration(step.minutes)}</span>
          </li>
        ))}
      </ol>
    </>
  );
}
