/** Pieces that go into the base among the rows: what would be hooked beside them is left out. */
import { distance, type SurfaceMesh, type Vec3 } from '../../geometry/index.ts';
import type { Row } from '../../rows/index.ts';
import { withGuests } from './guests.ts';
import { knotAt, type LaidKnot } from './measure.ts';
import type { Passes } from './second-pass.ts';

export interface IntoBaseGround {
  readonly mesh: SurfaceMesh;
  /** Between rows, mm. */
  gapAt(vertex: number): number;
  /** Knots that hold the cap stay, whatever comes beside them. */
  isHold(knot: LaidKnot, row: Row): boolean;
}

/** Other pieces keep this share of a gap away: of the mean of their gap and that of the pieces in the base. */
const CLEARANCE = 0.65;

export function withIntoBase(passes: Passes, into: readonly Row[], g: IntoBaseGround): Passes {
  if (into.length === 0) return passes;
  const places = into.flatMap((row) =>
    (row.placesMm ?? []).map((arc) => {
      const k = knotAt(g.mesh, row.curve, 0, arc);
      return { at: placeOf(k), gapMm: row.into?.gapMm ?? 0 };
    }),
  );
  const isBeside = (k: LaidKnot) => {
    const at = placeOf(k);
    const gap = g.gapAt(k.vertex);
    return places.some((p) => distance(p.at, at) < (CLEARANCE * (p.gapMm + gap)) / 2);
  };
  const stays = (k: LaidKnot) => g.isHold(k, passes.rows[k.row]);
  return withGuests(passes, into, { mesh: g.mesh, by: 'base', stays, isBeside, clearOfMm: 0 });
}

const placeOf = (k: LaidKnot): Vec3 => [k.xMm, k.yMm, k.zMm];
