/** A step other than knots: what, where, why, with what, how long, what goes wrong there, and what can hurt. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { OrderStep, PlaceInOrder } from '../../../core/install/index.ts';
import { duration, lowerFirst, percent } from '../../../core/trade/index.ts';

import { CardTitle } from './card-title.tsx';

export function StepCard(props: {
  readonly order: readonly OrderStep[];
  readonly place: PlaceInOrder;
  readonly step: OrderStep;
  readonly paused: boolean;
  readonly onPause: () => void;
  /** Share of the work that is still to come. */
  readonly toCome: number;
  readonly picture: React.ReactNode;
  /** What belongs to this one alone: a test of the pack, a look in numbers. */
  readonly children?: React.ReactNode;
}) {
  const { order, place, step, paused, onPause } = props;
  const number = order.indexOf(step) + 1;
  const before = openBefore(order, place, step);
  return (
    <>
      <CardTitle
        number={number}
        what={step.what}
        testIds={['step-number', 'step-what']}
        isLong
        paused={paused}
        onPause={onPause}
      >
        Step {number} of {order.length}, {step.minutes < 1 ? 'a moment' : duration(step.minutes)}
        {step.waitMinutes > 0 && `, then ${duration(step.waitMinutes)} waiting`}; {percent(props.toCome)} of the work to
        come
      </CardTitle>
      <div className={`grid gap-x-9 gap-y-3 ${props.picture ? 'sm:grid-cols-pictured' : ''}`}>
        {props.picture}
        <div className="min-w-0">
          {before.length > 0 && (
            <p className="mb-2 text-far-note font-strong leading-tight text-madder" data-testid="not-yet">
              Not yet: {before.map((s) => lowerFirst(s.what)).join('; ')} {before.length === 1 ? 'is' : 'are'} still
              open, and what is cut is gone.
            </p>
          )}
          <p className="text-far-text leading-tight" data-testid="step-how">
            {step.how}
          </p>
          {props.children}
          <p className="mt-2.5 text-far-note leading-tight text-ink2" data-testid="step-why">
            {step.why} With: {step.tools.join(', ')}.
          </p>
          {step.wrong && (
            <p className="mt-2 text-far-note leading-tight" data-testid="step-wrong">
              <b className="font-strong">What goes wrong:</b> {lowerFirst(step.wrong)}
            </p>
          )}
          {step.caution && (
            <p className="mt-2 text-far-note leading-tight text-madder" data-testid="step-caution">
              {step.caution}
            </p>
          )}
        </div>
      </div>
    </>
  );
}

/** Nothing is cut before what holds it is in: anchors and rows that come before it. */
function openBefore(order: readonly OrderStep[], { stands }: PlaceInOrder, step: OrderStep): OrderStep[] {
  if (step.kind !== 'cut') return [];
  return order.filter(
    (s, i) =>
      i < order.indexOf(step) && (s.kind === 'anchor' || s.knotIds) && stands[i] !== 'done' && stands[i] !== 'left',
  );
}

/** How a stage is meant to look: bald is how it should be, said in figures of the plan itself. */
export function MeantToLook(props: {
  readonly result: PlanResult;
  readonly seen:
    | { readonly behind: number; readonly left: number; readonly right: number; readonly top: number }
    | undefined;
  readonly knotsIn: number;
  /** What is under the hair. */
  readonly under: 'scalp' | 'cap';
}) {
  const { result, seen, knotsIn, under } = props;
  if (!seen) return null;
  return (
    <p className="mt-2.5 text-far-note leading-tight" data-testid="meant-to-look">
      <b className="font-strong">Meant to look so:</b> with {knotsIn} of {result.knots.length} in,{' '}
      {percent(seen.behind)} of the {under} shows from behind, {percent(seen.left)} from your left,{' '}
      {percent(seen.right)} from your right and {percent(seen.top)} from above.{' '}
      {stageWords(knotsIn / Math.max(1, result.knots.length))}
    </p>
  );
}

function stageWords(share: number): string {
  if (share < 0.65) return 'Half bald is right: the rows to come fall over it.';
  if (share < 1) return 'The last rows hide most; don’t judge it before they are in.';
  return 'Shake it out before you judge it: gaps appear then, and some close again.';
}
