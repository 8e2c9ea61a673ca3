/** The packs in her hand. */

import type { PlanResult } from '../../../core/findings/plan-result.ts';
import { APARTS, CONDITION_NAMES, CONDITIONS, FIBRE_NAMES, FIBRES, HOOKEDS, TUGS } from '../../../core/trade/hair.ts';
import { LOOP_INFO, LOOPS } from '../../../core/trade/loops.ts';
import { TEXTURE_INFO, TEXTURES } from '../../../core/trade/textures.ts';
import { addProduct, removeProduct, setProduct } from '../../../model/cap-and-hair.ts';
import type { ProductAsWritten } from '../../../model/plan.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { NumberField, SelectField, TextField } from '../../ui/field.tsx';
import { SchoolsBench } from '../../ui/school-fields.tsx';

const TUG_NAMES = { untried: 'not tried', holds: 'holds', sheds: 'sheds', loopSlips: 'its loop slips' } as const;

const APART_NAMES = { untried: 'not tried', separates: 'they separate', clings: 'they cling' } as const;

const HOOKED_NAMES = { untried: 'not tried', stays: 'stays', slips: 'slides' } as const;

type Change = (change: Partial<Omit<ProductAsWritten, 'id'>>, words: string) => string | undefined;

interface PackProps {
  readonly product: ProductAsWritten;
  readonly change: Change;
}

export function PacksTab(
  props: BenchProps & { readonly product: ProductAsWritten; readonly onPick: (id: string) => void },
) {
  const { session, result, product } = props;
  const { plan } = session;
  const change: Change = (change, words) => session.apply(setProduct(plan, product.id, change, words));
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
      <TextField
        label="Name"
        wide
        value={product.name}
        onCommit={(name) => change({ name: name.trim() }, `Hair: ${name.trim()}`)}
      />
      <OpenedPack product={product} change={change} />
      <h3 className="mt-4 text-title">On the label</h3>
      <CountsOnLabel product={product} change={change} />
      <HairOnLabel product={product} change={change} />
      <NumberField
        label={`Price of a pack, ${plan.currency}`}
        value={product.packPrice}
        onCommit={(packPrice) => change({ packPrice }, `Pack at ${packPrice}`)}
      />
      <Yours product={product} change={change} />
      {whole && <OnePiece piece={whole} />}
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
      <SchoolsBench session={session} names={['smoothHold', 'threadLoop']} />
    </>
  );
}

function OpenedPack({ product: p, change }: PackProps) {
  const test = (found: Partial<ProductAsWritten['test']>, words: string) =>
    change({ test: { ...p.test, ...found } }, words);
  return (
    <>
      <h3 className="mt-3 text-title">Open one pack</h3>
      <p className="note">Count it, tug one, pull one apart, hook one. What you find overrides the label.</p>
      <TextField
        label="Counted"
        value={p.test.counted === undefined ? '' : String(p.test.counted)}
        numeric
        placeholder="unopened"
        testId="counted"
        onCommit={(text) => {
          if (text.trim() === '') return test({ counted: undefined }, 'Count taken back');
          const counted = Number(text.trim());
          return Number.isFinite(counted)
            ? test({ counted }, `${counted} counted`)
            : `“${text.trim()}” isn’t a number.`;
        }}
      />
      <SelectField
        label="Tug one"
        value={p.test.tug}
        options={TUGS.map((t) => [t, TUG_NAMES[t]] as const)}
        onChange={(tug) => test({ tug }, `A tug: ${TUG_NAMES[tug]}`)}
      />
      <SelectField
        label="Pull one apart"
        value={p.test.apart}
        testId="apart"
        options={APARTS.map((t) => [t, APART_NAMES[t]] as const)}
        onChange={(apart) => test({ apart }, `Pulled apart: ${APART_NAMES[apart]}`)}
      />
      <SelectField
        label="Hook one"
        value={p.test.hooked}
        options={HOOKEDS.map((t) => [t, HOOKED_NAMES[t]] as const)}
        onChange={(hooked) => test({ hooked }, `Hooked: ${HOOKED_NAMES[hooked]}`)}
      />
    </>
  );
}

function CountsOnLabel({ product: p, change }: PackProps) {
  return (
    <>
      <NumberField
        label="Pieces in a pack"
        value={p.piecesPerPack}
        testId="pieces-per-pack"
        onCommit={(piecesPerPack) => change({ piecesPerPack }, `${piecesPerPack} pieces a pack`)}
      />
      <NumberField
        label="in bundles"
        value={p.bundlesPerPack}
        onCommit={(bundlesPerPack) => change({ bundlesPerPack }, `${bundlesPerPack} bundles a pack`)}
      />
      <NumberField
        label="Strands in a piece"
        value={p.strandsPerPiece}
        onCommit={(strandsPerPiece) => change({ strandsPerPiece }, `${strandsPerPiece} strands a piece`)}
        beside={`Hang as ${2 * p.strandsPerPiece} ends.`}
      />
      <NumberField
        label="Twisted into one"
        value={p.composed}
        onCommit={(composed) => change({ composed }, `${composed} in one`)}
      />
      <NumberField
        label="Grams in a pack"
        value={p.packMassG}
        onCommit={(packMassG) => change({ packMassG }, `${packMassG} g a pack`)}
      />
    </>
  );
}

function HairOnLabel({ product: p, change }: PackProps) {
  return (
    <>
      <TextField
        label="Fold to tip, hanging"
        value={p.length}
        testId="product-length"
        onCommit={(length) => change({ length: length.trim() }, `Pieces ${length.trim()}`)}
      />
      <TextField
        label="drawn out"
        value={p.drawnOut}
        placeholder="not measured"
        onCommit={(drawnOut) => change({ drawnOut: drawnOut.trim() }, `Drawn out ${drawnOut.trim()}`)}
      />
      <SelectField
        label="Texture"
        value={p.texture}
        testId="texture"
        options={TEXTURES.map((t) => [t, TEXTURE_INFO[t].name] as const)}
        onChange={(texture) => change({ texture }, `Texture: ${TEXTURE_INFO[texture].name}`)}
      />
      <SelectField
        label="Loop"
        wide
        value={p.loop}
        testId="loop"
        options={LOOPS.map((l) => [l, LOOP_INFO[l].name] as const)}
        onChange={(loop) => change({ loop }, `Loop: ${LOOP_INFO[loop].name}`)}
      />
      <p className="note">{LOOP_INFO[p.loop].allows}</p>
      {LOOP_INFO[p.loop].oneLeg === 'onceOff' && (
        <SelectField
          label="Does it come off?"
          value={p.loopComesOff ? 'yes' : 'no'}
          testId="comes-off"
          options={
            [
              ['yes', 'yes'],
              ['no', 'no, it stays'],
            ] as const
          }
          onChange={(v) => change({ loopComesOff: v === 'yes' }, v === 'yes' ? 'Loop comes off' : 'Loop stays on')}
        />
      )}
      <SelectField
        label="Fibre"
        value={p.fibre}
        options={FIBRES.map((f) => [f, FIBRE_NAMES[f]] as const)}
        onChange={(fibre) => change({ fibre }, `Fibre: ${FIBRE_NAMES[fibre]}`)}
      />
      <NumberField
        label="Bears heat, °C (0: none)"
        value={p.heatC}
        onCommit={(heatC) => change({ heatC }, `Bears ${heatC} °C`)}
      />
      <TextField
        label="Colour, root to tip"
        wide
        value={p.colours.join(', ')}
        onCommit={(text) =>
          change(
            {
              colours: text
                .split(',')
                .map((c) => c.trim())
                .filter(Boolean),
            },
            `Colour: ${text.trim()}`,
          )
        }
      />
    </>
  );
}

function Yours({ product: p, change }: PackProps) {
  return (
    <>
      <h3 className="mt-4 text-title">Yours</h3>
      <NumberField
        label="Packs at hand"
        value={p.packsAtHand}
        onCommit={(packsAtHand) => change({ packsAtHand }, `${packsAtHand} packs at hand`)}
      />
      <SelectField
        label="Condition"
        value={p.condition}
        wide
        options={CONDITIONS.map((c) => [c, CONDITION_NAMES[c]] as const)}
        onChange={(condition) => change({ condition }, `Condition: ${CONDITION_NAMES[condition]}`)}
      />
      <NumberField
        label="Times worn"
        value={p.timesWorn}
        onCommit={(timesWorn) => change({ timesWorn }, `Worn ${timesWorn} times`)}
      />
    </>
  );
}

function OnePiece({ piece }: { readonly piece: PlanResult['pieces'][number] }) {
  return (
    <p className="note mt-3">
      One hooked piece: {piece.massG.toFixed(2)} g, {Math.round(piece.hangingEnds)} hanging ends, a knot about{' '}
      {Math.round(piece.knotWidthMm)} mm wide; covers about {piece.coversFingers.toFixed(1)} fingers (a guess).{' '}
      {piece.canOneLeg ? 'One-leg knots are possible.' : 'One-leg knots are not possible.'}
    </p>
  );
}
