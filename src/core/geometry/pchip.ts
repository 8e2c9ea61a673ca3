/**
 * Monotone cubic interpolation: no overshoot between knots.
 * Source: F. N. Fritsch and R. E. Carlson, "Monotone piecewise cubic interpolation", SIAM J. Numer. Anal. 17
 * (1980), with the harmonic-mean slopes of F. N. Fritsch and J. Butland (1984).
 */
export interface Pchip {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  readonly slopes: Float64Array;
}

/** @param xs strictly rising. Slopes at both ends are zero: the curve continues as its mirror image. */
export function pchip(xs: readonly number[], ys: readonly number[]): Pchip {
  const n = xs.length;
  const slopes = new Float64Array(n);
  for (let i = 1; i < n; i++) {
    if (!(xs[i] > xs[i - 1])) throw new RangeError(`pchip needs rising x, got ${xs[i - 1]} then ${xs[i]}`);
  }
  for (let i = 1; i < n - 1; i++) {
    const before = (ys[i] - ys[i - 1]) / (xs[i] - xs[i - 1]);
    const after = (ys[i + 1] - ys[i]) / (xs[i + 1] - xs[i]);
    if (before * after <= 0) continue;
    const w1 = 2 * (xs[i + 1] - xs[i]) + (xs[i] - xs[i - 1]);
    const w2 = xs[i + 1] - xs[i] + 2 * (xs[i] - xs[i - 1]);
    slopes[i] = (w1 + w2) / (w1 / before + w2 / after);
  }
  return { xs: Float64Array.from(xs), ys: Float64Array.from(ys), slopes };
}

export function evaluatePchip(curve: Pchip, x: number): number {
  const { xs, ys, slopes } = curve;
  const last = xs.length - 1;
  if (x <= xs[0]) return ys[0];
  if (x >= xs[last]) return ys[last];
  let i = 0;
  while (x > xs[i + 1]) i++;
  const h = xs[i + 1] - xs[i];
  const t = (x - xs[i]) / h;
  const u = 1 - t;
  return (
    ys[i] * (1 + 2 * t) * u * u +
    slopes[i] * h * t * u * u +
    ys[i + 1] * (3 - 2 * t) * t * t -
    slopes[i + 1] * h * t * t * u
  );
}
