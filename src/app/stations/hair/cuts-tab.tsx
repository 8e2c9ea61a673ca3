/** What is done to a piece. */

import { useState } from 'react';
import type { HookedPiece, Preparation } from '../../../core/hair/preparation.ts';
import { DRESSING_INFO, DRESSINGS, MOST_CUTS, OPENED_WHEN, SPLITS } from '../../../core/trade/preparation.ts';
import { addCut, keepLowerHalves, removeCut, setCut } from '../../../model/cap-and-hair.ts';
import { formatLength } from '../../../model/lengths.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { NumberField, SelectField, TextField } from '../../ui/field.tsx';
import { SchoolsBench } from '../../ui/school-fields.tsx';
import { Figure } from '../../ui/tabs.tsx';

export function CutsTab({ session, result }: BenchProps) {
  const { plan } = session;
  const [id, setId] = useState(plan.cuts[0].id);
  const cut = plan.cuts.find((c) => c.id === id) ?? plan.cuts[0];
  const piece = result?.pieces.find((p) => p.cut === cut.id);
  const product = plan.products.find((p) => p.id === cut.product);
  const change = (change: Partial<Omit<Preparation, 'id'>>, words?: string) =>
    session.apply(setCut(plan, cut.id, change, words));
  const percent = (v: number) => Math.round(v * 100);
  return (
    <>
      <p className="note">What is done to a piece. Each zone says which of these it takes.</p>
      {plan.cuts.length > 1 && (
        <SelectField
          label="Which"
          wide
          value={cut.id}
          testId="which-cut"
          options={plan.cuts.map((c) => [c.id, c.name] as const)}
          onChange={setId}
        />
      )}
      <TextField
        label="Its name"
        wide
        value={cut.name}
        onCommit={(name) => change({ name: name.trim() }, `Cut: ${name.trim()}`)}
      />
      {plan.products.length > 1 && (
        <SelectField
          label="Of"
          wide
          value={cut.product}
          options={plan.products.map((p) => [p.id, p.name] as const)}
          onChange={(productId) => change({ product: productId }, 'Cut of other hair')}
        />
      )}
      <SelectField
        label="Split lengthwise"
        value={String(cut.split)}
        testId="split"
        options={SPLITS.map((s) => [String(s), s === 1 ? 'not at all' : `in ${s}`] as const)}
        onChange={(s) =>
          change({ split: Number(s) as Preparation['split'] }, s === '1' ? 'Whole pieces' : `Split in ${s}`)
        }
      />
      <SelectField
        label="Cut in half"
        value={cut.half ? 'yes' : 'no'}
        testId="half"
        options={
          [
            ['no', 'no'],
            ['yes', 'yes, the upper half'],
          ] as const
        }
        onChange={(v) => change({ half: v === 'yes' }, v === 'yes' ? 'Cut in half' : 'Full length')}
      />
      {cut.half && (
        <>
          <p className="note">
            The lower half has no loop and its own fold. Hook two at full length and look before you cut the rest.
          </p>
          {!plan.products.some((p) => p.lowerHalfOf === cut.product) && (
            <button
              type="button"
              className="button mt-1"
              onClick={() => session.apply(keepLowerHalves(plan, cut.product))}
            >
              Keep the lower halves as hair of their own
            </button>
          )}
        </>
      )}
      <SelectField
        label="Strands opened"
        value={cut.opened.when}
        testId="opened"
        options={OPENED_WHEN.map((w) => [w, w === 'never' ? 'never' : `${w} hooking`] as const)}
        onChange={(when) => change({ opened: { ...cut.opened, when } })}
      />
      {cut.opened.when !== 'never' && (
        <>
          <NumberField
            label="of its strands, %"
            value={percent(cut.opened.strands)}
            onCommit={(v) => change({ opened: { ...cut.opened, strands: v / 100 } })}
          />
          <NumberField
            label="of the way up, %"
            value={percent(cut.opened.reach)}
            onCommit={(v) => change({ opened: { ...cut.opened, reach: v / 100 } })}
          />
        </>
      )}
      <SelectField
        label="Its curl"
        wide
        value={cut.dressed}
        options={DRESSINGS.map((d) => [d, DRESSING_INFO[d].name] as const)}
        onChange={(dressed) => change({ dressed })}
      />
      <p className="note">{DRESSING_INFO[cut.dressed].why}</p>
      {piece && product && <PieceFigures plan={plan} piece={piece} />}
      <div className="mt-3 flex flex-wrap gap-x-6">
        {plan.cuts.length < MOST_CUTS && (
          <button
            type="button"
            className="word"
            data-testid="add-cut"
            onClick={() => session.apply(addCut(plan, cut.product))}
          >
            Another cut
          </button>
        )}
        {plan.cuts.length > 1 && (
          <button type="button" className="word" onClick={() => session.apply(removeCut(plan, cut.id))}>
            Take this one out
          </button>
        )}
      </div>
      <SchoolsBench session={session} names={['prepare', 'smoothing', 'trim']} />
    </>
  );
}

function PieceFigures({ plan, piece }: { readonly plan: PlanDocument; readonly piece: HookedPiece }) {
  const show = (mm: number) => formatLength(mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan));
  return (
    <dl className="mt-3" data-testid="piece-figures">
      <Figure name="From a pack">{piece.perPack} pieces</Figure>
      <Figure name="Weighs">{piece.massG.toFixed(2)} g</Figure>
      <Figure name="Hangs">{show(piece.lengthMm)}</Figure>
      <Figure name="As wide as untouched">{piece.widthFactor.toFixed(2)} ×</Figure>
      <Figure name="Folded, thick">{piece.thicknessMm.toFixed(1)} mm</Figure>
      <Figure name="Its knot">
        {piece.knotWidthMm.toFixed(1)} mm{piece.liesFlat ? ', lies flat' : ''}
      </Figure>
      <Figure name="Seconds before, after">
        {Math.round(piece.secondsBefore)}, {Math.round(piece.secondsAfter)}
      </Figure>
    </dl>
  );
}
