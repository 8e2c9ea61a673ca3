/** The computed plan: plain values that cross to the screen, a file or the command line unchanged. */
import type { BaseWork, EditedSections, Lump, Section } from '../base/index.ts';
import type { AnchorStep, CapFit, OpeningOnHead, SpacingOnForm } from '../cap/index.ts';
import type { Mix } from '../colours/index.ts';
import type { HairOnScalp, HookedPiece } from '../hair/index.ts';
import type { HairlinePoint, HeadFit, Landmarks, MarkMasks, Point, Standing } from '../head/index.ts';
import type { Strand, ToldStep } from '../install/index.ts';
import type { PlannedKnot, PlannedRow } from '../knots/index.ts';
import type { IntoFigures, Load } from '../load/index.ts';
import type { LineThere } from '../rows/index.ts';
import type { Hands, Supply } from '../supply/index.ts';
import type { TimeEstimate } from '../time/index.ts';
import type { SpacingZone } from '../trade/index.ts';
import type { SpacingMm } from './spacing.ts';

/** Her hands, as far as a test row and her log say: each mixed with what is known of others. */
export interface OwnRow {
  /** Pieces for each that is planned. */
  readonly hands: Hands;
  /** Seconds over those told. */
  readonly pace: number;
}

/** What the row along the border adds to a plan. */
export interface BorderFigures {
  readonly knots: number;
  /** Of all knots. */
  readonly share: number;
  /** From knot to knot, mm. */
  readonly centresMm: number;
  /** Of the whole minutes of the order of work. */
  readonly minutes: number;
}

export interface Plan {
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
  };
  readonly ownHair: HairOnScalp;
  readonly base: Pick<BaseWork, 'lines' | 'work' | 'consumables' | 'minutes' | 'tieMoves'> & {
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
    /** Where combs are sewn in, on her head. */
    readonly combsMm: readonly Point[];
    /** Knots that are in before anything is cut. */
    readonly cutAfterKnot: number;
    /** What to do on the form it is filled on, by zone. */
    readonly onForm: CapFit['onForm'] & { readonly spacing: Readonly<Record<SpacingZone, SpacingOnForm>> };
  };
  readonly part: {
    readonly pointsMm: Float32Array;
    /** As long as it is on the scalp, and how far its front was moved in; undefined without a part. mm */
    readonly lengthMm: number | undefined;
    readonly movedInMm: number | undefined;
    /** The second line, where there is one. */
    readonly second:
      | { readonly pointsMm: Float32Array; readonly lengthMm: number; readonly movedInMm: number }
      | undefined;
  };
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
  /** Rows that were there already, and whether pieces follow them. */
  readonly linesThere: ReadonlyArray<
    Omit<LineThere, 'pointsMm'> & { readonly isOn: boolean; readonly pointsMm: Float32Array }
  >;
  readonly rows: readonly PlannedRow[];
  /** The row along the border, where there is one. */
  readonly borderRow: BorderFigures | undefined;
  /** What goes into the base, one for each of her choices. */
  readonly intoBase: readonly IntoFigures[];
  readonly knots: readonly PlannedKnot[];
  /** What the top is hooked with, and every cut as hooked. */
  readonly piece: HookedPiece;
  readonly pieces: readonly HookedPiece[];
  readonly worklist: readonly ToldStep[];
  /** Strands with a job of their own, and where each does it. */
  readonly strands: ReadonlyArray<Strand & { readonly atMm: Point }>;
  readonly supply: Supply;
  /** What a test row of hers says; undefined where she made none. */
  readonly ownRow: OwnRow | undefined;
  /** What became of the colours; undefined where all is of one. */
  readonly mix: Mix | undefined;
  readonly load: Load;
  readonly time: TimeEstimate;
}
