/** What an install really was, held against the plan that it followed last. */
import { foldInstall, type InstallEvent } from '../../install/index.ts';
import { type StyleFigures, styleFigures } from '../../log/index.ts';
import type { PlanInputs } from '../inputs.ts';
import { plan } from '../plan.ts';
import type { PlanGraph } from '../stages/stage.ts';

export interface StyleAsked {
  readonly inputs: PlanInputs;
  readonly events: readonly InstallEvent[];
}

export const styleOf = (graph: PlanGraph, { inputs, events }: StyleAsked): StyleFigures =>
  styleFigures(graph.ask({ inputs }).of(plan), foldInstall(events));
