/** The order in which it comes out: row by row, each ticked as it is done, every knot in own hair shown until it is. */
import { Checkbox } from 'radix-ui';
import { useEffect, useMemo, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { shortWhere } from '../../../core/knots/index.ts';
import { duration, rowWords, upperFirst } from '../../../core/trade/index.ts';
import { type OutKind, type OutStep, takedownOrder } from '../../../core/wear/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { range } from '../../ui/format.ts';
import { useView } from '../../view/view-store.ts';

const WORDS: Readonly<Record<Exclude<OutKind, 'throughHair'>, readonly [what: string, how: string]>> = {
  border: [
    'Open border and anchors',
    'Nape, sides and corners: part the hair, find the border with a finger, snip what goes under it.',
  ],
  cap: ['Lift the cap off', 'From the nape forward. Where it holds, a knot was missed: find it, don’t pull.'],
  onNet: ['Pull the rest out of the net', 'Off your head. Skip it where the cap goes with them.'],
  bands: ['Cut the bands', 'Never drag them off. Blunt tips, away from the hair.'],
  detangle: ['Detangle, then wash', 'From the tips up, dry or with something that slips. Shed hair comes out here.'],
};

/** It comes off every night: what is hooked in own hair beside it came out before. */
const WIG_OFF = ['Take the wig off', 'Combs and strap first, then from the nape forward, onto its block.'] as const;

interface Props {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  /** Knots that are really in; all of them where no install says so. */
  readonly isIn?: ReadonlySet<string>;
  readonly out?: ReadonlySet<string>;
  /** Ticks a step, or takes it back; nothing where no style is worn. */
  readonly onStep?: (id: string, isOut: boolean) => void;
}

/** Steps for what is really in, at her pace. */
function useOrder({ plan, result, isIn }: Props): OutStep[] {
  const hasCap = plan.cap.dome !== 'none';
  return useMemo(() => {
    const from = {
      knots: result.knots.filter((k) => isIn?.has(k.id) ?? true),
      bands: result.base.sections.reduce((sum, s) => sum + s.bands, 0),
      hasCap,
    };
    const asPlanned = takedownOrder({ ...from, knots: result.knots, pace: 1 });
    const pace = result.time.takedownMinutes / asPlanned.reduce((sum, s) => sum + s.minutes, 0);
    return takedownOrder({ ...from, pace });
  }, [result, hasCap, isIn]);
}

const NONE: ReadonlySet<string> = new Set();

export function TakedownOrder(props: Props) {
  const { plan, result, out = NONE, onStep } = props;
  const order = useOrder(props);
  const open = order.filter((s) => !out.has(s.id));
  const hasCap = plan.cap.dome !== 'none';
  useLit(open, hasCap);
  const minutes = open.reduce((sum, s) => sum + s.minutes, 0);
  const [low, high] = result.time.takedownRange.map((r) => (r / result.time.takedownMinutes) * minutes);
  const inHair = open.reduce((sum, s) => sum + (s.kind === 'throughHair' ? s.knotIds.length : 0), 0);
  return (
    <>
      <p className="mt-2" data-testid="out-left">
        {open.length === 0
          ? 'All of it is out.'
          : `About ${duration(minutes)} to come, likely ${range([low, high], duration)}. ${
              inHair > 0
                ? `${inHair} ${inHair === 1 ? 'knot holds' : 'knots hold'} to your own hair: ${hasCap ? 'ringed until they are out' : 'the next row is ringed'}.`
                : ''
            }`}
      </p>
      <ol className="mt-2" data-testid="out-order">
        {order.map((step) => (
          <Step key={step.id} {...{ step, plan, result, onStep }} isOut={out.has(step.id)} />
        ))}
      </ol>
      <p className="note mt-2">Minutes are common practice, no source.</p>
    </>
  );
}

/** What still holds to own hair is ringed on head and cloth; where all of it does, the row that comes next. */
function useLit(open: readonly OutStep[], hasCap: boolean) {
  const { light } = useView.getState();
  const key = open.map((s) => s.id).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same steps ring the same knots
  useEffect(() => {
    const held = open.filter((s) => s.kind === 'throughHair' || s.kind === 'border');
    light(new Set((hasCap ? held : held.slice(0, 1)).flatMap((s) => s.knotIds)));
    return () => light(undefined);
  }, [key, hasCap, light]);
}

function Step(props: {
  readonly step: OutStep;
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly isOut: boolean;
  readonly onStep: Props['onStep'];
}) {
  const { step, plan, result, isOut, onStep } = props;
  const select = useView((v) => v.select);
  const [isAsked, ask] = useState(false);
  const [what, how] = wordsOf(step, plan, result);
  const knots = result.knots.filter((k) => step.knotIds.includes(k.id));
  return (
    <li className="line py-1.5" data-out={step.id}>
      <div className="flex min-h-11 items-center gap-3">
        {onStep ? (
          <Checkbox.Root
            className="choice flex-1 border-0"
            checked={isOut}
            onCheckedChange={(to) => onStep(step.id, to === true)}
          >
            <span className="dot" aria-hidden="true" />
            <span className={isOut ? 'text-ink2 line-through' : ''}>{what}</span>
          </Checkbox.Root>
        ) : (
          <span className="flex-1">{what}</span>
        )}
        {!isOut && step.kind === 'throughHair' && (
          <button
            type="button"
            className="word"
            aria-expanded={isAsked}
            onClick={() => ask(!isAsked)}
            data-testid="where"
          >
            where
          </button>
        )}
        <span className="note shrink-0">{step.minutes < 1 ? 'a moment' : duration(step.minutes)}</span>
      </div>
      {!isOut && how && <p className={`note ${onStep ? 'pl-6' : ''}`}>{how}</p>}
      {!isOut && isAsked && (
        <ul className="flex flex-wrap gap-x-5 pl-6">
          {knots.map((k) => (
            <li key={k.id}>
              <button type="button" className="word" onClick={() => select(k.id)}>
                {shortWhere(k.where)}
              </button>
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

function wordsOf(
  step: OutStep,
  { cap }: PlanDocument,
  { rows, knots }: PlanResult,
): readonly [what: string, how: string] {
  if (step.kind === 'cap' && cap.wig) return WIG_OFF;
  if (step.kind !== 'throughHair') return WORDS[step.kind];
  const row = rows[step.row ?? 0];
  const all = knots.filter((k) => k.row === step.row).length;
  const count = step.knotIds.length;
  return [
    `${upperFirst(rowWords(row.label))}: snip ${count === all ? (count === 1 ? 'its one piece' : `all ${count}`) : `${count} of ${all}`}`,
    '',
  ];
}
