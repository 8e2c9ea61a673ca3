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
  try {
    return {
      ok: true,
      value: planSchema.validateSync(migratePlan(record), {
        strict: true,
        abortEarly: true,
      }) as unknown as PlanDocument,
    };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const at = error.path ? ` (${error.path})` : '';
    return { ok: false, why: `This plan can’t be read: ${error.message}${at}` };
  }
}
