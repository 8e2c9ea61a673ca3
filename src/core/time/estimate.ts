/** Hours from knots, base and finish. Seconds are common practice, no source; her own pace replaces them. */
import { FINISH_MINUTES, PACE_FACTOR, type Pace, TIME_SPREAD } from '../trade/index.ts';

export interface TimeEstimate {
  readonly baseMinutes: number;
  readonly capMinutes: number;
  /** Splitting, cutting, curling before the first knot. */
  readonly prepareMinutes: number;
  readonly knotMinutes: number;
  /** Opening and smoothing what is in, separating, trimming the outline. */
  readonly finishMinutes: number;
  readonly totalMinutes: number;
  readonly range: readonly [low: number, high: number];
}

export function estimateTime(
  minutes: { readonly base: number; readonly cap: number; readonly prepare: number; readonly after: number },
  knotSecondsSum: number,
  pace: Pace,
): TimeEstimate {
  const factor = PACE_FACTOR[pace];
  const knotMinutes = knotSecondsSum / 60;
  const rest = minutes.base + minutes.cap + minutes.prepare + minutes.after + FINISH_MINUTES;
  const totalMinutes = factor * rest + knotMinutes;
  return {
    baseMinutes: factor * minutes.base,
    capMinutes: factor * minutes.cap,
    prepareMinutes: factor * minutes.prepare,
    knotMinutes,
    finishMinutes: factor * (FINISH_MINUTES + minutes.after),
    totalMinutes,
    range: [totalMinutes * (1 - TIME_SPREAD), totalMinutes * (1 + TIME_SPREAD)],
  };
}
