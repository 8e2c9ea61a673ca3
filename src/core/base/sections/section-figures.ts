/** The figures of a section that she reads: what it is, what it takes, and what it may carry. */

import type { Point } from '../../head/index.ts';
import type { TailStyle } from '../../trade/index.ts';
import { type Laying, type Parking, tailStyleOf } from '../choice.ts';
import type { BaseContext } from '../context.ts';
import { type ParkedTail, spinePoints, surfaceWay } from '../tails/parking.ts';
import { bindingOf, LEAST_TAIL_MM, type Tail } from '../tails/tails.ts';
import { placeWords } from './lines.ts';
import type { SectionMap, SectionRole } from './section-map.ts';

export interface Section {
  readonly id: string;
  readonly name: string;
  readonly role: SectionRole;
  /** Ring of boxes that it belongs to, from the edge, from 1. */
  readonly ring?: number;
  readonly areaMm2: number;
  readonly hairs: number;
  readonly massG: number;
  readonly hairLengthMm: number;
  readonly tail: TailStyle;
  readonly tailThicknessMm: number;
  readonly tailLengthMm: number;
  /** Hair that it needs to be bound at all, and to reach where it is parked, mm: half of its roots lie nearer to the tie. */
  readonly neededToBindMm: number;
  readonly neededToReachMm: number;
  /** Of its area that is tender or thin. */
  readonly tenderShare: number;
  readonly tieMm: Point;
  readonly tieWords: string;
  readonly parking: Parking;
  readonly pathMm: Float32Array;
  /** How a row lies along the scalp; empty for sections that are only tied. */
  readonly rowMm: Float32Array;
  readonly bands: number;
  readonly pins: number;
  readonly threadMm: number;
  readonly minutes: number;
  /** Pieces that it may carry, g, low and high (guess); no promise. */
  readonly carriesG: readonly [low: number, high: number];
}

/** Load of a hair that is borne for days, mg: 2 to 4 times the weight of 25 cm of it (guess, never a promise). */
const CARRY_MG_A_HAIR = [2.5, 5] as const;
const NO_ROW = new Float32Array(0);

export function sectionFigures(
  ground: BaseContext,
  map: SectionMap,
  tails: readonly Tail[],
  parked: readonly ParkedTail[],
  choice: Laying,
): Section[] {
  const style = tailStyleOf(choice);
  return map.sections.map((seed, i): Section => {
    const tail = tails[i];
    const { parking, pathMm, neededMm } = parked[i];
    const isBase = seed.role === 'base';
    const bound = isBase && parking.how !== 'laid';
    // A row takes hair up all along, so that none of it has to reach the tie.
    const toTheTie = map.along ? 0 : tail.meanRootMm;
    const neededToBindMm = bound ? toTheTie + LEAST_TAIL_MM[style] : 0;
    const binding = isBase ? bindingOf(tail, choice, parking.how) : { bands: 0, pins: 0, threadMm: 0, minutes: 0 };
    // Tender and thin places carry half.
    const sound = 1 - 0.5 * tail.tenderShare;
    return {
      id: seed.id,
      name: seed.name,
      role: seed.role,
      ...(seed.ring === undefined ? {} : { ring: seed.ring }),
      areaMm2: tail.areaMm2,
      hairs: tail.hairs,
      massG: tail.massG,
      hairLengthMm: tail.hairLengthMm,
      tail: style,
      tailThicknessMm: tail.thicknessMm,
      tailLengthMm: tail.lengthMm,
      neededToBindMm,
      neededToReachMm: bound ? Math.max(neededToBindMm, toTheTie + neededMm) : 0,
      tenderShare: tail.tenderShare,
      tieMm: tail.tieMm,
      tieWords: tieWords(ground, tail.tieMm),
      parking,
      pathMm: Float32Array.from(pathMm),
      rowMm: map.along && isBase ? Float32Array.from(surfaceWay(ground, spinePoints(ground, map, i))) : NO_ROW,
      ...binding,
      carriesG: [(CARRY_MG_A_HAIR[0] * tail.hairs * sound) / 1000, (CARRY_MG_A_HAIR[1] * tail.hairs * sound) / 1000],
    };
  });
}

function tieWords(ground: BaseContext, at: Point): string {
  const words = placeWords(ground, at);
  return /^(the|your) /.test(words) ? `at ${words}` : words;
}
