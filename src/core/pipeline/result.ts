/** The computed plan: plain values that cross to the screen, a file or the command line unchanged. */
import type { Section } from '../base/sections.ts';
import type { CapFit } from '../cap/dome.ts';
import type { CoverEstimate } from '../cover/estimate.ts';
import type { Finding } from '../findings/finding.ts';
import type { HookedPiece } from '../hair/product.ts';
import type { HeadFit } from '../head/fit.ts';
import type { Landmarks } from '../head/landmarks.ts';
import type { Vector } from '../knots/direction.ts';
import type { KnotDecision } from '../knots/rules.ts';
import type { KnotZone, Where } from '../knots/where.ts';
import type { Load } from '../load/weight.ts';
import type { RowKind } from '../rows/rows.ts';
import type { Supply } from '../supply/packs.ts';
import type { TimeEstimate } from '../time/estimate.ts';
import type { SpacingMm } from './spacing.ts';

export interface PlannedRow {
  readonly id: string;
  /** "7", "7½", "front". */
  readonly label: string;
  readonly kind: RowKind;
  readonly lengthMm: number;
  readonly closed: boolean;
  /** Both ends from the middle of the back along the row, mm; her left is negative. */
  readonly startMm: number;
  readonly endMm: number;
  /** The line on the head, xyz interleaved. */
  readonly pointsMm: Float32Array;
  /** Outward normal at every point, xyz interleaved. */
  readonly normals: Float32Array;
  /** Knots knots[firstKnot .. firstKnot + knotCount) are this row's, from her left to her right. */
  readonly firstKnot: number;
  readonly knotCount: number;
}

export interface PlannedKnot extends KnotDecision {
  readonly id: string;
  readonly row: number;
  /** Place in its row, from her left, from 1. */
  readonly place: number;
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
  /** Outward normal of the scalp here. */
  readonly normal: Vector;
  /** Along the row from the middle of the back, mm; her left is negative. */
  readonly fromMiddleMm: number;
  readonly zone: KnotZone;
  readonly exposed: boolean;
  readonly tenderOrThin: boolean;
  readonly hook: Vector;
  readonly hookWords: string;
  readonly where: Where;
  /** To the nearest row already laid; undefined in the first row. */
  readonly aboveRowBeforeMm: number | undefined;
  /** Which pack and which of its hooked pieces. */
  readonly piece: { readonly pack: number; readonly number: number };
  readonly seconds: number;
}

export interface PlanResult {
  readonly head: {
    readonly fit: HeadFit;
    /** Hair-bearing scalp inside the hairline. */
    readonly areaMm2: number;
    readonly landmarks: Landmarks;
    readonly sizeMm: number;
    readonly meshVertices: number;
  };
  readonly base: {
    readonly sections: readonly Section[];
    readonly minutes: number;
    /** Lines between sections, each xyz interleaved. */
    readonly linesMm: readonly Float32Array[];
  };
  readonly cap: CapFit;
  readonly part: { readonly pointsMm: Float32Array };
  readonly spacing: SpacingMm;
  readonly rowScheme: {
    readonly wholeRows: number;
    readonly insertedRows: number;
    readonly shortenedRows: number;
    readonly thinnedOutKnots: number;
    readonly droppedPieces: number;
    /** How much the counts from part and nape disagree, relative. */
    readonly mismatch: number;
  };
  readonly rows: readonly PlannedRow[];
  readonly knots: readonly PlannedKnot[];
  readonly piece: HookedPiece;
  readonly supply: Supply;
  readonly load: Load;
  readonly time: TimeEstimate;
  readonly cover: CoverEstimate;
  readonly findings: readonly Finding[];
}
