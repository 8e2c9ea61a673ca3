/** What a command gives back: the plan that comes of it, and the words that undo shows for it. */
import type { PlanDocument } from './plan.ts';

export interface PlanChange {
  readonly words: string;
  readonly plan: PlanDocument;
}
