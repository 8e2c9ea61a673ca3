/** From sRGB to CIELAB under D65 (IEC 61966-2-1; CIE 15). Tables, because a photo has a million pixels. */
import { cbrt, pow } from '../numerics/index.ts';

const LINEAR = Float64Array.from({ length: 256 }, (_, i) => {
  const c = i / 255;
  return c <= 0.04045 ? c / 12.92 : pow((c + 0.055) / 1.055, 2.4);
});

/** Where the cube root gives way to a straight line: (6/29)³. */
const EPSILON = 216 / 24389;
const STEPS = 4096;
const ROOT = Float64Array.from({ length: STEPS + 2 }, (_, i) => {
  const t = i / STEPS;
  return t > EPSILON ? cbrt(t) : (841 / 108) * t + 4 / 29;
});

/** f(t) of CIELAB for t from 0 to 1, between the entries of its table by a straight line; near the dark end as it is. */
function root(t: number): number {
  if (t <= EPSILON) return (841 / 108) * t + 4 / 29;
  const at = Math.min(STEPS, t * STEPS);
  const i = Math.floor(at);
  return ROOT[i] + (at - i) * (ROOT[i + 1] - ROOT[i]);
}

/** White of D65, Y = 1. */
const [XN, ZN] = [0.95047, 1.08883];

/** @param rgb three bytes from an index on @param out three numbers from an index on: L from 0 to 100, a and b */
export function labInto(rgb: ArrayLike<number>, from: number, out: Float32Array | number[], to: number): void {
  const r = LINEAR[rgb[from]];
  const g = LINEAR[rgb[from + 1]];
  const b = LINEAR[rgb[from + 2]];
  const fx = root((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / XN);
  const fy = root(0.2126729 * r + 0.7151522 * g + 0.072175 * b);
  const fz = root((0.0193339 * r + 0.119192 * g + 0.9503041 * b) / ZN);
  out[to] = 116 * fy - 16;
  out[to + 1] = 500 * (fx - fy);
  out[to + 2] = 200 * (fy - fz);
}
