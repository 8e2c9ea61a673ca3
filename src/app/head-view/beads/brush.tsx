/** The brush of marks by keyboard. */

import type { HeadScene } from '../../../core/plan/index.ts';
import { MARK_NAMES } from '../../../core/trade/index.ts';
import { addMark } from '../../../model/measure-commands.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { type BrushTool, brushMark } from '../pens.tsx';
import type { Projection } from '../projection.ts';
import { PlaceBead } from './place.tsx';

export function BrushBead(props: {
  readonly view: Projection;
  readonly scene: HeadScene;
  readonly session: PlanSession;
  readonly tool: BrushTool;
  readonly stage: () => DOMRect | undefined;
}) {
  const { session, tool } = props;
  return (
    <PlaceBead
      {...props}
      name="brush"
      label={`Brush: ${tool.erase ? 'wipes out' : 'paints'} ${MARK_NAMES[tool.mark]}. Enter paints here`}
      onPlace={(at) => session.apply(addMark(session.plan, brushMark(tool, [at])))}
    />
  );
}
