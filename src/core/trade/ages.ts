/** How a style ages. */
import type { Grip } from './textures.ts';

export const AGES = ['finished', 'beforeOpening', 'firstWeek'] as const;

export type Age = (typeof AGES)[number];

/** How far a style has come since it was finished, in weeks of one to which nothing happened. */
export interface Aged {
  readonly mattedWeeks: number;
  readonly creptWeeks: number;
  /** Of fuzz that no one has pulled or trimmed. */
  readonly fuzzWeeks: number;
}

/** At an age that has a name, or as far as days and notes have brought it. */
export type LookAge = Age | Aged;

export const agedOf = (age: LookAge): Aged => {
  if (typeof age !== 'string') return age;
  const weeks = age === 'firstWeek' ? 1 : 0;
  return { mattedWeeks: weeks, creptWeeks: weeks, fuzzWeeks: weeks };
};

/** After a week strands are this wide against fresh ones: they mat together (guess). */
const MATTED_WIDTH = 0.85;
/** Matted right through they are no narrower than this (guess). */
const LEAST_WIDTH = 0.5;

/** Width of strands against fresh ones. */
export const mattedWidth = ({ mattedWeeks }: Aged): number =>
  Math.max(LEAST_WIDTH, 1 - (1 - MATTED_WIDTH) * mattedWeeks);

/** Hair stands off by so much more after a week of fuzz, and by no more than that (guesses). */
const FUZZ_STANDS_OFF = 0.08;
const MOST_FUZZ = 0.4;

/** How loosely it lies against hair that is tidied. */
export const fuzzLoft = ({ fuzzWeeks }: Aged): number => 1 + Math.min(MOST_FUZZ, FUZZ_STANDS_OFF * fuzzWeeks);

/** How far knots creep down in a week, mm (guess). */
const SLIP_MM: Readonly<Record<Grip, number>> = { grips: 1, some: 2, smooth: 4 };
/** What has crept so long holds nothing any more: it is hooked anew (guess). */
const MOST_CREPT_WEEKS = 5;

export const crept = ({ creptWeeks }: Aged, grip: Grip): number =>
  SLIP_MM[grip] * Math.min(MOST_CREPT_WEEKS, creptWeeks);
