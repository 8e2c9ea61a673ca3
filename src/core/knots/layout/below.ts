/** Where the knots of the rows below fall on a row. */
import { type Foot, footOn, pointAt } from '../../geometry/index.ts';
import type { Row, RowSpacing } from '../../rows/index.ts';
import { ALIKE_MM, beginsAt } from './ends.ts';
import type { LaidKnot, PitchFields, Working } from './measure.ts';

/** Places (in local spacings) where knots of the rows below fall on this row, rising. */
export function projectBelow(
  row: Row,
  working: Working,
  laid: readonly Working[],
  knotsOfRow: readonly LaidKnot[][],
  pitch: PitchFields,
  spacing: RowSpacing,
): number[] {
  const feet: number[] = [];
  const isAlike = !row.curve.closed && beginsAt(row.curve) === 'either';
  laid.forEach((lower, index) => {
    const free = row.kind === 'front' || row.kind === 'fringe';
    const levels = free ? 1 : Math.abs(lower.row.quarter - row.quarter) / 4;
    if (levels <= 0 || levels > 2.05) return;
    for (const knot of knotsOfRow[index]) {
      const foot =
        isAlike && Math.abs(knot.xMm) < ALIKE_MM ? middleFoot(working, knot) : footOn(row.curve, working.u, knot);
      const reach = 1.9 * spacing.gapMm * pitch.spacingFactor[knot.vertex] * Math.max(1, 0.75 * levels);
      if (foot.distance > (foot.atEnd ? 0.75 * reach : reach)) continue;
      if (levels > 0.3 && isHidden(knot, foot.distance, row, lower.row, laid)) continue;
      feet.push(foot.u);
    }
  });
  return feet.sort((a, b) => a - b);
}

/** A knot in the middle of the head lies under the middle of a row that is alike on both sides; where that bends, two places of it are as near. */
function middleFoot({ row: { curve }, u, lengthU }: Working, { xMm, yMm, zMm }: LaidKnot): Foot {
  const i = u.findIndex((at) => at >= lengthU / 2);
  const [x, y, z] = pointAt(curve.pointsMm, i);
  const distance = Math.sqrt((x - xMm) ** 2 + (y - yMm) ** 2 + (z - zMm) ** 2);
  return { u: lengthU / 2, distance, atEnd: false };
}

/** Whether a row in between lies nearer to the knot than this one. */
function isHidden(knot: LaidKnot, distance: number, row: Row, lower: Row, laid: readonly Working[]): boolean {
  return laid.some((between) => {
    const q = between.row.quarter;
    if (q <= Math.min(row.quarter, lower.quarter) || q >= Math.max(row.quarter, lower.quarter)) return false;
    const foot = footOn(between.row.curve, between.u, knot);
    return !foot.atEnd && foot.distance < distance;
  });
}
