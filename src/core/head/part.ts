/**
 * The part: a line on the scalp where no hair crosses, or none. Given by where it starts on the front
 * hairline, how long it is, how far aside it ends, and how much it bends; all in mm on her head.
 */
import { cos, sin } from '../numerics/index.ts';
import { aboveHairline, type Hairline } from './hairline.ts';
import { landmarks } from './landmarks.ts';
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

/** What may be said of a part beyond its line. */
export interface Parting {
  /** A second line, that the hair can be flipped to. */
  readonly second?: LinePart | undefined;
  /** Combed in when it is worn: no row follows it. */
  readonly onlyWorn: boolean;
}

/** The part that rows are laid by. */
export const laidPart = (part: Part, { onlyWorn }: Pick<Parting, 'onlyWorn'>): Part =>
  onlyWorn && part.kind === 'line' ? { kind: 'crown' } : part;

/** A second line needs a first one. */
export const secondPart = (part: Part, { second }: Parting): LinePart | undefined =>
  part.kind === 'line' ? second : undefined;

const STEP_MM = 1;
/** Points of the polyline lie at least this far apart. */
const THIN_MM = 3.5;
/** A part begins no further aside than this share of the way to the temple, and runs no further than this share of the half breadth: beyond, there is no front hairline to begin at, and no top of the head. */
const TO_TEMPLE = 0.97;
const OF_BREADTH = 0.9;
/** Of a step so much at most goes sideways, so that a part always gets on. */
const ASIDE = 0.95;
/** Angle about the ear-to-ear axis: 0 at the face, π/2 straight up. Beyond this the nape begins. */
const MAX_ANGLE = 2.9;

type Point = [number, number, number];

export interface PartWalk {
  /** From the hairline backwards; xyz interleaved, mm. */
  readonly pointsMm: Float64Array;
  /** As far as it got along the scalp: as long as it was told, or to where the hairline ended it, mm. */
  readonly lengthMm: number;
  /** How far its front had to be moved in, mm. */
  readonly movedInMm: number;
}

/** The part on the surface, from the hairline backwards; xyz interleaved, mm. */
export function partPolyline(head: HeadShape, line: Hairline, part: LinePart): Float64Array {
  return walkPart(head, line, part).pointsMm;
}

/** Walked by arc length in steps of a millimetre, within the scalp, and ended where it would leave it. */
export function walkPart(head: HeadShape, line: Hairline, part: LinePart): PartWalk {
  const most = Math.min(TO_TEMPLE * landmarks(head).temple[0], OF_BREADTH * head.halfBreadthMm);
  const start = Math.max(-most, Math.min(most, part.frontMm));
  const points: number[] = [];
  let angle = hairlineAngle(head, line, start);
  let here = surfacePoint(head, start, angle);
  let walked = 0;
  let sinceKept = Number.POSITIVE_INFINITY;
  while (walked < part.lengthMm) {
    if (sinceKept >= THIN_MM) {
      points.push(...here);
      sinceKept = 0;
    }
    const step = Math.min(STEP_MM, part.lengthMm - walked);
    const next = advance(head, here, angle, xAt(head, part, walked + step), step);
    if (next.angle > MAX_ANGLE || aboveHairline(line, ...next.point) <= 0) break;
    here = next.point;
    angle = next.angle;
    walked += step;
    sinceKept += step;
  }
  points.push(...here);
  return { pointsMm: Float64Array.from(points), lengthMm: walked, movedInMm: Math.abs(part.frontMm - start) };
}

/** How far aside the part wants to be at that length. */
function xAt(head: HeadShape, part: LinePart, walked: number): number {
  const share = walked / part.lengthMm;
  const x = part.frontMm + (part.endMm - part.frontMm) * share + 4 * part.bendMm * share * (1 - share);
  const most = OF_BREADTH * head.halfBreadthMm;
  return Math.max(-most, Math.min(most, x));
}

function surfacePoint(head: HeadShape, x: number, angle: number): Point {
  const t = rayLength(head, x, 0, 0, 0, sin(angle), cos(angle));
  return [x, t * sin(angle), t * cos(angle)];
}

/** One step backwards of the wanted length: towards the wanted x as far as a step goes, the rest of it by a secant on the angle. */
function advance(head: HeadShape, here: Point, angle: number, wantedX: number, step: number) {
  const away = ([x, y, z]: Point) => Math.sqrt((x - here[0]) ** 2 + (y - here[1]) ** 2 + (z - here[2]) ** 2);
  let aside = Math.max(-ASIDE * step, Math.min(ASIDE * step, wantedX - here[0]));
  // On the side of the head a millimetre aside is more than one along the scalp.
  while (away(surfacePoint(head, here[0] + aside, angle)) > ASIDE * step) aside /= 2;
  const x = here[0] + aside;
  const radius = Math.sqrt(here[1] * here[1] + here[2] * here[2]);
  const sideways = away(surfacePoint(head, x, angle)) ** 2;
  let turned = Math.sqrt(step * step - sideways) / radius;
  let point = surfacePoint(head, x, angle + turned);
  for (let k = 0; k < 3; k++) {
    turned *= Math.sqrt((step * step - sideways) / Math.max(1e-12, away(point) ** 2 - sideways));
    point = surfacePoint(head, x, angle + turned);
  }
  return { angle: angle + turned, point };
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
  return { part: turnedPart(part), turned: true };
}

/** The same line on the other side. */
export const turnedPart = (part: LinePart): LinePart => ({
  ...part,
  frontMm: 0 - part.frontMm,
  endMm: 0 - part.endMm,
  bendMm: 0 - part.bendMm,
});

/** Points xyz interleaved, on the other side. */
export function turnedPoints(pointsMm: Float64Array): Float64Array {
  return pointsMm.map((v, i) => (i % 3 === 0 ? 0 - v : v));
}
