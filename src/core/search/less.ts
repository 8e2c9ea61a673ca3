/** With fewer packs: of steps in one direction, the mildest that they suffice for, and what it does to cover, length, bulk and hours. */
import { type PlanGraph, type PlanInputs, plan, planGraph } from '../plan/index.ts';
import type { UseFigures } from './best-use.ts';
import { figuresOfUse } from './evaluate.ts';

export interface LessFigures extends UseFigures {
  /** Mean length of what hangs, mm. */
  readonly lengthMm: number;
}

export interface LessAsked {
  /** From mild to strong, packs never more than in the step before. */
  readonly steps: readonly PlanInputs[];
  readonly packs: number;
}

export interface LessFound {
  readonly step: number;
  readonly figures: LessFigures;
  /** Whether so many packs do; the strongest step is told even where they don't. */
  readonly does: boolean;
}

/** Coarser than the plan itself, as a search is: all ways are held against each other on the same head. */
const LESS_MESH = 24;
const BALLS_KEPT = 4;
let graph: PlanGraph | undefined;

export function lessFigures(inputs: PlanInputs): LessFigures {
  graph ??= planGraph({ balls: BALLS_KEPT });
  const coarse = { ...inputs, meshFrequency: LESS_MESH };
  const figures = figuresOfUse(graph, coarse);
  const { knots, pieces } = graph.ask({ inputs: coarse }).of(plan);
  const lengths = new Map(pieces.map((p) => [p.cut, p.lengthMm]));
  const hung = knots.reduce((sum, k) => sum + (lengths.get(k.cut) ?? 0), 0);
  return { ...figures, lengthMm: knots.length > 0 ? hung / knots.length : 0 };
}

/** Halved instead of tried one by one; a step that can't be laid is too strong. @returns undefined where no step can be laid */
export function leastThatDoes({ steps, packs }: LessAsked): LessFound | undefined {
  let low = 0;
  let high = steps.length - 1;
  let does: LessFound | undefined;
  let strongest: LessFound | undefined;
  while (low <= high) {
    const step = (low + high) >> 1;
    const figures = tried(steps[step]);
    if (!figures) {
      high = step - 1;
      continue;
    }
    if (figures.packs <= packs) {
      does = { step, figures, does: true };
      high = step - 1;
    } else {
      if (!strongest || step > strongest.step) strongest = { step, figures, does: false };
      low = step + 1;
    }
  }
  return does ?? strongest;
}

function tried(inputs: PlanInputs): LessFigures | undefined {
  try {
    return lessFigures(inputs);
  } catch (error) {
    if (error instanceof RangeError) return undefined;
    throw error;
  }
}
