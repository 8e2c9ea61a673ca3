/** Ties that lie where they should not, and where each could lie instead: off tender spots, away from the part. */
import { distanceFromMask, pointAt } from '../../geometry/index.ts';
import { directionDeg } from '../../head/index.ts';
import type { BaseContext } from '../context.ts';
import type { BaseEdit } from '../sections/edit.ts';
import type { PartOnHead } from '../sections/fields.ts';
import type { SectionMap } from '../sections/section-map.ts';
import type { Tail } from './tails.ts';

export interface TieMoves {
  readonly offTender: readonly BaseEdit[];
  /** Sections whose tie lifts the part. */
  readonly besidePart: readonly string[];
  readonly offPart: readonly BaseEdit[];
}

/** A tie this near to a tender spot pulls on it, mm. */
const TENDER_CLEAR_MM = 12;
/** A tie nearer to the part than this lifts it, mm. */
const BESIDE_PART_MM = 20;
/** Beside a part a parcel has to lie this far away for the part to lie flat, mm (common practice: two fingers). */
const PART_CLEAR_MM = 32;
/** A tie that can't be clear is moved where it is clearer by this much, mm; less is not worth it. */
const WORTH_MM = 6;

export function tieMoves(ground: BaseContext, map: SectionMap, tails: readonly Tail[], part: PartOnHead): TieMoves {
  const { mesh, masks } = ground;
  const tied = map.sections.map((_, i) => i).filter((i) => map.sections[i].role === 'base');
  const sore = masks.tender.map((t, v) => (t || masks.thin[v] ? 1 : 0));
  const fromSore = distanceFromMask(mesh, sore, 2 * TENDER_CLEAR_MM);
  const fromPart = distanceToLine(mesh.positionsMm, part.pointsMm);
  const near = tied.filter((i) => fromPart(tails[i].tieVertex) < BESIDE_PART_MM);
  return {
    offTender: tied.flatMap((i) => moveTie(ground, map, tails, i, (v) => fromSore[v], TENDER_CLEAR_MM)),
    besidePart: near.map((i) => map.sections[i].id),
    offPart: near.flatMap((i) => moveTie(ground, map, tails, i, fromPart, PART_CLEAR_MM)),
  };
}

/** Straight distance from a vertex to the nearest point of a line; infinite without one. */
function distanceToLine(p: Float64Array, q: Float64Array): (v: number) => number {
  return (v) => {
    let nearest = Number.POSITIVE_INFINITY;
    for (let i = 0; i < q.length; i += 3) {
      const d = (q[i] - p[3 * v]) ** 2 + (q[i + 1] - p[3 * v + 1]) ** 2 + (q[i + 2] - p[3 * v + 2]) ** 2;
      if (d < nearest) nearest = d;
    }
    return Math.sqrt(nearest);
  };
}

/** The place of the section nearest to its tie that is clear enough; where there is none, the clearest. */
function moveTie(
  { mesh }: BaseContext,
  map: SectionMap,
  tails: readonly Tail[],
  section: number,
  clearance: (v: number) => number,
  enoughMm: number,
): BaseEdit[] {
  const { tieVertex, tieMm } = tails[section];
  const now = clearance(tieVertex);
  if (now >= enoughMm) return [];
  const p = mesh.positionsMm;
  let best = -1;
  let nearest = Number.POSITIVE_INFINITY;
  let most = Math.min(enoughMm, now + WORTH_MM);
  for (let v = 0; v < map.labels.length; v++) {
    if (map.labels[v] !== section) continue;
    const clear = Math.min(enoughMm, clearance(v));
    if (clear < most) continue;
    const d = (p[3 * v] - tieMm[0]) ** 2 + (p[3 * v + 1] - tieMm[1]) ** 2 + (p[3 * v + 2] - tieMm[2]) ** 2;
    if (clear === most && d >= nearest) continue;
    best = v;
    most = clear;
    nearest = d;
  }
  return best < 0 ? [] : [{ op: 'tie', section: map.sections[section].id, at: directionDeg(pointAt(p, best)) }];
}
