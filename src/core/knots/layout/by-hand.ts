/**
 * Knots moved, added and taken out by hand. A change is told by places on the head, so that it is found again
 * when spacing, part or brush change elsewhere; where it can't be kept, it is said which and why.
 */

import { distance, footOn, pointAt, type SurfaceMesh, vertexUnder } from '../../geometry/index.ts';
import { directionOf, type HeadShape, onSurface, type Point } from '../../head/index.ts';
import type { HandChange, Row } from '../../rows/index.ts';
import { LEAST_SHARE } from '../../trade/index.ts';
import { isHooked, type LaidKnot } from './measure.ts';
import { nearestRow } from './widest.ts';

export interface LostChange {
  /** Id of the hand change. */
  readonly id: string;
  readonly why: string;
}

export interface HandContext {
  readonly shape: HeadShape;
  readonly mesh: SurfaceMesh;
  /** Spacing along rows where nothing was changed by hand, mm. */
  spacingAt(vertex: number): number;
  isClosed(vertex: number): boolean;
}

/** A knot is meant when it lies within this share of the spacing of the place told. */
const FOUND_WITHIN = 0.75;
/** A knot added by hand joins the nearest row within so many spacings. */
const JOINS_WITHIN = 1.6;
/** Farther from the scalp's vertices than this a place lies on skin, in mesh edges. */
const ON_SCALP_EDGES = 0.9;

export function changeByHand(
  ground: HandContext,
  rows: readonly Row[],
  laid: readonly LaidKnot[],
  hand: readonly HandChange[],
): { readonly knots: LaidKnot[]; readonly lost: LostChange[] } {
  const knots = [...laid];
  const lost: LostChange[] = [];
  hand.forEach((change) => {
    if (change.op === 'pull' || change.op === 'lock') return;
    const why = changeOne(ground, rows, knots, change);
    if (why !== undefined) lost.push({ id: change.id, why });
  });
  if (hand.length > 0) knots.sort((a, b) => a.row - b.row || a.arcMm - b.arcMm);
  return { knots, lost };
}

function changeOne(
  ground: HandContext,
  rows: readonly Row[],
  knots: LaidKnot[],
  change: Extract<HandChange, { op: 'move' | 'add' | 'remove' }>,
): string | undefined {
  if (change.op === 'add') {
    const at = onSurface(ground.shape, directionOf(change.at));
    const why = cannotLie(ground, knots, at, -1);
    if (why !== undefined) return why;
    const near = rowToJoin(ground, rows, at);
    if (!near) return 'no row passes near there';
    knots.push({ ...placed(ground, at), row: near.row, arcMm: near.arcMm, hand: 'added' });
    return undefined;
  }
  const found = knotNear(ground, knots, onSurface(ground.shape, directionOf(change.at)));
  if (found < 0) return 'there is no knot at that place any more';
  const knot = knots[found];
  if (knot.replaced) return REPLACED_BY[knot.replaced];
  if (change.op === 'remove') {
    knots[found] = { ...knot, hand: 'removed' };
    return undefined;
  }
  const to = onSurface(ground.shape, directionOf(change.to));
  const why = cannotLie(ground, knots, to, found);
  if (why !== undefined) return why;
  const { curve } = rows[knot.row];
  const foot = footOn(curve, curve.arcMm, { xMm: to[0], yMm: to[1], zMm: to[2] });
  knots[found] = {
    ...knot,
    ...placed(ground, to),
    arcMm: foot.u,
    namedAtMm: knot.namedAtMm ?? knot.arcMm,
    hand: knot.hand === 'added' ? 'added' : 'moved',
  };
  return undefined;
}

const REPLACED_BY = {
  border: 'the row along the border lies there now',
  base: 'a piece goes into the base there now',
} as const;

function placed({ mesh }: HandContext, at: Point) {
  return { xMm: at[0], yMm: at[1], zMm: at[2], vertex: vertexUnder(mesh, ...at) };
}

function knotNear(ground: HandContext, knots: readonly LaidKnot[], at: Point): number {
  let best = -1;
  let nearest = Infinity;
  knots.forEach((k, i) => {
    if (k.hand === 'removed') return;
    const d = distance([k.xMm, k.yMm, k.zMm], at);
    if (d >= nearest || d > FOUND_WITHIN * ground.spacingAt(k.vertex)) return;
    nearest = d;
    best = i;
  });
  return best;
}

/** Why no knot can lie there; undefined where one can. */
function cannotLie(ground: HandContext, knots: readonly LaidKnot[], at: Point, except: number): string | undefined {
  const { vertex } = placed(ground, at);
  const { mesh } = ground;
  if (distance(pointAt(mesh.positionsMm, vertex), at) > ON_SCALP_EDGES * mesh.meanEdgeMm)
    return 'it would lie outside the hairline';
  if (ground.isClosed(vertex)) return 'no piece goes there: it is marked, own hair in sight, or a lump';
  const least = LEAST_SHARE * ground.spacingAt(vertex);
  for (let i = 0; i < knots.length; i++) {
    const k = knots[i];
    if (i === except || !isHooked(k)) continue;
    if (distance([k.xMm, k.yMm, k.zMm], at) < least)
      return `another knot would lie nearer than ${Math.round(least)} mm`;
  }
  return undefined;
}

/** A knot put in joins the nearest row, if one passes near enough. */
function rowToJoin(ground: HandContext, rows: readonly Row[], at: Point) {
  const near = nearestRow(rows, { xMm: at[0], yMm: at[1], zMm: at[2] }, (row) => rows[row].kind !== 'base');
  const { vertex } = placed(ground, at);
  return near && near.awayMm <= JOINS_WITHIN * ground.spacingAt(vertex) ? near : undefined;
}
