/**
 * What she can do to a plan, each a named function from plan to plan with the words for the deed. The words
 * are what undo shows; the plan that comes out is validated before it is kept.
 */

import type { Parking } from '../core/base/index.ts';
import { type Part, type Parting, partInWords } from '../core/head/index.ts';
import { upperFirst } from '../core/trade/index.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

export function park(plan: PlanDocument, parking: Readonly<Record<string, Parking>>, words: string): PlanChange {
  const { parking: old } = plan.base;
  const bySection = { ...old.bySection, ...parking };
  return { words, plan: { ...plan, base: { ...plan.base, parking: { ...old, bySection } } } };
}

export function setPart(plan: PlanDocument, part: Part, words?: string): PlanChange {
  const name = partInWords(part);
  return {
    words: words ?? upperFirst(name),
    plan: { ...plan, part: part as PlanDocument['part'] },
  };
}

/** A second line, taken away, or the part only combed in when it is worn. */
export function setParting(plan: PlanDocument, change: Partial<Parting>): PlanChange {
  const parting = { ...plan.parting, ...change };
  const { second, ...rest } = parting;
  const words =
    change.onlyWorn === undefined
      ? second
        ? `Second part: ${partInWords(second)}`
        : 'One part'
      : change.onlyWorn
        ? 'The part only when worn'
        : 'Rows follow the part';
  return { words, plan: { ...plan, parting: second ? { ...rest, second } : rest } };
}

export function setField<
  K extends 'name' | 'wearer' | 'unit' | 'currency' | 'skin' | 'fingers' | 'reserveShare' | 'pace' | 'wishes',
>(plan: PlanDocument, field: K, value: PlanDocument[K], words: string): PlanChange {
  return { words, plan: { ...plan, [field]: value } };
}

export function settle(plan: PlanDocument, station: string): PlanChange {
  const has = plan.settled.includes(station);
  return {
    words: has ? 'Station opened again' : 'Station settled',
    plan: { ...plan, settled: has ? plan.settled.filter((s) => s !== station) : [...plan.settled, station] },
  };
}
