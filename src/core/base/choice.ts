/** What she can choose of a base: the family, its few settings, the edits on her head, and where tails are parked. */

import type { DirectionDeg } from '../head/index.ts';
import type { BaseSettings, FoundKind, ParkingHow, TailStyle } from '../trade/index.ts';
import type { Edit } from './sections/edit.ts';

export interface Parking {
  readonly how: ParkingHow;
  /** Where the parcel lies, or the way a wrapped or sewn tail goes; the family's own place if left out. */
  readonly to?: DirectionDeg;
  /** Section whose tail it joins, for 'fed'. */
  readonly into?: string;
}

export interface BaseChoice extends BaseSettings {
  readonly found: {
    readonly what: FoundKind;
    readonly ageDays: number;
    /** Lines as they lie, from the front or top; empty: that many straight back. */
    readonly lines: ReadonlyArray<readonly DirectionDeg[]>;
  };
  readonly edits: readonly Edit[];
  /** Lines that "even bites" leaves alone, by lineKey. */
  readonly locked: readonly string[];
  readonly parking: {
    /** Undefined: as is usual for the family. */
    readonly all?: ParkingHow;
    readonly bySection: Readonly<Record<string, Parking>>;
  };
}

/** What sections are generated from. */
export type Sectioning = Omit<BaseChoice, 'parking' | 'locked' | 'edits'>;
/** What a base is laid from, once its sections are there. */
export type Laying = Omit<BaseChoice, 'locked' | 'edits'>;

export const DEFAULT_BASE: BaseChoice = {
  family: 'tied',
  behind: 4,
  front: 4,
  count: 30,
  boxes: 'brick',
  boxFingers: 1.5,
  topFingers: 1,
  tieAt: 'crown',
  ringFingers: 1.5,
  wrapPitchMm: 5,
  rodPieces: 'root',
  tail: 'plait',
  tipsWaxed: false,
  leftOut: { where: 'none', fingers: 0.5, atEnd: 'stay' },
  found: { what: 'rows', ageDays: 14, lines: [] },
  edits: [],
  locked: [],
  parking: { bySection: {} },
};

/** How a section's hair is bound where it leaves the root, by family. */
export function tailStyleOf(choice: Pick<BaseChoice, 'family' | 'tail' | 'found'>): TailStyle {
  switch (choice.family) {
    case 'flatTwists':
      return 'twist';
    case 'puff':
    case 'laidFlat':
    case 'grid':
    case 'threaded':
      return 'smooth';
    case 'found':
      return choice.found.what === 'plaits' || choice.found.what === 'rows' ? 'plait' : 'twist';
    default:
      return choice.tail;
  }
}
