/** The whole order of work: where she is, what is behind her, what was left out; each can be turned to, left out or done once more. */

import { useState } from 'react';
import type { OrderStep, PlaceInOrder, StepStand } from '../../../core/install/index.ts';
import { duration } from '../../../core/trade/index.ts';

import { MirrorDialog } from './mirror-dialog.tsx';
import type { Install } from './use-install.ts';

const STAND_WORDS: Readonly<Record<StepStand, string>> = {
  done: 'done',
  left: 'left out',
  passed: 'passed over',
  here: 'in hand',
  toCome: '',
};

export function OrderList(props: {
  readonly order: readonly OrderStep[];
  readonly place: PlaceInOrder;
  readonly install: Install;
  readonly onClose: () => void;
}) {
  const { order, place, install, onClose } = props;
  const [picked, setPicked] = useState<number>();
  const deed = (run: () => void) => () => {
    run();
    onClose();
  };
  return (
    <MirrorDialog title="The order of work" onClose={onClose} testId="order-dialog">
      <p className="text-body">
        Choose a step to turn to it. Nothing is locked: what you pass over stays in the list, and rows that you passed
        come up again before the last touches.
      </p>
      <ol className="mt-2">
        {order.map((step, i) => {
          const stand = place.stands[i];
          const isDone = stand === 'done' || stand === 'left';
          return (
            <li key={step.id} className="line py-1">
              <button
                type="button"
                className="flex min-h-11 w-full items-center gap-3 text-left"
                aria-expanded={picked === i}
                aria-current={stand === 'here' ? 'step' : undefined}
                onClick={() => setPicked(picked === i ? undefined : i)}
                data-testid={`order-${i + 1}`}
                data-rows={step.knotIds && (isDone ? 'in' : 'open')}
              >
                <span className="fig shrink-0 text-right" style={{ width: 32 }}>
                  {i + 1}
                </span>
                <span className={`min-w-0 flex-1 ${stand === 'here' ? 'font-strong' : isDone ? 'text-ink2' : ''}`}>
                  {step.what}
                </span>
                <span className="note shrink-0">
                  {STAND_WORDS[stand] || (step.minutes < 1 ? 'a moment' : duration(step.minutes))}
                </span>
              </button>
              {picked === i && (
                <div className="flex flex-wrap gap-x-5" style={{ marginLeft: 44 }}>
                  {!isDone && stand !== 'here' && (
                    <Deed
                      testId="turn-to"
                      onClick={deed(() => install.add('turn', turnOf(step)))}
                      words="Turn to it now"
                    />
                  )}
                  {!isDone && !step.knotIds && (
                    <>
                      <Deed
                        testId="mark-done"
                        onClick={deed(() => install.add('step', { stepId: step.id, outcome: 'done' }))}
                        words="It is done"
                      />
                      <Deed
                        testId="leave-out"
                        onClick={deed(() => install.add('step', { stepId: step.id, outcome: 'left' }))}
                        words="Leave it out"
                      />
                    </>
                  )}
                  {!isDone && step.knotIds && (
                    <Deed
                      testId="rows-are-in"
                      onClick={deed(() => install.add('run', { knotIds: openOf(step, install) }))}
                      words="All of it is in"
                    />
                  )}
                  {isDone && !step.knotIds && (
                    <Deed
                      testId="redo"
                      onClick={deed(() => install.add('step', { stepId: step.id, outcome: 'redo' }))}
                      words="Do it once more"
                    />
                  )}
                  {isDone && step.knotIds && (
                    <Deed
                      testId="redo"
                      onClick={deed(() => install.add('back', { knotIds: step.knotIds ?? [] }))}
                      words="Take it out, and do it once more"
                    />
                  )}
                </div>
              )}
            </li>
          );
        })}
      </ol>
    </MirrorDialog>
  );
}

const turnOf = (step: OrderStep) => (step.knotIds ? { knotId: step.knotIds[0] } : { stepId: step.id });

function openOf(step: OrderStep, { now }: Install): string[] {
  const isIn = new Set(now().done.map((d) => d.knotId));
  return (step.knotIds ?? []).filter((id) => !isIn.has(id));
}

function Deed(props: { readonly words: string; readonly onClick: () => void; readonly testId: string }) {
  return (
    <button type="button" className="word text-body" onClick={props.onClick} data-testid={props.testId}>
      {props.words}
    </button>
  );
}
