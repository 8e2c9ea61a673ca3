import { LOOP_INFO, LOOPS, SPLITS } from '../../core/hair/product.ts';
import { TEXTURE_INFO, TEXTURES } from '../../core/hair/textures.ts';
import type { PlanResult } from '../../core/pipeline/result.ts';
import { PACE_NAMES, PACES } from '../../core/time/estimate.ts';
import { setField, setProduct } from '../../model/commands.ts';
import { formatLength } from '../../model/lengths.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import { PartBench } from '../bench/part-bench.tsx';
import { SchoolsBench } from '../bench/schools-bench.tsx';
import { SpacingBench } from '../bench/spacing-bench.tsx';
import type { PlanSession } from '../state/plan-session.ts';
import { Choice } from '../ui/choice.tsx';
import { NumberField, SelectField, TextField } from '../ui/field.tsx';

export interface BenchProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
}

/** A bench that shows its station's finding right under its heading. */
export type WithFinding = BenchProps & { readonly finding: React.ReactNode };

export function AimBench({ session, finding }: WithFinding) {
  const { plan } = session;
  return (
    <>
      <h2>What it is to be</h2>
      <p className="quiet mt-[5px]">
        The route worked out here: hair hooked over a base of your own hair, with a closed cap over it or without.
      </p>
      {finding}
      <div className="mt-3">
        <TextField
          label="Plan’s name"
          wide
          value={plan.name}
          testId="plan-name"
          onCommit={(name) => session.apply(setField(plan, 'name', name.trim(), `Named ${name.trim()}`))}
        />
        <TextField
          label="Wearer"
          value={plan.wearer}
          placeholder="you"
          onCommit={(name) => session.apply(setField(plan, 'wearer', name.trim(), `Wearer ${name.trim()}`))}
        />
        <SelectField
          label="How often you did this"
          value={plan.pace}
          options={PACES.map((p) => [p, PACE_NAMES[p]] as const)}
          onChange={(pace) => session.apply(setField(plan, 'pace', pace, `Pace: ${PACE_NAMES[pace]}`))}
        />
        <SelectField
          label="Money in"
          value={plan.currency}
          options={[...new Set(['€', '£', '$', '₦', 'R', 'CHF', plan.currency])].map((c) => [c, c] as const)}
          onChange={(c) => session.apply(setField(plan, 'currency', c, `Money in ${c}`))}
        />
      </div>
      <h3 className="mt-5 text-[19px]">Route</h3>
      <div className="mt-2">
        <Choice
          label="Route"
          value={plan.cap}
          options={[
            {
              value: 'closed',
              name: 'Closed cap over the base',
              reason:
                'The net shares the pull, gives places to hook, and comes off fast. Warmer, and one more thing to hide.',
            },
            {
              value: 'none',
              name: 'Own hair only, no cap',
              reason: 'Nothing to hide and cooler; every knot pulls on your own hair and takedown is long.',
            },
          ]}
          onChange={(cap) => session.apply(setField(plan, 'cap', cap, cap === 'closed' ? 'Closed cap' : 'No cap'))}
        />
      </div>
      <PartBench session={session} />
    </>
  );
}

export function CapBench({ session, result, finding }: WithFinding) {
  const { plan } = session;
  return (
    <>
      <h2>Cap</h2>
      {finding}
      <div className="mt-3">
        <Choice
          label="Cap"
          value={plan.cap}
          options={[
            {
              value: 'closed',
              name: 'Closed dome',
              reason: 'Put on from the forehead, drawn down behind, over the finished base.',
            },
            {
              value: 'none',
              name: 'None',
              reason: 'Pieces go through own hair. Take generous bites: few hairs carry badly and hurt.',
            },
          ]}
          onChange={(cap) => session.apply(setField(plan, 'cap', cap, cap === 'closed' ? 'Closed cap' : 'No cap'))}
        />
      </div>
      {result && plan.cap === 'closed' && (
        <dl className="mt-4">
          <div className="line flex justify-between py-[6px]">
            <dt>Your head alone</dt>
            <dd className="fig text-[17px]">
              {formatLength(result.cap.girthBareMm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan))}
            </dd>
          </div>
          <div className="line flex justify-between py-[6px]">
            <dt>Over the parked base</dt>
            <dd className="fig text-[17px]">
              {formatLength(result.cap.girthOverBaseMm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan))}
            </dd>
          </div>
          <div className="line flex justify-between py-[6px]">
            <dt>Look for</dt>
            <dd className="fig text-[17px]">{result.cap.sizeName}</dd>
          </div>
          <div className="line flex justify-between py-[6px]">
            <dt>Takes of the pull</dt>
            <dd className="fig text-[17px]">
              {Math.round(result.cap.shareOfPull[0] * 100)} to {Math.round(result.cap.shareOfPull[1] * 100)} %
            </dd>
          </div>
        </dl>
      )}
      <p className="note mt-3">
        Size by girth over the base; stretch decides more than the label. The share of the pull is a guess. Glue and
        coated bands can cause allergy: try a patch first.
      </p>
      <SchoolsBench session={session} names={['through', 'tender']} />
    </>
  );
}

export function HairBench({ session, result, finding }: WithFinding) {
  const { plan } = session;
  const { product: p } = plan;
  return (
    <>
      <h2>The pack in your hand</h2>
      <p className="quiet mt-[5px]">Count one opened pack; its number overrides the label.</p>
      {finding}
      <div className="mt-3">
        <TextField
          label="Name"
          wide
          value={p.name}
          onCommit={(name) => session.apply(setProduct(plan, { name: name.trim() }, `Hair: ${name.trim()}`))}
        />
        <NumberField
          label="Pieces in a pack"
          value={p.piecesPerPack}
          testId="pieces-per-pack"
          onCommit={(piecesPerPack) =>
            session.apply(setProduct(plan, { piecesPerPack }, `${piecesPerPack} pieces a pack`))
          }
        />
        <NumberField
          label="Strands in a piece"
          value={p.strandsPerPiece}
          onCommit={(strandsPerPiece) =>
            session.apply(setProduct(plan, { strandsPerPiece }, `${strandsPerPiece} strands a piece`))
          }
        />
        <NumberField
          label="Grams in a pack"
          value={p.packMassG}
          onCommit={(packMassG) => session.apply(setProduct(plan, { packMassG }, `${packMassG} g a pack`))}
        />
        <TextField
          label="Fold to tip, hanging"
          value={p.length}
          testId="product-length"
          onCommit={(length) => session.apply(setProduct(plan, { length: length.trim() }, `Pieces ${length.trim()}`))}
        />
        <SelectField
          label="Texture"
          value={p.texture}
          testId="texture"
          options={TEXTURES.map((t) => [t, TEXTURE_INFO[t].name] as const)}
          onChange={(texture) => session.apply(setProduct(plan, { texture }, `Texture: ${TEXTURE_INFO[texture].name}`))}
        />
        <SelectField
          label="Loop"
          value={p.loop}
          testId="loop"
          options={LOOPS.map((l) => [l, LOOP_INFO[l].name] as const)}
          onChange={(loop) => session.apply(setProduct(plan, { loop }, `Loop: ${LOOP_INFO[loop].name}`))}
        />
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
            onChange={(v) =>
              session.apply(
                setProduct(plan, { loopComesOff: v === 'yes' }, v === 'yes' ? 'Loop comes off' : 'Loop stays on'),
              )
            }
          />
        )}
        <NumberField
          label={`Price of a pack, ${plan.currency}`}
          value={p.packPrice}
          onCommit={(packPrice) => session.apply(setProduct(plan, { packPrice }, `Pack at ${packPrice}`))}
        />
        <SelectField
          label="Split each lengthwise"
          value={String(p.split)}
          options={SPLITS.map((s) => [String(s), s === 1 ? 'not at all' : `in ${s}`] as const)}
          onChange={(s) =>
            session.apply(setProduct(plan, { split: Number(s) }, s === '1' ? 'Whole pieces' : `Split in ${s}`))
          }
        />
        <NumberField
          label="Twisted into one"
          value={p.composed}
          onCommit={(composed) => session.apply(setProduct(plan, { composed }, `${composed} in one`))}
        />
      </div>
      {result && (
        <p className="note mt-3">
          One hooked piece: {result.piece.massG.toFixed(2)} g, {Math.round(result.piece.hangingEnds)} hanging ends, a
          knot about {Math.round(result.piece.knotWidthMm)} mm wide; covers about{' '}
          {result.piece.coversFingers.toFixed(1)} fingers (a guess).{' '}
          {result.piece.canOneLeg ? 'One-leg knots are possible.' : 'One-leg knots are not possible.'}
        </p>
      )}
      <SchoolsBench session={session} names={['smoothHold']} />
    </>
  );
}

export function RowsBench({ session, result, finding }: WithFinding) {
  return (
    <>
      <SpacingBench session={session} result={result} />
      {finding}
      <PartBench session={session} />
      <SchoolsBench session={session} names={['oneLeg', 'oneLegWraps', 'through', 'tender']} />
    </>
  );
}
