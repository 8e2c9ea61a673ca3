/**
 * The head that fits her tape: nonlinear least squares (Levenberg 1944, Marquardt 1963) over the given
 * measures, with the prior of every shape number as one more observation. What was not measured comes out
 * with a spread; a reading that contradicts the others is found by leaving each out in turn, because plain
 * residuals are damped by the prior.
 */
import { identity, solveSymmetric } from '../numerics/index.ts';
import { TAPE_INFO, TAPE_MEASURES, type TapeMeasure } from '../trade/index.ts';
import { HEAD_PARAMETERS } from './parameters.ts';
import { headShape } from './shape.ts';
import { tapeReadings } from './tape.ts';

export type TapeValuesMm = Partial<Readonly<Record<TapeMeasure, number>>>;
/** Standard deviation of each value, mm, where it is not that of one careful reading. */
export type TapeSpreadsMm = TapeValuesMm;

export interface MeasureFit {
  readonly measure: TapeMeasure;
  /** What she read, mm; undefined where it was estimated. */
  readonly givenMm?: number;
  /** Standard deviation of what she read, mm. */
  readonly readSdMm: number;
  readonly fittedMm: number;
  /** Standard deviation of the fitted value, mm. */
  readonly sdMm: number;
  /** What the other measures alone suggest, with its spread; only for given measures. */
  readonly othersSuggestMm?: number;
  readonly othersSdMm?: number;
  /** (given - suggested) in standard deviations. */
  readonly contradiction?: number;
  /** An error below this can't be told from a head of another shape, mm; only for given measures. */
  readonly unseenBelowMm?: number;
  /** Chi square of the fit to the others alone, where it was worked out. */
  readonly othersChiSquare?: number;
}

export interface HeadFit {
  readonly scores: Float64Array;
  readonly measures: readonly MeasureFit[];
  /** Sum of squared residuals in standard deviations, prior included. */
  readonly chiSquare: number;
  readonly converged: boolean;
  readonly iterations: number;
  /** The measure that contradicts the others most, if one does. */
  readonly contradictory?: TapeMeasure;
  /** One or two measures, rare as they are or together: none can be told to be the wrong one. */
  readonly isUnusual: boolean;
  /** How the eight scores follow each given measure: d score / d mm. */
  readonly scoresPerMm: Readonly<Partial<Record<TapeMeasure, Float64Array>>>;
}

/** Contradiction, in standard deviations, from which a measure is named. Tried out on 40 mm errors in each. */
export const CONTRADICTION_LIMIT = 2.4;
/** With fewer measures nobody knows which one is wrong. */
const ENOUGH_TO_TELL = 3;
/** Above this the readings can't belong to one head. */
export const REFUSE_CHI_SQUARE = 30;
/** A linear estimate below this is not refitted: it can't reach the limit. */
const REFIT_FROM = 1.2;
const N = HEAD_PARAMETERS.length;
const STEP = 1e-3;
const MAX_ITERATIONS = 40;

interface Tape {
  readonly given: TapeValuesMm;
  readonly sd: (measure: TapeMeasure) => number;
}

interface Solution {
  readonly scores: Float64Array;
  readonly fitted: Float64Array;
  readonly chiSquare: number;
  readonly converged: boolean;
  readonly iterations: number;
  /** d reading / d score for all six measures, 6 × 8 row by row. */
  readonly jacobian: Float64Array;
  /** Posterior covariance of the scores, 8 × 8. */
  readonly covariance: Float64Array;
}

/**
 * @param given means of her readings, mm, within the limits of an adult head.
 * @param spreads of those means, mm; that of one careful reading where left out.
 * @param trusted measures that she insists on: never named as the wrong one.
 */
export function fitHead(
  given: TapeValuesMm,
  spreads: TapeSpreadsMm = {},
  trusted: readonly TapeMeasure[] = [],
): HeadFit {
  const tape: Tape = { given, sd: (m) => spreads[m] ?? TAPE_INFO[m].readingSdMm };
  const all = solveFit(tape, new Float64Array(N));
  const measures = TAPE_MEASURES.map((measure, row): MeasureFit => {
    const readSdMm = tape.sd(measure);
    const base = { measure, readSdMm, fittedMm: all.fitted[row], sdMm: predictedSd(all, row) };
    const value = given[measure];
    if (value === undefined) return base;
    const others = leaveOut(tape, all, measure, row, value);
    const unseenBelowMm = CONTRADICTION_LIMIT * Math.sqrt(readSdMm ** 2 + others.othersSdMm ** 2);
    return { ...base, givenMm: value, ...others, unseenBelowMm };
  });
  const worst = measures
    .filter((m) => Math.abs(m.contradiction ?? 0) > CONTRADICTION_LIMIT && !trusted.includes(m.measure))
    .sort((a, b) => Math.abs(b.contradiction ?? 0) - Math.abs(a.contradiction ?? 0))[0];
  const canTell = Object.values(given).filter((v) => v !== undefined).length >= ENOUGH_TO_TELL;
  // What contradicts only the one that she insists on is not named in its place.
  const named = worst && (trusted.length === 0 || stillOff(given, spreads, trusted, worst.measure));
  return {
    scores: all.scores,
    measures,
    chiSquare: all.chiSquare,
    converged: all.converged,
    iterations: all.iterations,
    scoresPerMm: Object.fromEntries(
      TAPE_MEASURES.flatMap((m, row) => (given[m] === undefined ? [] : [[m, pull(tape, all, m, row)] as const])),
    ),
    ...(worst && named && canTell ? { contradictory: worst.measure } : {}),
    isUnusual: worst !== undefined && !canTell,
  };
}

function stillOff(
  given: TapeValuesMm,
  spreads: TapeSpreadsMm,
  trusted: readonly TapeMeasure[],
  measure: TapeMeasure,
): boolean {
  const others = Object.fromEntries(Object.entries(given).filter(([m]) => !trusted.includes(m as TapeMeasure)));
  return fitHead(others, spreads).contradictory === measure;
}

/** d score / d reading = covariance × d reading / d score over its variance, at the minimum. */
function pull(tape: Tape, all: Solution, measure: TapeMeasure, row: number): Float64Array {
  return Float64Array.from({ length: N }, (_, i) => {
    let sum = 0;
    for (let j = 0; j < N; j++) sum += all.covariance[i * N + j] * all.jacobian[row * N + j];
    return sum / tape.sd(measure) ** 2;
  });
}

function leaveOut(tape: Tape, all: Solution, measure: TapeMeasure, row: number, value: number) {
  const sd = tape.sd(measure);
  // Linear estimate first (the deleted residual r / (1 - h)); a real refit only where it could matter.
  const leverage = Math.min(0.999, predictedSd(all, row) ** 2 / (sd * sd));
  const residual = value - all.fitted[row];
  const linearSpread = sd / Math.sqrt(1 - leverage);
  const linear = residual / (1 - leverage) / linearSpread;
  if (Math.abs(linear) < REFIT_FROM) {
    return {
      othersSuggestMm: value - residual / (1 - leverage),
      othersSdMm: Math.sqrt(Math.max(0, linearSpread ** 2 - sd * sd)),
      contradiction: linear,
    };
  }
  const { [measure]: _, ...others } = tape.given;
  const without = solveFit({ ...tape, given: others }, all.scores);
  const othersSdMm = predictedSd(without, row);
  const othersSuggestMm = without.fitted[row];
  const contradiction = (value - othersSuggestMm) / Math.sqrt(sd * sd + othersSdMm * othersSdMm);
  return { othersSuggestMm, othersSdMm, contradiction, othersChiSquare: without.chiSquare };
}

function predictedSd(solution: Solution, row: number): number {
  let variance = 0;
  for (let i = 0; i < N; i++) {
    for (let j = 0; j < N; j++) {
      variance += solution.jacobian[row * N + i] * solution.covariance[i * N + j] * solution.jacobian[row * N + j];
    }
  }
  return Math.sqrt(Math.max(0, variance));
}

function solveFit(tape: Tape, start: Float64Array): Solution {
  let scores = start.slice();
  let fitted = tapeReadings(headShape(scores));
  let cost = chiSquare(tape, scores, fitted);
  let damping = 1e-3;
  let converged = false;
  let iterations = 0;
  let jacobian = differentiate(scores, fitted);
  while (!converged && iterations < MAX_ITERATIONS) {
    iterations++;
    const { normal, gradient } = normalEquations(tape, scores, fitted, jacobian);
    const damped = normal.slice();
    for (let i = 0; i < N; i++) damped[i * N + i] *= 1 + damping;
    const step = solveSymmetric(damped, gradient, N);
    const trial = scores.map((q, i) => q + step[i]);
    const trialFitted = tapeReadings(headShape(trial));
    const trialCost = chiSquare(tape, trial, trialFitted);
    if (trialCost < cost) {
      converged = cost - trialCost < 1e-4;
      scores = trial;
      fitted = trialFitted;
      cost = trialCost;
      damping = Math.max(1e-9, damping / 10);
      jacobian = differentiate(scores, fitted);
    } else {
      damping *= 10;
      converged = damping > 1e6;
    }
  }
  const { normal } = normalEquations(tape, scores, fitted, jacobian);
  const covariance = solveSymmetric(normal, identity(N), N);
  return { scores, fitted, chiSquare: cost, converged, iterations, jacobian, covariance };
}

function chiSquare({ given, sd }: Tape, scores: Float64Array, fitted: Float64Array): number {
  let sum = 0;
  for (const q of scores) sum += q * q;
  TAPE_MEASURES.forEach((m, row) => {
    const value = given[m];
    if (value !== undefined) sum += ((fitted[row] - value) / sd(m)) ** 2;
  });
  return sum;
}

function differentiate(scores: Float64Array, fitted: Float64Array): Float64Array {
  const jacobian = new Float64Array(TAPE_MEASURES.length * N);
  for (let i = 0; i < N; i++) {
    const moved = scores.slice();
    moved[i] += STEP;
    const readings = tapeReadings(headShape(moved));
    for (let row = 0; row < readings.length; row++) jacobian[row * N + i] = (readings[row] - fitted[row]) / STEP;
  }
  return jacobian;
}

/** Gauss-Newton normal matrix and downhill gradient of half the chi square. */
function normalEquations({ given, sd }: Tape, scores: Float64Array, fitted: Float64Array, jacobian: Float64Array) {
  const normal = identity(N);
  const gradient = scores.map((q) => -q);
  TAPE_MEASURES.forEach((m, row) => {
    const value = given[m];
    if (value === undefined) return;
    const weight = 1 / sd(m) ** 2;
    for (let i = 0; i < N; i++) {
      const ji = jacobian[row * N + i] * weight;
      gradient[i] += ji * (value - fitted[row]);
      for (let j = 0; j < N; j++) normal[i * N + j] += ji * jacobian[row * N + j];
    }
  });
  return { normal, gradient };
}
