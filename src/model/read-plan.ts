/** Anything that claims to be a plan to a plan, or one sentence that says why not. Nothing is changed by a failure. */
import { ValidationError } from 'yup';
import { clipped, oneSentence } from './checks.ts';
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
  if (isDeeper(record, DEEPEST)) {
    return { ok: false, why: 'This plan can’t be read: its records lie too deep in each other.' };
  }
  const plan = broughtUp(record);
  if (!plan) {
    return { ok: false, why: `This plan can’t be read: it is not written as plans of version ${version} were.` };
  }
  const fault = faultOf(plan);
  if (!fault) return { ok: true, value: plan as unknown as PlanDocument };
  const at = fault.path ? ` (${clipped(fault.path, 60)})` : '';
  return { ok: false, why: `This plan can’t be read: ${oneSentence(fault.message)}${at}` };
}

/** No plan has records within records deeper than this; a file that has is refused before anything is copied. */
const DEEPEST = 24;

function isDeeper(value: object, most: number): boolean {
  let level: object[] = [value];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > most) return true;
    level = level.flatMap((v) => Object.values(v).filter((inner) => typeof inner === 'object' && inner !== null));
  }
  return false;
}

/** The steps up to today take older plans as they were written then; what is not so written can’t be brought up. */
function broughtUp(record: Record<string, unknown>): Record<string, unknown> | undefined {
  try {
    return migratePlan(record);
  } catch {
    return undefined;
  }
}

/** Why a plan that she has just changed can't be so, in words for her, or nothing where it can. */
export function refusalOf(plan: PlanDocument): string | undefined {
  const fault = faultOf(plan);
  return fault && oneSentence(fault.message);
}

function faultOf(plan: unknown): ValidationError | undefined {
  try {
    planSchema.validateSync(plan, { strict: true, abortEarly: true });
    return undefined;
  } catch (error) {
    // A check that trips over what no one would write has found a fault all the same.
    return error instanceof ValidationError
      ? error
      : new ValidationError('An entry is of another kind than it should be.');
  }
}
