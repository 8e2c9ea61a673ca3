/** The graph that a plan is worked out by, and questions beyond the plan. */
export { coverRange } from './ask/cover-range.ts';
export {
  type EveningsPlan,
  type EveningsWish,
  eveningsOf,
  type FinishBy,
  takedownDay,
} from './ask/evenings.ts';
export { fallingHair } from './ask/falling-hair.ts';
export type { GuessesFound, PhotoSaid } from './ask/guesses-from-photo.ts';
export { type HoursLine, hoursBy } from './ask/hours.ts';
export { guessRange } from './ask/look-advice.ts';
export { type Missing, missingOf, neededBeside, neededWords } from './ask/needed.ts';
export { type PaperTemplate, paperTemplate } from './ask/paper-template.ts';
export { capOutside, type HeadScene } from './ask/scene.ts';
export { type SpacingStep, spacingStep } from './ask/spacing-step.ts';
export type { StyleAsked } from './ask/style.ts';
export { tryEdit } from './ask/try-edit.ts';
export { FINE_MESH, type HeadInputs, type PlanInputs } from './inputs.ts';
export { hidden, hiddenIn, look, thickness } from './look.ts';
export type { GuessRange, HairOnHead, Look, LookAsked, ToldPatch, WhyHere } from './look-result.ts';
export { plan } from './plan.ts';
export type { Plan } from './result.ts';
export { type PlanGraph, planGraph, stage } from './stages/stage.ts';
