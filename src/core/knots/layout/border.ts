/** A row along the border among the others: it takes the places of knots that would lie beside it, and moves none. */
import { footOn, type SurfaceMesh } from '../../geometry/index.ts';
import type { Row } from '../../rows/index.ts';
import { knotAt, type LaidKnot } from './measure.ts';
import type { Passes } from './second-pass.ts';

export interface BorderGround {
  readonly mesh: SurfaceMesh;
  readonly fromHairline: Float64Array;
  /** From knot to knot along the border, mm. */
  readonly borderMm: number;
  /** Between rows, mm. */
  gapAt(vertex: number): number;
  /** Knots that hold the cap stay, whatever comes beside them. */
  isHold(knot: LaidKnot, row: Row): boolean;
}

/** Other rows end this share of a gap before it: of the mean of their gap and its own. */
const CLEARANCE = 0.65;
/** Its own places keep this share of its gap from knots that stay. */
const FROM_HOLDS = 0.6;

/** @param border its rows with their places; they come after all others here, where they are in the order of work is said later */
export function withBorder(passes: Passes, border: readonly Row[], g: BorderGround): Passes {
  if (border.length === 0) return passes;
  const stays = (k: LaidKnot) => passes.rows[k.row].locked === true || g.isHold(k, passes.rows[k.row]);
  const isBeside = (k: LaidKnot) => {
    const limit = (CLEARANCE * (g.borderMm + g.gapAt(k.vertex))) / 2;
    // The line lies inside the hairline: further in than this nothing is beside it.
    if (g.fromHairline[k.vertex] > limit + g.borderMm) return false;
    return border.some(({ curve }) => footOn(curve, curve.arcMm, k).distance < limit);
  };
  const kept: LaidKnot[] = [];
  const knots = passes.knots.map((k) => {
    if (stays(k)) kept.push(k);
    else if (isBeside(k)) return { ...k, replaced: true };
    return k;
  });
  const isFree = (k: LaidKnot) =>
    kept.every(
      (h) => (h.xMm - k.xMm) ** 2 + (h.yMm - k.yMm) ** 2 + (h.zMm - k.zMm) ** 2 > (FROM_HOLDS * g.borderMm) ** 2,
    );
  const along = border.flatMap(({ curve, placesMm = [] }, i) =>
    placesMm.map((arc) => knotAt(g.mesh, curve, passes.rows.length + i, arc)).filter(isFree),
  );
  return {
    rows: [...passes.rows, ...border],
    secondOf: [...passes.secondOf, ...border.map(() => -1)],
    passOf: [...passes.passOf, ...border.map(() => 'none' as const)],
    knots: [...knots, ...along],
  };
}
