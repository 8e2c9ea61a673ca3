/** Short rows where a head is too wide for whole ones: one row a step becomes two, or four, or a half. */
import type { SurfaceMesh } from '../../geometry/index.ts';
import { triangleRatio } from './triangles.ts';

/** Gap ratios at which rows are put between or end. */
export const DYADIC = {
  quarters: 2.8,
  halves: 1.4,
  odd: 0.65,
  everyFourth: 0.325,
  insertedRunsOn: 0.93,
  removedComesBack: 1.04,
} as const;

/** Gap over target once the dyadic rule has put rows between or taken some away. */
export function gapAfterRule(ratio: number): number {
  if (ratio > DYADIC.quarters) return ratio / 4;
  if (ratio > DYADIC.halves) return ratio / 2;
  if (ratio < DYADIC.everyFourth) return ratio * 4;
  if (ratio < DYADIC.odd) return ratio * 2;
  return ratio;
}

/** Whole rows, and those levels between them that some triangle is stretched enough to want. */
export function quartersToTrace(
  mesh: SurfaceMesh,
  field: Float64Array,
  slope: Float64Array,
  spacingFactor: Float64Array,
  { first, step, gapMm, wholeRows }: { first: number; step: number; gapMm: number; wholeRows: number },
): number[] {
  const { triangles } = mesh;
  const last = 4 * (wholeRows - 1);
  const wanted = new Uint8Array(last + 1);
  for (let q = 0; q <= last; q += 4) wanted[q] = 1;
  const halves = DYADIC.halves * DYADIC.insertedRunsOn;
  const quarters = DYADIC.quarters * DYADIC.insertedRunsOn;
  for (let t = 0; t < mesh.triangleCount; t++) {
    const ratio = triangleRatio(mesh, slope, spacingFactor, t, step, gapMm);
    if (!(ratio > halves)) continue;
    const a = field[triangles[3 * t]];
    const b = field[triangles[3 * t + 1]];
    const c = field[triangles[3 * t + 2]];
    const from = Math.max(0, Math.ceil((4 * (Math.min(a, b, c) - first)) / step));
    const to = Math.min(last, Math.floor((4 * (Math.max(a, b, c) - first)) / step));
    for (let q = from; q <= to; q++) if (q % 2 === 0 || ratio > quarters) wanted[q] = 1;
  }
  const traced: number[] = [];
  wanted.forEach((yes, q) => {
    if (yes) traced.push(q);
  });
  return traced;
}

/** Where along a level the dyadic rule lays a row, with hysteresis so that rows don't flicker on and off. */
export function keptPoints(quarter: number, wholeRows: number, ratio: Float64Array): boolean[] {
  const row = quarter / 4;
  if (!Number.isInteger(row)) {
    const threshold = quarter % 2 === 0 ? DYADIC.halves : DYADIC.quarters;
    return grown(ratio, threshold, threshold * DYADIC.insertedRunsOn);
  }
  if (row % 4 === 0 || row === wholeRows - 1) return new Array(ratio.length).fill(true);
  const threshold = row % 2 === 1 ? DYADIC.odd : DYADIC.everyFourth;
  // Taken away where the gap is at most the threshold: the same growth, downwards.
  const removed = grown(ratio, threshold, threshold * DYADIC.removedComesBack, -1);
  return removed.map((gone) => !gone);
}

/** Points beyond `seed`, grown along the curve while they are beyond `grow`; upwards, or downwards with sign -1. */
function grown(values: Float64Array, seed: number, grow: number, sign: 1 | -1 = 1): boolean[] {
  const n = values.length;
  const on: boolean[] = new Array(n);
  const isBeyond = (v: number, limit: number) => (sign > 0 ? v > limit : v <= limit);
  for (let i = 0; i < n; i++) on[i] = isBeyond(values[i], seed) || (i > 0 && on[i - 1] && isBeyond(values[i], grow));
  for (let i = n - 2; i >= 0; i--) if (!on[i] && on[i + 1] && isBeyond(values[i], grow)) on[i] = true;
  return on;
}
