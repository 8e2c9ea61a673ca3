/**
 * What is asked for now and then, on top of the chain of stages: a flatter parking, the base that is advised, what a
 * centimetre in a measure would change, a cut through the middle. Kept apart so that it comes only when it is wanted.
 */
import { type Flattening, flatten } from '../base/flatten.ts';
import { middleCut } from '../base/middle-cut.ts';
import { type Candidate, recommendBases } from '../base/recommend.ts';
import { fullnessOf } from '../hair/own-hair.ts';
import { PACE_FACTOR } from '../time/estimate.ts';
import type { PlanInputs } from './inputs.ts';
import { EFFECTS_FREQUENCY, type MeasureEffect, measureEffects } from './measure-effects.ts';
import type { Pipeline } from './stages.ts';

/** Through the middle of a section: what a stroke would draw. */
export function cutThrough(pipeline: Pipeline, inputs: PlanInputs, section: string, way: 'across' | 'along') {
  const { map } = pipeline.sections(inputs);
  const label = map.sections.findIndex((s) => s.id === section);
  return middleCut(pipeline.head(inputs).mesh.positionsMm, map.labels, label, way);
}

/** A flatter parking of the tails. */
export function flatterParking(pipeline: Pipeline, inputs: PlanInputs): Flattening {
  const { map, tails } = pipeline.base(inputs);
  return flatten(pipeline.ground(inputs), map, tails, inputs.base);
}

/** Every way of sectioning laid on her head, the best for her first. */
export function advisedBases(pipeline: Pipeline, inputs: PlanInputs): Candidate[] {
  const head = pipeline.head(inputs);
  const { ownHair } = inputs;
  const hair = pipeline.hair(inputs);
  return recommendBases(
    pipeline.ground(inputs),
    pipeline.partLine(inputs),
    ownHair,
    {
      lengthMm: hair.regions.reduce((sum, r) => sum + r.lengthMm * r.areaMm2 * r.hairsPerMm2, 0) / hair.hairs,
      fullness: fullnessOf(hair.hairs / head.areaMm2),
      curl: ownHair.curl,
      freshEnds: ownHair.freshEnds,
      girthMm: head.girthMm,
      pace: inputs.pace,
      capped: inputs.cap.dome !== 'none',
      musts: inputs.wishes.musts,
      ...(inputs.wishes.baseMinutes === undefined ? {} : { minutes: inputs.wishes.baseMinutes }),
    },
    PACE_FACTOR[inputs.pace],
  );
}

/** What a centimetre more in each measure would change. */
export function effectsOfMeasures(pipeline: Pipeline, inputs: PlanInputs): MeasureEffect[] {
  const head = pipeline.head(inputs);
  const { pieces } = pipeline.plan(inputs).supply;
  return measureEffects(head, pieces, inputs.hairline, pipeline.sphere(EFFECTS_FREQUENCY));
}
