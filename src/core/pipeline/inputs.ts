/** What the chain of stages needs: plain values in core units. Documents are turned into this elsewhere. */
import type { BaseChoice } from '../base/choice.ts';
import type { Must } from '../base/recommend.ts';
import type { CapKind } from '../cap/dome.ts';
import type { OwnHair } from '../hair/own-hair.ts';
import type { Product } from '../hair/product.ts';
import type { TapeSpreadsMm, TapeValuesMm } from '../head/fit.ts';
import type { HairlineOffsets } from '../head/hairline.ts';
import type { Mark } from '../head/marks.ts';
import type { TapeMeasure } from '../head/tape.ts';
import type { Schools } from '../knots/schools.ts';
import type { Part } from '../rows/part.ts';
import type { Pace } from '../time/estimate.ts';

export const ZONES = ['part', 'top', 'back', 'nape', 'faceEdge'] as const;
export type SpacingZone = (typeof ZONES)[number];

export const ZONE_NAMES: Readonly<Record<SpacingZone, string>> = {
  part: 'Beside the part',
  top: 'Top',
  back: 'Back',
  nape: 'Nape',
  faceEdge: 'Face edge',
};

/** What a zone is called when there is no part for it to lie beside. */
export function zoneName(zone: SpacingZone, partKind: Part['kind']): string {
  if (zone !== 'part' || partKind === 'line') return ZONE_NAMES[zone];
  return partKind === 'crown' ? 'Round the crown' : 'First rows';
}

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
  readonly wishes: Wishes;
  readonly cap: CapKind;
  readonly part: Part;
  readonly product: Product;
  readonly spacing: {
    /** Whether fingers are counted from knot to knot or in the clear gap between two. */
    readonly said: 'centres' | 'clear';
    readonly fingers: Readonly<Record<SpacingZone, number>>;
  };
  readonly schools: Schools;
  /** Pieces to keep for gaps that show after separating, as a share of the knots. */
  readonly reserveShare: number;
  readonly pace: Pace;
}

export const FINE_MESH = 40;
