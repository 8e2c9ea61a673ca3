/** Rows of any scheme from what they hang on: the field's levels or what is there, locked rows, the fringe. */

import type { LaidBase } from '../base/base.ts';
import { FAMILY_INFO } from '../base/choice.ts';
import type { Cap } from '../cap/cap.ts';
import { contours } from '../geometry/contour.ts';
import { pointAt, type Vec3 } from '../geometry/vectors.ts';
import { directionOf, onSurface } from '../head/marks.ts';
import { footOn } from '../knots/layout.ts';
import { type HandChange, PULL_SHARE, type RowChoice } from '../rows/choice.ts';
import { alongAndBetween, bandRows, fringeRows, lockedRows, rodRows } from '../rows/given.ts';
import type { RowField } from '../rows/row-field.ts';
import {
  inLayingOrder,
  layRows,
  type Row,
  type RowOptions,
  type RowPlan,
  type RowSlopes,
  type RowSpacing,
} from '../rows/rows.ts';
import { lowerFirst } from '../words.ts';
import type { HeadStage } from './head-stage.ts';
import type { PlanInputs } from './inputs.ts';

export interface SchemeRows extends Omit<RowPlan, 'levelsMm' | 'firstMm'> {
  readonly cannotLay: string | undefined;
  /** Hand changes to rows that could not be kept. */
  readonly lost: ReadonlyArray<{ readonly id: string; readonly why: string }>;
}

export const NO_ROWS: SchemeRows = {
  rows: [],
  wholeRows: 0,
  stepMm: 0,
  insertedRows: 0,
  shortenedRows: 0,
  droppedPieces: 0,
  cannotLay: undefined,
  lost: [],
};

/** Families whose hair is drawn to one tie. */
const TIED_TOGETHER = ['puff', 'intoCoil', 'halfUp'];

/** Why a scheme can't be laid, with what it needs; undefined where it can. */
export function whyNot(
  inputs: Pick<PlanInputs, 'rows' | 'base' | 'cap'>,
  base: Pick<LaidBase, 'sections'>,
): string | undefined {
  const { family } = inputs.base;
  switch (inputs.rows.scheme) {
    case 'grid':
      return family === 'grid' ? undefined : 'Pieces on bands need a rubber-band grid as the base.';
    case 'rods':
      return family === 'threaded' ? undefined : 'Rod by rod needs threaded rods as the base.';
    case 'fromTie':
      return TIED_TOGETHER.includes(family)
        ? undefined
        : `Rings from a tie need a base that is drawn to one: ${TIED_TOGETHER.map((f) => lowerFirst(FAMILY_INFO[f as 'puff'].name)).join(', ')}.`;
    case 'found':
      return inputs.cap.ownRows !== 'none' || base.sections.some((s) => s.rowMm.length > 0)
        ? undefined
        : 'There are no rows to follow: neither the base nor the cap has any.';
    default:
      return undefined;
  }
}

/** Where rings begin, and how wide the coil there is. */
export function tieOf(head: HeadStage, base: Pick<LaidBase, 'sections' | 'bumps'>): { at: Vec3; coilMm: number } {
  const tied = base.sections.filter((s) => s.role === 'base');
  if (tied.length === 0) return { at: head.mark.crown, coilMm: LEAST_COIL_MM };
  const at = tied.reduce((a, b) => (b.massG > a.massG ? b : a)).tieMm;
  const lump = base.bumps.lumps.find((l) => Math.hypot(l.atMm[0] - at[0], l.atMm[1] - at[1], l.atMm[2] - at[2]) < 60);
  return { at, coilMm: Math.max(LEAST_COIL_MM, lump ? Math.sqrt(lump.areaMm2 / Math.PI) : 0) };
}
/** A coil is at least this far from its middle to its rim, mm (guess). */
const LEAST_COIL_MM = 18;

/** Ready-made rows of a cap lie this far apart, fingers (common practice, no source). */
const CAP_ROWS_FINGERS = 1.5;
/** How far to one side they run in front, as a share of the way back. */
const TO_ONE_SIDE = 0.35;

/** Lines that are there already: of the base, or ready-made on the cap. */
export function linesThere(
  head: HeadStage,
  cap: Cap,
  base: Pick<LaidBase, 'sections'>,
  fingerMm: number,
): Float64Array[] {
  const own = base.sections.filter((s) => s.rowMm.length > 0).map((s) => Float64Array.from(s.rowMm));
  if (own.length > 0 || cap.ownRows === 'none') return own;
  const { mesh, scalp } = head;
  const p = mesh.positionsMm;
  const lean = cap.ownRows === 'oneSide' ? TO_ONE_SIDE : 0;
  const step = CAP_ROWS_FINGERS * fingerMm;
  const aside = Float64Array.from(
    { length: mesh.vertexCount },
    (_, v) => (p[3 * v] >= 0 ? 1 : -1) * scalp.fromMidline[v] - lean * Math.max(0, p[3 * v + 2]),
  );
  const levels: number[] = [];
  for (let x = -8.5 * step; x <= 8.5 * step; x += step) levels.push(x);
  return contours(mesh, aside, levels).flatMap((curves) =>
    curves.filter((c) => c.lengthMm > 3 * step).map((c) => c.pointsMm),
  );
}

export interface SchemeGround {
  readonly head: HeadStage;
  readonly field: RowField | undefined;
  readonly slopes: RowSlopes | undefined;
  /** With what the brush made of it. */
  readonly zone: Float64Array;
  readonly spacing: RowSpacing;
  readonly options: RowOptions;
  readonly base: Pick<LaidBase, 'sections'>;
  readonly linesMm: readonly Float64Array[];
  readonly hand: readonly HandChange[];
  readonly fingerMm: number;
  isClosed(vertex: number): boolean;
}

export function laySchemeRows(choice: RowChoice, inputs: Pick<PlanInputs, 'base'>, g: SchemeGround): SchemeRows {
  const { mesh, shape, scalp } = g.head;
  const closed = (v: number) => g.isClosed(v);
  if (!g.field || !g.slopes) {
    const rows =
      choice.scheme === 'grid'
        ? bandRows(mesh, g.base.sections, closed)
        : choice.scheme === 'rods'
          ? rodRows(mesh, g.base.sections, inputs.base.rodPieces, g.spacing.pitchMm, closed)
          : alongAndBetween(shape, mesh, g.linesMm, g.spacing, closed);
    return {
      ...NO_ROWS,
      rows,
      wholeRows: rows.filter((r) => r.kind === 'given').length,
      insertedRows: rows.filter((r) => r.kind === 'short').length,
    };
  }
  const lay = (options: RowOptions) =>
    layRows(mesh, g.head.line, scalp, g.field as RowField, g.slopes as RowSlopes, g.spacing, options, g.zone);
  let plan = lay(g.options);
  const { pulls, by, lost } = pullsOf(g, plan);
  if (pulls.size > 0) plan = lay({ ...g.options, pulls });
  const quarterAt = (v: number) => Math.round((4 * ((g.field as RowField).field[v] - plan.firstMm)) / plan.stepMm);
  const locked = lockedRows(shape, mesh, g.hand, quarterAt);
  const laid = inLayingOrder(
    [...plan.rows.map((r) => (by.has(r.quarter) ? { ...r, pulledBy: by.get(r.quarter) as string } : r)), ...locked],
    g.options.outwards,
  );
  const fringe =
    choice.fringe.how === 'short' ? fringeRows(mesh, scalp, choice.fringe, g.fingerMm, g.spacing, closed) : [];
  return { ...plan, rows: withFringe(laid, fringe), cannotLay: undefined, lost };
}

/** Short pieces go in before the last long rows, which are laid over them. */
function withFringe(rows: readonly Row[], fringe: readonly Row[]): Row[] {
  if (fringe.length === 0) return [...rows];
  const long = rows.findIndex((r) => r.kind === 'front' || (r.quarter >= 0 && r.quarter <= 4));
  const at = long < 0 ? rows.length : long;
  return [...rows.slice(0, at), ...fringe, ...rows.slice(at)];
}

/** Which level each pulled row is, and by how much its level moves. */
function pullsOf(g: SchemeGround, plan: RowPlan) {
  const pulls = new Map<number, number>();
  const by = new Map<number, string>();
  const lost: { id: string; why: string }[] = [];
  g.hand.forEach((change) => {
    if (change.op !== 'pull') return;
    const at = onSurface(g.head.shape, directionOf(change.at));
    const row = nearestRow(plan.rows, at, 0.75 * g.spacing.gapMm);
    if (!row) {
      lost.push({ id: change.id, why: 'there is no row at that place any more' });
      return;
    }
    const gap = g.spacing.gapMm * g.zone[row.vertex];
    if (Math.abs(change.mm) > PULL_SHARE * gap + 0.5) {
      const more = Math.round(PULL_SHARE * gap);
      lost.push({
        id: change.id,
        why: `rows are ${Math.round(gap)} mm apart there now, and one can be pulled by ${more} mm at most`,
      });
      return;
    }
    const slope = (g.slopes as RowSlopes).perVertex[row.vertex];
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

/** Straight distance of every vertex from rows that stay, as far as it matters; undefined where there are none. */
export function fromLocked(head: HeadStage, hand: readonly HandChange[], reachMm: number): Float64Array | undefined {
  const rows = lockedRows(head.shape, head.mesh, hand, () => 0);
  if (rows.length === 0) return undefined;
  const p = head.mesh.positionsMm;
  const away = new Float64Array(head.mesh.vertexCount).fill(Infinity);
  for (const { curve } of rows) {
    for (let i = 0; i < curve.pointCount; i++) {
      const [x, y, z] = pointAt(curve.pointsMm, i);
      for (let v = 0; v < away.length; v++) {
        const d = (p[3 * v] - x) ** 2 + (p[3 * v + 1] - y) ** 2 + (p[3 * v + 2] - z) ** 2;
        if (d < away[v]) away[v] = d;
      }
    }
  }
  for (let v = 0; v < away.length; v++) away[v] = away[v] < reachMm * reachMm ? Math.sqrt(away[v]) : Infinity;
  return away;
}
