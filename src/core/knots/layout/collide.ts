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
  knotsOfRow: ReadonlyArray<readonly LaidKnot[]>,
  pitch: PitchFields,
  spacing: RowSpacing,
): Omit<KnotLayout, 'brickScore'> {
  const all = knotsOfRow.flat();
  const gone = new Uint8Array(all.length);
  const nearest = COLLISION * spacing.gapMm;
  const toEnd = (k: LaidKnot) => Math.min(k.arcMm, rows[k.row].curve.lengthMm - k.arcMm);
  const near = new Float64Array(all.length);
  for (let i = 0; i < all.length; i++) near[i] = nearest * closeness(pitch, all[i].vertex);
  const isKept = ({ row }: LaidKnot) =>
    rows[row].besidePart || rows[row].placesMm !== undefined || rows[row].kind === 'front';
  // What is hooked already stays, however near: it can't be laid otherwise any more.
  const isIn = ({ row }: LaidKnot) => rows[row].closesMm !== undefined;
  const loser = (a: LaidKnot, b: LaidKnot): LaidKnot | undefined => {
    if (isIn(a) || isIn(b)) return isIn(a) && isIn(b) ? undefined : isIn(a) ? b : a;
    if (a.row !== b.row && isKept(b)) return isKept(a) ? undefined : a;
    return !isKept(a) && toEnd(a) <= toEnd(b) + TIE ? a : b;
  };
  for (const [i, j] of closePairs(all, near)) {
    if (gone[i] || gone[j]) continue;
    const goes = loser(all[i], all[j]);
    if (goes !== undefined) gone[goes === all[i] ? i : j] = 1;
  }
  const kept = all.filter((_, i) => !gone[i]);
  return { knots: kept, thinnedOut: all.length - kept.length };
}

/** Pairs of knots nearer than both allow, in laying order. @param near how near each lets another come, mm */
function closePairs(all: readonly LaidKnot[], near: Float64Array): Array<readonly [i: number, j: number]> {
  const x = new Float64Array(all.length);
  const y = new Float64Array(all.length);
  const z = new Float64Array(all.length);
  const fromLeft = new Uint32Array(all.length);
  for (let i = 0; i < all.length; i++) {
    x[i] = all[i].xMm;
    y[i] = all[i].yMm;
    z[i] = all[i].zMm;
    fromLeft[i] = i;
  }
  fromLeft.sort((a, b) => x[a] - x[b]);
  const pairs: Array<readonly [number, number]> = [];
  for (let at = 0; at < fromLeft.length; at++) {
    const a = fromLeft[at];
    for (let to = at + 1; to < fromLeft.length; to++) {
      const b = fromLeft[to];
      const dx = x[b] - x[a];
      if (dx > near[a]) break;
      const limit = Math.min(near[a], near[b]);
      const dSq = dx * dx + (y[a] - y[b]) ** 2 + (z[a] - z[b]) ** 2;
      if (dx <= limit && dSq < limit * limit) pairs.push(a < b ? [a, b] : [b, a]);
    }
  }
  return pairs.sort((p, q) => p[0] - q[0] || p[1] - q[1]);
}
