/** A cap as the features it combines, not as a product’s name: dome, opening, holding, ready-made rows, size, stretch and holes. */

export const DOMES = ['none', 'closed', 'openTop'] as const;

export type Dome = (typeof DOMES)[number];

export const OPENINGS = ['none', 'stitchedU', 'openU', 'cut', 'slit'] as const;

export type Opening = (typeof OPENINGS)[number];

export const COMB_PLACES = ['front', 'temples', 'sides', 'nape', 'opening'] as const;

export type CombPlace = (typeof COMB_PLACES)[number];

export const OWN_ROWS = ['none', 'back', 'oneSide'] as const;

export type OwnRows = (typeof OWN_ROWS)[number];

/** What it is filled on. */
export const FILLED_ONS = ['head', 'block', 'stand', 'hand'] as const;

export type FilledOn = (typeof FILLED_ONS)[number];

export const HOLE_SHAPES = ['square', 'diamond', 'honeycomb'] as const;

export type HoleShape = (typeof HOLE_SHAPES)[number];

export const WIG_HOLDS = ['combs', 'strap', 'pins', 'pieces'] as const;

export type WigHold = (typeof WIG_HOLDS)[number];

export const BLENDINGS = ['none', 'front', 'sides', 'nape'] as const;

export type Blending = (typeof BLENDINGS)[number];

/** Lengths in mm as it lies, not stretched. */
export interface Cap {
  readonly dome: Dome;
  readonly opening: Opening;
  /** The opening's own length from the front, and its width; it may be longer than the part. */
  readonly openingMm: number;
  readonly openingWidthMm: number;
  readonly band: boolean;
  readonly combs: readonly CombPlace[];
  /** Combs at places of her own, as directions from the middle of the head (azimuth, elevation), degrees. */
  readonly combsAt: ReadonlyArray<readonly [azimuth: number, elevation: number]>;
  readonly strap: boolean;
  readonly ownRows: OwnRows;
  readonly girthMm: number;
  /** Front to nape over the top. */
  readonly depthMm: number;
  /** How many times its length it can be drawn out before it fights back. */
  readonly stretch: number;
  readonly hole: HoleShape;
  readonly holePitchMm: number;
  /** Cloth left over behind, to be tied off. */
  readonly surplus: boolean;
  readonly timesWorn: number;
  readonly filledOn: FilledOn;
  readonly block: { readonly girthMm: number; readonly depthMm: number };
  /** It comes off in one piece. */
  readonly wig: boolean;
  readonly wigHolds: readonly WigHold[];
  /** The last strip round the opening waits for the try-on over the base. */
  readonly topKept: boolean;
  /** Pieces hooked into own hair, which stay behind when it comes off. */
  readonly blending: Blending;
  /** So many of that line; 0: all of it. */
  readonly blendingPieces: number;
}

/** Off the head nothing is pinned through hair, and no border creeps. */
export const isOffHead = ({ dome, filledOn }: Pick<Cap, 'dome' | 'filledOn'>) => dome !== 'none' && filledOn !== 'head';

/** Nobody is there to put it on: a wig, on a net, off the head, filled to its end. */
export function onForm<C extends Pick<Cap, 'dome' | 'filledOn' | 'wig' | 'topKept'>>(cap: C): C {
  return {
    ...cap,
    dome: cap.dome === 'none' ? 'closed' : cap.dome,
    filledOn: cap.filledOn === 'head' ? 'block' : cap.filledOn,
    wig: true,
    topKept: false,
  };
}

export const CAP_LIMITS = {
  combsAt: 12,
  openingMm: [20, 200],
  openingWidthMm: [4, 60],
  girthMm: [380, 640],
  depthMm: [220, 460],
  stretch: [1.02, 2.5],
  holePitchMm: [1, 12],
  timesWorn: [0, 500],
  blendingPieces: [0, 60],
  blockGirthMm: [440, 640],
  blockDepthMm: [260, 460],
} as const;

/** A stretch net as it comes, medium size (common practice, no source). */
export const DEFAULT_CAP: Cap = {
  dome: 'closed',
  opening: 'none',
  openingMm: 100,
  openingWidthMm: 12,
  band: true,
  combs: [],
  combsAt: [],
  strap: false,
  ownRows: 'none',
  girthMm: 500,
  depthMm: 320,
  stretch: 1.4,
  hole: 'honeycomb',
  holePitchMm: 4,
  surplus: false,
  timesWorn: 0,
  filledOn: 'head',
  block: { girthMm: 540, depthMm: 340 },
  wig: false,
  wigHolds: ['combs'],
  topKept: true,
  blending: 'none',
  blendingPieces: 0,
};
