/**
 * The one typed table of jobs. Logic only: it runs in a worker, in the server and in tests alike. A job ends
 * as done or failed, with the words for it; it never throws across the border, where an error loses its code.
 */
import type { TapeValuesMm } from '../core/head/fit.ts';
import type { PlanInputs } from '../core/pipeline/inputs.ts';
import type { PlanResult } from '../core/pipeline/result.ts';
import { type HeadScene, headScene } from '../core/pipeline/scene.ts';
import { Pipeline, type SpacingStep } from '../core/pipeline/stages.ts';

export type JobResult<T> =
  | { readonly state: 'done'; readonly value: T; readonly ms: number }
  | { readonly state: 'failed'; readonly code: string; readonly message: string };

export interface Jobs {
  plan(inputs: PlanInputs): JobResult<PlanResult>;
  spacingStep(inputs: PlanInputs): JobResult<SpacingStep>;
  headScene(tape: TapeValuesMm): JobResult<HeadScene>;
}

export function createJobs(): Jobs {
  const pipeline = new Pipeline();
  return {
    plan: (inputs) => attempt(() => pipeline.plan(inputs)),
    spacingStep: (inputs) => attempt(() => pipeline.spacingStep(inputs)),
    headScene: (tape) => attempt(() => headScene(tape)),
  };
}

function attempt<T>(compute: () => T): JobResult<T> {
  const start = performance.now();
  try {
    return { state: 'done', value: compute(), ms: performance.now() - start };
  } catch (error) {
    const known = error instanceof RangeError;
    return {
      state: 'failed',
      code: known ? 'outOfRange' : 'broken',
      message: error instanceof Error ? error.message : String(error),
    };
  }
}
