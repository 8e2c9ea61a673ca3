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

const TWO_OVER_PI = 0.6366197723675814;
const HALF_PI_HIGH = 1.5707963267341256;
const HALF_PI_LOW = 6.077100506506192e-11;

/** Sine of r + tail, |r| ≤ π/4. */
function sineNear(r: number, tail: number): number {
  const z = r * r;
  const v = z * r;
  const s =
    0.00833333333332249 +
    z *
      (-0.0001984126982985795 +
        z * (0.0000027557313707070068 + z * (-2.5050760253406863e-8 + z * 1.58969099521155e-10)));
  return r - (z * (0.5 * tail - v * s) - tail - v * -0.16666666666666632);
}

/** Cosine of r + tail, |r| ≤ π/4. */
function cosineNear(r: number, tail: number): number {
  const z = r * r;
  const c =
    z *
    (0.0416666666666666 +
      z *
        (-0.001388888888887411 +
          z *
            (0.00002480158728947673 +
              z * (-2.7557314351390663e-7 + z * (2.087572321298175e-9 + z * -1.1359647557788195e-11)))));
  const half = 0.5 * z;
  const w = 1 - half;
  return w + (1 - w - half + (z * c - r * tail));
}

/** @param turn 0 for the sine, 1 for the cosine: a quarter further */
function turned(x: number, turn: 0 | 1): number {
  const n = Math.round(x * TWO_OVER_PI);
  const high = x - n * HALF_PI_HIGH;
  const low = n * HALF_PI_LOW;
  const r = high - low;
  const tail = high - r - low;
  switch ((n + turn) & 3) {
    case 0:
      return sineNear(r, tail);
    case 1:
      return cosineNear(r, tail);
    case 2:
      return -sineNear(r, tail);
    default:
      return -cosineNear(r, tail);
  }
}

export const sin = (x: number) => turned(x, 0);
export const cos = (x: number) => turned(x, 1);
export const tan = (x: number) => turned(x, 0) / turned(x, 1);

const PI = Math.PI;
const PI_LOW = 1.2246467991473532e-16;
/** Inverse tangents of 1/2, 1, 3/2 and infinity, each in two parts. */
const ATAN_HIGH = [0.4636476090008061, 0.7853981633974483, 0.982793723247329, 1.5707963267948966];
const ATAN_LOW = [2.2698777452961687e-17, 3.061616997868383e-17, 1.3903311031230998e-17, 6.123233995736766e-17];
const FAR = 1e17;

export function atan(x: number): number {
  const a = Math.abs(x);
  if (Number.isNaN(x)) return x;
  if (a > FAR) return x < 0 ? -ATAN_HIGH[3] : ATAN_HIGH[3];
  const near = a < 0.4375 ? -1 : a < 0.6875 ? 0 : a < 1.1875 ? 1 : a < 2.4375 ? 2 : 3;
  const r =
    near < 0
      ? a
      : near === 0
        ? (2 * a - 1) / (2 + a)
        : near === 1
          ? (a - 1) / (a + 1)
          : near === 2
            ? (a - 1.5) / (1 + 1.5 * a)
            : -1 / a;
  const z = r * r;
  const w = z * z;
  const even =
    z *
    (0.3333333333333293 +
      w *
        (0.14285714272503466 +
          w *
            (0.09090887133436507 + w * (0.06661073137387531 + w * (0.049768779946159324 + w * 0.016285820115365782)))));
  const odd =
    w *
    (-0.19999999999876483 +
      w * (-0.11111110405462356 + w * (-0.0769187620504483 + w * (-0.058335701337905735 + w * -0.036531572744216916))));
  const angle = near < 0 ? r - r * (even + odd) : ATAN_HIGH[near] - (r * (even + odd) - ATAN_LOW[near] - r);
  return x < 0 ? -angle : angle;
}

/** Angle of the point (x, y) from the x axis, -π to π. */
export function atan2(y: number, x: number): number {
  if (Number.isNaN(x) || Number.isNaN(y)) return NaN;
  const isBack = x < 0 || Object.is(x, -0);
  if (y === 0) return isBack ? (Object.is(y, -0) ? -PI : PI) : y;
  if (x === 0) return y < 0 ? -PI / 2 : PI / 2;
  const a = atan(Math.abs(y / x));
  const angle = isBack ? PI - (a - PI_LOW) : a;
  return y < 0 ? -angle : angle;
}

export const asin = (x: number) => atan2(x, Math.sqrt((1 - x) * (1 + x)));
export const acos = (x: number) => atan2(Math.sqrt((1 - x) * (1 + x)), x);
