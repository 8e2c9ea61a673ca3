/** Files out. The browser's own save dialog or download folder takes them. */
import type { PlanResult } from '../../core/findings/index.ts';
import type { EveningsPlan, SpacingStep } from '../../core/plan/index.ts';
import type { CalendarAsked } from '../../formats/evenings-ics.ts';
import { fileStem, writePlanJson } from '../../formats/plan-json.ts';
import type { LotInTable } from '../../formats/products-csv.ts';
import type { ShoppingLine } from '../../formats/shopping-csv.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { PlanRecord } from '../../store/database.ts';
import { painter } from '../ask/clients.ts';
import { inputsOf } from '../ask/fineness.ts';

export function offerText(name: string, type: string, text: string) {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // Kept long enough for slow disks.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

export function exportPlan(plan: PlanDocument) {
  offerText(`${fileStem(plan.name)}.plan.json`, 'application/json', writePlanJson(plan));
}

/** As it lies in the store, whatever it is. */
export function saveAsItIs(record: PlanRecord) {
  offerText('rescued.plan.json', 'application/json', JSON.stringify(record.history?.present?.plan ?? record, null, 2));
}

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
  const { mapSvg } = await import('../../formats/map-svg.ts');
  offerText(`${fileStem(plan.name)}.map.svg`, 'image/svg+xml', mapSvg(plan, result));
}

export async function exportEvenings(evenings: EveningsPlan, asked: CalendarAsked) {
  const { eveningsIcs } = await import('../../formats/evenings-ics.ts');
  offerText(`${fileStem(asked.planName)}.ics`, 'text/calendar;charset=utf-8', eveningsIcs(evenings, asked));
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
