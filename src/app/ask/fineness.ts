/**
 * How fine heads are worked out here. A slow machine may ask for coarser ones by the entry "meshwork-fineness" of the
 * browser's local store (divisions of the sphere, 12 to 40); figures then lie within two points of the fine ones.
 */
import { FINE_MESH, type HeadInputs, type PlanInputs } from '../../core/plan/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { headInputs, planInputs } from '../../model/to-inputs.ts';

const COARSEST = 12;

function wanted(): number {
  try {
    const told = Number(window.localStorage.getItem('meshwork-fineness') ?? FINE_MESH);
    return Number.isInteger(told) && told >= COARSEST && told <= FINE_MESH ? told : FINE_MESH;
  } catch {
    // A browser may keep its store shut.
    return FINE_MESH;
  }
}
const fineness = wanted();

const known = new WeakMap<PlanDocument, PlanInputs>();

/** What the core takes of a plan: one record for one document, however often it is asked for. */
export function inputsOf(plan: PlanDocument): PlanInputs {
  const found = known.get(plan) ?? planInputs(plan, fineness);
  known.set(plan, found);
  return found;
}

export const headInputsOf = (plan: PlanDocument): HeadInputs => headInputs(plan, fineness);
