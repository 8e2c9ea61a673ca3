/**
 * What holds the cap, in the order in which it can be set: nape first, sides and corners as the rows reach them,
 * the front last, once the border lies behind the hairline. Combs and pins count; nothing is cut before the
 * corners hold. Common practice, no source.
 */
import { along, cross, minus, pointAt, unit } from '../geometry/index.ts';
import { directionOf, type Head, type HeadShape, type Landmarks, onSurface, type Point } from '../head/index.ts';
import type { Cap, CombPlace } from '../trade/index.ts';
import type { OpeningOnHead } from './opening.ts';

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
const COMBS_AT: Readonly<Record<CombPlace, number>> = { front: 1, temples: 2, sides: 2, nape: 1, opening: 3 };

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

/** @param opening where it is cut or comes open: combs sit on both of its sides and behind it */
export function combPoints(
  cap: Pick<Cap, 'dome' | 'combs' | 'combsAt'>,
  { mark, shape }: Pick<Head, 'mark' | 'shape'>,
  opening: Pick<OpeningOnHead, 'lineMm' | 'widthMm'>,
): Point[] {
  if (cap.dome === 'none') return [];
  const [x, y, z] = mark.earTop;
  const [tx, ty, tz] = mark.temple;
  const at: Readonly<Record<CombPlace, readonly Point[]>> = {
    front: [mark.frontHairline],
    sides: [
      [x, y, z],
      [-x, y, z],
    ],
    nape: [mark.napeHairline],
    temples: [
      [tx, ty, tz],
      [-tx, ty, tz],
    ],
    opening: roundOpening(shape, opening),
  };
  return [...cap.combs.flatMap((c) => at[c]), ...cap.combsAt.map((d) => onSurface(shape, directionOf(d)))];
}

/** Beside its middle on either side, and behind its end. */
function roundOpening(shape: HeadShape, { lineMm, widthMm }: Pick<OpeningOnHead, 'lineMm' | 'widthMm'>): Point[] {
  const last = lineMm.length / 3 - 1;
  if (last < 1) return [];
  const [middle, end, before] = [last >> 1, last, last - 1].map((i) => pointAt(lineMm, i));
  const off = widthMm / 2 + BESIDE_MM;
  const forwards = unit(minus(end, before));
  const aside = unit(cross(unit(middle), unit(minus(pointAt(lineMm, last), pointAt(lineMm, 0)))));
  return [along(middle, aside, off), along(middle, aside, -off), along(end, forwards, BESIDE_MM)].map((p) =>
    onSurface(shape, p),
  );
}

/** A comb is sewn so far from the edge of an opening, mm (guess). */
const BESIDE_MM = 10;

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

/** @param head whose edge combs of her own are told by */
export function anchorSteps(
  cap: Cap,
  knots: readonly AnchorKnot[],
  { mark, shape }: Pick<Head, 'mark' | 'shape'>,
): AnchorStep[] {
  if (cap.dome === 'none') return [];
  const ownCombs = cap.combsAt.map((d) => onSurface(shape, directionOf(d)));
  return ANCHOR_PLACES.map((place): AnchorStep => {
    const here = knots.filter((k) => k.place === place);
    const combs =
      cap.combs.reduce((sum, c) => sum + (combServes(c, place) ? COMBS_AT[c] : 0), 0) +
      ownCombs.filter((p) => anchorPlaceOf(mark, ...p) === place).length;
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
  return (
    comb === place ||
    (comb === 'sides' && place === 'corners') ||
    (comb === 'temples' && place === 'corners') ||
    (comb === 'opening' && place === 'front')
  );
}

/** The scissors wait for this many knots: both corners hold. */
export function cutAfterKnot(steps: readonly AnchorStep[]): number {
  return steps.filter((s) => s.place !== 'front').reduce((latest, s) => Math.max(latest, s.afterKnot), 0);
}
