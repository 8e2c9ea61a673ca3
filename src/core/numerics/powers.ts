/**
 * Elementary functions whose last digits are the same in every engine. The language leaves sin, exp, pow and their
 * like to the engine, and two engines differ in the last digit of one call in ten; where a plan weighs two nearly
 * equal choices that digit would decide, and a plan would change from browser to browser. Here only operations are
 * used that IEEE 754 fixes to the last bit: + - × ÷ and the square root.
 *
 * Source: reductions and coefficients of FDLIBM 5.3 (Sun Microsystems, 1993; "Permission to use, copy, modify, and
 * distribute this software is freely granted, provided that this notice is preserved"). Changed: angles are reduced
 * by two parts of π/2 alone, pow goes by exp and log, the inverse of sine and cosine by that of the tangent.
 * Where it holds: sin, cos, tan for |x| < 10⁵; pow for x ≥ 0. Error: within 2 units in the last place, pow within
 * |y log x| + 2 of them. Cost: one and a half to three native calls.
 */

const word = new Float64Array(1);
const bits = new Uint32Array(word.buffer);
/** Which half of a number holds its exponent on this machine. */
const HIGH = new Uint8Array(new Uint32Array([1]).buffer)[0] === 1 ? 1 : 0;

/** Two to a whole number from -1022 to 1023. */
function powerOfTwo(k: number): number {
  bits[HIGH] = (k + 1023) << 20;
  bits[1 - HIGH] = 0;
  return word[0];
}

const LN2_HIGH = 0.6931471803691238;
const LN2_LOW = 1.9082149292705877e-10;
const ONE_OVER_LN2 = Math.LOG2E;
const EXP_OVERFLOWS = 709.782712893384;
const EXP_UNDERFLOWS = -708.3;

export function exp(x: number): number {
  if (Number.isNaN(x)) return x;
  if (x > EXP_OVERFLOWS) return Infinity;
  if (x < EXP_UNDERFLOWS) return 0;
  const k = Math.round(x * ONE_OVER_LN2);
  const high = x - k * LN2_HIGH;
  const low = k * LN2_LOW;
  const r = high - low;
  const t = r * r;
  const c =
    r -
    t *
      (0.16666666666666602 +
        t *
          (-0.0027777777777015593 +
            t * (0.00006613756321437934 + t * (-0.0000016533902205465252 + t * 4.1381367970572385e-8))));
  const y = 1 - (low - (r * c) / (2 - c) - high);
  // The largest power is one too many for a single factor.
  return k > 1023 ? y * powerOfTwo(k - 1) * 2 : y * powerOfTwo(k);
}

const SQRT_HALF = Math.SQRT1_2;
const LEAST_NORMAL = 2.2250738585072014e-308;
const TWO_54 = 18014398509481984;

/** Natural logarithm. */
export function log(x: number): number {
  if (!(x > 0) || x === Infinity) return x === 0 ? -Infinity : x === Infinity ? x : NaN;
  const isSmall = x < LEAST_NORMAL;
  word[0] = isSmall ? x * TWO_54 : x;
  let k = (bits[HIGH] >>> 20) - 1022 - (isSmall ? 54 : 0);
  bits[HIGH] = (bits[HIGH] & 0xfffff) | (1022 << 20);
  let m = word[0];
  if (m < SQRT_HALF) {
    m *= 2;
    k--;
  }
  const f = m - 1;
  const s = f / (2 + f);
  const z = s * s;
  const w = z * z;
  const even = w * (0.3999999999940942 + w * (0.22222198432149784 + w * 0.15313837699209373));
  const odd = z * (0.6666666666666735 + w * (0.2857142874366239 + w * (0.1818357216161805 + w * 0.14798198605116586)));
  const half = 0.5 * f * f;
  return k * LN2_HIGH - (half - (s * (half + even + odd) + k * LN2_LOW) - f);
}

/** x to the power y, for x ≥ 0. */
export function pow(x: number, y: number): number {
  if (x === 0) return y === 0 ? 1 : y > 0 ? 0 : Infinity;
  return exp(y * log(x));
}

export function cbrt(x: number): number {
  if (x === 0 || !Number.isFinite(x)) return x;
  const a = Math.abs(x);
  const root = pow(a, 1 / 3);
  // One step of Newton's.
  const better = root - (root * root * root - a) / (3 * root * root);
  return x < 0 ? -better : better;
}

export function tanh(x: number): number {
  if (Math.abs(x) > 20) return x < 0 ? -1 : 1;
  // Small ones by the odd series: the quotient would cancel.
  if (Math.abs(x) < 0.05) {
    const t = x * x;
    return x * (1 + t * (-1 / 3 + t * (2 / 15 + t * (-17 / 315 + t * (62 / 2835)))));
  }
  const e = exp(2 * x);
  return (e - 1) / (e + 1);
}
