/** What she has shown of her hands: pace, spacing, how much is enough, what her strands are like; each with how sure it is. */
export type { CountedRow } from './amounts.ts';
export { type PaceInPlan, secondsOfHers } from './at-her-pace.ts';
export {
  type HandsChoices,
  type HandsOfHers,
  handsUsed,
  type LearnedChoice,
  type LearnedName,
  type StyleTold,
} from './hers.ts';
export { inColumns, paceInPlan, type TimedColumns, type TimedKnots } from './pace.ts';
