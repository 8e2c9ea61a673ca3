/** The plan as a file: JSON text in and out. */
import type { Parsed } from '../model/lengths.ts';
import type { PlanDocument } from '../model/plan.ts';
import { readPlan } from '../model/read-plan.ts';

/** No plan comes near this; a larger file is something else. */
const LARGEST_BYTES = 2_000_000;

export function writePlanJson(plan: PlanDocument): string {
  return `${JSON.stringify(plan, null, 2)}\n`;
}

export function readPlanJson(text: string): Parsed<PlanDocument> {
  if (text.length > LARGEST_BYTES) return { ok: false, why: 'This file is far too large for a plan.' };
  if (text.trim() === '') return { ok: false, why: 'This file is empty.' };
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch {
    return { ok: false, why: 'This file isn’t JSON: it is another kind of file, or damaged or cut short.' };
  }
  return readPlan(value);
}

/** A file name from a plan's name: letters, digits and hyphens. */
export function fileStem(name: string): string {
  const stem = name
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return stem || 'plan';
}
