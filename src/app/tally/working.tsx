/** How one figure of the tally is worked out, beside its cell. */

import { Popover } from 'radix-ui';
import type { PlanResult } from '../../core/findings/index.ts';
import { lowerFirst } from '../../core/trade/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { Figures, JudgedFigures } from '../ask/figures.ts';
import {
  CoverWorking,
  HoursWorking,
  LeftOverWorking,
  PacksWorking,
  PiecesWorking,
  PriceWorking,
  WeightWorking,
} from './workings.tsx';

interface WorkingProps {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly judged: JudgedFigures;
}

const WORKINGS: Readonly<Record<keyof Figures, React.ComponentType<WorkingProps>>> = {
  pieces: PiecesWorking,
  packs: PacksWorking,
  leftOver: LeftOverWorking,
  minutes: HoursWorking,
  price: PriceWorking,
  massG: WeightWorking,
  cover: CoverWorking,
};

export function Working(
  props: WorkingProps & {
    readonly figure: keyof Figures;
    readonly name: string;
    readonly at: HTMLButtonElement;
    readonly onClose: () => void;
  },
) {
  const Content = WORKINGS[props.figure];
  return (
    <Popover.Root open onOpenChange={(open) => !open && props.onClose()}>
      <Popover.Anchor virtualRef={{ current: props.at }} />
      <Popover.Portal>
        <Popover.Content
          className="panel z-50 w-85 p-4.5 text-small"
          side="top"
          sideOffset={8}
          collisionPadding={16}
          aria-label={`How ${lowerFirst(props.name)} is worked out`}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            props.at.focus();
          }}
        >
          <Content plan={props.plan} result={props.result} judged={props.judged} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
