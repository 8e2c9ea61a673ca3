/** Where a finger finds a knot: two counts in her own finger widths from landmarks that can be felt. */

import type { PlaceMm } from '../../geometry/index.ts';
import type { Head, Landmarks, ScalpFields } from '../../head/index.ts';
import { fingersInWords, type KnotZone, upperFirst } from '../../trade/index.ts';

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

/** @param part its line on her own head, xyz interleaved, mm; empty without one */
export function whereContext(
  head: Pick<Head, 'scalp' | 'mark'>,
  part: { readonly fromPart: Float64Array; readonly pointsMm: Float64Array },
  fingerMm: number,
): WhereContext {
  const p = part.pointsMm;
  const hasPart = p.length > 0;
  const plain = { scalp: head.scalp, mark: head.mark, fromPart: part.fromPart, fingerMm, hasPart };
  if (!hasPart) return { ...plain, partEnd: head.mark.crown };
  return {
    ...plain,
    partFront: [p[0], p[1], p[2]],
    partEnd: [p[p.length - 3], p[p.length - 2], p[p.length - 1]],
  };
}

export function whereOf(k: KnotPlace, zone: KnotZone, c: WhereContext): Where {
  const counts = countsFor(k, zone, c);
  const words = counts.map((f) => `${fingersInWords(f.fingers)} ${f.words}`).join(', ');
  return { words: upperFirst(words), counts };
}

function countsFor(k: KnotPlace, zone: KnotZone, c: WhereContext): FingerCount[] {
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
  k: KnotPlace,
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

export interface KnotPlace extends PlaceMm {
  readonly vertex: number;
}
