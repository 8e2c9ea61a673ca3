/** One step of the work in order, and what the order is made from. */
import type { BaseChoice } from '../base/index.ts';
import type { AnchorStep, OpeningOnHead } from '../cap/index.ts';
import type { HookedPiece, Preparation } from '../hair/index.ts';
import type { KnotDecision } from '../knots/index.ts';
import type { RowChoice, RowKind } from '../rows/index.ts';
import type { TimeGroup } from '../time/index.ts';
import type { Cap, IntoWay, KnotZone, Outline, Pass, Schools, StepInfo, StepKind, StrandJob } from '../trade/index.ts';

export interface WorklistStep {
  readonly kind: StepKind;
  readonly what: string;
  readonly how: string;
  /** Knots of the order of work that it lays, from..to (exclusive). */
  readonly knots?: readonly [from: number, to: number];
  /** Of the whole plan whole minutes that add up; while steps are made, at the pace of who has done it a few times, knots at hers. */
  readonly minutes: number;
  /** Waiting after it, that may be spent on something else; not among the minutes. */
  readonly waitMinutes?: number;
  /** What goes wrong at this one, where it is not that of its kind. */
  readonly wrong?: string;
}

/** A step with all that is told at it. */
export type ToldStep = WorklistStep & StepInfo & { readonly waitMinutes: number };

/** Pieces that do a job of their own. */
export interface Strand {
  readonly id: string;
  readonly job: StrandJob;
  readonly cut: string;
  readonly count: number;
}

export interface WorkRow {
  readonly label: string;
  readonly kind: RowKind;
  readonly into: IntoWay | undefined;
  readonly entry: string | undefined;
  readonly second: boolean;
  readonly pass: Pass;
  /** Laid once the net is open. */
  readonly opened: boolean;
  readonly firstKnot: number;
  readonly knotCount: number;
}

export interface WorkKnot extends Pick<KnotDecision, 'kind' | 'wraps' | 'lock' | 'through'> {
  readonly zone: KnotZone;
  readonly cut: string;
  readonly onNet: 'net' | 'margin' | 'cutOut' | 'none';
  readonly blending: boolean;
  readonly seconds: number;
  readonly piece: { readonly product: string; readonly pack: number };
  readonly colour: string;
}

export interface WorkContext {
  readonly cap: Cap;
  readonly knotsToCloseTop: number;
  readonly opening: OpeningOnHead;
  readonly anchors: readonly AnchorStep[];
  readonly cutAfterKnot: number;
  readonly cuts: readonly Preparation[];
  readonly pieces: ReadonlyMap<string, HookedPiece>;
  readonly rowChoice: RowChoice;
  readonly hasPart: boolean;
  /** A second line to flip to; and whether it is only combed in when it is worn. */
  readonly parting: { readonly two: boolean; readonly onlyWorn: boolean };
  /** Somebody's hair and base are under it. */
  readonly isWorn: boolean;
  readonly schools: Schools;
  readonly rows: readonly WorkRow[];
  readonly knots: readonly WorkKnot[];
  /** Names of the colours by id; none where all is of one. */
  readonly colourNames: ReadonlyMap<string, string>;
  readonly outline: Outline;
  /** Tied down to set for so long, 0 where it isn't. */
  readonly setMinutes: number;
  readonly leftOut: BaseChoice['leftOut'];
  readonly strands: readonly Strand[];
  readonly fingerMm: number;
}

/** What a step's minutes count towards. */
export const GROUP_OF: Readonly<Record<StepKind, TimeGroup>> = {
  prepare: 'prepare',
  block: 'cap',
  cap: 'cap',
  part: 'cap',
  border: 'cap',
  anchor: 'cap',
  close: 'cap',
  cut: 'cap',
  rows: 'knots',
  check: 'finish',
  strand: 'finish',
  set: 'finish',
  tieOff: 'cap',
  leaveOut: 'finish',
  tryOn: 'finish',
  open: 'finish',
  smooth: 'finish',
  trim: 'finish',
  finish: 'finish',
};

export function knotsOf(g: WorkContext, row: WorkRow): readonly WorkKnot[] {
  return g.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
}

/** Nobody stops in the middle of a row: what belongs after a knot is done after its row. @returns knots that are in then */
export function rowEnd(g: Pick<WorkContext, 'rows' | 'knots'>, knot: number): number {
  const row = g.rows.find((r) => r.knotCount > 0 && r.firstKnot + r.knotCount >= knot);
  return row ? row.firstKnot + row.knotCount : g.knots.length;
}
