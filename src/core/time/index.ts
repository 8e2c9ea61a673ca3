/** Minutes at her pace, and the days they fall on. */
export {
  daysFrom,
  daysLater,
  laterDay,
  latestStart,
  workDays,
  workDaysUntil,
} from './dates.ts';
export { estimateTime, type TimeEstimate, type TimeGroup } from './estimate.ts';
export {
  type Evening,
  type EveningHabit,
  eveningFor,
  overEvenings,
  spanOf,
  type Task,
} from './evenings.ts';
export { knotSeconds } from './seconds.ts';
export { snipSeconds, takedownMinutes } from './takedown.ts';
export { wholeMinutes } from './whole-minutes.ts';
