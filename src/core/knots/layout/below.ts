/** Where the knots of the rows below fall on a row. */
import { type Foot, footOn, pointAt } from '../../geometry/index.ts';
import type { Row, RowSpacing } from '../../rows/index.ts';
import { ALIKE_MM, beginsAt } from './ends.ts';
import type { LaidKnot, PitchFields, Working } from './measure.ts';

/** Rows that are laid, lowest first, and where each knot of theirs falls on another, found once. */
export class LaidRows {
  readonly knots: LaidKnot[][] = [];
  private readonly rows: Working[] = [];
  private readonly feet = new Map<Working, Map<LaidKnot, Foot>>();

  add(row: Working, knots: readonly LaidKnot[]) {
    this.rows.push(row);
    this.knots.push([...knots]);
  }

  private footOf(on: Working, knot: LaidKnot): Foot {
    let known = this.feet.get(on);
    if (!known) {
      known = new Map();
      this.feet.set(on, known);
    }
    let foot = known.get(knot);
    if (!foot) {
      foot = footOn(on.row.curve, on.u, knot);
      known.set(knot, foot);
    }
    return foot;
  }

  /** Places (in local spacings) where knots of the rows below fall on this row, rising. */
  below(working: Working, pitch: PitchFields, spacing: RowSpacing): number[] {
    const { row } = working;
    const feet: number[] = [];
    const isAlike = !row.curve.closed && beginsAt(row.curve) === 'either';
    const free = row.kind === 'front' || row.kind === 'fringe';
    const box = boxOf(row.curve.pointsMm);
    this.rows.forEach(({ row: lower }, index) => {
      const levels = free ? 1 : Math.abs(lower.quarter - row.quarter) / 4;
      if (levels <= 0 || levels > 2.05) return;
      for (const knot of this.knots[index]) {
        const reach = 1.9 * spacing.gapMm * pitch.spacingFactor[knot.vertex] * Math.max(1, 0.75 * levels);
        if (isBeyond(box, knot, reach)) continue;
        const foot = isAlike && Math.abs(knot.xMm) < ALIKE_MM ? middleFoot(working, knot) : this.footOf(working, knot);
        if (foot.distance > (foot.atEnd ? 0.75 * reach : reach)) continue;
        if (levels > 0.3 && this.isHidden(knot, foot.distance, row, lower)) continue;
        feet.push(foot.u);
      }
    });
    return feet.sort((a, b) => a - b);
  }

  /** Whether a row in between lies nearer to the knot than this one. */
  private isHidden(knot: LaidKnot, distance: number, row: Row, lower: Row): boolean {
    const [low, high] = row.quarter < lower.quarter ? [row.quarter, lower.quarter] : [lower.quarter, row.quarter];
    return this.rows.some((between) => {
      const q = between.row.quarter;
      if (q <= low || q >= high) return false;
      const foot = this.footOf(between, knot);
      return !foot.atEnd && foot.distance < distance;
    });
  }
}

/** The box round a row: least and most of x, y and z, mm. */
function boxOf(p: Float64Array): Float64Array {
  const box = Float64Array.of(Infinity, Infinity, Infinity, -Infinity, -Infinity, -Infinity);
  for (let i = 0; i < p.length; i += 3)
    for (let c = 0; c < 3; c++) {
      if (p[i + c] < box[c]) box[c] = p[i + c];
      if (p[i + c] > box[c + 3]) box[c + 3] = p[i + c];
    }
  return box;
}

/** What lies outside the box by more is farther from the row than that; a hair's breadth is left to rounding. */
function isBeyond(box: Float64Array, { xMm, yMm, zMm }: LaidKnot, mm: number): boolean {
  const far = mm + 1e-6;
  return (
    xMm < box[0] - far ||
    xMm > box[3] + far ||
    yMm < box[1] - far ||
    yMm > box[4] + far ||
    zMm < box[2] - far ||
    zMm > box[5] + far
  );
}

/** A knot in the middle of the head lies under the middle of a row that is alike on both sides; where that bends, two places of it are as near. */
function middleFoot({ row: { curve }, u, lengthU }: Working, { xMm, yMm, zMm }: LaidKnot): Foot {
  const i = u.findIndex((at) => at >= lengthU / 2);
  const [x, y, z] = pointAt(curve.pointsMm, i);
  const distance = Math.sqrt((x - xMm) ** 2 + (y - yMm) ** 2 + (z - zMm) ** 2);
  return { u: lengthU / 2, distance, atEnd: false };
}
