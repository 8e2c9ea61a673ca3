/** What is done to a piece. */

import { useState } from 'react';
import type { HookedPiece, Preparation } from '../../../core/hair/index.ts';
import { MOST_CUTS } from '../../../core/trade/index.ts';
import { addCut, keepLowerHalves, removeCut, setCut } from '../../../model/cap-and-hair.ts';
import { formatLength } from '../../../model/lengths.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { SelectField } from '../../ui/field.tsx';
import { Fields, type TakeChange } from '../../ui/fields.tsx';
import { countOf } from '../../ui/format.ts';
import { SchoolsBench } from '../../ui/school-fields.tsx';
import { Figure } from '../../ui/tabs.tsx';
import { CURL, CUT, CUT_NAME, OPENED } from './fields.ts';

export function CutsTab({ session, result }: BenchProps) {
  const { plan } = session;
  const [id, setId] = useState(plan.cuts[0].id);
  const cut = plan.cuts.find((c) => c.id === id) ?? plan.cuts[0];
  const piece = result?.pieces.find((p) => p.cut === cut.id);
  const change: TakeChange<Preparation> = (change, words) => session.apply(setCut(plan, cut.id, change, words));
  const hasLowerHalves = plan.products.some((p) => p.lowerHalfOf === cut.product);
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
      <Fields record={cut} of={CUT_NAME} set={change} />
      {plan.products.length > 1 && (
        <SelectField
          label="Of"
          wide
          value={cut.product}
          options={plan.products.map((p) => [p.id, p.name] as const)}
          onChange={(productId) => change({ product: productId }, 'Cut of other hair')}
        />
      )}
      <Fields record={cut} of={CUT} set={change} />
      {cut.half && !hasLowerHalves && (
        <button type="button" className="button mt-1" onClick={() => session.apply(keepLowerHalves(plan, cut.product))}>
          Keep the lower halves as hair of their own
        </button>
      )}
      <Fields record={cut.opened} of={OPENED} set={(c) => change({ opened: { ...cut.opened, ...c } })} />
      <Fields record={cut} of={CURL} set={change} />
      {piece && <PieceFigures plan={plan} piece={piece} />}
      <MoreCuts session={session} cut={cut} />
      <SchoolsBench session={session} names={['prepare', 'smoothing', 'trim']} />
    </>
  );
}

function MoreCuts({ session, cut }: { readonly session: PlanSession; readonly cut: Preparation }) {
  const { plan } = session;
  return (
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
  );
}

function PieceFigures({ plan, piece }: { readonly plan: PlanDocument; readonly piece: HookedPiece }) {
  const show = (mm: number) => formatLength(mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan));
  return (
    <dl className="mt-3" data-testid="piece-figures">
      <Figure name="From a pack">{countOf(piece.perPack)} pieces</Figure>
      <Figure name="Weighs">{piece.massG.toFixed(2)} g</Figure>
      <Figure name="Hangs">{show(piece.lengthMm)}</Figure>
      <Figure name="As wide as untouched">{piece.widthFactor.toFixed(2)} times</Figure>
      <Figure name="Folded, thick">{piece.thicknessMm.toFixed(1)} mm</Figure>
      <Figure name="Its knot">
        {piece.knotWidthMm.toFixed(1)} mm{piece.liesFlat ? ', lies flat' : ''}
      </Figure>
      {piece.secondsBefore >= 0.5 && (
        <Figure name="To prepare, before">{Math.round(piece.secondsBefore)} s a piece</Figure>
      )}
      {piece.secondsAfter >= 0.5 && <Figure name="Once it is in">{Math.round(piece.secondsAfter)} s a piece</Figure>}
    </dl>
  );
}
