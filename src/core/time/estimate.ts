/** Hours as the sum of what is done, step by step: there is no other total. Her own pace replaces common practice. */
import { type HowKnown, likelyAround } from '../trade/index.ts';

export interface TimeEstimate {
  readonly baseMinutes: number;
  /** The cap put on, its border, part and anchors, and what is cut of it. */
  readonly capMinutes: number;
  /** Splitting, cutting, curling before the first knot. */
  readonly prepareMinutes: number;
  readonly knotMinutes: number;
  /** Looks between, opening and smoothing what is in, separating, trimming the outline. */
  readonly finishMinutes: number;
  readonly totalMinutes: number;
  /** Waiting that may be spent on something else, beside the total. */
  readonly waitingMinutes: number;
  readonly range: readonly [low: number, high: number];
  /** What common practice would tell in place of her own pace; undefined where that is what is told. */
  readonly plainMinutes: number | undefined;
  /** How sure her own pace is for this style, standard deviation of the logarithm; undefined where common practice is told. */
  readonly paceSd: number | undefined;
  readonly takedownMinutes: number;
  readonly takedownRange: readonly [low: number, high: number];
}

/** What a step's minutes count towards. */
export type TimeGroup = 'cap' | 'prepare' | 'knots' | 'finish';

/** @param minutes of base and work list as they are told, whole; @param takedown at her pace @param known what her own pace is known from: knots of a test row, and how sure it is after earlier styles */
export function estimateTime(
  baseMinutes: readonly number[],
  steps: ReadonlyArray<{ readonly group: TimeGroup; readonly minutes: number; readonly waitMinutes: number }>,
  takedown: number,
  known: HowKnown & { readonly plainMinutes?: number | undefined } = { knotsTimed: 0, paceSd: undefined },
): TimeEstimate {
  const sum = (group: TimeGroup) => steps.reduce((s, x) => s + (x.group === group ? x.minutes : 0), 0);
  const base = baseMinutes.reduce((a, b) => a + b, 0);
  const totalMinutes = base + steps.reduce((s, x) => s + x.minutes, 0);
  const takedownMinutes = Math.round(takedown);
  return {
    baseMinutes: base,
    capMinutes: sum('cap'),
    prepareMinutes: sum('prepare'),
    knotMinutes: sum('knots'),
    finishMinutes: sum('finish'),
    totalMinutes,
    waitingMinutes: steps.reduce((s, x) => s + x.waitMinutes, 0),
    range: likelyAround(totalMinutes, known),
    plainMinutes: known.plainMinutes,
    paceSd: known.paceSd,
    takedownMinutes,
    takedownRange: likelyAround(takedownMinutes, { knotsTimed: 0, paceSd: known.paceSd }),
  };
}
