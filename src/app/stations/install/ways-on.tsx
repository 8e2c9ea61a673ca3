/** A new plan from here: ways on for the hair, the time or the fullness that is left, old beside new, one tap takes it. */
import { useMemo, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { handsIn, type InstallForecast } from '../../../core/install/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import type { FromHereFigures } from '../../../core/search/index.ts';
import { duration, fingersInWords, lowerFirst, percent, SPACING_LIMITS_FINGERS } from '../../../core/trade/index.ts';
import { asPlaced, keptSoFar, otherFullness, type SoFar, type WayOn, waysOn } from '../../../model/from-here.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { PlanChange } from '../../../model/plan-change.ts';
import { type SeenOn, type ToldOn, useWaysOn } from '../../ask/from-here.ts';
import { NumberField, SelectField } from '../../ui/field.tsx';

import { OneOf } from '../../ui/tabs.tsx';
import { Both } from './both.tsx';
import { KnotElsewhere } from './knot-elsewhere.tsx';
import { MirrorDialog } from './mirror-dialog.tsx';
import type { Install } from './use-install.ts';
import { type NewPlan, soFarOf } from './use-new-plan.ts';
import type { OnHead } from './where-picture.tsx';

export type Reason = 'hair' | 'time' | 'fullness' | 'placed';
const REASONS: ReadonlyArray<readonly [Reason, string]> = [
  ['hair', 'Hair runs short'],
  ['time', 'Time runs short'],
  ['fullness', 'Too thin, too full'],
  ['placed', 'I placed it differently'],
];

interface Props extends OnHead {
  readonly install: Install;
  readonly forecast: InstallForecast;
  readonly newPlan: NewPlan;
  readonly reason: Reason;
  /** Seconds until her evening ends, where she has said when. */
  readonly secondsLeft: number | undefined;
  readonly onClose: () => void;
}

export function WaysOn(props: Props) {
  const { plan, result, install, forecast, newPlan, onClose } = props;
  const [asked, setAsked] = useState<AskedOn>({ reason: props.reason, placed: {} });
  const [refusal, setRefusal] = useState<string>();
  const { reason, placed } = asked;
  const left = asked.pieces ?? Math.max(0, forecast.piecesLeft);
  const atLeast = Math.max(5, Math.round((props.secondsLeft ?? forecast.secondsToCome * 0.75) / 60));
  const minutes = asked.minutes ?? atLeast;
  const soFar = useMemo(() => soFarOf(result, install.state), [result, install.state]);
  const kept = useMemo(() => keptSoFar(plan, soFar), [plan, soFar]);
  const ways = useMemo(() => waysFor(reason, plan, soFar, placed), [plan, soFar, reason, placed]);
  const told = useMemo(
    (): ToldOn => ({
      placed: placedOf(soFar),
      packsLeft: reason === 'hair' ? left / Math.max(1, result.supply.piecesPerPack) : Number.POSITIVE_INFINITY,
      piecesFactor: install.state.counted.length > 0 ? handsIn(install.state).factor : 1,
      pace: paceOf(forecast, soFar),
      ...(reason === 'time' ? { secondsLeft: 60 * minutes } : {}),
    }),
    [soFar, install.state, result.supply.piecesPerPack, reason, left, minutes, forecast],
  );
  const seen = useWaysOn(kept, ways, told);
  const take = async (change: PlanChange) => {
    const why = await newPlan.take(change, { packsLeft: left / Math.max(1, result.supply.piecesPerPack) });
    setRefusal(why);
    if (!why) onClose();
  };
  return (
    <MirrorDialog title="A new plan from here" onClose={onClose} testId="ways-dialog">
      <p className="text-body">What is in stays where it is. Only what is to come is laid anew.</p>
      <OneOf
        label="Why"
        value={reason}
        options={REASONS}
        onChange={(next) => setAsked({ ...asked, reason: next })}
        testId="reason"
      />
      <AskedFields {...{ plan, result, asked, setAsked, left, minutes }} />
      {reason === 'placed' && <KnotElsewhere {...props} onTaken={onClose} />}
      <Ways
        {...props}
        {...{ reason, ways, seen, take }}
        isEnough={isEnough(seen.now?.figures, told)}
        isBusy={newPlan.isWorking}
      />
      {refusal && (
        <p role="alert" className="mt-2 text-madder">
          {refusal}
        </p>
      )}
      <p className="note mt-3">
        {reason === 'time'
          ? 'Or stop at the end of a row and go on another day: a base that holds waits, and hands that are tired make loose knots.'
          : 'A second parcel is the surest way where nothing is cut yet. What is hooked can be snipped.'}
      </p>
    </MirrorDialog>
  );
}

/** What she says beside the reason. */
interface AskedOn {
  readonly reason: Reason;
  readonly pieces?: number;
  readonly minutes?: number;
  readonly placed: Placed;
}
interface Placed {
  readonly fingers?: number;
  readonly product?: string;
}

function waysFor(reason: Reason, plan: PlanDocument, soFar: SoFar, placed: Placed): readonly WayOn[] {
  if (reason === 'fullness') return otherFullness(plan, soFar);
  if (reason !== 'placed') return waysOn(plan, soFar);
  const way = asPlaced(plan, soFar, placed);
  return way ? [way] : [];
}

function AskedFields(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly asked: AskedOn;
  readonly setAsked: (asked: AskedOn) => void;
  readonly left: number;
  readonly minutes: number;
}) {
  const { plan, result, asked, setAsked, left, minutes } = props;
  if (asked.reason === 'hair')
    return (
      <NumberField
        label="Pieces left, counted"
        testId="pieces-left"
        value={left}
        onCommit={(pieces) => {
          if (!Number.isInteger(pieces) || pieces < 0 || pieces > 5000) return 'Pieces are counted whole, up to 5000.';
          setAsked({ ...asked, pieces });
          return undefined;
        }}
      />
    );
  if (asked.reason === 'time')
    return (
      <NumberField
        label="Minutes left"
        testId="minutes-left"
        value={minutes}
        onCommit={(n) => {
          if (!(n >= 1 && n <= 1000)) return 'Minutes are from 1 to 1000.';
          setAsked({ ...asked, minutes: n });
          return undefined;
        }}
      />
    );
  if (asked.reason === 'placed')
    return (
      <PlacedFields
        {...{ plan, result }}
        placed={asked.placed}
        setPlaced={(placed) => setAsked({ ...asked, placed })}
      />
    );
  return null;
}

/** Old beside new, what hides most first. */
function Ways(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly scene: HeadScene | undefined;
  readonly reason: Reason;
  readonly ways: readonly WayOn[];
  readonly seen: SeenOn;
  /** What is left does for the plan as it is: nothing has to be given up. */
  readonly isEnough: boolean;
  readonly isBusy: boolean;
  readonly take: (change: PlanChange) => void;
}) {
  const { reason, ways, seen, isBusy, take } = props;
  const { answers, isWorking } = seen;
  const now = seen.now?.figures;
  const [looked, setLooked] = useState<PlanDocument>();
  const isFree = reason === 'fullness' || reason === 'placed';
  const known = answers.flatMap(({ way, found }) => (found ? [{ way, found }] : []));
  const isAsked = isFree || !props.isEnough;
  const helps = known
    .filter(({ found }) => isFree || (isAsked && found.does))
    .sort((a, b) => b.found.figures.hidden - a.found.figures.hidden);
  const short = known.filter(({ found }) => isAsked && !isFree && !found.does);
  return (
    <>
      <p className="mt-3 text-body" role="status" data-testid="ways-state">
        {isAsked
          ? stateWords(isWorking, answers.length, ways.length, helps.length, reason)
          : 'What is left is enough for the plan as it is.'}
      </p>
      {now && (
        <table className="mt-2 w-full text-body">
          <thead>
            <tr className="text-left">
              <th scope="col">To come</th>
              {['Hides', 'Thick', 'Knots', 'Packs', 'Time'].map((name) => (
                <th key={name} scope="col" className="pl-4 text-right">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr className="line" data-testid="ways-now">
              <th scope="row" className="py-2 text-left font-normal">
                As it is planned now
              </th>
              <Figures figures={now} />
            </tr>
            {helps.map(({ way, found }) => {
              const { words, variants } = way.steps[found.step];
              return (
                <tr key={way.key} className="line align-baseline">
                  <th scope="row" className="py-2 text-left font-normal">
                    <button
                      type="button"
                      className="button"
                      disabled={isBusy}
                      data-testid={`take-${way.key}`}
                      onClick={() => take({ words, plan: variants[found.variant] })}
                    >
                      {words}
                    </button>
                    <span className="note block">
                      {way.why}{' '}
                      <button
                        type="button"
                        className="word"
                        aria-pressed={looked === variants[found.variant]}
                        data-testid={`look-${way.key}`}
                        onClick={() => setLooked(variants[found.variant])}
                      >
                        Look at both
                      </button>
                    </span>
                  </th>
                  <Figures figures={found.figures} />
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {looked && <Both {...props} then={looked} />}
      {short.length > 0 && (
        <p className="note mt-2">
          Not enough alone:{' '}
          {short
            .map(({ way, found }) => `${lowerFirst(way.name)} (${found.figures.knotsToCome} knots to come still)`)
            .join('; ')}
          .
        </p>
      )}
    </>
  );
}

const isEnough = (now: FromHereFigures | undefined, told: ToldOn): boolean =>
  now !== undefined &&
  now.packsToCome <= told.packsLeft &&
  (told.secondsLeft === undefined || now.secondsToCome <= told.secondsLeft);

function stateWords(isWorking: boolean, known: number, of: number, helps: number, reason: Reason): string {
  if (of === 0)
    return reason === 'placed' ? 'Say what is different.' : 'Nothing is to come that could be laid otherwise.';
  if (isWorking) return `${known} of ${of} ways worked out …`;
  if (helps === 0) return 'None of these is enough alone. Take one, and look again.';
  return 'What hides most stands first. One tap takes it; it can be undone.';
}

function Figures({ figures }: { readonly figures: FromHereFigures }) {
  return (
    <>
      <td className="fig whitespace-nowrap pl-4 text-right">{percent(figures.hidden)}</td>
      <td className="fig whitespace-nowrap pl-4 text-right">{Math.round(figures.thicknessMm)} mm</td>
      <td className="fig whitespace-nowrap pl-4 text-right">{figures.knotsToCome}</td>
      <td className="fig whitespace-nowrap pl-4 text-right">{figures.packsToCome.toFixed(1)}</td>
      <td className="fig whitespace-nowrap pl-4 text-right">{duration(figures.secondsToCome / 60)}</td>
    </>
  );
}

function PlacedFields(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly placed: Placed;
  readonly setPlaced: (placed: Placed) => void;
}) {
  const { plan, result, placed, setPlaced } = props;
  return (
    <>
      <NumberField
        label="My rows lie so many fingers apart"
        testId="placed-fingers"
        value={placed.fingers ?? Math.round(20 * result.spacing.fingers.back) / 20}
        onCommit={(fingers) => {
          const [least, most] = SPACING_LIMITS_FINGERS;
          if (!(fingers >= least && fingers <= most))
            return `From ${fingersInWords(least)} to ${fingersInWords(most)}.`;
          setPlaced({ ...placed, fingers });
          return undefined;
        }}
      />
      {plan.products.length > 1 && (
        <SelectField
          label="The rest with"
          testId="placed-product"
          value={placed.product ?? ''}
          options={[['', 'as planned'], ...plan.products.map((p) => [p.id, p.name] as const)]}
          onChange={(product) => {
            const { product: _, ...others } = placed;
            setPlaced(product === '' ? others : { ...others, product });
          }}
        />
      )}
    </>
  );
}

const placedOf = ({ knots, isIn }: SoFar) =>
  knots.filter((k) => isIn.has(k.id)).map(({ xMm, yMm, zMm }) => ({ xMm, yMm, zMm }));

/** Her seconds over those told, as the forecast has them. */
function paceOf(forecast: InstallForecast, { knots, isIn }: SoFar): number {
  const told = knots.reduce((sum, k) => (isIn.has(k.id) ? sum : sum + k.seconds), 0);
  return told > 0 ? forecast.secondsToCome / told : 1;
}
