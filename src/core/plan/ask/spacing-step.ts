/** What a quarter of a finger closer or wider everywhere would change. */
import { isHooked } from '../../knots/index.ts';
import { planSupply } from '../../supply/index.ts';
import { SPACING_LIMITS_FINGERS, type SpacingZone, ZONES } from '../../trade/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { layout } from '../stages/knots.ts';
import { spacing } from '../stages/spacing.ts';
import type { PlanGraph } from '../stages/stage.ts';
import { demands, packsInColours, supply } from '../stages/totals.ts';

/** Below this the step would ask for more knots than any head holds, mm. */
const LEAST_STEP_MM = 7;
export const STEP_FINGERS = 0.25;

export interface StepTo {
  /** Gaps of all zones after the step, within what a plan may hold. */
  readonly fingers: Readonly<Record<SpacingZone, number>>;
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
  const knots = now.of(layout).knots.filter(isHooked).length;
  // Strands with a job are as many whatever the gaps are.
  const beside = now.of(supply).pieces - knots;
  const moved = (by: number): StepTo | undefined => {
    const before = now.of(spacing).fingers;
    const fingers = widened(before, by);
    if (ZONES.every((z) => fingers[z] === before[z])) return undefined;
    const then = graph.ask({ inputs: { ...inputs, spacing: { ...inputs.spacing, fingers } } });
    if (then.of(spacing).mm.gapMm < LEAST_STEP_MM) return undefined;
    const laid = then.of(layout).knots.filter(isHooked).length;
    const factor = knots > 0 ? laid / knots : 1;
    const wanted = now.of(demands).map((d) => ({ ...d, knots: Math.round(d.knots * factor) }));
    return {
      fingers,
      pieces: laid + beside,
      packs: planSupply(now.of(packsInColours), wanted, inputs.reserveShare).packs,
    };
  };
  return { stepFingers: STEP_FINGERS, tighter: moved(-STEP_FINGERS), wider: moved(STEP_FINGERS) };
}

function widened(fingers: Readonly<Record<SpacingZone, number>>, by: number): StepTo['fingers'] {
  const [least, most] = SPACING_LIMITS_FINGERS;
  const zones = ZONES.map((z) => [z, Math.min(most, Math.max(least, fingers[z] + by))]);
  return Object.fromEntries(zones) as Record<SpacingZone, number>;
}
