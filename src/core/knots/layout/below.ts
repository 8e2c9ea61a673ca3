/** Where the knots of the rows below fall on a row. */
import { type Foot, footOn, pointAt } from '../../geometry/index.ts';
import type { Row, RowSpacing } from '../../rows/index.ts';
import { ALIKE_MM, beginsAt } from './ends.ts';
import type { LaidKnot, PitchFields, Working } from './measure.ts';

/** A row that is laid, with where knots of other rows fall on it, found once: by their number. */
interface LaidRow {
  readonly working: Working;
  /** Number of its first knot among all that are laid. */
  readonly from: number;
  readonly feet: Array<Foot | undefined>;
}

/** Rows that are laid, lowest first. */
export class LaidRows {
  readonly knots: Array<readonly LaidKnot[]> = [];
  private readonly rows: LaidRow[] = [];
  private count = 0;

  /** Places (in local spacings) where knots of the rows below fall on the next row, rising. */
  below(working: Working, pitch: PitchFields, spacing: RowSpacing): number[] {
    const { row } = working;
    const feet: number[] = [];
    const isAlike = !row.curve.closed && beginsAt(row.curve) === 'either';
    const free = row.kind === 'front' || row.kind === 'fringe';
    const box = boxOf(row.curve.pointsMm);
    const next: LaidRow = { working, from: this.count, feet: [] };
    this.rows.forEach(({ working: { row: lower }, from }, index) => {
      const levels = free ? 1 : Math.abs(lower.quarter - row.quarter) / 4;
      if (levels <= 0 || levels > 2.05) return;
      this.knots[index].forEach((knot, i) => {
        const reach = 1.9 * spacing.gapMm * pitch.spacingFactor[knot.vertex] * Math.max(1, 0.75 * levels);
        if (isBeyond(box, knot, reach)) return;
        const foot =
          isAlike && Math.abs(knot.xMm) < ALIKE_MM ? middleFoot(working, knot) : footOnRow(next, knot, from + i);
        if (foot.distance > (foot.atEnd ? 0.75 * reach : reach)) return;
        if (levels > 0.3 && this.isHidden(knot, from + i, foot.distance, row, lower)) return;
        feet.push(foot.u);
      });
    });
    this.rows.push(next);
    return feet.sort((a, b) => a - b);
  }

  /** The knots of the row that was asked about last. */
  add(knots: readonly LaidKnot[]) {
    this.knots.push(knots);
    this.count += knots.length;
  }

  /** Whether a row in between lies nearer to the knot than this one. */
  private isHidden(knot: LaidKnot, number: number, distance: number, row: Row, lower: Row): boolean {
    const low = Math.min(row.quarter, lower.quarter);
    const high = Math.max(row.quarter, lower.quarter);
    for (const between of this.rows) {
      const { quarter } = between.working.row;
      if (quarter <= low || quarter >= high) continue;
      const foot = footOnRow(between, knot, number);
      if (!foot.atEnd && foot.distance < distance) return true;
    }
    return false;
  }
}

function footOnRow({ working, feet }: LaidRow, knot: LaidKnot, number: number): Foot {
  feet[number] ??= footOn(working.row.curve, working.u, knot);
  return feet[number];
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
