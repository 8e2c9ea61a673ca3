/** Hair: the packs in her hand, what is done to a piece, and which piece each zone is hooked with. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useId, useRef, useState } from 'react';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import type { Cut, HookedPiece } from '../../core/hair/preparation.ts';
import { APARTS, CONDITION_NAMES, CONDITIONS, FIBRE_NAMES, FIBRES, HOOKEDS, TUGS } from '../../core/trade/hair.ts';
import { LOOP_INFO, LOOPS } from '../../core/trade/loops.ts';
import { DRESSING_INFO, DRESSINGS, MOST_CUTS, OPENED_WHEN, SPLITS } from '../../core/trade/preparation.ts';
import { TEXTURE_INFO, TEXTURES } from '../../core/trade/textures.ts';
import { MIX_EVERY, PIECE_ZONES } from '../../core/trade/zones.ts';
import {
  addCut,
  addProduct,
  keepLowerHalves,
  PIECE_ZONE_NAMES,
  removeCut,
  removeProduct,
  setCut,
  setProduct,
  setZonePiece,
} from '../../model/cap-and-hair.ts';
import { formatLength } from '../../model/lengths.ts';
import type { PlanDocument, ProductAsWritten } from '../../model/plan.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import { keepHair, offShelf, shelfHair } from '../../store/shelf.ts';
import { SchoolsBench } from '../bench/schools-bench.tsx';
import { db } from '../state/database.ts';
import { exportProducts } from '../state/files.ts';
import type { PlanSession } from '../state/plan-session.ts';
import { NumberField, SelectField, TextField } from '../ui/field.tsx';
import { Figure, Parts } from '../ui/tabs.tsx';
import type { WithFinding } from './planning.tsx';

interface PartProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
}

export function HairBench({ session, result, finding }: WithFinding) {
  const [open, setOpen] = useState('packs');
  const [productId, setProductId] = useState<string>();
  const product = session.plan.products.find((p) => p.id === productId) ?? session.plan.products[0];
  return (
    <>
      <h2>The pack in your hand</h2>
      {finding}
      <Parts
        label="What of the hair"
        open={open}
        onOpen={setOpen}
        parts={[
          {
            id: 'packs',
            name: 'Packs',
            content: <PacksPart session={session} result={result} product={product} onPick={setProductId} />,
          },
          { id: 'cuts', name: 'Cuts', content: <CutsPart session={session} result={result} /> },
          { id: 'zones', name: 'Zones', content: <ZonesPart session={session} result={result} /> },
          { id: 'shelf', name: 'Shelf', content: <ShelfPart session={session} /> },
        ]}
      />
    </>
  );
}

const TUG_NAMES = { untried: 'not tried', holds: 'holds', sheds: 'sheds', loopSlips: 'its loop slips' } as const;
const APART_NAMES = { untried: 'not tried', separates: 'they separate', clings: 'they cling' } as const;
const HOOKED_NAMES = { untried: 'not tried', stays: 'stays', slips: 'slides' } as const;

function PacksPart(props: PartProps & { readonly product: ProductAsWritten; readonly onPick: (id: string) => void }) {
  const { session, result, product: p } = props;
  const { plan } = session;
  const change = (change: Partial<Omit<ProductAsWritten, 'id'>>, words: string) =>
    session.apply(setProduct(plan, p.id, change, words));
  const test = (change_: Partial<ProductAsWritten['test']>, words: string) =>
    change({ test: { ...p.test, ...change_ } }, words);
  const whole = result?.pieces.find((piece) => piece.product === p.id);
  return (
    <>
      {plan.products.length > 1 && (
        <SelectField
          label="Which"
          wide
          value={p.id}
          testId="which-product"
          options={plan.products.map((d) => [d.id, d.name] as const)}
          onChange={props.onPick}
        />
      )}
      <TextField
        label="Name"
        wide
        value={p.name}
        onCommit={(name) => change({ name: name.trim() }, `Hair: ${name.trim()}`)}
      />
      <h3 className="mt-3 text-[19px]">Open one pack</h3>
      <p className="quiet">Count it, tug one, pull one apart, hook one. What you find overrides the label.</p>
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
      <h3 className="mt-4 text-[19px]">On the label</h3>
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
      <NumberField
        label={`Price of a pack, ${plan.currency}`}
        value={p.packPrice}
        onCommit={(packPrice) => change({ packPrice }, `Pack at ${packPrice}`)}
      />
      <h3 className="mt-4 text-[19px]">Yours</h3>
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
      {whole && (
        <p className="note mt-3">
          One hooked piece: {whole.massG.toFixed(2)} g, {Math.round(whole.hangingEnds)} hanging ends, a knot about{' '}
          {Math.round(whole.knotWidthMm)} mm wide; covers about {whole.coversFingers.toFixed(1)} fingers (a guess).{' '}
          {whole.canOneLeg ? 'One-leg knots are possible.' : 'One-leg knots are not possible.'}
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
          <button type="button" className="word" onClick={() => session.apply(removeProduct(plan, p.id))}>
            Take this one out
          </button>
        )}
      </div>
      <SchoolsBench session={session} names={['smoothHold', 'threadLoop']} />
    </>
  );
}

function CutsPart({ session, result }: PartProps) {
  const { plan } = session;
  const [id, setId] = useState(plan.cuts[0].id);
  const cut = plan.cuts.find((c) => c.id === id) ?? plan.cuts[0];
  const piece = result?.pieces.find((p) => p.cut === cut.id);
  const product = plan.products.find((p) => p.id === cut.product);
  const change = (change: Partial<Omit<Cut, 'id'>>, words?: string) =>
    session.apply(setCut(plan, cut.id, change, words));
  const percent = (v: number) => Math.round(v * 100);
  return (
    <>
      <p className="quiet">What is done to a piece. Each zone says which of these it takes.</p>
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
        onChange={(s) => change({ split: Number(s) as Cut['split'] }, s === '1' ? 'Whole pieces' : `Split in ${s}`)}
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

function ZonesPart({ session, result }: PartProps) {
  const { plan } = session;
  const id = useId();
  const cuts = plan.cuts.map((c) => [c.id, c.name] as const);
  const count = (zone: string) => result?.knots.filter((k) => k.pieceZone === zone).length ?? 0;
  return (
    <>
      <p className="quiet">Size and gap are two settings: the same mass can be few thick pieces or many thin ones.</p>
      {PIECE_ZONES.map((zone) => {
        const { cut, mixed } = plan.pieces[zone];
        if (zone === 'fringe' && plan.rows.fringe.how !== 'short') return null;
        return (
          <section key={zone} className="mt-2" aria-labelledby={`${id}-${zone}`}>
            <div id={`${id}-${zone}`} className="sr-only">
              {PIECE_ZONE_NAMES[zone]}
            </div>
            <SelectField
              label={PIECE_ZONE_NAMES[zone]}
              wide
              value={cut}
              testId={`piece-${zone}`}
              options={cuts}
              onChange={(c) => session.apply(setZonePiece(plan, zone, mixed ? { cut: c, mixed } : { cut: c }))}
            />
            {plan.cuts.length > 1 && (
              <SelectField
                label="mixed with"
                wide
                value={mixed ? `${mixed.cut} ${mixed.every}` : ''}
                options={[
                  ['', 'nothing'] as const,
                  ...cuts
                    .filter(([c]) => c !== cut)
                    .flatMap(([c, name]) =>
                      MIX_EVERY.slice(0, 2).map(
                        (n) => [`${c} ${n}`, `every ${n === 2 ? 'second' : 'third'}: ${name}`] as const,
                      ),
                    ),
                ]}
                onChange={(v) => {
                  const [other, every] = v.split(' ');
                  session.apply(
                    setZonePiece(plan, zone, v === '' ? { cut } : { cut, mixed: { cut: other, every: Number(every) } }),
                  );
                }}
              />
            )}
            <p className="note">{count(zone)} knots</p>
          </section>
        );
      })}
    </>
  );
}

function ShelfPart({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const kept = useLiveQuery(() => shelfHair(db), []) ?? [];
  const file = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ readonly words: string; readonly wrong: boolean }>();
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const { readProductsCsv } = await import('../../formats/products-csv.ts');
    const read = readProductsCsv(await chosen.text());
    if (!read.ok) return setSaid({ words: `${read.why} Nothing was changed.`, wrong: true });
    await keepHair(db, read.value, Date.now());
    setSaid({ words: `${read.value.length} kept on the shelf.`, wrong: false });
  };
  return (
    <>
      <p className="quiet">Hair that is yours, worn or new. Worn hair comes back as fill, or where it is least seen.</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="button"
          data-testid="keep-hair"
          onClick={() =>
            void keepHair(db, plan.products, Date.now()).then(() =>
              setSaid({ words: 'This plan’s hair is on the shelf.', wrong: false }),
            )
          }
        >
          Keep this plan’s hair
        </button>
        <button type="button" className="button" onClick={() => file.current?.click()}>
          From a table (CSV)
        </button>
        <button
          type="button"
          className="button"
          data-testid="export-hair"
          onClick={() => void exportProducts(kept.length > 0 ? kept.map((k) => k.product) : plan.products)}
        >
          As a table (CSV)
        </button>
      </div>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv"
        className="sr-only"
        tabIndex={-1}
        aria-label="Table of hair"
        data-testid="import-hair"
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {said && (
        <p role={said.wrong ? 'alert' : 'status'} className={`note mt-2 ${said.wrong ? 'text-madder' : ''}`}>
          {said.words}
        </p>
      )}
      {kept.length === 0 && <p className="mt-3">Nothing is kept yet.</p>}
      <ul className="mt-2">
        {kept.map(({ id, product }) => (
          <li key={id} className="line py-1">
            <div className="flex items-center justify-between gap-2">
              <button
                type="button"
                className="word"
                onClick={() => {
                  const { id: _, lowerHalfOf: __, ...made } = product;
                  session.apply(addProduct(plan, made));
                }}
              >
                {product.name}
              </button>
              <button
                type="button"
                className="word text-[13px]"
                aria-label={`Take ${product.name} off the shelf`}
                onClick={() => void offShelf(db, id)}
              >
                forget
              </button>
            </div>
            <p className="note">
              {product.packsAtHand} packs, {CONDITION_NAMES[product.condition]}, worn {product.timesWorn} times
            </p>
          </li>
        ))}
      </ul>
    </>
  );
}
