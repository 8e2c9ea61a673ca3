/** Knots of two rows that came too close. */
import type { Row, RowSpacing } from '../../rows/index.ts';
import type { LaidKnot, PitchFields } from './measure.ts';
import { TIE } from './ties.ts';

export interface KnotLayout {
  /** In laying order: row by row, from her left to her right. */
  readonly knots: readonly LaidKnot[];
  /** Knots taken out because two rows came too close there. */
  readonly thinnedOut: number;
  /** Of the knots laid in bricks, as brickScore has it. */
  readonly brickScore: number;
}

/** Knots nearer than this share of the gap between rows collide, however close they lie along them. */
const COLLISION = 0.6;

/** Spacing at a vertex against that on top, the face edge's own included where that is closer. */
const closeness = ({ spacingFactor, faceEdge }: PitchFields, v: number) => spacingFactor[v] * Math.min(1, faceEdge[v]);

/** Of two knots that came too close, the one nearer its row's end goes; one of a row that has to be whole stays. */
export function withoutCollisions(
  rows: readonly Row[],
  knotsOfRow: readonly LaidKnot[][],
  pitch: PitchFields,
  spacing: RowSpacing,
): Omit<KnotLayout, 'brickScore'> {
  const all = knotsOfRow.flat();
  const gone = new Uint8Array(all.length);
  const nearest = COLLISION * spacing.gapMm;
  const toEnd = (k: LaidKnot) => Math.min(k.arcMm, rows[k.row].curve.lengthMm - k.arcMm);
  const near = Float64Array.from(all, (k) => nearest * closeness(pitch, k.vertex));
  const isKept = ({ row }: LaidKnot) =>
    rows[row].besidePart || rows[row].placesMm !== undefined || rows[row].kind === 'front';
  // What is hooked already stays, however near: it can't be laid otherwise any more.
  const isIn = ({ row }: LaidKnot) => rows[row].closesMm !== undefined;
  const loser = (a: LaidKnot, b: LaidKnot): LaidKnot | undefined => {
    if (isIn(a) || isIn(b)) return isIn(a) && isIn(b) ? undefined : isIn(a) ? b : a;
    if (a.row !== b.row && isKept(b)) return isKept(a) ? undefined : a;
    return !isKept(a) && toEnd(a) <= toEnd(b) + TIE ? a : b;
  };
  for (let i = 0; i < all.length; i++) {
    for (let j = i + 1; j < all.length && !gone[i]; j++) {
      const a = all[i];
      const b = all[j];
      if (gone[j]) continue;
      const limit = Math.min(near[i], near[j]);
      const dx = a.xMm - b.xMm;
      if (Math.abs(dx) > limit) continue;
      const dSq = dx * dx + (a.yMm - b.yMm) ** 2 + (a.zMm - b.zMm) ** 2;
      if (dSq >= limit * limit) continue;
      const goes = loser(a, b);
      if (goes !== undefined) gone[goes === a ? i : j] = 1;
    }
  }
  return { knots: all.filter((_, i) => !gone[i]), thinnedOut: gone.reduce((a, b) => a + b, 0) };
}
