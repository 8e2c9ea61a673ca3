/** Where a finger finds a knot: two counts in her own finger widths from landmarks that can be felt. */

import type { Landmarks } from '../head/landmarks.ts';
import type { ScalpFields } from '../rows/scalp-fields.ts';
import { upperFirst } from '../words.ts';

export const KNOT_ZONES = ['part', 'top', 'back', 'side', 'nape', 'faceEdge', 'crown'] as const;
export type KnotZone = (typeof KNOT_ZONES)[number];

export interface FingerCount {
  /** In fingers, to the half. */
  readonly fingers: number;
  /** "above the nape line". */
  readonly words: string;
  /** One word for the large type: up, left, right, back. */
  readonly short: string;
}

export interface Where {
  readonly words: string;
  readonly counts: readonly FingerCount[];
}

export interface WhereContext {
  readonly scalp: ScalpFields;
  readonly mark: Landmarks;
  readonly fromPart: Float64Array;
  readonly fingerMm: number;
  /** Front and back end of the part, if there is one; the crown else. */
  readonly partFront?: readonly [number, number, number];
  readonly partEnd: readonly [number, number, number];
  readonly hasPart: boolean;
}

interface Place {
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
  readonly vertex: number;
}

/** Distances that separate the zones, mm on a head of prior size. */
const NAPE_END = 55;
const PART_END = 20;
const FACE_EDGE = 24;

export function zoneOf(k: Place, besidePart: boolean, c: WhereContext): KnotZone {
  const { scalp, mark } = c;
  const behindFace = scalp.fromFrontHairline[k.vertex] > FACE_EDGE * scalp.scale;
  if (besidePart || c.fromPart[k.vertex] < PART_END) return c.hasPart ? 'part' : behindFace ? 'crown' : 'faceEdge';
  if (!behindFace) return 'faceEdge';
  if (scalp.fromNape[k.vertex] < NAPE_END * scalp.scale) return 'nape';
  const low = k.yMm < 0.55 * mark.crown[1];
  if (low && k.zMm > mark.napeCorner[2] * 0.8 && Math.abs(k.xMm) > 0.6 * mark.earTop[0]) return 'side';
  return k.zMm < mark.crown[2] - 25 * scalp.scale || k.yMm < 0.35 * mark.crown[1] ? 'back' : 'top';
}

export function whereOf(k: Place, zone: KnotZone, c: WhereContext): Where {
  const counts = countsFor(k, zone, c);
  const words = counts.map((f) => `${fingersInWords(f.fingers)} ${f.words}`).join(', ');
  return { words: upperFirst(words), counts };
}

function countsFor(k: Place, zone: KnotZone, c: WhereContext): FingerCount[] {
  const { scalp, mark } = c;
  const count = (mm: number, words: string, short: string): FingerCount => ({
    fingers: Math.round((2 * Math.abs(mm)) / c.fingerMm) / 2,
    words,
    short,
  });
  const side = k.xMm > 0 ? 'left' : 'right';
  switch (zone) {
    case 'nape':
    case 'back':
      return [
        count(scalp.fromNape[k.vertex], 'above the nape line', 'up'),
        count(scalp.fromMidline[k.vertex], `${side} of the middle`, side),
      ];
    case 'side': {
      const along = k.zMm - mark.earTop[2];
      return [
        count(scalp.fromHairline[k.vertex], `above the hairline over your ${side} ear`, 'up'),
        count(along, along > 0 ? 'in front of it' : 'behind it', along > 0 ? 'forward' : 'back'),
      ];
    }
    case 'part':
      return partCounts(k, c, count);
    case 'crown':
      return [count(c.fromPart[k.vertex], `from the crown, on the ${side}`, side)];
    case 'faceEdge':
      return [
        count(scalp.fromFrontHairline[k.vertex], 'behind the front hairline', 'back'),
        count(scalp.fromMidline[k.vertex], `${side} of the middle`, side),
      ];
    case 'top': {
      const partSide = c.hasPart ? (k.xMm > c.partEnd[0] ? 'left' : 'right') : side;
      const aside = c.hasPart
        ? count(c.fromPart[k.vertex], `${partSide} of the part`, partSide)
        : count(scalp.fromMidline[k.vertex], `${side} of the middle`, side);
      return [count(scalp.fromFrontHairline[k.vertex], 'behind the front hairline', 'back'), aside];
    }
  }
}

function partCounts(
  k: Place,
  c: WhereContext,
  count: (mm: number, words: string, short: string) => FingerCount,
): FingerCount[] {
  const behindEnd = c.partEnd[2] - k.zMm;
  if (behindEnd > 0.3 * c.fingerMm) {
    const gap = Math.sqrt((k.xMm - c.partEnd[0]) ** 2 + (k.yMm - c.partEnd[1]) ** 2 + (k.zMm - c.partEnd[2]) ** 2);
    return [count(gap, 'behind the end of the part', 'back')];
  }
  const share = c.partFront ? (k.zMm - c.partEnd[2]) / Math.max(1, c.partFront[2] - c.partEnd[2]) : 0;
  const partX = c.partFront ? c.partEnd[0] + share * (c.partFront[0] - c.partEnd[0]) : c.partEnd[0];
  const side = k.xMm > partX ? 'left' : 'right';
  return [
    count(c.scalp.fromFrontHairline[k.vertex], 'behind the front hairline', 'back'),
    count(c.fromPart[k.vertex], `beside the part, on its ${side}`, side),
  ];
}

const NUMBER_WORDS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];

export function fingersInWords(fingers: number): string {
  if (fingers === 0) return 'no finger';
  if (fingers === 0.5) return 'half a finger';
  const whole = Math.floor(fingers);
  const word = NUMBER_WORDS[whole] ?? String(whole);
  if (fingers === whole) return whole === 1 ? 'one finger' : `${word} fingers`;
  return `${word} and a half fingers`;
}
