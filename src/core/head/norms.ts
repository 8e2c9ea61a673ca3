/**
 * Where a head stands among measured ones. Means and standard deviations: C. C. Gordon et al., "1988
 * Anthropometric Survey of U.S. Army Personnel: Summary Statistics", NATICK/TR-89/044, 1989; quoted from
 * memory, unchecked. Soldiers of one country: other populations differ, and caps are sold by label anyway.
 */
import { exp } from '../numerics/index.ts';
import type { HeadShape } from './shape.ts';

export interface NormValue {
  readonly meanMm: number;
  readonly sdMm: number;
}

export const NORM_SOURCE = 'US Army survey of 1988 (Gordon et al. 1989), from memory';

/** Only dimensions whose path agrees with one that is worked out here. */
export const HEAD_NORMS = {
  girth: { women: { meanMm: 546, sdMm: 15.5 }, men: { meanMm: 568, sdMm: 15.4 } },
  length: { women: { meanMm: 187, sdMm: 6.4 }, men: { meanMm: 197, sdMm: 7.1 } },
  breadth: { women: { meanMm: 144, sdMm: 5.4 }, men: { meanMm: 152, sdMm: 5.4 } },
} as const satisfies Record<string, { women: NormValue; men: NormValue }>;
export type NormDimension = keyof typeof HEAD_NORMS;

export interface Standing {
  readonly dimension: NormDimension;
  readonly mm: number;
  /** Of a hundred women, so many have less; and of a hundred men. */
  readonly ofWomen: number;
  readonly ofMen: number;
}

/** Share of a normal distribution below z: Abramowitz and Stegun 26.2.17, error below 7.5e-8. */
export function normalShareBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - tail : tail;
}

export function standings(head: HeadShape, girthMm: number): Standing[] {
  const values: Readonly<Record<NormDimension, number>> = {
    girth: girthMm,
    length: 2 * head.halfLengthMm,
    breadth: 2 * head.halfBreadthMm,
  };
  const of = (value: number, norm: NormValue) => Math.round(100 * normalShareBelow((value - norm.meanMm) / norm.sdMm));
  return (Object.keys(HEAD_NORMS) as NormDimension[]).map((dimension) => ({
    dimension,
    mm: values[dimension],
    ofWomen: of(values[dimension], HEAD_NORMS[dimension].women),
    ofMen: of(values[dimension], HEAD_NORMS[dimension].men),
  }));
}
