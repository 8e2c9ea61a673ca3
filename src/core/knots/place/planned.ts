/** Rows and knots as they are planned: plain values that cross to the screen, a file or the command line unchanged. */
import type { AnchorPlace } from '../../cap/index.ts';
import type { RowKind } from '../../rows/index.ts';
import type { IntoWay, KnotZone, Pass, PieceZone, Schools } from '../../trade/index.ts';
import type { KnotDecision } from '../rules/situation.ts';
import type { Vector } from './direction.ts';
import type { Where } from './where.ts';

export interface PlannedRow {
  readonly id: string;
  /** "7", as it is worked; "7, windows", "front". */
  readonly label: string;
  readonly kind: RowKind;
  /** How its pieces go into the base, and which of her choices laid it; undefined in every other row. */
  readonly into: IntoWay | undefined;
  readonly entry: string | undefined;
  readonly locked: boolean;
  /** Id of the hand change that pulled it. */
  readonly pulledBy: string | undefined;
  /** Laid in the second pass, over a row of the first. */
  readonly second: boolean;
  /** Which kind of second pass; 'none' in the first. */
  readonly pass: Pass;
  /** Laid once the net is open. */
  readonly opened: boolean;
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
  /** How it goes into the base; undefined for pieces in rows. */
  readonly into: IntoWay | undefined;
  /** Index of the section of own hair that bears it, in the base. */
  readonly section: number;
  /** What of the cap is under it. */
  readonly onNet: 'net' | 'margin' | 'cutOut' | 'none';
  readonly anchorPlace: AnchorPlace | undefined;
  /** Stays in own hair when the wig comes off. */
  readonly blending: boolean;
  /** Side of the square of scalp to take up, mm; 0 through the net alone. */
  readonly biteMm: number;
  /** Schools that hold at its place; one record for all knots of which the same is said. */
  readonly schools: Schools;
  /** Ids of the places with schools of their own that it lies in. */
  readonly places: readonly string[];
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
  /** Of the colours that are mixed; the packs’ own where none are. */
  readonly colour: string;
  readonly seconds: number;
  /** By common practice, of hands that have done it a few times. */
  readonly plainSeconds: number;
}
