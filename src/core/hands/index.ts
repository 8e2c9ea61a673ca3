/** What she has shown of her hands: pace, spacing, how much is enough, what her strands are like; each with how sure it is. */
export type { CountedRow } from './amounts.ts';
export {
  type HandsChoices,
  type HandsOfHers,
  handsUsed,
  type LearnedChoice,
  type LearnedName,
  type StyleTold,
} from './hers.ts';
export { inColumns, type PaceInPlan, paceInPlan, secondsOfHers, type TimedColumns, type TimedKnots } from './pace.ts';
