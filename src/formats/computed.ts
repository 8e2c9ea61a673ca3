/** What the computed plan is taken from, and how its figures are rounded. */
import type { Judged, PlanResult } from '../core/findings/index.ts';
import type { SpacingStep } from '../core/plan/index.ts';
import type { PlanDocument } from '../model/plan.ts';

/** All that the figures are taken from. */
export interface Computed {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly step: SpacingStep;
  readonly judged: Judged;
}

export function round(value: number, digits: number): number {
  // Adding 0 turns a negative zero into zero.
  return Number(value.toFixed(digits)) + 0;
}

export function nullable(value: number | undefined, digits = 1): number | null {
  return value === undefined ? null : round(value, digits);
}

/** The same names, each with what is made of its value. */
export const each = <K extends string, V, T>(record: Readonly<Record<K, V>>, make: (value: V) => T) =>
  Object.fromEntries(Object.entries<V>(record).map(([name, value]) => [name, make(value)])) as Record<K, T>;
