/** Measure: her head by tape, her hairline, her own hair, and what she marks on her scalp. */
import { useEffect, useId, useState } from 'react';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import { fullnessOf } from '../../core/hair/own-hair.ts';
import type { MeasureEffect } from '../../core/head/measure-effects.ts';
import { HEAD_NORMS, NORM_SOURCE } from '../../core/head/norms.ts';
import { meanReading } from '../../core/head/readings.ts';
import { MARK_KINDS, MARK_NAMES, type MarkKind, REGION_NAMES, REGIONS } from '../../core/trade/marks.ts';
import {
  CURLS,
  FULLNESS,
  HAIR_REGION_NAMES,
  HAIR_REGIONS,
  type HairRegion,
  STRANDS,
} from '../../core/trade/own-hair.ts';
import { TAPE_INFO, TAPE_MEASURES, type TapeMeasure } from '../../core/trade/tape.ts';
import {
  clearMarks,
  mirrorHairline,
  resetHairline,
  setField,
  setOwnHair,
  setReadings,
  setRegions,
  setUnit,
} from '../../model/commands.ts';
import { readLength } from '../../model/fingers.ts';
import { formatLength, LENGTH_UNITS } from '../../model/lengths.ts';
import { type HairAsWritten, type PlanDocument, SKIN_TONES } from '../../model/plan.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import { useMeasureEffects } from '../ask/plan.ts';
import type { PlanSession } from '../state/plan-session.ts';
import { TURN_TOOL, useView } from '../state/view-store.ts';
import { Several } from '../ui/choice.tsx';
import { SelectField, TextField, useDraft } from '../ui/field.tsx';
import { Figure, Parts, ToolButton } from '../ui/tabs.tsx';
import type { WithFinding } from './planning.tsx';

const PARTS = ['tape', 'hairline', 'hair', 'marks'] as const;

export function MeasureBench({ session, result, finding }: WithFinding) {
  const [open, setOpen] = useState<string>('tape');
  const hold = useView((v) => v.hold);
  const showTape = useView((v) => v.showTape);
  const part = (id: string) => {
    setOpen(id);
    hold(id === 'hairline' ? { kind: 'hairline' } : TURN_TOOL);
    showTape(id === 'tape' ? 'girth' : undefined);
  };
  const turn = useView((v) => v.turn);
  useEffect(() => {
    const { azimuth: before, elevation: level } = useView.getState();
    const [azimuth, elevation] = TAPE_VIEWS.girth;
    turn({ azimuth, elevation });
    return () => {
      hold(TURN_TOOL);
      turn({ azimuth: before, elevation: level });
    };
  }, [hold, turn]);
  const contents: Readonly<Record<(typeof PARTS)[number], React.ReactNode>> = {
    tape: <TapePart session={session} result={result} />,
    hairline: <HairlinePart session={session} />,
    hair: <HairPart session={session} result={result} />,
    marks: <MarksPart session={session} />,
  };
  const names = { tape: 'Tape', hairline: 'Hairline', hair: 'Own hair', marks: 'Marks' };
  return (
    <>
      <h2>Your head</h2>
      {finding}
      <Parts
        label="What is measured"
        open={open}
        onOpen={part}
        parts={PARTS.map((id) => ({ id, name: names[id], content: contents[id] }))}
      />
    </>
  );
}

interface PartProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
}

/** Where to stand to see a tape run. */
const TAPE_VIEWS: Readonly<Record<TapeMeasure, readonly [azimuth: number, elevation: number]>> = {
  girth: [0.9, 0.25],
  frontToNape: [1.35, 0.35],
  earToEarTop: [0.35, 0.55],
  earToEarFront: [0.3, 0.3],
  templeToTemple: [2.6, 0.12],
  napeWidth: [2.9, -0.1],
};

function TapePart({ session, result }: PartProps) {
  const { plan } = session;
  const tape = useView((v) => v.tape);
  const effects = useMeasureEffects(session.history.present.plan, session.isDraft);
  return (
    <>
      <p className="quiet">
        Write 57 cm, 22 1/2 in or 31 fingers. Up to three readings each; leave out what you can’t take, it is estimated.
      </p>
      <div className="mt-2">
        {TAPE_MEASURES.map((m) => (
          <MeasureField
            key={m}
            measure={m}
            session={session}
            result={result}
            isOpen={tape === m}
            effect={effects?.find((e) => e.measure === m)}
          />
        ))}
      </div>
      <FingerFields session={session} />
      <SelectField
        label="A bare number means"
        value={plan.unit}
        options={LENGTH_UNITS.map(
          (u) => [u, { cm: 'centimetres', in: 'inches', mm: 'millimetres', finger: 'fingers' }[u]] as const,
        )}
        onChange={(u) => session.apply(setUnit(plan, u))}
      />
      {result && <Standings result={result} plan={plan} />}
    </>
  );
}

function MeasureField(
  props: PartProps & {
    readonly measure: TapeMeasure;
    readonly isOpen: boolean;
    readonly effect: MeasureEffect | undefined;
  },
) {
  const { measure, session, result } = props;
  const { plan } = session;
  const id = useId();
  const showTape = useView((v) => v.showTape);
  const turn = useView((v) => v.turn);
  const readings = plan.tape[measure];
  const fit = result?.head.fit.measures.find((m) => m.measure === measure);
  const show = shownIn(plan);
  const focus = () => {
    if (useView.getState().tape === measure) return;
    showTape(measure);
    const [azimuth, elevation] = TAPE_VIEWS[measure];
    turn({ azimuth, elevation });
  };
  const commit = (index: number) => (text: string) => {
    const next = [...readings];
    next[index] = text;
    return session.apply(setReadings(plan, measure, next));
  };
  // One more place to write in than there are readings, up to three.
  const places = Math.min(3, readings.length + 1);
  return (
    <fieldset className="line py-1" onFocus={focus}>
      <legend className="float-left w-full pt-[6px]" id={id}>
        {TAPE_INFO[measure].name}
      </legend>
      <div className="readings clear-both">
        {Array.from({ length: places }, (_, i) => (
          <Reading
            key={i}
            label={`${TAPE_INFO[measure].name}${i === 0 ? '' : `, reading ${i + 1}`}`}
            testId={i === 0 ? `tape-${measure}` : `tape-${measure}-${i + 1}`}
            value={readings[i] ?? ''}
            placeholder={i === 0 && fit ? show(fit.fittedMm) : i > 0 ? 'again' : ''}
            onCommit={commit(i)}
          />
        ))}
      </div>
      {props.isOpen && fit && <MeasureNote fit={fit} readings={readings} plan={plan} effect={props.effect} />}
    </fieldset>
  );
}

/** One reading: taken over when she leaves it, refused with a sentence. */
function Reading(props: {
  readonly label: string;
  readonly testId: string;
  readonly value: string;
  readonly placeholder: string;
  readonly onCommit: (text: string) => string | undefined;
}) {
  const id = useId();
  const { why, input } = useDraft(props.value, props.onCommit);
  return (
    <>
      <input
        aria-label={props.label}
        data-testid={props.testId}
        autoComplete="off"
        placeholder={props.placeholder}
        aria-describedby={why === undefined ? undefined : id}
        {...input}
      />
      {why !== undefined && (
        <span id={id} role="alert" className="note order-last col-span-3 text-madder">
          {why} Nothing was changed.
        </span>
      )}
    </>
  );
}

const shownIn = (plan: PlanDocument) => (mm: number) => formatLength(mm, plan.unit, fingerMm(plan));

/** How the reading stands to the others, how sure it is, and what it does to the plan. */
function MeasureNote(props: {
  readonly fit: PlanResult['head']['fit']['measures'][number];
  readonly readings: readonly string[];
  readonly plan: PlanDocument;
  readonly effect: MeasureEffect | undefined;
}) {
  const { fit, readings, plan, effect } = props;
  const show = shownIn(plan);
  const path = `The tape runs ${TAPE_INFO[fit.measure].path}.`;
  if (fit.givenMm === undefined) {
    return (
      <p className="note clear-both pb-1">
        Estimated as {show(fit.fittedMm)}, give or take {show(2 * fit.sdMm)}. {path}
      </p>
    );
  }
  const mm = readings.flatMap((text) => {
    const parsed = readLength(text, plan.unit, plan.fingers);
    return parsed.ok ? [parsed.value] : [];
  });
  const mean = mm.length > 1 ? meanReading(mm, TAPE_INFO[fit.measure].readingSdMm) : undefined;
  return (
    <p className="note clear-both pb-1" data-testid={`note-${fit.measure}`}>
      {path}{' '}
      {mean && (
        <>
          Mean of {mm.length}: {show(mean.meanMm)}, spread {show(mean.spreadMm ?? 0)}.{' '}
        </>
      )}
      The head fits to {show(fit.fittedMm)}
      {fit.othersSuggestMm !== undefined && <>; the others alone say {show(fit.othersSuggestMm)}</>}.{' '}
      {fit.unseenBelowMm !== undefined && <>A slip below {show(fit.unseenBelowMm)} can’t be seen here. </>}
      {effect && (
        <>
          {plan.unit === 'in' ? 'Half an inch' : 'A centimetre'} more makes about{' '}
          {signed(effect.areaCm2PerCm * (plan.unit === 'in' ? 1.27 : 1))} cm² of scalp and{' '}
          {signed(effect.piecesPerCm * (plan.unit === 'in' ? 1.27 : 1))} pieces.
        </>
      )}
    </p>
  );
}

function signed(v: number): string {
  const rounded = Math.abs(v) < 10 ? v.toFixed(1) : String(Math.round(v));
  return v > 0 ? `+${rounded}` : rounded.replace('-', '−');
}

function FingerFields({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { fingers } = plan;
  return (
    <>
      <TextField
        label={fingers.count === 4 ? 'Four fingers together' : 'Width of one finger'}
        value={fingers.width}
        testId="finger"
        onCommit={(text) =>
          session.apply(setField(plan, 'fingers', { ...fingers, width: text.trim() }, `Fingers ${text.trim()}`))
        }
        beside={`Lay them on a ruler, at the middle joint: ${fingerMm(plan).toFixed(1)} mm for one.`}
      />
      <SelectField
        label="Measured"
        testId="finger-count"
        value={String(fingers.count) as '1' | '4'}
        options={
          [
            ['4', 'four together'],
            ['1', 'one alone'],
          ] as const
        }
        onChange={(n) => {
          const count = Number(n);
          // The finger itself stays as wide as it was.
          const width = `${(fingerMm(plan) * count).toFixed(1).replace(/\.0$/, '')} mm`;
          session.apply(setField(plan, 'fingers', { count, width }, count === 4 ? 'Four fingers' : 'One finger'));
        }}
      />
    </>
  );
}

const NORM_NAMES = { girth: 'round', length: 'front to back', breadth: 'side to side' } as const;

function Standings({ result, plan }: { readonly result: PlanResult; readonly plan: PlanDocument }) {
  return (
    <section className="mt-5">
      <h3 className="text-[19px]">Where you stand</h3>
      <dl className="mt-2">
        {result.head.standings.map((s) => (
          <Figure key={s.dimension} name={NORM_NAMES[s.dimension]}>
            {shownIn(plan)(s.mm)}{' '}
            <span className="note font-normal" style={{ fontStretch: '100%' }}>
              over {s.ofWomen} of 100 women
            </span>
          </Figure>
        ))}
      </dl>
      <p className="note mt-1">
        Against the {NORM_SOURCE}: women {HEAD_NORMS.girth.women.meanMm} ± {HEAD_NORMS.girth.women.sdMm} mm round, men{' '}
        {HEAD_NORMS.girth.men.meanMm} ± {HEAD_NORMS.girth.men.sdMm}. Over {result.head.standings[0].ofMen} of 100 men,
        round. Your hair is in your figure, not in theirs.
      </p>
    </section>
  );
}

function HairlinePart({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { hairline } = plan;
  return (
    <>
      <p className="quiet">
        Drag a bead up or down on the head: high temples, a peak, a low nape. The ears stay where the tape found them.
      </p>
      <div className="mt-2">
        <Several
          label="Sides"
          values={hairline.mirrored ? ['mirrored'] : []}
          options={[['mirrored', 'both sides alike'] as const]}
          onChange={(v) => session.apply(mirrorHairline(plan, v.length > 0))}
        />
      </div>
      <button type="button" className="button mt-3" onClick={() => session.apply(resetHairline(plan))}>
        Back to the line of the tape
      </button>
      <p className="note mt-3">
        By keyboard: the beads follow each other with Tab; up and down move one by 2 mm. Baby hair outside the line goes
        into no band and carries nothing.
      </p>
    </>
  );
}

function HairPart({ session, result }: PartProps) {
  const { plan } = session;
  const { ownHair } = plan;
  return (
    <>
      <TextField
        label="Length, stretched"
        value={ownHair.length}
        testId="own-length"
        onCommit={(text) => session.apply(setOwnHair(plan, { length: text.trim() }, `Own hair ${text.trim()}`))}
      />
      <SelectField
        label="Fullness"
        value={ownHair.fullness}
        testId="own-fullness"
        options={FULLNESS.map((f) => [f, f] as const)}
        onChange={(fullness) => session.apply(setOwnHair(plan, { fullness }, `Own hair ${fullness}`))}
      />
      <TextField
        label="Ponytail, round"
        value={ownHair.ponytail}
        testId="ponytail"
        placeholder="not measured"
        onCommit={(text) =>
          session.apply(
            setOwnHair(
              plan,
              { ponytail: text.trim() },
              text.trim() === '' ? 'Ponytail cleared' : `Ponytail ${text.trim()}`,
            ),
          )
        }
        beside={
          result &&
          `${ownHair.ponytail.trim() === '' ? 'All of it in one tail, a tape round it at the band: it says more than a word for it. As told' : 'By your ponytail'}: about ${Math.round(result.ownHair.hairs / 1000)} thousand hairs, ${Math.round(result.ownHair.massG)} g, ${fullnessOf(result.ownHair.hairs / result.head.areaMm2)}.`
        }
      />
      <SelectField
        label="Single strand"
        value={ownHair.strand}
        options={STRANDS.map((s) => [s, s] as const)}
        onChange={(strand) => session.apply(setOwnHair(plan, { strand }, `Strands ${strand}`))}
      />
      <SelectField
        label="Curl"
        value={ownHair.curl}
        testId="own-curl"
        options={CURLS.map((c) => [c, c] as const)}
        onChange={(curl) => session.apply(setOwnHair(plan, { curl }, `Curl: ${curl}`))}
      />
      <Several
        label="Ends"
        values={ownHair.freshEnds ? ['fresh'] : []}
        options={[['fresh', 'freshly trimmed'] as const]}
        onChange={(v) =>
          session.apply(
            setOwnHair(plan, { freshEnds: v.length > 0 }, v.length > 0 ? 'Freshly trimmed' : 'Not trimmed lately'),
          )
        }
      />
      <h3 className="mt-4 text-[19px]">Where it differs</h3>
      {HAIR_REGIONS.map((region) => (
        <RegionFields key={region} region={region} session={session} />
      ))}
      <p className="note mt-3">
        Hairs a cm² and their thickness are from memory of handbooks; a ponytail’s packing is a guess.
      </p>
    </>
  );
}

function RegionFields({ region, session }: { readonly region: HairRegion; readonly session: PlanSession }) {
  const { plan } = session;
  const { ownHair } = plan;
  const hair = ownHair.byRegion[region];
  const set = (change: Partial<HairAsWritten>, words: string) => {
    const merged = Object.fromEntries(
      Object.entries({ ...hair, ...change }).filter(([, v]) => v !== undefined && v !== ''),
    ) as Partial<HairAsWritten>;
    const { [region]: _, ...others } = ownHair.byRegion;
    const byRegion = Object.keys(merged).length === 0 ? others : { ...others, [region]: merged };
    return session.apply(setOwnHair(plan, { byRegion }, `${HAIR_REGION_NAMES[region]}: ${words}`));
  };
  return (
    <details className="line" open={hair !== undefined}>
      <summary className="min-h-[44px] cursor-pointer py-[10px]">{HAIR_REGION_NAMES[region]}</summary>
      <TextField
        label="Length"
        value={hair?.length ?? ''}
        testId={`own-length-${region}`}
        placeholder={ownHair.length}
        onCommit={(text) => set({ length: text.trim() }, text.trim() || 'as elsewhere')}
      />
      <AsElsewhere
        label="Fullness"
        value={hair?.fullness}
        options={FULLNESS}
        onChange={(fullness) => set({ fullness }, fullness ?? 'as elsewhere')}
      />
      <AsElsewhere
        label="Strand"
        value={hair?.strand}
        options={STRANDS}
        onChange={(strand) => set({ strand }, strand ?? 'as elsewhere')}
      />
      <AsElsewhere
        label="Curl"
        value={hair?.curl}
        options={CURLS}
        onChange={(curl) => set({ curl }, curl ?? 'as elsewhere')}
      />
    </details>
  );
}

function AsElsewhere<T extends string>(props: {
  readonly label: string;
  readonly value: T | undefined;
  readonly options: readonly T[];
  readonly onChange: (value: T | undefined) => void;
}) {
  return (
    <SelectField
      label={props.label}
      value={props.value ?? ''}
      options={[['', 'as elsewhere'] as const, ...props.options.map((o) => [o, o] as const)]}
      onChange={(v) => props.onChange(v === '' ? undefined : (v as T))}
    />
  );
}

const BRUSH_MM = { small: 8, medium: 14, wide: 24 } as const;
const MARK_WORDS: Readonly<Record<MarkKind, string>> = {
  tender: 'It hurts here, or has been pulled before. Knots go through the net only, if you say so, and ties keep away.',
  thin: 'Little hair. It carries half.',
  noGo: 'Nothing is hooked here. Hair may fall over it.',
  inSight: 'Your own hair stays visible. No piece goes here and no cover is owed.',
};

function MarksPart({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const tool = useView((v) => v.tool);
  const hold = useView((v) => v.hold);
  const brush = tool.kind === 'brush' ? tool : undefined;
  const [kind, setKind] = useState<MarkKind>('tender');
  const [width, setWidth] = useState<keyof typeof BRUSH_MM>('medium');
  const take = (mark: MarkKind, radius: keyof typeof BRUSH_MM, erase: boolean) =>
    hold({ kind: 'brush', mark, radiusMm: BRUSH_MM[radius], erase });
  const named = plan.marks.flatMap((m) => (m.kind === kind && 'region' in m.place && !m.erase ? [m.place.region] : []));
  const count = plan.marks.filter((m) => m.kind === kind).length;
  return (
    <>
      <SelectField
        label="Mark"
        testId="mark-kind"
        value={kind}
        options={MARK_KINDS.map((k) => [k, MARK_NAMES[k]] as const)}
        onChange={(k) => {
          setKind(k);
          if (brush) take(k, width, brush.erase);
        }}
      />
      <p className="note">{MARK_WORDS[kind]}</p>
      <SelectField
        label="Brush, across"
        testId="brush-width"
        value={width}
        options={[
          ['small', '1 finger'],
          ['medium', '1½ fingers'],
          ['wide', '2½ fingers'],
        ]}
        onChange={(w) => {
          setWidth(w);
          if (brush) take(kind, w, brush.erase);
        }}
      />
      <div className="mt-2 grid grid-cols-2 gap-2">
        <ToolButton
          testId="brush-paint"
          held={brush !== undefined && !brush.erase}
          onPress={() => (brush && !brush.erase ? hold(TURN_TOOL) : take(kind, width, false))}
        >
          Paint
        </ToolButton>
        <ToolButton
          testId="brush-erase"
          held={brush?.erase === true}
          onPress={() => (brush?.erase ? hold(TURN_TOOL) : take(kind, width, true))}
        >
          Wipe out
        </ToolButton>
      </div>
      {brush && (
        <p className="note mt-2">
          Draw on the head. To turn it meanwhile use the words under the head. By keyboard: the brush is a bead on the
          head; arrows move it, Enter paints.
        </p>
      )}
      <Several
        label="Whole regions"
        values={named}
        options={REGIONS.map((r) => [r, REGION_NAMES[r]] as const)}
        onChange={(regions) => session.apply(setRegions(plan, kind, regions))}
      />
      {count > 0 && (
        <button type="button" className="word" onClick={() => session.apply(clearMarks(plan, kind))}>
          Clear all {MARK_NAMES[kind]}
        </button>
      )}
      <p className="note mt-2">
        After recent hair loss, surgery or chemotherapy, with a sore or diseased scalp, or for a child: ask a
        professional before anything is hooked.
      </p>
      <div className="mt-3">
        <SelectField
          label="Skin tone on the screen"
          value={plan.skin}
          options={SKIN_TONES.map((s) => [s, s] as const)}
          onChange={(skin) => session.apply(setField(plan, 'skin', skin, `Skin tone ${skin}`))}
        />
      </div>
    </>
  );
}
