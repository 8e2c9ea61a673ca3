/** What the chain of stages needs: plain values in core units. Documents are turned into this elsewhere. */
import type { BaseChoice } from '../base/choice.ts';
import type { Finish } from '../fall/finish.ts';
import type { OwnHair } from '../hair/own-hair.ts';
import type { ZonePiece } from '../hair/pieces.ts';
import type { Preparation } from '../hair/preparation.ts';
import type { Product } from '../hair/product.ts';
import type { TapeSpreadsMm, TapeValuesMm } from '../head/fit.ts';
import type { HairlineOffsets } from '../head/hairline.ts';
import type { Mark } from '../head/marks.ts';
import type { Part } from '../head/part.ts';
import type { Override } from '../knots/place/overrides.ts';
import type { RowChoice } from '../rows/choice.ts';
import type { Cap } from '../trade/caps.ts';
import type { FallGuesses } from '../trade/guesses.ts';
import type { Pace } from '../trade/pace.ts';
import type { Must } from '../trade/requirements.ts';
import type { Schools } from '../trade/schools.ts';
import type { TapeMeasure } from '../trade/tape.ts';
import type { PieceZone, SpacingZone } from '../trade/zones.ts';

/** What the head is made of. */
export interface HeadInputs {
  /** Means of her readings. */
  readonly tape: TapeValuesMm;
  /** How sure each mean is, where it is not that of one reading. */
  readonly tapeSpreadsMm: TapeSpreadsMm;
  /** Measures that she insists on. */
  readonly trusted: readonly TapeMeasure[];
  readonly hairline: HairlineOffsets;
  /** Divisions of the sphere the scalp mesh is cut from: 40 gives about 10 000 vertices. */
  readonly meshFrequency: number;
}

/** What the style must do, and the time there is for the base. */
export interface Wishes {
  readonly musts: readonly Must[];
  readonly baseMinutes?: number;
}

export interface PlanInputs extends HeadInputs {
  readonly fingerMm: number;
  readonly ownHair: OwnHair;
  readonly marks: readonly Mark[];
  readonly base: BaseChoice;
  readonly cap: Cap;
  readonly part: Part;
  readonly products: readonly Product[];
  readonly cuts: readonly Preparation[];
  readonly pieces: Readonly<Record<PieceZone, ZonePiece>>;
  readonly spacing: {
    /** Whether fingers are counted from knot to knot or in the clear gap between two. */
    readonly said: 'centres' | 'clear';
    readonly fingers: Readonly<Record<SpacingZone, number>>;
  };
  readonly rows: RowChoice;
  readonly wishes: Wishes;
  readonly knotWishes: readonly Override[];
  readonly schools: Schools;
  readonly finish: Finish;
  readonly guesses: FallGuesses;
  /** Pieces to keep for gaps that show after separating, as a share of the knots. */
  readonly reserveShare: number;
  readonly pace: Pace;
}

export const FINE_MESH = 40;
