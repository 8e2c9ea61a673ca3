/** Minutes at her pace. */
export { estimateTime, type TimeEstimate, type TimeGroup } from './estimate.ts';
export { knotSeconds } from './seconds.ts';
export { takedownMinutes } from './takedown.ts';
export { wholeMinutes } from './whole-minutes.ts';
