/** Where a finger finds a knot: two counts in her own finger widths from landmarks that can be felt. */

import type { PlaceMm } from '../../geometry/index.ts';
import type { Head, Landmarks, ScalpFields } from '../../head/index.ts';
import { fingersFigure, fingersInWords, type KnotZone, upperFirst } from '../../trade/index.ts';

export interface FingerCount {
  /** In fingers, to the half. */
  readonly fingers: number;
  /** "above the nape line". */
  readonly words: string;
  /** One word for the large type: up, left, right, back. */
  readonly short: string;
  /** What is said where it is none of them: "on the nape line", and in the large type. */
  readonly atNone: AtNone;
}

type AtNone = readonly [words: string, short: string];
const IN_THE_MIDDLE: AtNone = ['in the middle', 'in the middle'];
const AT_THE_FRONT: AtNone = ['at the front hairline', 'at the front'];

export interface Where {
  readonly words: string;
  readonly counts: readonly FingerCount[];
}

export interface WhereContext {
  readonly scalp: ScalpFields;
  readonly mark: Landmarks;
  readonly fromPart: Float64Array;
  readonly fingerMm: number;
  /** Back end of the part, if there is one; the crown else. */
  readonly partEnd: readonly [number, number, number];
  /** Its line, xyz interleaved; empty without one. */
  readonly partMm: Float64Array;
  /** The second one. */
  readonly secondMm: Float64Array;
  readonly hasPart: boolean;
}

/** Where the part lies, or both of them. */
export interface PartPlace {
  readonly fromPart: Float64Array;
  /** xyz interleaved, mm; empty without one. */
  readonly pointsMm: Float64Array;
  readonly second?: { readonly pointsMm: Float64Array } | undefined;
}

/** @param part its line on her own head, xyz interleaved, mm; empty without one */
export function whereContext(head: Pick<Head, 'scalp' | 'mark'>, part: PartPlace, fingerMm: number): WhereContext {
  const p = part.pointsMm;
  const hasPart = p.length > 0;
  const secondMm = part.second?.pointsMm ?? new Float64Array(0);
  const plain = { scalp: head.scalp, mark: head.mark, fromPart: part.fromPart, partMm: p, secondMm, fingerMm, hasPart };
  if (!hasPart) return { ...plain, partEnd: head.mark.crown };
  return {
    ...plain,
    partEnd: [p[p.length - 3], p[p.length - 2], p[p.length - 1]],
  };
}

export function whereOf(k: KnotPlace, zone: KnotZone, c: WhereContext): Where {
  const counts = countsFor(k, zone, c);
  const words = counts.map((f) => (f.fingers === 0 ? f.atNone[0] : `${fingersInWords(f.fingers)} ${f.words}`));
  return { words: upperFirst(words.join(', ')), counts };
}

/** In the large type: "9 up, in the middle". */
export const shortWhere = ({ counts }: Where) =>
  counts.map((f) => (f.fingers === 0 ? f.atNone[1] : `${fingersFigure(f.fingers)} ${f.short}`)).join(', ');

type Count = (mm: number, words: string, short: string, atNone: AtNone) => FingerCount;

function countsFor(k: KnotPlace, zone: KnotZone, c: WhereContext): FingerCount[] {
  const { scalp, mark } = c;
  const count: Count = (mm, words, short, atNone) => ({
    fingers: Math.round((2 * Math.abs(mm)) / c.fingerMm) / 2,
    words,
    short,
    atNone,
  });
  const side = k.xMm > 0 ? 'left' : 'right';
  switch (zone) {
    case 'nape':
    case 'back':
      return [
        count(scalp.fromNape[k.vertex], 'above the nape line', 'up', ['on the nape line', 'at the nape']),
        count(scalp.fromMidline[k.vertex], `${side} of the middle`, side, IN_THE_MIDDLE),
      ];
    case 'side': {
      const along = k.zMm - mark.earTop[2];
      return [
        count(scalp.fromHairline[k.vertex], `above the hairline over your ${side} ear`, 'up', [
          `on the hairline over your ${side} ear`,
          'on the hairline',
        ]),
        count(along, along > 0 ? 'in front of it' : 'behind it', along > 0 ? 'forward' : 'back', [
          'straight above it',
          'straight above the ear',
        ]),
      ];
    }
    case 'part':
      return partCounts(k, c, count);
    case 'crown':
      return [count(c.fromPart[k.vertex], `from the crown, on the ${side}`, side, ['on the crown', 'on the crown'])];
    case 'faceEdge':
      return [
        count(scalp.fromFrontHairline[k.vertex], 'behind the front hairline', 'back', AT_THE_FRONT),
        count(scalp.fromMidline[k.vertex], `${side} of the middle`, side, IN_THE_MIDDLE),
      ];
    case 'top': {
      const partSide = isLeftOfPart(k, c) ? 'left' : 'right';
      const aside = c.hasPart
        ? count(c.fromPart[k.vertex], `${partSide} of the part`, partSide, ['on the part', 'on the part'])
        : count(scalp.fromMidline[k.vertex], `${side} of the middle`, side, IN_THE_MIDDLE);
      return [count(scalp.fromFrontHairline[k.vertex], 'behind the front hairline', 'back', AT_THE_FRONT), aside];
    }
  }
}

/** Of the nearest stretch of the part, seen from above; without a part: of the middle of the head. */
export function isLeftOfPart(k: Pick<KnotPlace, 'xMm' | 'zMm'>, { partMm, secondMm, hasPart }: WhereContext): boolean {
  if (!hasPart) return k.xMm > 0;
  const [first, second] = [sideOfLine(k, partMm), sideOfLine(k, secondMm)];
  return second.away < first.away ? second.isLeft : first.isLeft;
}

function sideOfLine(k: Pick<KnotPlace, 'xMm' | 'zMm'>, p: Float64Array) {
  let nearest = Infinity;
  let isLeft = false;
  for (let i = 0; i + 3 < p.length; i += 3) {
    const alongX = p[i + 3] - p[i];
    const alongZ = p[i + 5] - p[i + 2];
    const toX = k.xMm - p[i];
    const toZ = k.zMm - p[i + 2];
    const lengthSq = alongX * alongX + alongZ * alongZ;
    // Seen from above two points of a line may fall together.
    if (lengthSq === 0) continue;
    const t = Math.min(1, Math.max(0, (toX * alongX + toZ * alongZ) / lengthSq));
    const away = (toX - t * alongX) ** 2 + (toZ - t * alongZ) ** 2;
    if (away >= nearest) continue;
    nearest = away;
    // The line runs from the front backwards: what lies to its left is on her left.
    isLeft = alongX * toZ - alongZ * toX > 0;
  }
  return { away: nearest, isLeft };
}

function partCounts(k: KnotPlace, c: WhereContext, count: Count): FingerCount[] {
  const behindEnd = c.partEnd[2] - k.zMm;
  if (c.secondMm.length === 0 && behindEnd > 0.3 * c.fingerMm) {
    const gap = Math.sqrt((k.xMm - c.partEnd[0]) ** 2 + (k.yMm - c.partEnd[1]) ** 2 + (k.zMm - c.partEnd[2]) ** 2);
    return [count(gap, 'behind the end of the part', 'back', ['at the end of the part', 'at the end of the part'])];
  }
  const side = isLeftOfPart(k, c) ? 'left' : 'right';
  const isSecond = sideOfLine(k, c.secondMm).away < sideOfLine(k, c.partMm).away;
  return [
    count(c.scalp.fromFrontHairline[k.vertex], 'behind the front hairline', 'back', AT_THE_FRONT),
    count(c.fromPart[k.vertex], `beside the ${isSecond ? 'second ' : ''}part, on its ${side}`, side, [
      `close beside the ${isSecond ? 'second ' : ''}part, on its ${side}`,
      `at the part, ${side}`,
    ]),
  ];
}

export interface KnotPlace extends PlaceMm {
  readonly vertex: number;
}
