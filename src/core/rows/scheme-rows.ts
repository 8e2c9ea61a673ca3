/** Rows of any scheme from what they hang on: the field's levels or what is there, locked rows, the fringe. */

import type { BaseChoice, LaidBase, Section } from '../base/index.ts';
import { distance, type Vec3 } from '../geometry/index.ts';
import type { Head, Part } from '../head/index.ts';
import {
  type Cap,
  FAMILY_INFO,
  type Family,
  type Fringe,
  lowerFirst,
  type RodPlace,
  type Scheme,
  type Schools,
} from '../trade/index.ts';
import type { HandChange, RowChoice } from './choice.ts';
import type { RowField } from './field/row-field.ts';
import { alongAndBetween } from './given/along.ts';
import { bandRows } from './given/bands.ts';
import { fringeRows } from './given/fringe.ts';
import { lockedRows } from './given/locked.ts';
import { pullsOf } from './given/pulled.ts';
import { rodRows } from './given/rods.ts';
import { inLayingOrder, layRows } from './levels/lay.ts';
import { PLAIN_ROWS, type Row, type RowOptions, type RowPlan, type RowSpacing } from './levels/row.ts';
import type { RowSlopes } from './levels/slopes.ts';

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

/** Of a plan, what decides which rows can be laid and where they begin. */
export interface SchemeTold {
  readonly rows: Pick<RowChoice, 'scheme' | 'fringe'>;
  readonly base: Pick<BaseChoice, 'family'>;
  readonly cap: Pick<Cap, 'dome' | 'ownRows'>;
  readonly part: Pick<Part, 'kind'>;
  readonly schools: Pick<Schools, 'bun'>;
}

/** Why a scheme can't be laid, with what it needs; undefined where it can. */
export function whyNot(
  { rows, base: { family }, cap }: SchemeTold,
  base: Pick<LaidBase, 'sections'>,
): string | undefined {
  switch (rows.scheme) {
    case 'grid':
      return family === 'grid' ? undefined : 'Pieces on bands need a rubber-band grid as the base.';
    case 'rods':
      return family === 'threaded' ? undefined : 'Rod by rod needs threaded rods as the base.';
    case 'fromTie':
      return TIED_TOGETHER.includes(family)
        ? undefined
        : `Rings from a tie need a base that is drawn to one: ${TIED_TOGETHER.map((f) => lowerFirst(FAMILY_INFO[f as 'puff'].name)).join(', ')}.`;
    case 'found':
      return (cap.dome !== 'none' && cap.ownRows !== 'none') || base.sections.some((s) => s.rowMm.length > 0)
        ? undefined
        : 'There are no rows to follow: neither the base nor the cap has any.';
    default:
      return undefined;
  }
}

/** Where rings begin, and how wide the coil there is. */
export function tieOf(
  crown: Vec3,
  family: Family,
  base: Pick<LaidBase, 'sections' | 'bumps'>,
): { at: Vec3; coilMm: number } {
  // Half up, the hair that stays in sight is drawn to the tie; what hangs below is tied on its own.
  const top = family === 'halfUp' ? base.sections.find((s) => s.role === 'inSight') : undefined;
  if (top) return { at: top.tieMm, coilMm: LEAST_COIL_MM };
  const tied = base.sections.filter((s) => s.role === 'base');
  if (tied.length === 0) return { at: crown, coilMm: LEAST_COIL_MM };
  const at = tied.reduce((a, b) => (b.massG > a.massG ? b : a)).tieMm;
  return { at, coilMm: coilRimMm(base.bumps, at) };
}

/** From a tie to the rim of what lies coiled there, mm. */
export function coilRimMm({ lumps }: LaidBase['bumps'], at: Vec3): number {
  const lump = lumps.find((l) => distance(l.atMm, at) < COIL_REACH_MM);
  return Math.max(LEAST_COIL_MM, lump ? Math.sqrt(lump.areaMm2 / Math.PI) : 0);
}
/** A coil is at least this far from its middle to its rim, mm (guess). */
const LEAST_COIL_MM = 18;
/** A lump so near to the tie is its coil, mm. */
const COIL_REACH_MM = 60;

/** Whether pieces go where the base makes a lump: on a net they do, on bands and rods, and over a coil if she wants. */
export function passesLumps({ cap, rows, schools }: SchemeTold): boolean {
  if (rows.scheme === 'grid' || rows.scheme === 'rods') return true;
  if (rows.scheme === 'fromTie') return schools.bun === 'overIt';
  return cap.dome !== 'none';
}

/** Where rows begin, and whether one lies along the front. */
export function rowOptions({ rows, cap, part, schools }: SchemeTold, spacing: RowSpacing, coilMm: number): RowOptions {
  const swept = part.kind === 'swept';
  if (rows.scheme === 'fromTie') {
    const bare = schools.bun === 'overIt' ? 0 : coilMm;
    return { ...PLAIN_ROWS, besidePart: false, outwards: true, endsInTip: true, firstMm: bare + spacing.pitchMm / 2 };
  }
  if (rows.scheme === 'straightBack') return { ...PLAIN_ROWS, besidePart: part.kind === 'line', swept: false };
  if (rows.scheme === 'rings') return { ...PLAIN_ROWS, firstMm: spacing.gapMm / 2 };
  // Without a cap the foremost row is the one that hides the last band.
  const bare = cap.dome === 'none' && rows.fringe.how !== 'short';
  return { ...PLAIN_ROWS, frontRow: swept || bare, swept, besidePart: !swept, endsInTip: rows.scheme === 'parallel' };
}

export interface SchemeContext {
  readonly head: Head;
  readonly field: RowField | undefined;
  readonly slopes: RowSlopes | undefined;
  /** With what the brush made of it. */
  readonly spacingFactor: Float64Array;
  readonly spacing: RowSpacing;
  readonly options: RowOptions;
  /** Rows of these options where they are laid already. */
  readonly plain: RowPlan | undefined;
  /** Of the base, for schemes that follow it. */
  readonly sections: readonly Section[];
  readonly linesMm: readonly Float64Array[];
  readonly keepLines: boolean;
  readonly hand: readonly HandChange[];
  readonly fingerMm: number;
  isClosed(vertex: number): boolean;
}

export interface SchemeChoice {
  readonly scheme: Scheme;
  readonly fringe: Fringe;
  readonly rodPieces: RodPlace;
}

export function laySchemeRows(choice: SchemeChoice, g: SchemeContext): SchemeRows {
  const { mesh, shape, scalp, line } = g.head;
  const closed = (v: number) => g.isClosed(v);
  const { field, slopes } = g;
  if (!field || !slopes) {
    const rows = followed(choice, g);
    return {
      ...NO_ROWS,
      rows,
      wholeRows: rows.filter((r) => r.kind === 'given').length,
      insertedRows: rows.filter((r) => r.kind === 'short').length,
    };
  }
  const lay = (options: RowOptions) =>
    layRows({ mesh, line, scalp, field, slopes, spacing: g.spacing, spacingFactor: g.spacingFactor }, options);
  let plan = g.plain ?? lay(g.options);
  const { pulls, by, lost } = pullsOf({ ...g, slopes }, plan);
  if (pulls.size > 0) plan = lay({ ...g.options, pulls });
  if (pulls.size === 0 && g.hand.length === 0 && choice.fringe.how !== 'short')
    return { ...plan, cannotLay: undefined, lost };
  const quarterAt = (v: number) => Math.round((4 * (field.field[v] - plan.firstMm)) / plan.stepMm);
  const locked = lockedRows(shape, mesh, g.hand, quarterAt);
  const laid = inLayingOrder(
    [...plan.rows.map((r) => (by.has(r.quarter) ? { ...r, pulledBy: by.get(r.quarter) as string } : r)), ...locked],
    g.options.outwards,
  );
  const fringe =
    choice.fringe.how === 'short' ? fringeRows(mesh, scalp, choice.fringe, g.fingerMm, g.spacing, closed) : [];
  return { ...plan, rows: withFringe(laid, fringe), cannotLay: undefined, lost };
}

/** Rows that follow what is there: bands, rods, lines of the base or the cap. */
function followed({ scheme, rodPieces }: SchemeChoice, g: SchemeContext): Row[] {
  const { mesh, shape } = g.head;
  const closed = (v: number) => g.isClosed(v);
  if (scheme === 'grid') return bandRows(mesh, g.sections, closed);
  if (scheme === 'rods') return rodRows(mesh, g.sections, rodPieces, g.spacing.pitchMm, closed);
  return alongAndBetween(shape, mesh, g.linesMm, g.spacing, closed, g.keepLines);
}

/** Short pieces go in before the last long rows, which are laid over them. */
function withFringe(rows: readonly Row[], fringe: readonly Row[]): Row[] {
  if (fringe.length === 0) return [...rows];
  const long = rows.findIndex((r) => r.kind === 'front' || (r.quarter >= 0 && r.quarter <= 4));
  const at = long < 0 ? rows.length : long;
  return [...rows.slice(0, at), ...fringe, ...rows.slice(at)];
}
