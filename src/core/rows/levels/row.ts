/** A row on the head, and what laying rows is told. */
import type { SurfaceCurve, SurfaceMesh } from '../../geometry/index.ts';
import type { Hairline, ScalpFields } from '../../head/index.ts';
import type { IntoWay, IntoWhen } from '../../trade/index.ts';
import type { RowField } from '../field/row-field.ts';
import type { RowSlopes } from './slopes.ts';

export type RowKind = 'whole' | 'short' | 'front' | 'fringe' | 'border' | 'given' | 'base';

/** A row of pieces that go into the base. */
export interface IntoRow {
  readonly entry: string;
  /** Of the base, whose plait or coil it is; undefined for a row through many ties. */
  readonly section: string | undefined;
  readonly way: IntoWay;
  /** "plait, left behind"; what the row is called. */
  readonly name: string;
  readonly when: IntoWhen;
  /** From piece to piece, mm. */
  readonly gapMm: number;
  readonly cut?: string | undefined;
}

export interface Row {
  /** Steps from the part, in quarters: 0 lies beside the part, 4 is one row further, 2 halfway between. */
  readonly quarter: number;
  readonly kind: RowKind;
  /** From her left to her right. */
  readonly curve: SurfaceCurve;
  /** Gap to the neighbouring rows over the target, at every point of the curve. */
  readonly gapRatio: Float64Array;
  /** The row beside the part, or round the crown. */
  readonly besidePart: boolean;
  /** Places of its knots along the curve, mm, where they are given and not laid out in bricks. */
  readonly placesMm?: readonly number[];
  /** Where it goes into the base: which of her choices laid it, and how. */
  readonly into?: IntoRow;
  /** It stays as it lies. */
  readonly locked?: boolean;
  /** No other row comes nearer than so much to one that is in, mm. */
  readonly closesMm?: number;
  /** Index of the hand change that pulled it. */
  readonly pulledBy?: string;
}

export interface RowSpacing {
  /** Between rows, mm, where the zone factor is 1. */
  readonly gapMm: number;
  /** Along a row, mm, where the zone factor is 1. */
  readonly pitchMm: number;
}

export interface RowPlan {
  readonly rows: readonly Row[];
  readonly wholeRows: number;
  /** Field step between whole rows, zone-mm. */
  readonly stepMm: number;
  readonly firstMm: number;
  /** Level of the field for every quarter that was traced. */
  readonly levelsMm: ReadonlyMap<number, number>;
  readonly insertedRows: number;
  readonly shortenedRows: number;
  /** Runs that were too short to lay and left out. */
  readonly droppedPieces: number;
}

export interface RowOptions {
  /** A row along the front hairline, where nothing lies in front to hide the others. */
  readonly frontRow: boolean;
  /** The swept-back scheme starts at the hairline, not beside a part. */
  readonly swept: boolean;
  /** Distance of every vertex from where no piece goes: rows end short of it. */
  readonly fromClosedMm?: Float64Array;
  /** Distance from rows that stay where they are: others end short of them. */
  readonly fromLockedMm?: Float64Array;
  /** Vertices that belong to a fringe, which has rows of its own. */
  readonly fringe?: Uint8Array;
  /** The first level, where it is not half a spacing: rings begin outside the coil. */
  readonly firstMm?: number;
  /** How many whole rows, where they were counted; else as many as the gap fits in. */
  readonly wholeRows?: number;
  /** The field ends in a corner or a tip, not along a line: the last row lies further inside. */
  readonly endsInTip?: boolean;
  /** Added to the first level, a share of the gap. */
  readonly offset?: number;
  /** The first level is the row beside a part or round a crown. */
  readonly besidePart: boolean;
  /** From the first level outwards, as round a puff. */
  readonly outwards: boolean;
  /** Rows pulled by hand: by their quarter, zone-mm towards the first level. */
  readonly pulls?: ReadonlyMap<number, number>;
}

export const PLAIN_ROWS: RowOptions = {
  frontRow: false,
  swept: false,
  besidePart: true,
  outwards: false,
};

/** What rows are laid on. */
export interface RowContext {
  readonly mesh: SurfaceMesh;
  readonly line: Hairline;
  readonly scalp: ScalpFields;
  readonly field: RowField;
  readonly slopes: RowSlopes;
  readonly spacing: RowSpacing;
  /** Zone factor with what the brush made of it; a stroke changes no row elsewhere. */
  readonly spacingFactor: Float64Array;
}
