/** From the document to what the core takes: every length in mm. The document has been validated before. */
import type { Product, Split } from '../core/hair/product.ts';
import type { TapeValuesMm } from '../core/head/fit.ts';
import { TAPE_MEASURES } from '../core/head/tape.ts';
import type { Schools } from '../core/knots/schools.ts';
import { FINE_MESH, type PlanInputs, type Region } from '../core/pipeline/inputs.ts';
import type { Part } from '../core/rows/part.ts';
import { DEFAULT_FINGER_MM, type PlanDocument, readLength } from './plan.ts';

export function planInputs(plan: PlanDocument, meshFrequency = FINE_MESH): PlanInputs {
  const mm = (text: string) => {
    const parsed = readLength(text, plan.unit, plan.fingerWidth);
    if (!parsed.ok) throw new RangeError(parsed.why);
    return parsed.value;
  };
  const tape: Record<string, number> = {};
  for (const m of TAPE_MEASURES) if (plan.tape[m].trim() !== '') tape[m] = mm(plan.tape[m]);
  const { length, ...product } = plan.product;
  return {
    tape: tape as TapeValuesMm,
    fingerMm: fingerMm(plan),
    ownHair: { lengthMm: mm(plan.ownHair.length), strand: plan.ownHair.strand, fullness: plan.ownHair.fullness },
    tender: plan.ownHair.tender as Region[],
    thin: plan.ownHair.thin as Region[],
    sections: plan.base.sections,
    cap: plan.cap,
    part: plan.part as Part,
    product: { ...product, split: product.split as Split, lengthMm: mm(length) } satisfies Product,
    spacing: plan.spacing,
    schools: plan.schools as Schools,
    reserveShare: plan.reserveShare,
    pace: plan.pace,
    meshFrequency,
  };
}

export function fingerMm(plan: Pick<PlanDocument, 'unit' | 'fingerWidth'>): number {
  const parsed = readLength(plan.fingerWidth, plan.unit === 'finger' ? 'cm' : plan.unit);
  return parsed.ok ? parsed.value : DEFAULT_FINGER_MM;
}
