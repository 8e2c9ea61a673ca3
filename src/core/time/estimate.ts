/** Hours from knots, base and finish. Seconds are common practice, no source; her own pace replaces them. */
import type { KnotKind, Through } from '../knots/rules.ts';

export const PACES = ['firstTime', 'some', 'practised'] as const;
export type Pace = (typeof PACES)[number];
export const PACE_FACTOR: Readonly<Record<Pace, number>> = { firstTime: 1.4, some: 1, practised: 0.7 };
export const PACE_NAMES: Readonly<Record<Pace, string>> = {
  firstTime: 'first time',
  some: 'a few times',
  practised: 'practised',
};

/** Seconds for one knot with the pace 'some'. */
export const KNOT_SECONDS = {
  base: 24,
  eachWrap: 7,
  lock: 6,
  oneLeg: 22,
  anchor: 18,
  hairInBite: 5,
  /** A ring or band taken off first. */
  loopOff: 12,
  /** Drawn under a band or between two turns of thread: it is found quickly, without net. */
  onBandOrRod: 6,
  /** Folded round a finger first. */
  fold: 8,
  backcomb: 10,
} as const;

/** Minutes after the last knot: separate, shake out, trim the outline. */
export const FINISH_MINUTES = 25;
/** How far a first estimate is off, as a share, to both sides (guess). */
export const TIME_SPREAD = 0.18;

export function knotSeconds(
  knot: { kind: KnotKind; wraps: number; lock: boolean; through: Through; backcomb?: boolean },
  piece: { readonly loopHasToComeOff: boolean; readonly secondsBefore: number },
  pace: Pace,
  /** Each piece is prepared as it comes. */
  preparedHere: boolean,
): number {
  const s = KNOT_SECONDS;
  const seconds =
    s.base +
    knot.wraps * s.eachWrap +
    (knot.lock ? s.lock : 0) +
    (knot.kind === 'oneLeg' ? s.oneLeg + (piece.loopHasToComeOff ? s.loopOff : 0) : 0) +
    (knot.kind === 'anchor' ? s.anchor : 0) +
    (knot.kind === 'fold' ? s.fold : 0) +
    (knot.kind === 'onBand' || knot.kind === 'onRod' ? s.onBandOrRod : knot.through === 'net' ? 0 : s.hairInBite) +
    (knot.backcomb ? s.backcomb : 0) +
    (preparedHere ? piece.secondsBefore : 0);
  return seconds * PACE_FACTOR[pace];
}

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
