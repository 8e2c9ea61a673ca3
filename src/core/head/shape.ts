/**
 * The cranium as a gauge surface: superelliptic sections that narrow into a neck.
 * Frame (all of core): x to the wearer's left, y up, z to the face, mm; y = 0 is the widest plane, about
 * 17 mm above the top of the ear. Mirror-symmetric in x, star-shaped about the origin.
 */
import { exp, pow } from '../numerics/index.ts';
import { parametersFromScores } from './parameters.ts';
import { type Relief, ratioAt } from './relief.ts';

/** Exponents of the horizontal and the vertical section. */
const HORIZONTAL = 2.5;
const VERTICAL = 2.2;
/** Where the neck takes over from the skull, in sizes below the widest plane. */
const NECK_START = 0.85;

export interface HeadShape {
  readonly scores: Float64Array;
  readonly sizeMm: number;
  readonly halfBreadthMm: number;
  readonly halfLengthMm: number;
  readonly frontDepthMm: number;
  readonly backDepthMm: number;
  readonly crownHeightMm: number;
  readonly frontHeight: number;
  readonly napeDrop: number;
  readonly napeHalfAngleRad: number;
  readonly templeAzimuthRad: number;
  readonly earDrop: number;
  readonly horizontal: number;
  readonly vertical: number;
  /** Backward shift of the crown, in half lengths. */
  readonly crownShift: number;
  /** How a scan of hers stands out from all that; undefined without one. */
  readonly relief: Relief | undefined;
}

/** Switches that turn the gauge into bodies with a closed form, for checks. */
export interface ShapeOptions {
  readonly horizontal?: number;
  readonly vertical?: number;
  readonly crownShift?: number;
  readonly frontBackShare?: number;
  readonly relief?: Relief | undefined;
}

export function headShape(scores: ArrayLike<number>, options: ShapeOptions = {}): HeadShape {
  const [size, elongation, height, frontHeight, napeDrop, napeWidth, temple, earDrop] = parametersFromScores(
    scores,
  ) as unknown as [number, number, number, number, number, number, number, number];
  const root = Math.sqrt(elongation);
  const halfLengthMm = size * root;
  const shift = options.frontBackShare ?? 0.06;
  return {
    scores: Float64Array.from(scores),
    sizeMm: size,
    halfBreadthMm: size / root,
    halfLengthMm,
    frontDepthMm: (1 + shift) * halfLengthMm,
    backDepthMm: (1 - shift) * halfLengthMm,
    crownHeightMm: height * size,
    frontHeight,
    napeDrop,
    napeHalfAngleRad: napeWidth,
    templeAzimuthRad: temple,
    earDrop,
    horizontal: options.horizontal ?? HORIZONTAL,
    vertical: options.vertical ?? VERTICAL,
    crownShift: options.crownShift ?? -0.1,
    relief: options.relief,
  };
}

/** Half axes of the horizontal section at height y, and the z of its middle. */
export function sectionAt(head: HeadShape, y: number) {
  if (y >= 0) {
    const rise = y / head.crownHeightMm;
    return {
      w: head.halfBreadthMm,
      f: head.frontDepthMm,
      b: head.backDepthMm,
      c: head.crownShift * head.halfLengthMm * rise * rise,
      top: pow(rise, head.vertical),
    };
  }
  const s = -y / (NECK_START * head.sizeMm);
  const narrowing = s < 1 ? s * s : 1 + 0.2 * (1 - exp(-10 * (s - 1)));
  return {
    w: head.halfBreadthMm * (1 - 0.2 * narrowing),
    b: head.backDepthMm * (1 - 0.32 * narrowing),
    f: head.frontDepthMm * (1 - 0.1 * s * s),
    c: 0,
    top: 0,
  };
}

/** The power of the horizontal section; of every real head by roots alone, since all rays ask for it. */
function across(x: number, exponent: number): number {
  return exponent === HORIZONTAL ? x * x * Math.sqrt(x) : pow(x, exponent);
}

/** Below 0 inside, 0 on the surface, about (distance ratio - 1) along a ray from the origin. */
export function gauge(head: HeadShape, x: number, y: number, z: number): number {
  const fitted = fittedGauge(head, x, y, z);
  if (!head.relief || (x === 0 && y === 0 && z === 0)) return fitted;
  return (1 + fitted) / ratioAt(head.relief, x, y, z) - 1;
}

/** Of the head without what a scan adds. */
export function fittedGauge(head: HeadShape, x: number, y: number, z: number): number {
  if (y >= 0) {
    const rise = y / head.crownHeightMm;
    const zc = z - head.crownShift * head.halfLengthMm * rise * rise;
    const d = zc >= 0 ? head.frontDepthMm : head.backDepthMm;
    const flat = across(Math.abs(x) / head.halfBreadthMm, head.horizontal) + across(Math.abs(zc) / d, head.horizontal);
    const top = pow(rise, head.vertical);
    return pow(pow(flat, head.vertical / head.horizontal) + top, 1 / head.vertical) - 1;
  }
  const { w, f, b } = sectionAt(head, y);
  const flat = across(Math.abs(x) / w, head.horizontal) + across(Math.abs(z) / (z >= 0 ? f : b), head.horizontal);
  return pow(flat, 1 / head.horizontal) - 1;
}

/** Relative accuracy of a ray hit. */
const RAY_TOLERANCE = 1e-9;

/**
 * Distance along a ray from an inner point to the surface: secant steps from a guess, since the gauge is
 * nearly linear along a ray (3 to 5 evaluations), with false position (Illinois) where they don't settle.
 * @throws RangeError when the ray leaves through the neck, where there is no surface to hit.
 */
export function rayLength(
  head: HeadShape,
  ox: number,
  oy: number,
  oz: number,
  dx: number,
  dy: number,
  dz: number,
  guess = head.sizeMm,
): number {
  let before = guess;
  let fBefore = gauge(head, ox + before * dx, oy + before * dy, oz + before * dz);
  let t = before / (1 + fBefore);
  for (let k = 0; k < 8 && t > 0 && t < 6 * head.sizeMm; k++) {
    const f = gauge(head, ox + t * dx, oy + t * dy, oz + t * dz);
    if (Math.abs(f) < RAY_TOLERANCE) return t;
    const next = t - (f * (t - before)) / (f - fBefore);
    before = t;
    fBefore = f;
    t = next;
  }
  return bracketedRayLength(head, ox, oy, oz, dx, dy, dz);
}

function bracketedRayLength(
  head: HeadShape,
  ox: number,
  oy: number,
  oz: number,
  dx: number,
  dy: number,
  dz: number,
): number {
  const at = (t: number) => gauge(head, ox + t * dx, oy + t * dy, oz + t * dz);
  let lo = 0;
  let fLo = at(0);
  let hi = head.sizeMm;
  let fHi = at(hi);
  for (let k = 0; fHi < 0; k++) {
    if (k === 8) throw new RangeError('ray does not meet the head');
    lo = hi;
    fLo = fHi;
    hi *= 1.4;
    fHi = at(hi);
  }
  let side = 0;
  for (let k = 0; k < 60; k++) {
    const t = (fLo * hi - fHi * lo) / (fLo - fHi);
    const ft = at(t);
    if (Math.abs(ft) < RAY_TOLERANCE) return t;
    if (ft > 0) {
      hi = t;
      fHi = ft;
      if (side === 1) fLo /= 2;
      side = 1;
    } else {
      lo = t;
      fLo = ft;
      if (side === -1) fHi /= 2;
      side = -1;
    }
  }
  return (lo + hi) / 2;
}
