/** Rows with places of their own among the others: they take the places of knots that would lie beside them, and move none. */
import type { SurfaceMesh } from '../../geometry/index.ts';
import type { Row } from '../../rows/index.ts';
import { knotAt, type LaidKnot } from './measure.ts';
import type { Passes } from './second-pass.ts';

export interface GuestGround {
  readonly mesh: SurfaceMesh;
  readonly by: NonNullable<LaidKnot['replaced']>;
  stays(knot: LaidKnot): boolean;
  isBeside(knot: LaidKnot): boolean;
  /** Their own places keep so far from knots that stay, mm. */
  readonly clearOfMm: number;
}

/** @param guests rows with their places; they come after all others here, where they are in the order of work is said later */
export function withGuests(passes: Passes, guests: readonly Row[], g: GuestGround): Passes {
  const kept: LaidKnot[] = [];
  const knots = passes.knots.map((k) => {
    if (passes.rows[k.row].locked === true || g.stays(k)) kept.push(k);
    else if (g.isBeside(k)) return { ...k, replaced: g.by };
    return k;
  });
  const isFree = (k: LaidKnot) =>
    kept.every((h) => (h.xMm - k.xMm) ** 2 + (h.yMm - k.yMm) ** 2 + (h.zMm - k.zMm) ** 2 > g.clearOfMm ** 2);
  const along = guests.flatMap(({ curve, placesMm = [] }, i) =>
    placesMm.map((arc) => knotAt(g.mesh, curve, passes.rows.length + i, arc)).filter(isFree),
  );
  return {
    rows: [...passes.rows, ...guests],
    secondOf: [...passes.secondOf, ...guests.map(() => -1)],
    passOf: [...passes.passOf, ...guests.map(() => 'none' as const)],
    knots: [...knots, ...along],
  };
}
