/**
 * Steps from each older version to the next. They are only ever added, run on a copy, and each has a frozen
 * fixture of its version in its test.
 */
import { PLAN_VERSION } from './plan.ts';

type Step = (plan: Record<string, unknown>) => Record<string, unknown>;

/** STEPS[n] turns version n into n + 1. */
const STEPS: Readonly<Record<number, Step>> = {};

export function migratePlan(plan: Readonly<Record<string, unknown>>): Record<string, unknown> {
  let current = JSON.parse(JSON.stringify(plan)) as Record<string, unknown>;
  for (let version = Number(plan.version); version < PLAN_VERSION; version++) {
    const step = STEPS[version];
    if (!step) throw new Error(`no migration from plan version ${version}`);
    current = { ...step(current), version: version + 1 };
  }
  return current;
}
