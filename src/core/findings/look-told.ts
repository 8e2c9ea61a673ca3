/** The look of a plan with what is said of it: worked out together, so that the screen needs none of the rules. */
import { type Look, type LookAsked, look, type PlanGraph, plan, stage } from '../plan/index.ts';
import type { Finding } from './finding.ts';
import { gapsComeTo } from './fullness.ts';
import { lookFindings } from './look.ts';

export interface LookTold extends Look {
  readonly findings: readonly Finding[];
  /** What the gaps for this hair would make of pieces, packs and hours. */
  readonly comesTo: string;
}

const told = stage(
  'lookTold',
  ({ inputs, of }) => ({ inputs, plan: of(plan), look: of(look) }),
  ({ inputs, plan: laid, look: looked }): LookTold => ({
    ...looked,
    findings: lookFindings(inputs, laid, looked),
    comesTo: gapsComeTo(inputs, laid, looked.gaps),
  }),
);

export function lookTold(graph: PlanGraph, asked: LookAsked): LookTold {
  return graph.ask(asked).of(told);
}
