/** Whether an edit of the base can be made, and why not. The plan is as it was; what was worked out is kept for it. */
import type { BaseEdit } from '../../base/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { editTree } from '../stages/base.ts';
import type { PlanGraph } from '../stages/stage.ts';

export function tryEdit(graph: PlanGraph, inputs: PlanInputs, edit: BaseEdit): { readonly why?: string } {
  const outcome = graph.ask({ inputs }).of(editTree).after(inputs.base.edits, edit);
  return outcome.ok ? {} : { why: outcome.why };
}
