/** Six tape measures, her fingers, and where her head stands. */

import { useId } from 'react';
import { Link } from 'react-router';
import type { PlanResult } from '../../../core/findings/index.ts';
import { HEAD_NORMS, type MeasureEffect, meanReading, NORM_SOURCE } from '../../../core/head/index.ts';
import { TAPE_INFO, TAPE_MEASURES, type TapeMeasure } from '../../../core/trade/index.ts';
import { setField } from '../../../model/commands.ts';
import { readLength } from '../../../model/fingers.ts';
import { formatLength, LENGTH_UNITS } from '../../../model/lengths.ts';
import { setReadings, setUnit } from '../../../model/measure-commands.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { withoutShape } from '../../../model/scan-commands.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import { useMeasureEffects } from '../../ask/plan.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { SelectField, TextField, useDraft } from '../../ui/field.tsx';
import { Figure } from '../../ui/tabs.tsx';
import { useView } from '../../view/view-store.ts';
import './measure.css';

/** Where to stand to see a tape run. */
export const TAPE_VIEWS: Readonly<Record<TapeMeasure, readonly [azimuth: number, elevation: number]>> = {
  girth: [0.9, 0.25],
  frontToNape: [1.35, 0.35],
  earToEarTop: [0.35, 0.55],
  earToEarFront: [0.3, 0.3],
  templeToTemple: [2.6, 0.12],
  napeWidth: [2.9, -0.1],
};

export function TapeTab({ session, result }: BenchProps) {
  const { plan } = session;
  const tape = useView((v) => v.tape);
  const effects = useMeasureEffects(session.history.present.plan, session.isDraft);
  const fit = result?.head.fit.measures.find((m) => m.measure === tape);
  return (
    <>
      {TAPE_MEASURES.map((m) => (
        <MeasureLine key={m} measure={m} session={session} result={result} atHand={tape === m} />
      ))}
      <div className="line measure-told">
        {fit ? (
          <MeasureNote
            fit={fit}
            readings={plan.tape[fit.measure]}
            plan={plan}
            effect={effects?.find((e) => e.measure === fit.measure)}
          />
        ) : (
          <p className="note">
            Write 57 cm, 22 1/2 in or 31 fingers. Up to three readings each; what you leave out is estimated, in grey.
          </p>
        )}
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
      <FromScan session={session} />
      {result && <Standings result={result} plan={plan} />}
    </>
  );
}

/** Whose shape it has besides the tape, and the way to one. */
function FromScan({ session }: Pick<BenchProps, 'session'>) {
  const { plan } = session;
  return (
    <div className="line mt-2 pt-1">
      {plan.scan && (
        <p className="note" data-testid="has-scan">
          Its shape is that of {plan.scan.name}, in the size of the tape.{' '}
          <button type="button" className="word" onClick={() => session.apply(withoutShape(plan))}>
            Take it off
          </button>
        </p>
      )}
      <Link className="word" to={`/plan/${plan.id}/scan`} data-testid="to-scan">
        {plan.scan ? 'Another scan of your head' : 'From a scan of your head'}
      </Link>
    </div>
  );
}

/** A measure in one line; more readings of it open beside the first while it is at hand. */
function MeasureLine(
  props: BenchProps & {
    readonly measure: TapeMeasure;
    readonly atHand: boolean;
  },
) {
  const { measure, session, result, atHand } = props;
  const { plan } = session;
  const showTape = useView((v) => v.showTape);
  const turn = useView((v) => v.turn);
  const readings = plan.tape[measure];
  const fit = result?.head.fit.measures.find((m) => m.measure === measure);
  const show = shownIn(plan);
  const { name } = TAPE_INFO[measure];
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
  const places = Math.max(1, Math.min(3, readings.length + (atHand && readings.length > 0 ? 1 : 0)));
  return (
    <fieldset className="measure-line" aria-label={name} data-at-hand={atHand} onFocus={focus}>
      <span className="measure-name" aria-hidden="true">
        {name}
      </span>
      {Array.from({ length: places }, (_, i) => (
        <Reading
          key={i}
          label={`${name}${i === 0 ? '' : `, reading ${i + 1}`}`}
          testId={i === 0 ? `tape-${measure}` : `tape-${measure}-${i + 1}`}
          value={readings[i] ?? ''}
          placeholder={i === 0 && fit ? show(fit.fittedMm) : i > 0 ? 'again' : ''}
          onCommit={commit(i)}
        />
      ))}
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
        className="entry text-right"
        aria-label={props.label}
        data-testid={props.testId}
        autoComplete="off"
        placeholder={props.placeholder}
        aria-describedby={why === undefined ? undefined : id}
        {...input}
      />
      {why !== undefined && (
        <span id={id} role="alert" className="note measure-refused text-madder">
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
  // Without another measure what is left is what people have.
  const isOnlyOne = TAPE_MEASURES.filter((m) => plan.tape[m].length > 0).length === 1;
  const path = `The tape runs ${TAPE_INFO[fit.measure].path}.`;
  if (fit.givenMm === undefined) {
    return (
      <p className="note">
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
    <p className="note" data-testid={`note-${fit.measure}`}>
      {path}{' '}
      {mean && (
        <>
          Mean of {mm.length}: {show(mean.meanMm)}, spread {show(mean.spreadMm ?? 0)}.{' '}
        </>
      )}
      The head fits to {show(fit.fittedMm)}
      {fit.othersSuggestMm !== undefined && (
        <>
          ; {isOnlyOne ? 'an average head has' : 'the others alone say'} {show(fit.othersSuggestMm)}
        </>
      )}
      . {fit.unseenBelowMm !== undefined && <>A slip below {show(fit.unseenBelowMm)} can’t be seen here. </>}
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
          const count = n === '4' ? 4 : 1;
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
  // While nothing is measured nothing is ranked.
  if (result.head.standings.length === 0) return null;
  return (
    <section className="mt-5">
      <h3 className="text-title">Where you stand</h3>
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
        round. Your tape lies over hair and along the hairline; theirs lay over pressed hair and the widest place, so
        yours reads otherwise by a few mm.
      </p>
    </section>
  );
}
