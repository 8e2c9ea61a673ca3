/** Cap: what she has or looks for, how it stretches on block and head, what holds it, and where it is opened. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import { ANCHOR_NAMES } from '../../core/cap/anchors.ts';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import type { Part } from '../../core/head/part.ts';
import {
  BLENDINGS,
  COMB_PLACES,
  DOME_INFO,
  DOMES,
  HOLE_NAMES,
  HOLE_SHAPES,
  OPENING_INFO,
  OPENINGS,
  OWN_ROWS,
  OWN_ROWS_INFO,
  WIG_HOLDS,
} from '../../core/trade/caps.ts';
import { ZONES, zoneName } from '../../core/trade/zones.ts';
import { setCap } from '../../model/cap-and-hair.ts';
import { formatLength } from '../../model/lengths.ts';
import type { CapAsWritten, PlanDocument } from '../../model/plan.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import { keepCap, offShelf, shelfCaps } from '../../store/shelf.ts';
import { SchoolsBench } from '../bench/schools-bench.tsx';
import { db } from '../state/database.ts';
import type { PlanSession } from '../state/plan-session.ts';
import { useView } from '../state/view-store.ts';
import { Choice, Several } from '../ui/choice.tsx';
import { NumberField, SelectField, TextField } from '../ui/field.tsx';
import { Figure, Parts } from '../ui/tabs.tsx';
import type { WithFinding } from './planning.tsx';

export function CapBench({ session, result, finding }: WithFinding) {
  const [open, setOpen] = useState('kind');
  const turn = useView((v) => v.turn);
  useEffect(() => {
    if (open === 'opening') turn({ azimuth: 2.75, elevation: 0.95 });
  }, [open, turn]);
  const capped = session.plan.cap.dome !== 'none';
  const parts = [
    { id: 'kind', name: 'Cap', content: <KindPart session={session} result={result} /> },
    ...(capped
      ? [
          { id: 'size', name: 'Size', content: <SizePart session={session} result={result} /> },
          { id: 'opening', name: 'Opening', content: <OpeningPart session={session} result={result} /> },
          { id: 'hold', name: 'Hold', content: <HoldPart session={session} result={result} /> },
        ]
      : []),
  ];
  return (
    <>
      <h2>Cap</h2>
      {finding}
      <Parts label="What of the cap" open={capped ? open : 'kind'} onOpen={setOpen} parts={parts} />
    </>
  );
}

interface PartProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
}

const useCap = (session: PlanSession) => {
  const { plan } = session;
  return {
    cap: plan.cap,
    change: (change: Partial<CapAsWritten>, words?: string) => session.apply(setCap(plan, change, words)),
  };
};

function KindPart({ session, result }: PartProps) {
  const { cap, change } = useCap(session);
  const capped = cap.dome !== 'none';
  return (
    <>
      <Choice
        label="Cap"
        value={cap.dome}
        options={DOMES.map((value) => ({ value, ...DOME_INFO[value] }))}
        onChange={(dome) => change({ dome })}
      />
      {capped && (
        <>
          {result && cap.dome === 'openTop' && (
            <p className="note mt-1">About {result.cap.knotsToCloseTop} knots round its rim draw it shut.</p>
          )}
          <SelectField
            label="Filled"
            value={cap.filledOn}
            testId="filled-on"
            options={
              [
                ['head', 'on your head'],
                ['block', 'on a block'],
              ] as const
            }
            onChange={(filledOn) => change({ filledOn })}
          />
          <SelectField
            label="Worn"
            value={cap.wig ? 'wig' : 'stays'}
            testId="worn-as"
            options={
              [
                ['stays', 'stays in'],
                ['wig', 'as a wig, off at night'],
              ] as const
            }
            onChange={(v) => change({ wig: v === 'wig' }, v === 'wig' ? 'Worn as a wig' : 'Stays in')}
          />
          {cap.wig && <WigFields session={session} />}
          <SelectField
            label="Ready-made rows"
            wide
            value={cap.ownRows}
            options={OWN_ROWS.map((r) => [r, OWN_ROWS_INFO[r]] as const)}
            onChange={(ownRows) => change({ ownRows }, `Ready-made rows: ${OWN_ROWS_INFO[ownRows]}`)}
          />
          <Shelf session={session} />
        </>
      )}
      <p className="note mt-3">
        For it: it shares the pull, keeps added fibre off your own hair, gives places to hook, and makes takedown fast.
        Against it: warmth, one more thing to hide.
      </p>
    </>
  );
}

function WigFields({ session }: { readonly session: PlanSession }) {
  const { cap, change } = useCap(session);
  return (
    <>
      <Several
        label="What holds it"
        values={cap.wigHolds}
        options={WIG_HOLDS.map((h) => [h, h] as const)}
        onChange={(wigHolds) => change({ wigHolds }, `Held by ${wigHolds.join(', ') || 'nothing'}`)}
      />
      <SelectField
        label="Blending pieces"
        value={cap.blending}
        options={BLENDINGS.map((b) => [b, b === 'none' ? 'none' : `at the ${b}`] as const)}
        onChange={(blending) => change({ blending }, 'Blending pieces changed')}
      />
      {cap.filledOn === 'block' && (
        <SelectField
          label="Last strip round the opening"
          wide
          value={cap.topKept ? 'kept' : 'filled'}
          options={
            [
              ['kept', 'kept for the try-on'],
              ['filled', 'filled on the block'],
            ] as const
          }
          onChange={(v) => change({ topKept: v === 'kept' }, v === 'kept' ? 'Last strip kept' : 'Filled to the end')}
        />
      )}
    </>
  );
}

/** Caps that are hers: taken from the shelf, kept on it, with the times worn. */
function Shelf({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { cap, change } = useCap(session);
  const [name, setName] = useState('My cap');
  const kept = useLiveQuery(() => shelfCaps(db), []) ?? [];
  return (
    <section className="mt-4">
      <h3 className="text-[19px]">Your caps</h3>
      <NumberField
        label="Times worn"
        value={cap.timesWorn}
        onCommit={(timesWorn) => change({ timesWorn }, `Worn ${timesWorn} times`)}
      />
      <TextField
        label="Its name"
        value={name}
        testId="cap-name"
        onCommit={(text) => {
          if (text.trim() === '') return 'A cap needs a name to be found by.';
          setName(text.trim());
          return undefined;
        }}
      />
      <button
        type="button"
        className="button mt-2"
        data-testid="keep-cap"
        onClick={() => void keepCap(db, name, plan.cap, Date.now())}
      >
        Keep it as yours
      </button>
      <ul className="mt-2">
        {kept.map((k) => (
          <li key={k.id} className="line flex items-center justify-between gap-2">
            <button type="button" className="word" onClick={() => change(k.cap, `${k.name} taken`)}>
              {k.name}, worn {k.cap.timesWorn} times
            </button>
            <button
              type="button"
              className="word text-[13px]"
              aria-label={`Take ${k.name} off the shelf`}
              onClick={() => void offShelf(db, k.id)}
            >
              forget
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function SizePart({ session, result }: PartProps) {
  const { plan } = session;
  const { cap, change } = useCap(session);
  const show = shower(plan);
  const block = cap.filledOn === 'block';
  return (
    <>
      <TextField
        label="Round, as it lies"
        value={cap.girth}
        testId="cap-girth"
        onCommit={(girth) => change({ girth: girth.trim() }, `Cap ${girth.trim()} round`)}
      />
      <TextField
        label="Front to nape"
        value={cap.depth}
        onCommit={(depth) => change({ depth: depth.trim() }, `Cap ${depth.trim()} deep`)}
      />
      <NumberField
        label="Draws out to, times"
        value={cap.stretch}
        onCommit={(stretch) => change({ stretch }, `Stretches to ${stretch}`)}
      />
      <SelectField
        label="Holes"
        value={cap.hole}
        options={HOLE_SHAPES.map((h) => [h, HOLE_NAMES[h]] as const)}
        onChange={(hole) => change({ hole }, `Holes: ${HOLE_NAMES[hole]}`)}
      />
      <NumberField
        label="From hole to hole, mm"
        value={cap.holePitchMm}
        onCommit={(holePitchMm) => change({ holePitchMm }, `Holes ${holePitchMm} mm apart`)}
      />
      {block && (
        <>
          <TextField
            label="Block, round"
            value={cap.block.girth}
            testId="block-girth"
            onCommit={(girth) =>
              change({ block: { ...cap.block, girth: girth.trim() } }, `Block ${girth.trim()} round`)
            }
          />
          <TextField
            label="Block, front to nape"
            value={cap.block.depth}
            onCommit={(depth) => change({ block: { ...cap.block, depth: depth.trim() } }, 'Block measured')}
          />
        </>
      )}
      {result && (
        <dl className="mt-4">
          <Figure name="Your head alone">{show(result.cap.girthBareMm)}</Figure>
          <Figure name="Over the parked base">{show(result.cap.girthOverBaseMm)}</Figure>
          <Figure name="Sits">{result.cap.fit}</Figure>
          <Figure name="Size to look for">{result.cap.sizeName}</Figure>
          <Figure name="Opens, across and up">
            {result.cap.onHead.stretch.across.toFixed(2)} × {result.cap.onHead.stretch.up.toFixed(2)}
          </Figure>
        </dl>
      )}
      {result && <SpacingTable plan={plan} result={result} block={block} />}
      <p className="note mt-3">
        Size by girth over the base; stretch decides more than the label.{' '}
        {block ? 'A net opens up on a bigger head: set spacing as it shall be worn, and count holes on the block.' : ''}
      </p>
    </>
  );
}

function SpacingTable({
  plan,
  result,
  block,
}: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly block: boolean;
}) {
  return (
    <table className="mt-4 w-full text-[13px]" data-testid="form-spacing">
      <caption className="pb-1 text-left text-[15px] font-[650]">
        {block ? 'What to do on the block' : 'In holes of the net'}
      </caption>
      <thead className="text-ink2">
        <tr>
          <th scope="col" className="text-left font-normal">
            <span className="sr-only">zone</span>
          </th>
          <th scope="col" className="text-right font-normal">
            worn
          </th>
          {block && (
            <th scope="col" className="text-right font-normal">
              on it
            </th>
          )}
          <th scope="col" className="text-right font-normal">
            holes up, across
          </th>
        </tr>
      </thead>
      <tbody>
        {ZONES.map((z) => {
          const f = result.cap.onForm.spacing[z];
          return (
            <tr key={z} className="line">
              <th scope="row" className="py-[5px] text-left font-normal">
                {zoneName(z, plan.part.kind as Part['kind'])}
              </th>
              <td className="text-right">{Math.round(f.wornGapMm)} mm</td>
              {block && (
                <td className="text-right">
                  {Math.round(f.gapMm)} mm, {f.gapFingers.toFixed(1)} fingers
                </td>
              )}
              <td className="text-right">
                {f.holesUp.toFixed(1)}, {f.holesAcross.toFixed(1)}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function OpeningPart({ session, result }: PartProps) {
  const { plan } = session;
  const { cap, change } = useCap(session);
  const show = shower(plan);
  const o = result?.cap.opening;
  return (
    <>
      <Choice
        label="Opening"
        value={cap.opening}
        options={OPENINGS.map((value) => ({ value, ...OPENING_INFO[value] }))}
        onChange={(opening) => change({ opening })}
      />
      {(cap.opening === 'stitchedU' || cap.opening === 'cut') && (
        <>
          <NumberField
            label="Long, mm"
            value={cap.openingMm}
            testId="opening-length"
            onCommit={(openingMm) => change({ openingMm }, `Opening ${openingMm} mm long`)}
          />
          <NumberField
            label="Wide, mm"
            value={cap.openingWidthMm}
            onCommit={(openingWidthMm) => change({ openingWidthMm }, `Opening ${openingWidthMm} mm wide`)}
          />
          <p className="note">Or drag its beads on the head.</p>
        </>
      )}
      {o && o.lengthMm > 0 && result && (
        <dl className="mt-3">
          <Figure name="Scissors, from its middle">{show(o.cutAtMm)}</Figure>
          <Figure name="Margin kept">{show(o.marginMm)}</Figure>
          {o.surplusMm > 0 && (
            <Figure name="Longer than the part">
              {show(o.surplusMm)}, {o.piecesToClose} {o.piecesToClose === 1 ? 'piece closes' : 'pieces close'} it
            </Figure>
          )}
          <Figure name="Cut after knot">{Math.max(result.cap.cutAfterKnot, 1)}</Figure>
          <Figure name="In own hair alone">{result.knots.filter((k) => k.onNet === 'cutOut').length} knots</Figure>
        </dl>
      )}
      <p className="note mt-2">
        All round is filled first. Scissors with blunt tips, a finger between blade and scalp, in a mirror. Own hair
        must not be cut, and neither must the pieces just hooked: comb them away.
      </p>
    </>
  );
}

function HoldPart({ session, result }: PartProps) {
  const { cap, change } = useCap(session);
  return (
    <>
      <Several
        label="It has"
        values={[
          ...(cap.band ? (['band'] as const) : []),
          ...(cap.strap ? (['strap'] as const) : []),
          ...(cap.surplus ? (['surplus'] as const) : []),
        ]}
        options={
          [
            ['band', 'elastic border'],
            ['strap', 'a strap'],
            ['surplus', 'cloth tied off'],
          ] as const
        }
        onChange={(has) =>
          change(
            { band: has.includes('band'), strap: has.includes('strap'), surplus: has.includes('surplus') },
            'Holding changed',
          )
        }
      />
      <Several
        label="Combs"
        values={cap.combs}
        options={COMB_PLACES.map((c) => [c, c === 'sides' ? 'at the sides' : `at the ${c}`] as const)}
        onChange={(combs) => change({ combs }, combs.length > 0 ? `Combs: ${combs.join(', ')}` : 'No combs')}
      />
      {result && (
        <ol className="mt-3" aria-label="Anchors, in the order in which they are set">
          {result.cap.anchors.map((a, i) => (
            <li key={a.place} className="line grid grid-cols-[22px_1fr] py-[6px] text-[14px]" data-anchor={a.place}>
              <span className="fig text-[17px]">{i + 1}</span>
              <span>
                <b className="font-[650]">{ANCHOR_NAMES[a.place]}</b>
                <span className="note block">
                  {[
                    a.knotIds.length > 0 && `${a.knotIds.length} through hair and border`,
                    a.combs > 0 && `${a.combs} ${a.combs === 1 ? 'comb' : 'combs'}`,
                    a.pins > 0 && `${a.pins} ${a.pins === 1 ? 'pin' : 'pins'}`,
                    a.afterKnot > 0 && `complete with knot ${a.afterKnot}`,
                  ]
                    .filter(Boolean)
                    .join(', ') || 'the band holds it'}
                </span>
              </span>
            </li>
          ))}
        </ol>
      )}
      {result && (
        <p className="note mt-2">
          Takes {Math.round(result.cap.shareOfPull[0] * 100)} to {Math.round(result.cap.shareOfPull[1] * 100)} % of the
          pull (a guess). Glue and coated bands can cause allergy: try a patch first.
        </p>
      )}
      <SchoolsBench session={session} names={['border', 'holes', 'through', 'tender', 'perimeterKnot']} />
    </>
  );
}

function shower(plan: PlanDocument): (mm: number) => string {
  return (mm) => formatLength(mm, plan.unit === 'in' ? 'in' : 'cm', fingerMm(plan));
}
