/**
 * When it is done, from what she has done: her pace is a factor on the seconds that are told, the same for all knots but for
 * chance. What is known of others is mixed with her own knots by Bayes' rule, in logarithms, where both are normal.
 */
import { exp, log, normalQuantile } from '../numerics/index.ts';
import { PEOPLE_DIFFER } from '../trade/index.ts';
import type { InstallState } from './session.ts';

/** Four times in five. */
const Z = normalQuantile(0.9);
/** Others: within the factor that people differ by, four times in five. */
const OTHERS_VAR = (log(PEOPLE_DIFFER) / Z) ** 2;
/** One knot against the next in the same hands, standard deviation of the logarithm (guess). */
const KNOT_SD = 0.35;
/** What comes is another place, and hands tire: standard deviation of the logarithm (guess). */
const DRIFT_SD = 0.08;
/** A median is less sure than a mean by so much, but a phone call does not move it. */
const MEDIAN_COSTS = Math.PI / 2;
const FEWEST = 5;

export interface InstallForecast {
  readonly knotsToCome: number;
  readonly secondsToCome: number;
  /** Four times in five: narrower with every knot that was timed, never narrower than chance leaves it. */
  readonly secondsRange: readonly [low: number, high: number];
  /** Pieces left after the last knot; negative when they don't last. */
  readonly piecesOver: number;
  readonly fromOwnPace: boolean;
}

/** Her pace over the seconds that are told: median of what is likely, and variance, of the logarithm. */
function paceOf({ timed }: Pick<InstallState, 'timed'>, plannedSeconds: readonly number[]) {
  const ratios = timed
    .filter((t) => t.seconds > 0 && plannedSeconds[t.knot] > 0)
    .map((t) => log(t.seconds / plannedSeconds[t.knot]))
    .sort((a, b) => a - b);
  if (ratios.length < FEWEST) return { pace: 0, variance: OTHERS_VAR, isHers: false };
  const middle = ratios.length >> 1;
  const median = ratios.length % 2 === 1 ? ratios[middle] : (ratios[middle - 1] + ratios[middle]) / 2;
  // Told seconds are a mean: half of all knots are quicker than that.
  const hers = median + KNOT_SD ** 2 / 2;
  const own = (MEDIAN_COSTS * KNOT_SD ** 2) / ratios.length;
  return {
    pace: (hers * OTHERS_VAR) / (OTHERS_VAR + own),
    variance: (OTHERS_VAR * own) / (OTHERS_VAR + own),
    isHers: true,
  };
}

/** @param plannedSeconds of every knot in the order of work */
export function forecastInstall(
  state: Pick<InstallState, 'done' | 'timed' | 'piecesUsed'>,
  plannedSeconds: readonly number[],
  piecesAtHand: number,
): InstallForecast {
  const rest = plannedSeconds.slice(state.done.length);
  const { likely, factor, isHers } = toCome(state, plannedSeconds, rest);
  return {
    knotsToCome: rest.length,
    secondsToCome: likely,
    secondsRange: [likely / factor, likely * factor],
    piecesOver: piecesAtHand - state.piecesUsed - rest.length,
    fromOwnPace: isHers,
  };
}

/** What a stretch of knots takes, and the factor to either side. */
function toCome(state: Pick<InstallState, 'timed'>, plannedSeconds: readonly number[], stretch: readonly number[]) {
  const { pace, variance, isHers } = paceOf(state, plannedSeconds);
  const told = stretch.reduce((a, b) => a + b, 0);
  const squares = stretch.reduce((a, b) => a + b * b, 0);
  const chance = told > 0 ? ((exp(KNOT_SD ** 2) - 1) * squares) / told ** 2 : 0;
  const factor = exp(Z * Math.sqrt(variance + (isHers ? DRIFT_SD ** 2 + chance : 0)));
  return { likely: told * exp(pace), factor, isHers };
}

/** How many knots are in after so many more seconds: likely, and if she is as slow and as quick as is likely. */
export function knotsBy(
  state: Pick<InstallState, 'done' | 'timed'>,
  plannedSeconds: readonly number[],
  seconds: number,
): { readonly likely: number; readonly range: readonly [low: number, high: number] } {
  const rest = plannedSeconds.slice(state.done.length);
  const { likely, factor } = toCome(state, plannedSeconds, rest);
  const told = rest.reduce((a, b) => a + b, 0);
  const pace = told > 0 ? likely / told : 1;
  const after = (slower: number) => {
    let left = seconds / (pace * slower);
    let knots = state.done.length;
    for (const s of rest) {
      left -= s;
      if (left < 0) break;
      knots++;
    }
    return knots;
  };
  return { likely: after(1), range: [after(factor), after(1 / factor)] };
}
