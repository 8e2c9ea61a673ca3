/** Files of what is worked out: tables, map, calendar, everything. Each kind is fetched when it is first saved. */
import type { PlanResult } from '../../core/findings/index.ts';
import type { EveningsPlan, SpacingStep } from '../../core/plan/index.ts';
import type { WearNote, Worn } from '../../core/wear/index.ts';
import type { CalendarAsked } from '../../formats/evenings-ics.ts';
import { fileStem } from '../../formats/plan-json.ts';
import type { LotInTable } from '../../formats/products-csv.ts';
import type { ShoppingLine } from '../../formats/shopping-csv.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { painter } from '../ask/clients.ts';
import { inputsOf } from '../ask/fineness.ts';
import { offerText } from './files.ts';

export async function exportKnots(plan: PlanDocument, result: PlanResult) {
  const { knotsCsv } = await import('../../formats/knots-csv.ts');
  offerText(`${fileStem(plan.name)}.knots.csv`, 'text/csv;charset=utf-8', knotsCsv(result));
}

export async function exportHair(lots: readonly LotInTable[]) {
  const { productsCsv } = await import('../../formats/products-csv.ts');
  offerText('hair.csv', 'text/csv;charset=utf-8', productsCsv(lots));
}

export async function exportShopping(plan: PlanDocument, lines: readonly ShoppingLine[], currency: string) {
  const { shoppingCsv } = await import('../../formats/shopping-csv.ts');
  offerText(`${fileStem(plan.name)}.shopping.csv`, 'text/csv;charset=utf-8', shoppingCsv(lines, currency));
}

export async function exportMap(plan: PlanDocument, result: PlanResult) {
  const { mapSvg } = await import('../../formats/paper/knot-chart.ts');
  offerText(`${fileStem(plan.name)}.map.svg`, 'image/svg+xml', mapSvg(plan, result));
}

export async function exportEvenings(evenings: EveningsPlan, asked: CalendarAsked) {
  const { eveningsIcs } = await import('../../formats/evenings-ics.ts');
  offerText(`${fileStem(asked.planName)}.ics`, 'text/calendar;charset=utf-8', eveningsIcs(evenings, asked));
}

export async function exportWearing(
  { id, name }: PlanDocument,
  worn: Worn,
  notes: readonly WearNote[],
  days: { readonly first: string; readonly today: string; readonly off: string },
  words: Readonly<Record<string, string>>,
) {
  const { wearIcs } = await import('../../formats/wear-ics.ts');
  const text = wearIcs(worn, notes, { planId: id, planName: name, words, ...days });
  offerText(`${fileStem(name)}.wear.ics`, 'text/calendar;charset=utf-8', text);
}

export async function exportComputed(plan: PlanDocument, result: PlanResult, step: SpacingStep) {
  const { computedPlan } = await import('../../formats/computed-json.ts');
  const judged = await painter.call('judge', inputsOf(plan));
  if (judged.state !== 'done') return;
  offerText(
    `${fileStem(plan.name)}.computed.json`,
    'application/json',
    `${JSON.stringify(computedPlan(plan, result, step, judged.value), null, 2)}\n`,
  );
}
