/** What the chain of stages needs: plain values in core units. Documents are turned into this elsewhere. */

import type { BaseChoice } from '../base/index.ts';
import type { ColourChoice } from '../colours/index.ts';
import type { Finish } from '../fall/index.ts';
import type { OwnHair, Preparation, Product, ZonePiece } from '../hair/index.ts';
import type { PaceInPlan } from '../hands/index.ts';
import type { HairlineOffsets, Mark, Part, Parting, Relief, TapeSpreadsMm, TapeValuesMm } from '../head/index.ts';
import type { Strand } from '../install/index.ts';
import type { Override, PlaceSchools } from '../knots/index.ts';
import type { RowChoice } from '../rows/index.ts';
import type { LoggedInstalls } from '../supply/index.ts';
import type {
  Cap,
  FallGuesses,
  Fill,
  MadeFor,
  Pace,
  PieceZone,
  Requirement,
  Schools,
  SpacingZone,
  TapeMeasure,
} from '../trade/index.ts';

/** What the head is made of. */
export interface HeadInputs {
  /** Means of her readings. */
  readonly tape: TapeValuesMm;
  /** How sure each mean is, where it is not that of one reading. */
  readonly tapeSpreadsMm: TapeSpreadsMm;
  /** Measures that she insists on. */
  readonly trusted: readonly TapeMeasure[];
  /** The shape of a scan, in the size of the tape; undefined without one. */
  readonly relief?: Relief | undefined;
  readonly hairline: HairlineOffsets;
  /** Divisions of the sphere the scalp mesh is cut from: 40 gives about 10 000 vertices. */
  readonly meshFrequency: number;
}

/** What the style must do, and the time there is for the base. */
export interface Wishes {
  readonly musts: readonly Requirement[];
  readonly baseMinutes?: number;
}

export interface PlanInputs extends HeadInputs {
  /** Whose head it is, and whether anything is known of what is on it. */
  readonly madeFor: MadeFor;
  readonly fingerMm: number;
  readonly ownHair: OwnHair;
  readonly marks: readonly Mark[];
  readonly base: BaseChoice;
  readonly cap: Cap;
  readonly part: Part;
  readonly parting: Parting;
  readonly products: readonly Product[];
  readonly cuts: readonly Preparation[];
  readonly pieces: Readonly<Record<PieceZone, ZonePiece>>;
  readonly spacing: {
    /** Whether fingers are counted from knot to knot or in the clear gap between two. */
    readonly said: 'centres' | 'clear';
    /** Zones that she set herself; the others are left to the hair. */
    readonly fingers: Readonly<Partial<Record<SpacingZone, number>>>;
  };
  readonly rows: RowChoice;
  readonly wishes: Wishes;
  readonly knotWishes: readonly Override[];
  readonly schools: Schools;
  /** Places whose schools are their own. */
  readonly places: readonly PlaceSchools[];
  readonly finish: Finish;
  /** Colours that are mixed, and how much of each. */
  readonly colours: ColourChoice;
  /** Pieces that do a job of their own. */
  readonly strands: readonly Strand[];
  /** What becomes of pieces that are left over. */
  readonly fill: Fill;
  readonly guesses: FallGuesses;
  /** Pieces to keep for gaps that show after separating, as a share of the knots. */
  readonly reserveShare: number;
  readonly pace: Pace;
  /** A trial of her own at the spacing of the top; undefined where she made none. */
  readonly testRow: TestRow | undefined;
  /** What her log says of earlier installs; undefined where it is not counted in. */
  readonly logged?: LoggedInstalls | undefined;
  /** Her own pace, as she has shown it or says it; undefined where common practice is asked. */
  readonly ownPace?: PaceInPlan | undefined;
}

/** A row hooked as a trial: how far the last piece lay from the first, and what it took. */
export interface TestRow {
  readonly pieces: number;
  readonly spanMm: number;
  readonly minutes: number;
}

export const FINE_MESH = 40;
