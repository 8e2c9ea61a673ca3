/** The best use of the hair at hand. */
export { meritOfUse, stopsHelping, type TradePoint, type UseAim, type UseFigures, type UseLimits } from './best-use.ts';
export type { UsesAsked } from './evaluate.ts';
export type { FromHereAsked, FromHereFigures, FromHereFound } from './from-here.ts';
export type { LessAsked, LessFigures, LessFound } from './less.ts';
export { type Genome, type Merit, Search } from './search.ts';
export {
  type Allowed,
  beyondUsual,
  type Proposed,
  planWithUse,
  proposals,
  searchSpace,
  type UseSpace,
} from './use.ts';
