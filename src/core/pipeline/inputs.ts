/** What the chain of stages needs: plain values in core units. Documents are turned into this elsewhere. */
import type { BaseChoice } from '../base/choice.ts';
import type { Must } from '../base/musts.ts';
import type { Cap } from '../cap/cap.ts';
import type { Finish } from '../fall/finish.ts';
import type { FallGuesses } from '../fall/guesses.ts';
import type { Cut } from '../hair/cuts.ts';
import type { OwnHair } from '../hair/own-hair.ts';
import type { Product } from '../hair/product.ts';
import type { TapeSpreadsMm, TapeValuesMm } from '../head/fit.ts';
import type { HairlineOffsets } from '../head/hairline.ts';
import type { DirectionDeg, Mark } from '../head/marks.ts';
import type { TapeMeasure } from '../head/tape.ts';
import type { KnotWish } from '../knots/rules.ts';
import type { Schools } from '../knots/schools.ts';
import type { RowChoice } from '../rows/choice.ts';
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

/** Zones that have a piece of their own: a fringe besides those that have a spacing. */
export const PIECE_ZONES = [...ZONES, 'fringe'] as const;
export type PieceZone = (typeof PIECE_ZONES)[number];

/** Which cut a zone is hooked with; mixed, every so manieth piece is another one, as for layers. */
export interface ZonePiece {
  readonly cut: string;
  readonly mixed?: { readonly cut: string; readonly every: number };
}
export const MIX_EVERY = [2, 3, 4, 5] as const;

/** What she decides about one knot, a row or a zone, found again by its place. */
export interface WishAt {
  readonly id: string;
  readonly of: { readonly knot: DirectionDeg } | { readonly row: DirectionDeg } | { readonly zone: SpacingZone };
  readonly wish: KnotWish & { readonly cut?: string };
}
export const MOST_WISHES = 200;

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
  readonly cuts: readonly Cut[];
  readonly pieces: Readonly<Record<PieceZone, ZonePiece>>;
  readonly spacing: {
    /** Whether fingers are counted from knot to knot or in the clear gap between two. */
    readonly said: 'centres' | 'clear';
    readonly fingers: Readonly<Record<SpacingZone, number>>;
  };
  readonly rows: RowChoice;
  readonly wishes: Wishes;
  readonly knotWishes: readonly WishAt[];
  readonly schools: Schools;
  readonly finish: Finish;
  readonly guesses: FallGuesses;
  /** Pieces to keep for gaps that show after separating, as a share of the knots. */
  readonly reserveShare: number;
  readonly pace: Pace;
}

export const FINE_MESH = 40;
