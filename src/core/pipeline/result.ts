/** The computed plan: plain values that cross to the screen, a file or the command line unchanged. */
import type { BaseWork } from '../base/base.ts';
import type { Lump } from '../base/bumps.ts';
import type { EditedSections } from '../base/edit.ts';
import type { Section } from '../base/section-figures.ts';
import type { AnchorPlace, AnchorStep } from '../cap/anchors.ts';
import type { CapFit } from '../cap/fit.ts';
import type { OpeningOnHead } from '../cap/opening.ts';
import type { SpacingOnForm } from '../cap/stretch.ts';
import type { Finding } from '../findings/finding.ts';
import type { HookedPiece } from '../hair/cuts.ts';
import type { HairOnScalp } from '../hair/own-hair.ts';
import type { HeadFit } from '../head/fit.ts';
import type { HairlinePoint } from '../head/hairline.ts';
import type { Landmarks, Point } from '../head/landmarks.ts';
import type { MarkMasks } from '../head/marks.ts';
import type { Standing } from '../head/norms.ts';
import type { WorklistStep } from '../install/worklist.ts';
import type { Vector } from '../knots/direction.ts';
import type { KnotDecision } from '../knots/rules.ts';
import type { KnotZone, Where } from '../knots/where.ts';
import type { Load } from '../load/weight.ts';
import type { RowKind } from '../rows/rows.ts';
import type { Supply } from '../supply/packs.ts';
import type { TimeEstimate } from '../time/estimate.ts';
import type { PieceZone, SpacingZone } from './inputs.ts';
import type { SpacingMm } from './spacing.ts';

export interface PlannedRow {
  readonly id: string;
  /** "7", "7½", "front". */
  readonly label: string;
  readonly kind: RowKind;
  readonly locked: boolean;
  /** Id of the hand change that pulled it. */
  readonly pulledBy: string | undefined;
  /** Laid in the second pass, over a row of the first. */
  readonly second: boolean;
  readonly lengthMm: number;
  readonly closed: boolean;
  /** Both ends from the middle of the back along the row, mm; her left is negative. */
  readonly startMm: number;
  readonly endMm: number;
  /** The line on the head, xyz interleaved. */
  readonly pointsMm: Float32Array;
  /** Outward normal at every point, xyz interleaved. */
  readonly normals: Float32Array;
  /** Knots knots[firstKnot .. firstKnot + knotCount) are this row's, in the order of work. */
  readonly firstKnot: number;
  readonly knotCount: number;
}

export interface PlannedKnot extends Omit<KnotDecision, 'refused'> {
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
  readonly hand: 'moved' | 'added' | undefined;
  readonly zone: KnotZone;
  readonly pieceZone: PieceZone;
  /** The cut it is hooked with. */
  readonly cut: string;
  readonly massG: number;
  /** What of the cap is under it. */
  readonly onNet: 'net' | 'margin' | 'cutOut' | 'none';
  readonly anchorPlace: AnchorPlace | undefined;
  /** Stays in own hair when the wig comes off. */
  readonly blending: boolean;
  /** Side of the square of scalp to take up, mm; 0 through the net alone. */
  readonly biteMm: number;
  readonly exposed: boolean;
  readonly tenderOrThin: boolean;
  /** Along its row, from her left to her right. */
  readonly along: Vector;
  readonly hook: Vector;
  readonly hookWords: string;
  readonly where: Where;
  /** To the nearest row already laid; undefined in the first row. */
  readonly aboveRowBeforeMm: number | undefined;
  /** Which pack and which of its hooked pieces. */
  readonly piece: { readonly product: string; readonly pack: number; readonly number: number };
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
    readonly hairlinePoints: readonly HairlinePoint[];
    /** Against a published table. */
    readonly standings: readonly Standing[];
    readonly marks: MarkMasks;
    /** The same for the same marks on the same head, in one pipeline: what is drawn of them is drawn once. */
    readonly marksStamp: number;
  };
  readonly ownHair: HairOnScalp;
  readonly base: Pick<BaseWork, 'lines' | 'work' | 'consumables' | 'minutes' | 'tieMoves'> & {
    readonly stamp: number;
    readonly sections: readonly Section[];
    /** Index into sections of every vertex of the scalp. */
    readonly sectionOf: Int32Array;
    readonly bumps: {
      /** Above the scalp at every vertex, mm. */
      readonly heightMm: Float32Array;
      readonly highestMm: number;
      readonly highestVertex: number;
      readonly lumps: readonly Lump[];
    };
    readonly lostEdits: EditedSections['lost'];
  };
  readonly cap: CapFit & {
    readonly opening: OpeningOnHead;
    readonly anchors: readonly AnchorStep[];
    /** Knots that are in before anything is cut. */
    readonly cutAfterKnot: number;
    /** What to do on the form it is filled on, by zone. */
    readonly onForm: CapFit['onForm'] & { readonly spacing: Readonly<Record<SpacingZone, SpacingOnForm>> };
  };
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
    /** 1 ideal, 0.5 random, 0 one above the other. */
    readonly brickScore: number;
    /** Hand changes and wishes that could not be kept, with the reason. */
    readonly lostChanges: ReadonlyArray<{ readonly id: string; readonly why: string; readonly atMm: Point }>;
    readonly lostWishes: ReadonlyArray<{ readonly id: string; readonly why: string }>;
    /** Why the scheme can't be laid on this base. */
    readonly cannotLay: string | undefined;
  };
  readonly rows: readonly PlannedRow[];
  readonly knots: readonly PlannedKnot[];
  /** What the top is hooked with, and every cut as hooked. */
  readonly piece: HookedPiece;
  readonly pieces: readonly HookedPiece[];
  readonly worklist: readonly WorklistStep[];
  readonly supply: Supply;
  readonly load: Load;
  readonly time: TimeEstimate;
  readonly findings: readonly Finding[];
}
