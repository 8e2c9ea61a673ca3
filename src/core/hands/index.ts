/** What she has shown of her hands: pace, spacing, how much is enough, what her strands are like; each with how sure it is. */
export {
  type AmountOfHers,
  amountPrior,
  type CountedRow,
  ENOUGH_DIFFERS,
  enoughLearned,
  type SpacingOfHers,
  spacingLearned,
  spacingPrior,
  strandsLearned,
} from './amounts.ts';
export {
  type HandsChoices,
  type HandsOfHers,
  handsFrom,
  handsUsed,
  LEARNED,
  type LearnedChoice,
  type LearnedName,
  type StyleTold,
} from './hers.ts';
export { type Learned, learn, type Observation, type Posterior, type Prior, spreadOf, toldOf } from './mixed.ts';
export {
  type PaceInPlan,
  type PaceOfHers,
  type PaceOfKind,
  paceEffects,
  paceFrom,
  paceInPlan,
  paceLearned,
  pacePrior,
  secondsOfHers,
  type TimedKnots,
} from './pace.ts';
