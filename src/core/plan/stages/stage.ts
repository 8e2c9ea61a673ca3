/** Stages of a plan and its look: each asks for what `LookAsked` holds and for results of other stages. */
import { type From, Graph, stagesOf } from '../graph.ts';
import type { LookAsked } from '../look-result.ts';

export const stage = stagesOf<LookAsked>();
export type PlanGraph = Graph<LookAsked>;
/** One plan being asked about. */
export type FromPlan = From<LookAsked>;

/** @param keep how many results of a stage are kept, by its name, where it is not as many as the stage says */
export function planGraph(keep: Readonly<Record<string, number>> = {}): PlanGraph {
  return new Graph<LookAsked>(keep);
}
