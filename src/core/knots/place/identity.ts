/**
 * Names of rows and knots that stay when something changes elsewhere: rows count from the nape, knots
 * outwards from the middle of the back. "r07-l03" is the third knot left of the middle in the seventh row.
 */
import type { SurfaceCurve } from '../../geometry/index.ts';
import type { Row, RowKind } from '../../rows/index.ts';

export interface NamedRow {
  readonly id: string;
  /** Distance of the row's first point from the middle of the back, mm; her left is negative. */
  readonly startMm: number;
}

/** Rows that are called what they are, and not counted. */
export const isNamed = (kind: RowKind) => kind === 'front' || kind === 'border' || kind === 'base';

/** @param deepest quarter of the lowest row that is laid */
export function nameRows(rows: readonly Row[], deepest: number, fromMidline: Float64Array): NamedRow[] {
  const seen = new Map<string, number>();
  return rows.map((row) => {
    const stem = row.into ? `b-${row.into.entry}` : isNamed(row.kind) ? row.kind : rowStem(deepest - row.quarter);
    const times = (seen.get(stem) ?? 0) + 1;
    seen.set(stem, times);
    return {
      id: times > 1 ? `${stem}${String.fromCharCode(96 + times)}` : stem,
      // A tie, a plait or a coil has no middle of the back: it is told from its own.
      startMm: row.into ? -row.curve.lengthMm / 2 : -middleArc(row.curve, fromMidline),
    };
  });
}

function rowStem(quartersUp: number): string {
  const whole = Math.floor(quartersUp / 4) + 1;
  return `r${String(whole).padStart(2, '0')}${['', 'q', 'h', 't'][quartersUp % 4]}`;
}

/** A row counts as crossing the middle of the back when it does so this near to its backmost point, mm. */
const AT_THE_BACK = 25;
/** Points nearer to the middle lie on it: a row may begin or end there. */
const ON_MIDDLE_MM = 1e-6;

/**
 * Where along the curve the middle of the back is met. A row round a part may cross the middle only in front,
 * or not at all: then it is counted from its backmost point and that point's distance from the middle line.
 */
function middleArc(curve: SurfaceCurve, fromMidline: Float64Array): number {
  const x = (i: number) => curve.pointsMm[3 * i];
  const side = (i: number) => (Math.abs(x(i)) < ON_MIDDLE_MM ? 0 : Math.sign(x(i)));
  const z = (i: number) => curve.pointsMm[3 * i + 2];
  // The middle of the crossed piece, so that a row run the other way finds the same crossing.
  const crossingZ = (i: number) => (z(i) + z(i + 1)) / 2;
  let backmost = 0;
  let crossing = -1;
  for (let i = 0; i < curve.pointCount; i++) {
    if (z(i) < z(backmost)) backmost = i;
    if (i + 1 === curve.pointCount || side(i) === side(i + 1)) continue;
    if (crossing < 0 || crossingZ(i) < crossingZ(crossing)) crossing = i;
  }
  if (crossing >= 0 && crossingZ(crossing) < z(backmost) + AT_THE_BACK) {
    const t = x(crossing) / (x(crossing) - x(crossing + 1));
    return curve.arcMm[crossing] + t * (curve.arcMm[crossing + 1] - curve.arcMm[crossing]);
  }
  const aside = fromMidline[curve.fromVertex[backmost]];
  return curve.arcMm[backmost] + (x(backmost) > 0 ? aside : -aside);
}

/** Ids of the knots of one row, given their distances from the middle of the back (rising). */
export function knotIds(rowId: string, fromMiddleMm: readonly number[]): string[] {
  const left = fromMiddleMm.filter((x) => x < 0).length;
  return fromMiddleMm.map((x, i) => {
    const place = x < 0 ? left - i : i - left + 1;
    return `${rowId}-${x < 0 ? 'l' : 'r'}${String(place).padStart(2, '0')}`;
  });
}
