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

type Run = [number, number];

/** Shorter, in spacings, and a run is no row: one that the rule for short rows cut out, or one that closed places cut. */
const SHORTEST_CUT = 2;
const SHORTEST_CLIPPED = 1.5;
/** Shorter, it doesn't even hold a knot. */
const HOLDS_A_KNOT = 0.2;

/** Runs that are laid, and those too short for a row, which are laid only where nothing else lies near. */
export function runsToLay(
  curve: SurfaceCurve,
  keep: boolean[],
  clip: (curve: SurfaceCurve, i: number) => boolean,
  quarter: number,
  pitch: number,
): { readonly runs: Run[]; readonly tooShort: Run[] } {
  const inserted = quarter % 4 !== 0;
  const complete = keep.every(Boolean);
  const last = curve.pointCount - 1;
  const reach = (inserted ? 1.25 : 2) * pitch;
  const whole = mergeNear(curve, runsOf(keep), 2 * pitch).map(
    ([from, to]): Run => [
      !curve.closed && curve.arcMm[from] < reach ? 0 : from,
      !curve.closed && curve.lengthMm - curve.arcMm[to] < reach ? last : to,
    ],
  );
  const length = ([from, to]: Run) => curve.arcMm[to] - curve.arcMm[from];
  const runs: Run[] = [];
  const tooShort: Run[] = [];
  for (const run of whole) {
    const isCut = !complete && length(run) < SHORTEST_CUT * pitch;
    for (const part of clipRun(curve, run[0], run[1], clip)) {
      const isRow = !isCut && (isWholeRing(curve, part) || length(part) >= SHORTEST_CLIPPED * pitch);
      if (isRow) runs.push(part);
      else if (length(part) >= HOLDS_A_KNOT * pitch) tooShort.push(part);
    }
  }
  return { runs, tooShort };
}

function isWholeRing(curve: SurfaceCurve, [from, to]: Run): boolean {
  return curve.closed && from === 0 && to === curve.pointCount - 1;
}

export function runsOf(on: boolean[]): Run[] {
  const runs: Run[] = [];
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

function mergeNear(curve: SurfaceCurve, runs: Run[], gap: number): Run[] {
  const merged: Run[] = [];
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
): Run[] {
  const on: boolean[] = [];
  for (let i = from; i <= to; i++) on.push(!clip(curve, i));
  return runsOf(on).map(([a, b]): Run => [a + from, b + from]);
}
