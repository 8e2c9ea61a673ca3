/**
 * Rows as level sets of the row field, with short rows where a head is too wide for whole ones: where the
 * gap would exceed 1.4 of the target a row is put between, where it would fall below 0.65 every other row
 * ends (dyadic rule: one row per step becomes two, or four, or a half). No neighbour search is needed.
 */
import { contours, fieldAt, footOn, pointAt, type SurfaceCurve, sliceCurve } from '../../geometry/index.ts';
import { keptPoints, quartersToTrace } from './dyadic.ts';
import { factorInFront, frontRow } from './front-row.ts';
import { oriented } from './orient.ts';
import type { Row, RowContext, RowOptions, RowPlan } from './row.ts';
import { runsToLay, smoothAlong } from './runs.ts';
import { bestStepFactor, type RowSlopes } from './slopes.ts';

/** Rows end this share of a gap before a place where nothing is hooked. */
const CLOSED_CLEARANCE = 0.33;
/** And this share before a row that stays as it lies. */
const LOCKED_CLEARANCE = 0.65;
/** A point nearer to the hairline than this share of a gap holds no knot (guess: half a small knot). */
const EDGE_CLEARANCE = 0.2;
/** Other rows end this share of a gap before a row along the front. */
const FRONT_CLEARANCE = 0.65;
/** Swept back, the first row lies this share of a gap inside the front. */
const FIRST_SWEPT = 0.3;
/** The last lies this share of a gap from the end of the field: a line such as the nape's, or a tip, where a row needs some length. */
const LAST_FREE = { line: 0.3, tip: 0.5 } as const;
/** The step may be stretched so far, that whole rows fit; swept back there is no row beside a part to mind. */
const STEP_RANGE = { besidePart: [0.94, 1.06], swept: [0.92, 1.1] } as const;
/** A run too short for a row is laid where this share of a gap is free round it. */
const FREE_ALONE = 0.7;
/** No step is shorter than this share of a gap. */
const LEAST_STEP = 0.25;

/** Levels of whole rows: where the first lies, how far one is from the next, how many there are. */
interface Levels {
  readonly first: number;
  readonly step: number;
  /** From the first to the last that the field is counted for. */
  readonly counted: number;
  /** To the highest place of all. */
  readonly wholeRows: number;
}

export function layRows(context: RowContext, options: RowOptions): RowPlan {
  const { mesh, field, slopes, spacingFactor, spacing } = context;
  const levels = levelsOf(context, options);
  const { first, step, wholeRows } = levels;
  const levelOf = (quarter: number) => first + (quarter * step) / 4 - (options.pulls?.get(quarter) ?? 0);
  const quarters = quartersToTrace(mesh, field.field, slopes.perTriangle, spacingFactor, {
    first,
    step,
    gapMm: spacing.gapMm,
    wholeRows,
  });
  const curves = contours(mesh, field.field, quarters.map(levelOf));
  const isClosed = closedAlong(context, options);
  const front = options.frontRow ? factorInFront(mesh, spacingFactor) : 1;
  const isOff = offAlong(context, options, isClosed, front);
  const laid = curves.flatMap((pieces, i) =>
    pieces
      .filter((c) => c.pointCount >= 3)
      .map((curve) => layLevel(context, options, levels, quarters[i], curve, isOff)),
  );
  const rows = laid.flatMap((l) => l.rows);
  // Swept back there is no part, and no rows beside one.
  if (options.frontRow) rows.push(...frontRow(context, options.swept ? -Infinity : first, front, isClosed));
  const tooShort = laid.flatMap((l) => l.tooShort);
  const alone = whereNothingLies(context, rows, tooShort);
  return {
    rows: inLayingOrder([...rows, ...alone], options.outwards),
    levelsMm: new Map(quarters.map((q) => [q, levelOf(q)])),
    firstMm: first,
    wholeRows: levels.counted,
    stepMm: step,
    insertedRows: rows.filter((r) => r.kind === 'short').length,
    shortenedRows: laid.reduce((sum, l) => sum + l.shortened, 0),
    droppedPieces: tooShort.length - alone.length,
  };
}

/** All steps stretched or drawn together, so that a whole number of them fits. */
function levelsOf({ field, slopes, spacing }: RowContext, options: RowOptions): Levels {
  const { gapMm: s, pitchMm: p } = spacing;
  const first = (options.firstMm ?? (options.swept ? FIRST_SWEPT * s : p / 2)) + (options.offset ?? 0) * s;
  const span = field.total - first - LAST_FREE[options.endsInTip ? 'tip' : 'line'] * s;
  const counted = Math.max(2, options.wholeRows ?? rowsThatFit(span, slopes, s, options.swept));
  const step = Math.max(span / (counted - 1), LEAST_STEP * s);
  const wholeRows = Math.max(counted, Math.floor((maximumFinite(field.field) - first) / step) + 1);
  return { first, step, counted, wholeRows };
}

/** @param span between the first and the last level, zone-mm */
function rowsThatFit(span: number, { histogram }: RowSlopes, gapMm: number, swept: boolean): number {
  const factor = bestStepFactor(histogram, swept ? STEP_RANGE.swept : STEP_RANGE.besidePart);
  return Math.round(span / (factor * gapMm)) + 1;
}

type Along = (curve: SurfaceCurve, i: number) => boolean;

/** Points of a curve where no piece goes. With the margin of a row's end the last knot lies half a gap away, so that a spot adds no knots round it. */
function closedAlong(
  { spacing, spacingFactor }: RowContext,
  { fromClosedMm, fromLockedMm, fringe }: RowOptions,
): Along {
  return (curve, i) => {
    const v = curve.share[i] < 0.5 ? curve.fromVertex[i] : curve.toVertex[i];
    if (fringe?.[v]) return true;
    if (fromLockedMm && fromLockedMm[v] < LOCKED_CLEARANCE * spacing.gapMm * spacingFactor[v]) return true;
    return fromClosedMm !== undefined && fromClosedMm[v] <= CLOSED_CLEARANCE * spacing.pitchMm * spacingFactor[v];
  };
}

/** Points of a curve that are closed, at the very edge, or where the front row lies. */
function offAlong({ scalp, spacing }: RowContext, options: RowOptions, isClosed: Along, front: number): Along {
  const { gapMm } = spacing;
  return (curve, i) =>
    isClosed(curve, i) ||
    fieldAt(curve, scalp.fromHairline, i) < EDGE_CLEARANCE * gapMm ||
    (options.frontRow && fieldAt(curve, scalp.fromFrontHairline, i) < FRONT_CLEARANCE * gapMm * front);
}

function layLevel(
  { slopes, spacing, spacingFactor }: RowContext,
  options: RowOptions,
  { step, wholeRows }: Levels,
  quarter: number,
  curve: SurfaceCurve,
  isOff: Along,
) {
  const { gapMm: s, pitchMm: p } = spacing;
  const ratio = smoothAlong(curve, p / 2, (i) => {
    const slopeHere = fieldAt(curve, slopes.perVertex, i);
    return step / (Math.max(1e-6, slopeHere) * s * fieldAt(curve, spacingFactor, i));
  });
  const keep = keptPoints(quarter, wholeRows, ratio);
  // Where knots lie wider apart, a piece has to be longer to be worth a row.
  const localPitch = p * fieldAt(curve, spacingFactor, curve.pointCount >> 1);
  const { runs, tooShort } = runsToLay(curve, keep, isOff, quarter, localPitch);
  const isWhole = quarter % 4 === 0;
  const rowOf = ([from, to]: [number, number]) =>
    oriented({
      quarter,
      kind: isWhole ? 'whole' : 'short',
      curve: from === 0 && to === curve.pointCount - 1 ? curve : sliceCurve(curve, from, to),
      gapRatio: ratio.slice(from, to + 1),
      besidePart: quarter === 0 && options.besidePart,
    });
  return {
    rows: runs.map(rowOf),
    tooShort: tooShort.map(rowOf),
    shortened: isWhole && !keep.every(Boolean) ? runs.length : 0,
  };
}

/** Of runs too short for a row those with nothing near: at the nape, a corner, a sideburn a knot would be missing. */
function whereNothingLies(
  { spacing, spacingFactor }: RowContext,
  laid: readonly Row[],
  tooShort: readonly Row[],
): Row[] {
  const alone: Row[] = [];
  for (const row of tooShort) {
    const { curve } = row;
    const middle = curve.pointCount >> 1;
    const free = FREE_ALONE * spacing.gapMm * fieldAt(curve, spacingFactor, middle);
    const [xMm, yMm, zMm] = pointAt(curve.pointsMm, middle);
    const isNear = ({ curve: other }: Row) => footOn(other, other.arcMm, { xMm, yMm, zMm }).distance < free;
    if (!laid.some(isNear) && !alone.some(isNear)) alone.push(row);
  }
  return alone;
}

/** From the nape to the part (or from the tie outwards), her left first; the front hairline last. */
export function inLayingOrder(rows: Row[], outwards: boolean): Row[] {
  const way = outwards ? -1 : 1;
  return rows.sort((a, b) => {
    if ((a.kind === 'front') !== (b.kind === 'front')) return a.kind === 'front' ? 1 : -1;
    return way * (b.quarter - a.quarter) || b.curve.pointsMm[0] - a.curve.pointsMm[0];
  });
}

function maximumFinite(field: Float64Array): number {
  let best = -Infinity;
  for (let i = 0; i < field.length; i++) if (field[i] > best && field[i] < Infinity) best = field[i];
  return best;
}
