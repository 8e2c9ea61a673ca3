/** Anything that claims to be a plan to a plan, or one sentence that says why not. Nothing is changed by a failure. */
import { ValidationError } from 'yup';
import type { Parsed } from './lengths.ts';
import { migratePlan } from './migrations.ts';
import { PLAN_FORMAT, PLAN_VERSION, type PlanDocument, planSchema } from './plan.ts';

export function readPlan(value: unknown): Parsed<PlanDocument> {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) {
    return { ok: false, why: 'This is not a Meshwork plan: it holds no record.' };
  }
  const record = value as Record<string, unknown>;
  if (record.format !== PLAN_FORMAT) {
    return { ok: false, why: 'This is not a Meshwork plan: its format is a different one.' };
  }
  const version = record.version;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return { ok: false, why: 'This plan doesn’t say its version.' };
  }
  if (version > PLAN_VERSION) {
    return {
      ok: false,
      why: `This plan was written by a newer Meshwork (version ${version}; this one reads up to ${PLAN_VERSION}).`,
    };
  }
  const plan = migratePlan(record);
  const fault = faultOf(plan);
  if (!fault) return { ok: true, value: plan as unknown as PlanDocument };
  const at = fault.path ? ` (${fault.path})` : '';
  return { ok: false, why: `This plan can’t be read: ${fault.message}${at}` };
}

/** Why a plan that she has just changed can't be so, in words for her, or nothing where it can. */
export const refusalOf = (plan: PlanDocument): string | undefined => faultOf(plan)?.message;

function faultOf(plan: unknown): ValidationError | undefined {
  try {
    planSchema.validateSync(plan, { strict: true, abortEarly: true });
    return undefined;
  } catch (error) {
    if (error instanceof ValidationError) return error;
    throw error;
  }
}
