/** What she can choose of rows: the scheme, a second pass, a fringe, and what she changes by brush and by hand. */
import type { DirectionDeg, Stroke } from '../head/index.ts';
import {
  type BorderRow,
  type Fringe,
  type IntoBase,
  NO_BORDER_ROW,
  type RowsFollowed,
  type Scheme,
  type SecondPass,
} from '../trade/index.ts';

/** A stroke of the brush: spacing inside it is this factor of what it was; 1 wipes strokes out. */
export interface BrushStroke {
  readonly stroke: Stroke;
  readonly factor: number;
}

/** A change by hand, told by places on the head so that it is found again when something changes elsewhere; known by its id. */
export type HandChange = { readonly id: string } & RowEdit;
export type RowEdit =
  /** The row at that place comes closer to the part (positive) or goes away from it. */
  | { readonly op: 'pull'; readonly at: DirectionDeg; readonly mm: number }
  | { readonly op: 'move'; readonly at: DirectionDeg; readonly to: DirectionDeg }
  | { readonly op: 'add'; readonly at: DirectionDeg }
  | { readonly op: 'remove'; readonly at: DirectionDeg }
  /** The row stays as it lies, with its knots; where it is in already, no other comes nearer than so much. */
  | {
      readonly op: 'lock';
      readonly line: readonly DirectionDeg[];
      readonly knots: readonly DirectionDeg[];
      readonly closesMm?: number;
    };

export interface RowChoice {
  readonly scheme: Scheme;
  readonly secondPass: SecondPass;
  /** Ready rows of the cap, or those of the base under it. */
  readonly follow: RowsFollowed;
  /** Ids of rows that are there and that no piece follows. */
  readonly off: readonly string[];
  /** Lines between sections of the base stay free: no row between rows that are there, no knot on a line. */
  readonly keepLines: boolean;
  /** All rows lie further from the part by this share of a gap, or nearer to it. */
  readonly offset: number;
  readonly fringe: Fringe;
  readonly borderRow: BorderRow;
  readonly intoBase: readonly IntoBase[];
  readonly brush: readonly BrushStroke[];
  readonly hand: readonly HandChange[];
}

export const DEFAULT_ROWS: RowChoice = {
  scheme: 'joined',
  secondPass: 'none',
  follow: 'base',
  off: [],
  keepLines: false,
  offset: 0,
  fringe: { how: 'none', widthFingers: 4, rows: 2 },
  borderRow: NO_BORDER_ROW,
  intoBase: [],
  brush: [],
  hand: [],
};

/** Over the middle plane, for a part that is worked out on the other side. */
export function turnedHand(hand: readonly HandChange[]): HandChange[] {
  return hand.map(turnedOne);
}

function turnedOne(h: HandChange): HandChange {
  switch (h.op) {
    case 'pull':
    case 'add':
    case 'remove':
      return { ...h, at: turned(h.at) };
    case 'move':
      return { ...h, at: turned(h.at), to: turned(h.to) };
    case 'lock':
      return { ...h, line: h.line.map(turned), knots: h.knots.map(turned) };
  }
}

export function turnedBrush(brush: readonly BrushStroke[]): BrushStroke[] {
  return brush.map((b) => ({ ...b, stroke: { ...b.stroke, points: b.stroke.points.map(turned) } }));
}

const turned = ([azimuth, elevation]: DirectionDeg): DirectionDeg => [0 - azimuth, elevation];
