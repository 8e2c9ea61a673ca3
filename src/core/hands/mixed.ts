/**
 * What is learned from one style to the next: a linear model whose effects have priors, whose styles differ among themselves, and
 * whose spread is unknown. All of it in closed form: normal–inverse-gamma regression with a random intercept for each style
 * (Lindley and Smith, Bayes Estimates for the Linear Model, JRSS B 34, 1972; Gelman et al., Bayesian Data Analysis, ch. 14 and 15;
 * from memory). Each style's own intercept is integrated out, so that the cost of a style grows with its observations alone.
 */
import { solveSymmetric, studentQuantile } from '../numerics/index.ts';

/** What is known before anything of hers is: an effect is normal about its mean; sd as spread of one observation is likely. */
export interface Prior {
  readonly mean: Float64Array;
  readonly sd: Float64Array;
  /** One style against the next in the same hands. */
  readonly styleSd: number;
  /** One observation against the next in one style, as likely as not; and as many observations as that is known from. */
  readonly spread: number;
  readonly spreadKnown: number;
}

/** One observation: its value, and the few effects that it has, each with its weight. */
export interface Observation {
  readonly y: number;
  readonly effects: ReadonlyArray<readonly [index: number, weight: number]>;
  /** Of so many together it is the mean: it spreads that much less. */
  readonly of: number;
}

export interface Posterior {
  readonly mean: Float64Array;
  /** Of the effects, in units of the squared spread; n × n. */
  readonly scale: Float64Array;
  /** Inverse gamma of the squared spread: shape and scale. */
  readonly shape: number;
  readonly rate: number;
  /** Of a style against the next, in units of the squared spread. */
  readonly styleScale: number;
  readonly observations: number;
}

/** @param styles observations of each style; an empty one says nothing */
export function learn(prior: Prior, styles: ReadonlyArray<readonly Observation[]>): Posterior {
  const n = prior.mean.length;
  const variance = prior.spread * prior.spread;
  const styleScale = (prior.styleSd * prior.styleSd) / variance;
  const precision = new Float64Array(n * n);
  const right = new Float64Array(n);
  let squares = 0;
  for (let i = 0; i < n; i++) {
    const known = variance / (prior.sd[i] * prior.sd[i]);
    precision[i * n + i] = known;
    right[i] = known * prior.mean[i];
    squares += known * prior.mean[i] * prior.mean[i];
  }
  let observations = 0;
  for (const style of styles) {
    squares += addStyle(style, styleScale, precision, right, n);
    observations += style.length;
  }
  const solved = solveSymmetric(precision, withIdentity(right, n), n);
  const mean = new Float64Array(n);
  const scale = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    mean[i] = solved[i * (n + 1)];
    for (let j = 0; j < n; j++) scale[i * n + j] = solved[i * (n + 1) + 1 + j];
  }
  let explained = 0;
  for (let i = 0; i < n; i++) explained += mean[i] * right[i];
  const shape = prior.spreadKnown / 2 + observations / 2;
  const rate = (prior.spreadKnown / 2) * variance + Math.max(0, squares - explained) / 2;
  return { mean, scale, shape, rate, styleScale, observations };
}

/** A style's sums, its own intercept integrated out: (I + v 1 1ᵀ)⁻¹ = I − v / (1 + m v) 1 1ᵀ. @returns what it adds to the squares */
function addStyle(
  style: readonly Observation[],
  v: number,
  precision: Float64Array,
  right: Float64Array,
  n: number,
): number {
  const sums = new Float64Array(n);
  let total = 0;
  let squares = 0;
  let count = 0;
  for (const { y, effects, of } of style) {
    count += of;
    total += of * y;
    squares += of * y * y;
    for (const [i, wi] of effects) {
      sums[i] += of * wi;
      right[i] += of * wi * y;
      for (const [j, wj] of effects) precision[i * n + j] += of * wi * wj;
    }
  }
  const c = v / (1 + count * v);
  for (let i = 0; i < n; i++) {
    if (sums[i] === 0) continue;
    right[i] -= c * sums[i] * total;
    for (let j = 0; j < n; j++) precision[i * n + j] -= c * sums[i] * sums[j];
  }
  return squares - c * total * total;
}

function withIdentity(right: Float64Array, n: number): Float64Array {
  const b = new Float64Array(n * (n + 1));
  for (let i = 0; i < n; i++) {
    b[i * (n + 1)] = right[i];
    b[i * (n + 1) + 1 + i] = 1;
  }
  return b;
}

/** What is learned of one sum of effects: the middle, and the range that holds it with a chance. */
export interface Learned {
  readonly middle: number;
  readonly low: number;
  readonly high: number;
  /** As a normal with the same range would have it. */
  readonly sd: number;
}

const TOLD = 0.8;

/**
 * @param effects the sum that is asked for @param anew a style that is still to come differs from her usual by its own intercept
 * @param chance of the range
 */
export function toldOf(
  { mean, scale, shape, rate, styleScale }: Posterior,
  effects: Observation['effects'],
  anew = false,
  chance = TOLD,
): Learned {
  const n = mean.length;
  let middle = 0;
  let variance = anew ? styleScale : 0;
  for (const [i, wi] of effects) {
    middle += wi * mean[i];
    for (const [j, wj] of effects) variance += wi * wj * scale[i * n + j];
  }
  const sd = Math.sqrt((rate / shape) * variance);
  const t = studentQuantile((1 + chance) / 2, 2 * shape);
  return { middle, low: middle - t * sd, high: middle + t * sd, sd };
}

/** One observation against the next in her hands: the middle of what is likely. */
export const spreadOf = ({ shape, rate }: Posterior): number => Math.sqrt(rate / shape);
