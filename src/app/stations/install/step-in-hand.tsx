/** A step in hand with what belongs to its kind: the test of a pack, how a stage is meant to look. */
import { useMemo } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { OrderStep, PlaceInOrder } from '../../../core/install/index.ts';
import { isOffHead } from '../../../core/trade/index.ts';
import { useHairOf, useLookSoFar } from '../../ask/so-far.ts';
import { VIEWS } from '../../view/view-store.ts';
import { PackTest } from './pack-test.tsx';
import { MeantToLook, StepCard } from './step-card.tsx';
import { TrimGuide } from './trim-guide.tsx';
import type { NewPlan } from './use-new-plan.ts';
import { HeadSoFar, type OnHead, viewOf } from './where-picture.tsx';

interface Props extends OnHead {
  readonly order: readonly OrderStep[];
  readonly place: PlaceInOrder;
  readonly step: OrderStep;
  readonly newPlan: NewPlan;
  readonly toCome: number;
  readonly paused: boolean;
  readonly onPause: () => void;
}

/** Steps at which she looks at the whole. */
const LOOKS: ReadonlySet<OrderStep['kind']> = new Set(['check', 'cut', 'finish', 'tryOn']);

export function StepInHand(props: Props) {
  const { plan, result, scene, isIn, step, newPlan } = props;
  const isLook = LOOKS.has(step.kind) && isIn.size > 0;
  const seen = useLookSoFar(isLook ? plan : undefined, isIn.size);
  const hair = useHairOf(isLook ? plan : undefined, isIn.size);
  const base = useMemo(
    () => (step.kind === 'base' || step.kind === 'prepare' ? { sectionId: step.sectionId } : undefined),
    [step],
  );
  const view = useMemo(() => viewOfStep(result, step), [result, step]);
  // The first pack is opened while everything can still be changed.
  const isTest = step.kind === 'prepare' && props.order.find((s) => s.kind === 'prepare') === step;
  return (
    <StepCard
      {...props}
      picture={
        step.kind !== 'trim' && (
          <HeadSoFar
            {...{ plan, result, scene, isIn, base, view }}
            hair={isLook ? hair : undefined}
            className="max-tablet:[zoom:0.84] max-phone:hidden"
          />
        )
      }
    >
      {isTest && <PackTest plan={plan} newPlan={newPlan} />}
      {step.kind === 'trim' && isIn.size > 0 && <TrimGuide plan={plan} result={result} />}
      {isLook && (
        <MeantToLook
          result={result}
          seen={seen?.seen}
          knotsIn={isIn.size}
          under={isOffHead(plan.cap) ? 'cap' : 'scalp'}
        />
      )}
    </StepCard>
  );
}

/** A section from the side that it lies on, what is done to the border and the part from the front, the rest from behind. */
function viewOfStep({ base }: PlanResult, step: OrderStep) {
  const section = base.sections.find((s) => s.id === step.sectionId);
  if (section) {
    const [x, y, z] = section.tieMm;
    const l = Math.sqrt(x * x + y * y + z * z) || 1;
    return viewOf([x / l, y / l, z / l]);
  }
  return FROM_FRONT.has(step.kind) ? VIEWS.threeQuarters : VIEWS.behind;
}
const FROM_FRONT: ReadonlySet<OrderStep['kind']> = new Set(['part', 'border', 'cut', 'leaveOut', 'close']);
