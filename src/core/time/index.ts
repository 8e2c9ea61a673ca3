/** Minutes at her pace. */
export { estimateTime, type TimeEstimate } from './estimate.ts';
export { knotSeconds } from './seconds.ts';
