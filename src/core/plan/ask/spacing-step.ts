/** What a quarter of a finger closer or wider everywhere would change. */
import { planSupply } from '../../supply/index.ts';
import type { SpacingZone } from '../../trade/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { layout } from '../stages/knots.ts';
import { spacing } from '../stages/spacing.ts';
import type { PlanGraph } from '../stages/stage.ts';
import { demands, supply } from '../stages/totals.ts';

/** Below this the step would ask for more knots than any head holds, mm. */
const LEAST_STEP_MM = 7;
export const STEP_FINGERS = 0.25;

export interface StepTo {
  readonly pieces: number;
  readonly packs: number;
}

export interface SpacingStep {
  readonly stepFingers: number;
  /** Undefined where it can't be laid. */
  readonly tighter: StepTo | undefined;
  readonly wider: StepTo | undefined;
}

export function spacingStep(graph: PlanGraph, inputs: PlanInputs): SpacingStep {
  const now = graph.ask({ inputs });
  const pieces = now.of(supply).pieces;
  const moved = (by: number): StepTo | undefined => {
    const then = graph.ask({ inputs: { ...inputs, spacing: widened(inputs.spacing, now.of(spacing).fingers, by) } });
    if (then.of(spacing).mm.gapMm < LEAST_STEP_MM) return undefined;
    const laid = then.of(layout).knots.filter((k) => k.hand !== 'removed').length;
    const factor = pieces > 0 ? laid / pieces : 1;
    const wanted = now.of(demands).map((d) => ({ ...d, knots: Math.round(d.knots * factor) }));
    return { pieces: laid, packs: planSupply(inputs.products, wanted, inputs.reserveShare).packs };
  };
  return { stepFingers: STEP_FINGERS, tighter: moved(-STEP_FINGERS), wider: moved(STEP_FINGERS) };
}

function widened(
  told: PlanInputs['spacing'],
  fingers: Readonly<Record<SpacingZone, number>>,
  by: number,
): PlanInputs['spacing'] {
  const zones = Object.entries(fingers).map(([zone, f]) => [zone, Math.max(0, f + by)]);
  return { ...told, fingers: Object.fromEntries(zones) as Record<SpacingZone, number> };
}
