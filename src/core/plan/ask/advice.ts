/**
 * What is asked for now and then, on top of the chain of stages: whether an edit can be made, a flatter parking, the
 * base that is advised, what a centimetre in a measure would change, a cut through the middle. Kept apart so that it
 * comes only when it is wanted.
 */
import { type Candidate, type Flattening, flatten, middleCut, recommendBases } from '../../base/index.ts';
import { icosphere } from '../../geometry/index.ts';
import { fullnessOf } from '../../hair/index.ts';
import { EFFECTS_FREQUENCY, type MeasureEffect, measureEffects } from '../../head/index.ts';
import { PACE_FACTOR } from '../../trade/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { base, baseContext, ownHair, sections } from '../stages/base.ts';
import { head } from '../stages/head.ts';
import { partLine } from '../stages/part.ts';
import { type PlanGraph, stage } from '../stages/stage.ts';
import { supply } from '../stages/totals.ts';

/** Through the middle of a section: what a stroke would draw. */
export function cutThrough(graph: PlanGraph, inputs: PlanInputs, section: string, way: 'across' | 'along') {
  const now = graph.ask({ inputs });
  const { map } = now.of(sections);
  const label = map.sections.findIndex((s) => s.id === section);
  return middleCut(now.of(head).mesh.positionsMm, map.labels, label, way);
}

/** A flatter parking of the tails. */
export function flatterParking(graph: PlanGraph, inputs: PlanInputs): Flattening {
  const now = graph.ask({ inputs });
  const { map, tails } = now.of(base);
  return flatten(now.of(baseContext), map, tails, inputs.base);
}

/** Every way of sectioning laid on her head, the best for her first. */
export function advisedBases(graph: PlanGraph, inputs: PlanInputs): Candidate[] {
  const now = graph.ask({ inputs });
  const { areaMm2, girthMm } = now.of(head);
  const { regions, hairs } = now.of(ownHair);
  const { ownHair: told, wishes } = inputs;
  return recommendBases(
    now.of(baseContext),
    now.of(partLine),
    told,
    {
      lengthMm: regions.reduce((sum, r) => sum + r.lengthMm * r.areaMm2 * r.hairsPerMm2, 0) / hairs,
      fullness: fullnessOf(hairs / areaMm2),
      curl: told.curl,
      freshEnds: told.freshEnds,
      girthMm,
      pace: inputs.pace,
      capped: inputs.cap.dome !== 'none',
      requirements: wishes.musts,
      ...(wishes.baseMinutes === undefined ? {} : { minutes: wishes.baseMinutes }),
    },
    PACE_FACTOR[inputs.pace],
  );
}

/** Area changes smoothly: a coarse sphere does, and is kept. */
const effectsSphere = stage(
  'effectsSphere',
  () => ({}),
  () => icosphere(EFFECTS_FREQUENCY),
);

/** What a centimetre more in each measure would change. */
export function effectsOfMeasures(graph: PlanGraph, inputs: PlanInputs): MeasureEffect[] {
  const now = graph.ask({ inputs });
  return measureEffects(now.of(head), now.of(supply).pieces, inputs.hairline, now.of(effectsSphere));
}
