import type { Part } from '../core/head/index.ts';
import { fingersFigure, type SpacingZone, zoneName } from '../core/trade/index.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

export function setSpacing(plan: PlanDocument, fingers: Partial<Record<SpacingZone, number>>): PlanChange {
  const zones = Object.keys(fingers) as SpacingZone[];
  const [first] = zones;
  const words =
    zones.length === 1
      ? `${zoneName(first, plan.part.kind as Part['kind'])} ${fingersFigure(fingers[first] as number)}`
      : 'Spacing changed';
  return { words, plan: { ...plan, spacing: { ...plan.spacing, fingers: { ...plan.spacing.fingers, ...fingers } } } };
}

/** One gap by hand: the others stay where they are, so that none moves under her finger. @param shown gaps of all zones as they are */
export function setGap(
  plan: PlanDocument,
  shown: Readonly<Record<SpacingZone, number>>,
  zone: SpacingZone,
  fingers: number,
): PlanChange {
  return { ...setSpacing(plan, { ...shown, [zone]: fingers }), words: setSpacing(plan, { [zone]: fingers }).words };
}

/** All gaps left to the hair: they follow it from then on. */
export function leaveGapsToHair(plan: PlanDocument): PlanChange {
  return { words: 'Gaps left to the hair', plan: { ...plan, spacing: { ...plan.spacing, fingers: {} } } };
}

/** Says spacing the other way without moving a knot would need odd fractions; the counts stay, the meaning changes. */
export function setSaid(plan: PlanDocument, said: PlanDocument['spacing']['said']): PlanChange {
  return {
    words: said === 'clear' ? 'Spacing is the clear gap' : 'Spacing from knot to knot',
    plan: { ...plan, spacing: { ...plan.spacing, said } },
  };
}
