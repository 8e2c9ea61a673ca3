/**
 * The part: a line on the scalp where no hair crosses, or none. Given by where it starts on the front
 * hairline, how long it is, how far aside it ends, and how much it bends; all in mm on her head.
 */
import { cos, sin } from '../numerics/index.ts';
import { aboveHairline, type Hairline } from './hairline.ts';
import { type HeadShape, rayLength } from './shape.ts';

export type Part =
  | {
      readonly kind: 'line';
      /** x of the front end; positive is her left. */
      readonly frontMm: number;
      /** x of the back end. */
      readonly endMm: number;
      readonly lengthMm: number;
      /** Sideways bulge of the middle, towards her left when positive. */
      readonly bendMm: number;
    }
  /** No part: hair falls from the crown to all sides. */
  | { readonly kind: 'crown' }
  /** No part: hair is swept back from the front hairline. */
  | { readonly kind: 'swept' };

export type LinePart = Extract<Part, { kind: 'line' }>;

const STEP_MM = 1;
/** Points of the polyline lie at least this far apart. */
const THIN_MM = 3.5;

/** The part on the surface, from the hairline backwards; xyz interleaved, mm. */
export function partPolyline(head: HeadShape, line: Hairline, part: LinePart): Float64Array {
  const points: number[] = [];
  let angle = hairlineAngle(head, line, part.frontMm);
  let here = surfacePoint(head, part.frontMm, angle);
  let walked = 0;
  let sinceKept = Infinity;
  while (walked < part.lengthMm) {
    if (sinceKept >= THIN_MM) {
      points.push(...here);
      sinceKept = 0;
    }
    const step = Math.min(STEP_MM, part.lengthMm - walked);
    const next = advance(head, part, here, angle, walked + step, step);
    if (next.angle > MAX_ANGLE) break;
    here = next.point;
    angle = next.angle;
    walked += step;
    sinceKept += step;
  }
  points.push(...here);
  return Float64Array.from(points);
}

/** Angle about the ear-to-ear axis: 0 at the face, π/2 straight up. Beyond this the nape begins. */
const MAX_ANGLE = 2.9;

type Point = [number, number, number];

function surfacePoint(head: HeadShape, x: number, angle: number): Point {
  const t = rayLength(head, x, 0, 0, 0, sin(angle), cos(angle));
  return [x, t * sin(angle), t * cos(angle)];
}

/** One step backwards of the wanted length: a secant on the angle. */
function advance(head: HeadShape, part: LinePart, here: Point, angle: number, walked: number, step: number) {
  const share = walked / part.lengthMm;
  const x = part.frontMm + (part.endMm - part.frontMm) * share + 4 * part.bendMm * share * (1 - share);
  const aside = Math.min(step * 0.98, Math.abs(x - here[0]));
  const forward = Math.sqrt(step * step - aside * aside);
  const radius = Math.sqrt(here[1] * here[1] + here[2] * here[2]);
  const trialAngle = angle + forward / radius;
  const trial = surfacePoint(head, x, trialAngle);
  const length = Math.sqrt((trial[0] - here[0]) ** 2 + (trial[1] - here[1]) ** 2 + (trial[2] - here[2]) ** 2);
  const corrected = angle + (forward / radius) * Math.min(1.5, step / length);
  return { angle: corrected, point: surfacePoint(head, x, corrected) };
}

/** Where the vertical plane at x meets the front hairline. */
function hairlineAngle(head: HeadShape, line: Hairline, x: number): number {
  let lo = 0;
  let hi = Math.PI / 2;
  for (let k = 0; k < 40; k++) {
    const mid = (lo + hi) / 2;
    const p = surfacePoint(head, x, mid);
    if (aboveHairline(line, ...p) > 0) hi = mid;
    else lo = mid;
  }
  return hi;
}

/** A part's description in words, for the tally and the sheet. */
export function partInWords(part: Part): string {
  if (part.kind === 'crown') return 'no part, from the crown';
  if (part.kind === 'swept') return 'no part, swept back';
  const middle = (part.frontMm + part.endMm) / 2;
  const side = middle > 0 ? 'left' : 'right';
  const place =
    Math.abs(part.frontMm) < 8 ? 'middle part' : Math.abs(part.frontMm) > 48 ? `deep ${side} part` : `${side} part`;
  const shape = Math.abs(part.bendMm) > 4 ? ', curved' : Math.abs(part.frontMm - part.endMm) > 20 ? ', slanted' : '';
  return `${place}${shape}`;
}

/** The part on her left, and whether it had to be turned over. */
export function onHerLeft(part: Part): { readonly part: Part; readonly turned: boolean } {
  if (part.kind !== 'line') return { part, turned: false };
  const side = part.frontMm + part.endMm || part.bendMm || part.frontMm;
  if (side >= 0) return { part, turned: false };
  const over = { ...part, frontMm: 0 - part.frontMm, endMm: 0 - part.endMm, bendMm: 0 - part.bendMm };
  return { part: over, turned: true };
}

/** Points xyz interleaved, on the other side. */
export function turnedPoints(pointsMm: Float64Array): Float64Array {
  return pointsMm.map((v, i) => (i % 3 === 0 ? 0 - v : v));
}
