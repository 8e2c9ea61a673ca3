/** All that goes on paper for a plan, in the order in which it is printed. */
import type { PlanResult } from '../../core/findings/index.ts';
import type { PaperTemplate } from '../../core/plan/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import type { Drawing } from './drawing.ts';
import { fingerRule } from './finger-rule.ts';
import { knotChart } from './knot-chart.ts';
import { templateDrawings } from './template-drawings.ts';
import { workSheets } from './work-sheet.ts';

export const PAPERS = ['template', 'rule', 'chart', 'work'] as const;
export type PaperKind = (typeof PAPERS)[number];

export function drawingsOf(
  kind: PaperKind,
  plan: PlanDocument,
  result: PlanResult,
  template: PaperTemplate,
): readonly Drawing[] {
  switch (kind) {
    case 'template':
      return templateDrawings(plan, result, template);
    case 'rule':
      return [fingerRule(plan, result)];
    case 'chart':
      return [{ ...knotChart(plan, result), name: 'Knot chart' }];
    case 'work':
      return workSheets(plan, result);
  }
}
