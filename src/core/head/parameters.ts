/**
 * The eight numbers that shape a head, each log-normal about a prior median.
 * Medians and spreads of size and elongation put the unmeasured head among the women of Gordon et al. 1989 (from memory,
 * see norms.ts); the others are from memory of adult head surveys, unchecked. `head/fit` moves them to her tape.
 * The soft limit (tanh) keeps every head within 3.5 prior deviations, so that no input makes a monster.
 */
import { exp, log, tanh } from '../numerics/index.ts';

export interface HeadParameter {
  readonly name: string;
  readonly meaning: string;
  readonly median: number;
  readonly logSd: number;
}

export const HEAD_PARAMETERS: readonly HeadParameter[] = [
  { name: 'size', meaning: 'root of half length × half breadth, mm', median: 84.3, logSd: 0.04 },
  { name: 'elongation', meaning: 'length / breadth', median: 1.297, logSd: 0.041 },
  { name: 'height', meaning: 'crown above the widest plane / size', median: 1.22, logSd: 0.045 },
  {
    name: 'frontHeight',
    meaning: 'middle of the front hairline above the widest plane / size',
    median: 0.546,
    logSd: 0.13,
  },
  { name: 'napeDrop', meaning: 'middle of the nape hairline below the widest plane / size', median: 0.82, logSd: 0.1 },
  { name: 'napeWidth', meaning: 'half angle of the nape hairline about the axis, rad', median: 0.96, logSd: 0.1 },
  { name: 'temple', meaning: 'azimuth of the temple from the face, rad', median: 0.93, logSd: 0.08 },
  { name: 'earDrop', meaning: 'top of the ear below the widest plane / size', median: 0.198, logSd: 0.15 },
];

/** Size of the head that lengths of the method are told for: zones, marks and the bust scale with hers over it. It stays whatever the prior is, mm. */
export const REFERENCE_SIZE_MM = 88.05;

/** Standard scores beyond which the soft limit flattens. */
const SOFT_LIMIT = 3.5;

/** Standard scores (0 is the prior head) to parameter values. */
export function parametersFromScores(scores: ArrayLike<number>): Float64Array {
  return Float64Array.from(HEAD_PARAMETERS, (p, i) => {
    const limited = SOFT_LIMIT * tanh((scores[i] ?? 0) / SOFT_LIMIT);
    return p.median * exp(p.logSd * limited);
  });
}

/** The scores of some parameters by their values; 0 for those that are not said. */
export function scoresOf(values: Readonly<Partial<Record<string, number>>>): Float64Array {
  return Float64Array.from(HEAD_PARAMETERS, ({ name, median, logSd }) => {
    const value = values[name];
    if (value === undefined) return 0;
    const score = log(value / median) / logSd;
    return Math.max(-0.9 * SOFT_LIMIT, Math.min(0.9 * SOFT_LIMIT, score));
  });
}
