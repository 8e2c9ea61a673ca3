/** Which stretches of a level are laid as rows. */
import type { SurfaceCurve } from '../../geometry/index.ts';

/** Mean of a value over `reach` mm of the curve to both sides. */
export function smoothAlong(curve: SurfaceCurve, reach: number, valueAt: (i: number) => number): Float64Array {
  const n = curve.pointCount;
  const values = new Float64Array(n);
  for (let i = 0; i < n; i++) values[i] = valueAt(i);
  const out = new Float64Array(n);
  let lo = 0;
  let hi = -1;
  let sum = 0;
  for (let i = 0; i < n; i++) {
    while (hi + 1 < n && curve.arcMm[hi + 1] <= curve.arcMm[i] + reach) sum += values[++hi];
    while (curve.arcMm[lo] < curve.arcMm[i] - reach) sum -= values[lo++];
    out[i] = sum / (hi - lo + 1);
  }
  return out;
}

export function runsToLay(
  curve: SurfaceCurve,
  keep: boolean[],
  clip: (curve: SurfaceCurve, i: number) => boolean,
  quarter: number,
  pitch: number,
) {
  const inserted = quarter % 4 !== 0;
  const complete = keep.every(Boolean);
  const last = curve.pointCount - 1;
  let runs = runsOf(keep);
  runs = mergeNear(curve, runs, 2 * pitch);
  const reach = (inserted ? 1.25 : 2) * pitch;
  runs = runs.map(([from, to]): [number, number] => [
    !curve.closed && curve.arcMm[from] < reach ? 0 : from,
    !curve.closed && curve.lengthMm - curve.arcMm[to] < reach ? last : to,
  ]);
  const length = ([from, to]: [number, number]) => curve.arcMm[to] - curve.arcMm[from];
  const before = runs.length;
  if (!complete) runs = runs.filter((run) => length(run) >= 2 * pitch);
  const clipped = runs.flatMap(([from, to]) => clipRun(curve, from, to, clip));
  const kept = clipped.filter((run) => isWholeRing(curve, run) || length(run) >= 1.5 * pitch);
  return { runs: kept, dropped: before - runs.length + clipped.length - kept.length };
}

function isWholeRing(curve: SurfaceCurve, [from, to]: [number, number]): boolean {
  return curve.closed && from === 0 && to === curve.pointCount - 1;
}

export function runsOf(on: boolean[]): Array<[number, number]> {
  const runs: Array<[number, number]> = [];
  let from = -1;
  for (let i = 0; i <= on.length; i++) {
    if (i < on.length && on[i]) {
      if (from < 0) from = i;
    } else if (from >= 0) {
      runs.push([from, i - 1]);
      from = -1;
    }
  }
  return runs;
}

function mergeNear(curve: SurfaceCurve, runs: Array<[number, number]>, gap: number): Array<[number, number]> {
  const merged: Array<[number, number]> = [];
  for (const run of runs) {
    const last = merged[merged.length - 1];
    if (last && curve.arcMm[run[0]] - curve.arcMm[last[1]] < gap) last[1] = run[1];
    else merged.push([...run]);
  }
  return merged;
}

function clipRun(
  curve: SurfaceCurve,
  from: number,
  to: number,
  clip: (curve: SurfaceCurve, i: number) => boolean,
): Array<[number, number]> {
  const on: boolean[] = [];
  for (let i = from; i <= to; i++) on.push(!clip(curve, i));
  return runsOf(on).map(([a, b]): [number, number] => [a + from, b + from]);
}
