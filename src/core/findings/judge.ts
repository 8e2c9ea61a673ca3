/** All that is said of how a plan looks, at once: what a file or the command line prints. */
import {
  fallingHair,
  type GuessRange,
  guessRange,
  type HairOnHead,
  type Look,
  look,
  type PlanGraph,
  type PlanInputs,
  plan,
} from '../plan/index.ts';
import type { Finding } from './finding.ts';
import { lookFindings } from './look.ts';

export interface Judged {
  readonly look: Look;
  readonly hair: HairOnHead;
  readonly range: GuessRange;
  readonly findings: readonly Finding[];
}

export function judge(graph: PlanGraph, inputs: PlanInputs): Judged {
  const now = graph.ask({ inputs });
  const looked = now.of(look);
  const hair = fallingHair(graph, { inputs });
  return {
    look: looked,
    hair,
    range: guessRange(graph, { inputs }),
    findings: lookFindings(inputs, now.of(plan), looked),
  };
}
