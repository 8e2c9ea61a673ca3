/** The packs in her hand. */

import type { PlanResult } from '../../../core/findings/index.ts';
import type { Part } from '../../../core/head/index.ts';
import { gapsInWords } from '../../../core/trade/index.ts';
import { addProduct, removeProduct, setProduct } from '../../../model/cap-and-hair.ts';
import type { ProductAsWritten } from '../../../model/plan.ts';
import { useLook } from '../../ask/look.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { NumberField, SelectField, TextField } from '../../ui/field.tsx';
import { Fields, type TakeChange } from '../../ui/fields.tsx';
import { SchoolsBench } from '../../ui/school-fields.tsx';
import { ON_LABEL, PACK_NAME, YOURS } from './fields.ts';
import { OpenedPack } from './opened-pack.tsx';

export function PacksTab(
  props: BenchProps & { readonly product: ProductAsWritten; readonly onPick: (id: string) => void },
) {
  const { session, result, product } = props;
  const { plan } = session;
  const change: TakeChange<ProductAsWritten> = (change, words) =>
    session.apply(setProduct(plan, product.id, change, words ?? ''));
  const gaps = useLook(plan, session.isDraft)?.value.gaps;
  const whole = result?.pieces.find((piece) => piece.product === product.id);
  return (
    <>
      {plan.products.length > 1 && (
        <SelectField
          label="Which"
          wide
          value={product.id}
          testId="which-product"
          options={plan.products.map((d) => [d.id, d.name] as const)}
          onChange={props.onPick}
        />
      )}
      <Fields record={product} of={PACK_NAME} set={change} />
      <h3 className="mt-3 text-title">Open one pack</h3>
      <p className="note">Count it, tug one, pull one apart, hook one. What you find overrides the label.</p>
      <OpenedPack product={product} change={change} />
      <h3 className="mt-4 text-title">On the label</h3>
      <Fields record={product} of={ON_LABEL} set={change} />
      <TextField
        label="Colour, root to tip"
        wide
        value={product.colours.join(', ')}
        onCommit={(text) => change({ colours: wordsIn(text) }, `Colour: ${text.trim()}`)}
      />
      <NumberField
        label={`Price of a pack, ${plan.currency}`}
        value={product.packPrice}
        onCommit={(packPrice) => change({ packPrice }, `Pack at ${packPrice}`)}
      />
      <h3 className="mt-4 text-title">Yours</h3>
      <Fields record={product} of={YOURS} set={change} />
      {whole && <OnePiece piece={whole} />}
      {gaps && (
        <p className="note mt-2" data-testid="gaps-for-hair">
          {result?.spacing.hers.length === 0 ? 'Laid for this hair' : 'For this hair'}:{' '}
          {gapsInWords(gaps.forHair, plan.part.kind as Part['kind'])} from knot to knot.
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-x-6">
        <button
          type="button"
          className="word"
          data-testid="add-product"
          onClick={() => session.apply(addProduct(plan))}
        >
          Another product
        </button>
        {plan.products.length > 1 && (
          <button type="button" className="word" onClick={() => session.apply(removeProduct(plan, product.id))}>
            Take this one out
          </button>
        )}
      </div>
      <SchoolsBench
        session={session}
        names={[
          'smoothHold',
          'threadLoop',
          ...(plan.products.some((p) => p.loop === 'stiff') ? (['stiff'] as const) : []),
        ]}
      />
    </>
  );
}

const wordsIn = (text: string) =>
  text
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean);

function OnePiece({ piece }: { readonly piece: PlanResult['pieces'][number] }) {
  return (
    <p className="note mt-3">
      One hooked piece: {piece.massG.toFixed(2)} g, {Math.round(piece.hangingEnds)} hanging ends, a knot about{' '}
      {Math.round(piece.knotWidthMm)} mm wide.{' '}
      {piece.canOneLeg ? 'One-leg knots are possible.' : 'One-leg knots are not possible.'}
    </p>
  );
}
