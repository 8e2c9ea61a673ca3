/** A row along the border among the others: it takes the places of knots that would lie beside it, and moves none. */
import { footOn, type SurfaceMesh } from '../../geometry/index.ts';
import type { Row } from '../../rows/index.ts';
import { withGuests } from './guests.ts';
import type { LaidKnot } from './measure.ts';
import type { Passes } from './second-pass.ts';

export interface BorderGround {
  readonly mesh: SurfaceMesh;
  readonly fromHairline: Float64Array;
  /** From knot to knot along the border, mm. */
  readonly borderMm: number;
  /** Between rows, mm. */
  gapAt(vertex: number): number;
  /** Knots that stay, whatever comes beside them: they hold the cap, or she said where they go. */
  stays(knot: LaidKnot, row: Row): boolean;
}

/** Other rows end this share of a gap before it: of the mean of their gap and its own. */
const CLEARANCE = 0.65;
/** Its own places keep this share of its gap from knots that stay. */
const FROM_HOLDS = 0.6;

/** @param border its rows with their places; they come after all others here, where they are in the order of work is said later */
export function withBorder(passes: Passes, border: readonly Row[], g: BorderGround): Passes {
  if (border.length === 0) return passes;
  const isBeside = (k: LaidKnot) => {
    const limit = (CLEARANCE * (g.borderMm + g.gapAt(k.vertex))) / 2;
    // The line lies inside the hairline: further in than this nothing is beside it.
    if (g.fromHairline[k.vertex] > limit + g.borderMm) return false;
    return border.some(({ curve }) => footOn(curve, curve.arcMm, k).distance < limit);
  };
  const stays = (k: LaidKnot) => g.stays(k, passes.rows[k.row]);
  return withGuests(passes, border, {
    mesh: g.mesh,
    by: 'border',
    stays,
    isBeside,
    clearOfMm: FROM_HOLDS * g.borderMm,
  });
}
