/** Curves through key positions, and ropes of constant length laid along them. */

/** xyz one after the other; lengths in thicknesses of the rope. */
export type Points = Float64Array;

/** Samples on each stretch between two key positions. */
const FINE = 10;

/**
 * A smooth curve through key positions (Catmull and Rom, 1974; uniform; from memory).
 *
 * @param keys n × 3 @returns ((n − 1) × 10 + 1) × 3
 */
export function throughKeys(keys: readonly number[]): Points {
  const n = keys.length / 3;
  const out = new Float64Array(((n - 1) * FINE + 1) * 3);
  let o = 0;
  for (let i = 0; i + 1 < n; i++) {
    const [a, b, c, d] = [Math.max(0, i - 1), i, i + 1, Math.min(n - 1, i + 2)];
    for (let k = 0; k < FINE; k++) {
      const t = k / FINE;
      const t2 = t * t;
      const t3 = t2 * t;
      const [wa, wb, wc, wd] = [-t3 + 2 * t2 - t, 3 * t3 - 5 * t2 + 2, -3 * t3 + 4 * t2 + t, t3 - t2];
      for (let x = 0; x < 3; x++)
        out[o++] = (wa * keys[3 * a + x] + wb * keys[3 * b + x] + wc * keys[3 * c + x] + wd * keys[3 * d + x]) / 2;
    }
  }
  for (let x = 0; x < 3; x++) out[o++] = keys[3 * (n - 1) + x];
  return out;
}

/** Along a curve from its beginning, m. of its own unit. @param upTo index of the sample it is measured to */
export function lengthOf(curve: Points, upTo = curve.length / 3 - 1): number {
  let sum = 0;
  for (let i = 1; i <= upTo; i++) {
    const [dx, dy, dz] = [0, 1, 2].map((x) => curve[3 * i + x] - curve[3 * i - 3 + x]);
    sum += Math.sqrt(dx * dx + dy * dy + dz * dz);
  }
  return sum;
}

/**
 * Points that lie the same chord from one to the next along a curve: a rope of that length, whatever the curve does.
 *
 * @param out rows × 3, its first point is the curve's first @throws RangeError where the curve is too short
 */
export function layAlong(curve: Points, chord: number, out: Points): void {
  const rows = out.length / 3;
  out.set(curve.subarray(0, 3));
  let at = 1;
  const last = curve.length / 3 - 1;
  for (let r = 1; r < rows; r++) {
    const [px, py, pz] = [out[3 * r - 3], out[3 * r - 2], out[3 * r - 1]];
    while (at <= last && distance2(curve, at, px, py, pz) < chord * chord) at++;
    if (at > last) throw new RangeError('the curve is shorter than the rope.');
    crossing(curve, at, px, py, pz, chord, out, r);
  }
}

const distance2 = (c: Points, i: number, x: number, y: number, z: number): number =>
  (c[3 * i] - x) ** 2 + (c[3 * i + 1] - y) ** 2 + (c[3 * i + 2] - z) ** 2;

/** Where the stretch that ends at a sample leaves the sphere of one chord round the point before. */
function crossing(c: Points, at: number, px: number, py: number, pz: number, chord: number, out: Points, r: number) {
  const i = 3 * at;
  const [ax, ay, az] = [c[i - 3] - px, c[i - 2] - py, c[i - 1] - pz];
  const [dx, dy, dz] = [c[i] - c[i - 3], c[i + 1] - c[i - 2], c[i + 2] - c[i - 1]];
  const dd = dx * dx + dy * dy + dz * dz;
  const ad = ax * dx + ay * dy + az * dz;
  const aa = ax * ax + ay * ay + az * az;
  const t = dd === 0 ? 0 : (-ad + Math.sqrt(Math.max(0, ad * ad - dd * (aa - chord * chord)))) / dd;
  out[3 * r] = px + ax + t * dx;
  out[3 * r + 1] = py + ay + t * dy;
  out[3 * r + 2] = pz + az + t * dz;
}
