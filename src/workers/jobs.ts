/**
 * The one typed table of jobs. Logic only: it runs in a worker, in the server and in tests alike. A job ends
 * as done or failed, with the words for it; it never throws across the border, where an error loses its code.
 */

import type { BaseEdit, Candidate, Flattening } from '../core/base/index.ts';
import type { ShownOnHead } from '../core/cover/index.ts';
import { type Judged, type LookTold, lookTold, type PlanResult, planWithFindings } from '../core/findings/index.ts';
import type { HandsChoices, HandsOfHers, StyleTold } from '../core/hands/index.ts';
import type { DirectionDeg, MeasureEffect } from '../core/head/index.ts';
import type { StyleFigures } from '../core/log/index.ts';
import type { PhotoMeasured, PhotoOnHead } from '../core/photo/index.ts';
import {
  type GuessesFound,
  type GuessRange,
  type HairOnHead,
  type HeadInputs,
  type HeadScene,
  type Look,
  type LookAsked,
  look,
  type PaperTemplate,
  type PhotoSaid,
  type PlanInputs,
  planGraph,
  type SpacingStep,
  type StyleAsked,
  spacingStep,
  tryEdit,
  type WhyHere,
} from '../core/plan/index.ts';
import type {
  FromHereAsked,
  FromHereFound,
  LessAsked,
  LessFigures,
  LessFound,
  UseFigures,
  UsesAsked,
} from '../core/search/index.ts';
import type { PatternCut } from '../core/template/index.ts';
import type { Pace } from '../core/trade/index.ts';

export type JobResult<T> =
  | { readonly state: 'done'; readonly value: T; readonly ms: number }
  | { readonly state: 'failed'; readonly code: string; readonly message: string };

export interface Jobs {
  plan(inputs: PlanInputs): JobResult<PlanResult>;
  spacingStep(inputs: PlanInputs): JobResult<SpacingStep>;
  /** With what is said of it. */
  look(asked: LookAsked): JobResult<LookTold>;
  /** The same in another pose or age: a job of its own, so that neither makes the other stale. */
  lookAs(asked: LookAsked): JobResult<Look>;
  fallingHair(asked: LookAsked): Promise<JobResult<HairOnHead>>;
  guessRange(asked: LookAsked): Promise<JobResult<GuessRange>>;
  /** All of it at once, for a file. */
  judge(inputs: PlanInputs): Promise<JobResult<Judged>>;
  /** Of the second against the first, at every vertex of the second. */
  lookDifference(asked: {
    readonly first: ShownOnHead;
    readonly second: ShownOnHead;
  }): Promise<JobResult<Float32Array>>;
  why(asked: LookAsked & { readonly at: DirectionDeg }): Promise<JobResult<WhyHere>>;
  /** What candidates of a best-use search come to; those that can't be laid come to nothing. */
  evaluateUses(asked: UsesAsked): Promise<JobResult<Array<UseFigures | undefined>>>;
  /** What a plan comes to on the head that ways with less are held against each other on. */
  lessFigures(inputs: PlanInputs): Promise<JobResult<LessFigures>>;
  /** Of steps in one direction the mildest that so many packs suffice for. */
  leastThatDoes(asked: LessAsked): Promise<JobResult<LessFound | undefined>>;
  /** How much of the scalp shows in a photo, and where. */
  photo(asked: PhotoOnHead): Promise<JobResult<PhotoMeasured>>;
  guessesFromPhoto(asked: LookAsked & { readonly said: PhotoSaid }): Promise<JobResult<GuessesFound>>;
  /** Of steps in one direction the mildest that what is left suffices for. */
  leastFromHere(asked: FromHereAsked): Promise<JobResult<FromHereFound | undefined>>;
  /** What an install really was, row by row. */
  styleOf(asked: StyleAsked): Promise<JobResult<StyleFigures>>;
  /** What all of her styles say of her hands. */
  handsFrom(asked: {
    readonly styles: readonly StyleTold[];
    readonly said: Pace;
    readonly choices: HandsChoices;
  }): Promise<JobResult<HandsOfHers>>;
  /** The scalp cut and laid flat, with what lies on it. */
  template(asked: { readonly inputs: PlanInputs; readonly cut: PatternCut }): Promise<JobResult<PaperTemplate>>;
  headScene(inputs: HeadInputs): Promise<JobResult<HeadScene>>;
  /** The same for a head that is only held against hers. */
  sceneOf(inputs: HeadInputs): Promise<JobResult<HeadScene>>;
  tryEdit(asked: { readonly inputs: PlanInputs; readonly edit: BaseEdit }): JobResult<{ readonly why?: string }>;
  middleCut(asked: {
    readonly inputs: PlanInputs;
    readonly section: string;
    readonly way: 'across' | 'along';
  }): Promise<JobResult<DirectionDeg[]>>;
  flatten(inputs: PlanInputs): Promise<JobResult<Flattening>>;
  recommend(inputs: PlanInputs): Promise<JobResult<Candidate[]>>;
  measureEffects(inputs: PlanInputs): Promise<JobResult<MeasureEffect[]>>;
}

export function createJobs(): Jobs {
  const graph = planGraph();
  return {
    plan: (inputs) => attempt(() => planWithFindings(graph, inputs)),
    spacingStep: (inputs) => attempt(() => spacingStep(graph, inputs)),
    look: (asked) => attempt(() => lookTold(graph, asked)),
    lookAs: (asked) => attempt(() => graph.ask(asked).of(look)),
    fallingHair: async (asked) => {
      const { fallingHair } = await import('../core/plan/ask/falling-hair.ts');
      return attempt(() => fallingHair(graph, asked));
    },
    guessRange: async (asked) => {
      const { guessRange } = await import('../core/plan/ask/look-advice.ts');
      return attempt(() => guessRange(graph, asked));
    },
    judge: async (inputs) => {
      const { judge } = await import('../core/findings/judge.ts');
      return attempt(() => judge(graph, inputs));
    },
    lookDifference: async ({ first, second }) => {
      const { lookDifference } = await import('../core/cover/difference.ts');
      return attempt(() => lookDifference(first, second));
    },
    why: async (asked) => {
      const { whyHere } = await import('../core/plan/ask/look-advice.ts');
      return attempt(() => whyHere(graph, asked));
    },
    evaluateUses: async (asked) => {
      const { evaluateUses } = await import('../core/search/evaluate.ts');
      return attempt(() => evaluateUses(asked));
    },
    lessFigures: async (inputs) => {
      const less = await import('../core/search/less.ts');
      return attempt(() => less.lessFigures(inputs));
    },
    leastThatDoes: async (asked) => {
      const less = await import('../core/search/less.ts');
      return attempt(() => less.leastThatDoes(asked));
    },
    photo: async (asked) => {
      const { photoOnHead } = await import('../core/photo/on-head.ts');
      return attempt(() => photoOnHead(asked));
    },
    guessesFromPhoto: async ({ said, ...asked }) => {
      const { guessesFromPhoto } = await import('../core/plan/ask/guesses-from-photo.ts');
      return attempt(() => guessesFromPhoto(graph, asked, said));
    },
    leastFromHere: async (asked) => {
      const { leastFromHere } = await import('../core/search/from-here.ts');
      return attempt(() => leastFromHere(asked));
    },
    styleOf: async (asked) => {
      const { styleOf } = await import('../core/plan/ask/style.ts');
      return attempt(() => styleOf(graph, asked));
    },
    handsFrom: async ({ styles, said, choices }) => {
      const { handsFrom } = await import('../core/hands/hers.ts');
      return attempt(() => handsFrom(styles, said, choices));
    },
    template: async (asked) => {
      const { paperTemplate } = await import('../core/plan/ask/paper-template.ts');
      return attempt(() => paperTemplate(graph, asked));
    },
    headScene: sculpted,
    sceneOf: sculpted,
    tryEdit: ({ inputs, edit }) => attempt(() => tryEdit(graph, inputs, edit)),
    middleCut: ({ inputs, section, way }) => advised((a) => a.cutThrough(graph, inputs, section, way)),
    flatten: (inputs) => advised((a) => a.flatterParking(graph, inputs)),
    recommend: (inputs) => advised((a) => a.advisedBases(graph, inputs)),
    measureEffects: (inputs) => advised((a) => a.effectsOfMeasures(graph, inputs)),
  };
}

/** The bust comes with the picture that it is for: a browser without one never asks. */
async function sculpted(inputs: HeadInputs): Promise<JobResult<HeadScene>> {
  const { headScene } = await import('../core/plan/ask/scene.ts');
  return attempt(() => headScene(inputs));
}

/** What is seldom asked for comes when it is asked for the first time. */
async function advised<T>(compute: (advice: typeof import('../core/plan/ask/advice.ts')) => T): Promise<JobResult<T>> {
  const advice = await import('../core/plan/ask/advice.ts');
  return attempt(() => compute(advice));
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
