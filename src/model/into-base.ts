/** What she can do to pieces that go into the base. */
import { INTO_INFO, INTO_START, INTO_WHEN_INFO, type IntoBase, type IntoWay, upperFirst } from '../core/trade/index.ts';
import { freshId } from './ids.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

const withInto = (plan: PlanDocument, intoBase: readonly IntoBase[], words: string): PlanChange => ({
  words,
  plan: { ...plan, rows: { ...plan.rows, intoBase: intoBase as PlanDocument['rows']['intoBase'] } },
});

const nameOf = ({ way }: Pick<IntoBase, 'way'>) => upperFirst(INTO_INFO[way].name);

export function addInto(plan: PlanDocument, way: IntoWay): PlanChange {
  const entry: IntoBase = { id: freshId('b', plan.rows.intoBase), way, sections: [], ...INTO_START };
  return withInto(plan, [...plan.rows.intoBase, entry], `Pieces ${INTO_INFO[way].name}`);
}

export function setInto(plan: PlanDocument, id: string, change: Partial<Omit<IntoBase, 'id'>>): PlanChange {
  const entries = plan.rows.intoBase.map((e) => (e.id === id ? { ...e, ...change } : e));
  const entry = entries.find((e) => e.id === id) as IntoBase;
  const { pieces, fingers, reachFingers, when, cut, sections } = change;
  const told = [
    pieces !== undefined && `${pieces} in each`,
    fingers !== undefined && `${fingers} fingers apart`,
    reachFingers !== undefined && (reachFingers === 0 ? 'as far as it goes' : `${reachFingers} fingers from the tie`),
    when && INTO_WHEN_INFO[when].name,
    cut && plan.cuts.find((c) => c.id === cut)?.name,
    sections && (sections.length === 0 ? 'all that are tied' : `${sections.length} of the sections`),
  ].filter(Boolean);
  return withInto(plan, entries, told.length > 0 ? `${nameOf(entry)}: ${told.join(', ')}` : nameOf(entry));
}

export function dropInto(plan: PlanDocument, id: string): PlanChange {
  const gone = plan.rows.intoBase.find((e) => e.id === id);
  const kept = plan.rows.intoBase.filter((e) => e.id !== id);
  return withInto(plan, kept, gone ? `No pieces ${INTO_INFO[gone.way].name}` : 'Taken out of the base');
}
