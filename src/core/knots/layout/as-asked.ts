/**
 * How many whole rows, and how close along them, so that there are as many knots as gaps and zones ask for. Rows and
 * knots are whole: a row more or less is a twelfth of a head's hair, and short rows come and go with the gap. What
 * rounding to whole rows leaves over is taken up along them, so that knots follow gap and part without jumps.
 */
import { log } from '../../numerics/index.ts';
import { layRows, type RowContext, type RowOptions, type RowPlan, type RowSpacing } from '../../rows/index.ts';
import { MOST_KNOTS } from '../../trade/index.ts';
import type { KnotLayout } from './collide.ts';
import { layKnots } from './layout.ts';
import { measured, type PitchFields } from './measure.ts';

/** Rows as many as asked for, and knots along them. */
export interface AsAsked {
  readonly plan: RowPlan;
  readonly layout: KnotLayout;
  /** Between rows as told; along them drawn together or apart. */
  readonly spacing: RowSpacing;
}

/** Knots off by more than this share of a row's, and a row more or less is laid; so many at most. */
const ROW_OFF = 0.5;
const MOST_ROWS_OFF = 2;
/** Along a row knots are not drawn together or apart by more than this. */
const ALONG = [0.86, 1.16] as const;
/** As many as asked or one less are near enough; one more is not, so that it does not waver by two. */
const BELOW = 0.5;
/** Layouts tried along the same rows. */
const TRIES = 4;

/**
 * @param options of the rows; `wholeRows` left out
 * @returns rows, knots along them, and the spacing they are laid at: as many as asked or one less, where any spacing within
 * `ALONG` of any row count near gives that; else the nearest that was tried
 */
export function laidAsAsked(context: RowContext, options: RowOptions, pitch: PitchFields): AsAsked {
  const { mesh, spacing } = context;
  // The face edge acts along a row only: it adds knots, no rows.
  const evenEdge = { ...pitch, faceEdge: new Float64Array(mesh.vertexCount).fill(1) };
  const laid = (wholeRows?: number): Ground => {
    const plan = layRows(context, wholeRows === undefined ? options : { ...options, wholeRows });
    const lengths = (along: PitchFields) =>
      plan.rows.map((row) => ({ isRing: row.curve.closed, lengthU: measured(row, along, spacing.pitchMm).lengthU }));
    const along = (share: number): AsAsked => {
      const held = { ...spacing, pitchMm: share * spacing.pitchMm };
      return { plan, spacing: held, layout: layKnots(mesh, plan.rows, pitch, held) };
    };
    const rows = once(() => lengths(pitch));
    const evenRows = once(() => lengths(evenEdge));
    return { plan, rows, evenRows, along };
  };
  const first = laid();
  const asked = Math.round(knotsAsked(context, first.plan.firstMm, pitch));
  // Nobody hooks as many: it is said where all is known that is left out.
  if (asked > MOST_KNOTS) return first.along(1);
  const { ground, towards } = nearestRows(knotsAsked(context, first.plan.firstMm, evenEdge), first, laid);
  const { wholeRows } = ground.plan;
  let best: AsAsked | undefined;
  for (const more of [0, towards, -towards]) {
    const at = closest(asked, more === 0 ? ground : laid(wholeRows + more));
    if (!best || off(at, asked) < off(best, asked)) best = at;
    if (off(best, asked) <= BELOW) break;
  }
  return best as AsAsked;
}

/** As many rows as hold most nearly what is asked at the spacing told, and whether more or fewer come next. */
function nearestRows(asked: number, first: Ground, laid: (wholeRows: number) => Ground) {
  const missing = ({ evenRows }: Ground) => log(asked / knotsExpected(evenRows(), 1));
  let ground = first;
  const towards = missing(first) > 0 ? 1 : -1;
  for (let k = 0; k < MOST_ROWS_OFF; k++) {
    const { wholeRows } = ground.plan;
    if (Math.abs(missing(ground)) * wholeRows < ROW_OFF) break;
    const other = laid(wholeRows + towards);
    if (Math.abs(missing(other)) >= Math.abs(missing(ground))) break;
    ground = other;
  }
  return { ground, towards: missing(ground) > 0 ? 1 : -1 };
}

/** By how many knots a layout misses what is asked; as many and one less are alike. */
const off = ({ layout }: AsAsked, asked: number) => Math.abs(layout.knots.length - asked + BELOW);

/** Worked out where it is first asked for. */
function once<T>(make: () => T): () => T {
  let made: T | undefined;
  return () => {
    made ??= make();
    return made;
  };
}

interface RowLength {
  readonly isRing: boolean;
  readonly lengthU: number;
}

/** Rows that are laid, and knots along them at a share of the spacing told. */
interface Ground {
  readonly plan: RowPlan;
  /** Their lengths in spacings told, and without the face edge. */
  rows(): readonly RowLength[];
  evenRows(): readonly RowLength[];
  along(share: number): AsAsked;
}

/** An open row holds so much less than its length in spacings: in bricks every other row begins half a spacing in (measured). */
const OPEN_ROW_LESS = 0.1;

/** Knots at a share of the spacing told, from the lengths of rows alone: within a few of what is laid. */
function knotsExpected(rows: readonly RowLength[], share: number): number {
  const held = ({ isRing, lengthU }: RowLength) =>
    isRing ? lengthU / share : Math.max(1, lengthU / share - OPEN_ROW_LESS);
  return rows.reduce((sum, row) => sum + held(row), 0);
}

/** Knots that a scalp asks for: its area over what each stands for. */
export function knotsAsked(
  { mesh, field: { field }, spacing: { gapMm, pitchMm } }: RowContext,
  firstMm: number,
  { spacingFactor, faceEdge }: PitchFields,
): number {
  let sum = 0;
  for (let v = 0; v < mesh.vertexCount; v++) {
    if (!(field[v] >= firstMm - gapMm / 2 && field[v] < Infinity)) continue;
    sum += mesh.vertexAreasMm2[v] / (spacingFactor[v] * spacingFactor[v] * faceEdge[v]);
  }
  return sum / (gapMm * pitchMm);
}

/** With the spacing along these rows that comes nearest to so many knots. */
function closest(asked: number, ground: Ground): AsAsked {
  const tried: number[] = [];
  let best: AsAsked | undefined;
  /** Knots laid beyond what lengths alone let expect, in the mean of what was tried. */
  let beyond = 0;
  for (let i = 0; i < TRIES; i++) {
    const share = untried(shareFor(asked - BELOW - beyond, ground), tried);
    const at = ground.along(share);
    if (!best || off(at, asked) < off(best, asked)) best = at;
    if (off(best, asked) <= BELOW) break;
    tried.push(share);
    beyond += (at.layout.knots.length - knotsExpected(ground.rows(), share) - beyond) / tried.length;
  }
  return best as AsAsked;
}

/** A layout this near to one that was tried is no other. */
const APART = 0.004;

/** The share nearest to this one that lies apart from all that were tried. */
function untried(share: number, tried: readonly number[]): number {
  const [low, high] = ALONG;
  const isNew = (s: number) => s >= low && s <= high && tried.every((t) => Math.abs(t - s) > 0.9 * APART);
  for (let k = 0; k < 2 * TRIES; k++) for (const s of [share - k * APART, share + k * APART]) if (isNew(s)) return s;
  return share;
}

const HALVINGS = 30;

/** The share at which so many knots are expected. */
function shareFor(knots: number, ground: Ground): number {
  let [from, to] = ALONG as readonly [number, number];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (from + to) / 2;
    if (knotsExpected(ground.rows(), middle) > knots) from = middle;
    else to = middle;
  }
  return (from + to) / 2;
}
