/** Files out. The browser's own save dialog or download folder takes them. */
import { fileStem, writePlanJson } from '../../formats/plan-json.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { PlanRecord } from '../../store/database.ts';

export const offerText = (name: string, type: string, text: string) => offerBlob(name, new Blob([text], { type }));

export function offerBlob(name: string, blob: Blob) {
  const url = URL.createObjectURL(blob);
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
