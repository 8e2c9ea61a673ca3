/** Rows pulled by hand. */

import { footOn, type Vec3 } from '../../geometry/index.ts';
import { directionOf, type Head, onSurface } from '../../head/index.ts';
import { PULL_SHARE } from '../../trade/index.ts';
import type { HandChange } from '../choice.ts';
import type { Row, RowPlan, RowSpacing } from '../levels/row.ts';
import type { RowSlopes } from '../levels/slopes.ts';

export interface PullContext {
  readonly head: Pick<Head, 'shape'>;
  readonly hand: readonly HandChange[];
  readonly spacing: RowSpacing;
  readonly spacingFactor: Float64Array;
  readonly slopes: RowSlopes;
}

/** A row is meant when it passes within this share of the gap. */
const MEANT_WITHIN = 0.75;

/** Which level each pulled row is, and by how much its level moves. */
export function pullsOf(g: PullContext, plan: RowPlan) {
  const pulls = new Map<number, number>();
  const by = new Map<number, string>();
  const lost: { id: string; why: string }[] = [];
  g.hand.forEach((change) => {
    if (change.op !== 'pull') return;
    const at = onSurface(g.head.shape, directionOf(change.at));
    const row = nearestRow(plan.rows, at, MEANT_WITHIN * g.spacing.gapMm);
    if (!row) {
      lost.push({ id: change.id, why: 'there is no row at that place any more' });
      return;
    }
    const gap = g.spacing.gapMm * g.spacingFactor[row.vertex];
    if (Math.abs(change.mm) > PULL_SHARE * gap + 0.5) {
      const more = Math.round(PULL_SHARE * gap);
      lost.push({
        id: change.id,
        why: `rows are ${Math.round(gap)} mm apart there now, and one can be pulled by ${more} mm at most`,
      });
      return;
    }
    const slope = g.slopes.perVertex[row.vertex];
    pulls.set(row.quarter, change.mm * slope);
    by.set(row.quarter, change.id);
  });
  return { pulls, by, lost };
}

function nearestRow(rows: readonly Row[], at: Vec3, withinMm: number) {
  let best: { quarter: number; vertex: number } | undefined;
  let nearest = withinMm;
  for (const row of rows) {
    if (row.kind !== 'whole' && row.kind !== 'short') continue;
    const { curve } = row;
    const foot = footOn(curve, curve.arcMm, { xMm: at[0], yMm: at[1], zMm: at[2] });
    if (foot.distance >= nearest) continue;
    nearest = foot.distance;
    let i = 0;
    while (i + 1 < curve.pointCount && curve.arcMm[i + 1] <= foot.u) i++;
    best = { quarter: row.quarter, vertex: curve.fromVertex[i] };
  }
  return best;
}
