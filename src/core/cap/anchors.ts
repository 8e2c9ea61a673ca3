/**
 * What holds the cap, in the order in which it can be set: nape first, sides and corners as the rows reach them,
 * the front last, once the border lies behind the hairline. Combs and pins count; nothing is cut before the
 * corners hold. Common practice, no source.
 */
import type { Landmarks, Point } from '../head/index.ts';
import type { Cap, CombPlace } from '../trade/index.ts';

export const ANCHOR_PLACES = ['nape', 'sides', 'corners', 'front'] as const;
export type AnchorPlace = (typeof ANCHOR_PLACES)[number];

export const ANCHOR_NAMES: Readonly<Record<AnchorPlace, string>> = {
  nape: 'nape',
  sides: 'sides, over the ears',
  corners: 'corners, at the temples',
  front: 'front hairline',
};

/** Holds wanted at each place, by pieces or combs (common practice, no source). */
const WANTED: Readonly<Record<AnchorPlace, number>> = { nape: 3, sides: 2, corners: 2, front: 1 };
/** A comb holds what this far round it would be anchored, mm (guess: half its own width and a little). */
const COMB_REACH_MM = 28;
/** How many holds a comb place brings. */
const COMBS_AT: Readonly<Record<CombPlace, number>> = { front: 1, sides: 2, nape: 1 };

export interface AnchorStep {
  readonly place: AnchorPlace;
  readonly knotIds: readonly string[];
  readonly combs: number;
  /** Pins to make up for what neither knots nor combs hold. */
  readonly pins: number;
  /** After how many knots of the order of work it is complete; 0 before the first. */
  readonly afterKnot: number;
}

export interface AnchorKnot {
  readonly id: string;
  readonly place: AnchorPlace;
  /** In the order of work, from 1. */
  readonly number: number;
}

export function combPoints(cap: Pick<Cap, 'dome' | 'combs'>, mark: Landmarks): Point[] {
  if (cap.dome === 'none') return [];
  const [x, y, z] = mark.earTop;
  const at: Readonly<Record<CombPlace, readonly Point[]>> = {
    front: [mark.frontHairline],
    sides: [
      [x, y, z],
      [-x, y, z],
    ],
    nape: [mark.napeHairline],
  };
  return cap.combs.flatMap((c) => at[c]);
}

export function heldByComb(combs: readonly Point[], x: number, y: number, z: number): boolean {
  return combs.some((c) => (c[0] - x) ** 2 + (c[1] - y) ** 2 + (c[2] - z) ** 2 < COMB_REACH_MM ** 2);
}

/** Which hold a place at the edge belongs to. */
export function anchorPlaceOf(mark: Landmarks, x: number, y: number, z: number): AnchorPlace {
  const near = (p: Point) => (Math.abs(x) - Math.abs(p[0])) ** 2 + (y - p[1]) ** 2 + (z - p[2]) ** 2;
  const places: ReadonlyArray<readonly [AnchorPlace, number]> = [
    ['nape', Math.min(near(mark.napeHairline), near(mark.napeCorner))],
    ['sides', near(mark.earTop)],
    ['corners', near(mark.temple)],
    ['front', near(mark.frontHairline)],
  ];
  return places.reduce((a, b) => (b[1] < a[1] ? b : a))[0];
}

export function anchorSteps(cap: Cap, knots: readonly AnchorKnot[]): AnchorStep[] {
  if (cap.dome === 'none') return [];
  return ANCHOR_PLACES.map((place): AnchorStep => {
    const here = knots.filter((k) => k.place === place);
    const combs = cap.combs.reduce((sum, c) => sum + (combServes(c, place) ? COMBS_AT[c] : 0), 0);
    return {
      place,
      knotIds: here.map((k) => k.id),
      combs,
      pins: Math.max(0, WANTED[place] - here.length - combs),
      // Held as soon as as many are in as it takes; the others come with their rows.
      afterKnot: here.map((k) => k.number).sort((a, b) => a - b)[Math.min(here.length, WANTED[place]) - 1] ?? 0,
    };
  });
}

function combServes(comb: CombPlace, place: AnchorPlace): boolean {
  return comb === place || (comb === 'sides' && place === 'corners');
}

/** The scissors wait for this many knots: both corners hold. */
export function cutAfterKnot(steps: readonly AnchorStep[]): number {
  return steps.filter((s) => s.place !== 'front').reduce((latest, s) => Math.max(latest, s.afterKnot), 0);
}
