/** Families of bases with their settings, and where tails are parked. */
import type { TailStyle } from './own-hair.ts';

export const FAMILIES = [
  'tied',
  'allOver',
  'crossed',
  'behindPart',
  'intoCoil',
  'flatTwists',
  'halfUp',
  'puff',
  'laidFlat',
  'found',
  'grid',
  'threaded',
] as const;

export type Family = (typeof FAMILIES)[number];

export const BOX_SHAPES = ['square', 'brick', 'diamond'] as const;

export type BoxShape = (typeof BOX_SHAPES)[number];

export const TIE_PLACES = ['high', 'crown', 'back'] as const;

export type TiePlace = (typeof TIE_PLACES)[number];

/** Where on a threaded rod pieces are hooked. */
export const ROD_PLACES = ['root', 'along', 'tip'] as const;

export type RodPlace = (typeof ROD_PLACES)[number];

export const FOUND_KINDS = ['rows', 'flatTwists', 'plaits', 'looseTwists'] as const;

export type FoundKind = (typeof FOUND_KINDS)[number];

export const STRIPS = ['none', 'front', 'sides', 'nape', 'around'] as const;

export type Strip = (typeof STRIPS)[number];

export const STRIPS_AT_END = ['stay', 'widen', 'cutDown'] as const;

export const STRIP_AT_END_NAMES = {
  stay: 'stays as it is',
  widen: 'freed narrow, widened at the end',
  cutDown: 'cut to blend at the end',
} as const;

export type StripAtEnd = (typeof STRIPS_AT_END)[number];

export const PARKINGS = [
  'folded',
  'wrapped',
  'sewn',
  'crossed',
  'fed',
  'parcel',
  'coiled',
  'tucked',
  'hanging',
  'laid',
] as const;

export type ParkingHow = (typeof PARKINGS)[number];

/** The settings of a base that are plain choices. */
export interface BaseSettings {
  readonly family: Family;
  /** Sections behind and in front of the line from ear to ear: tied, and behind for half up. */
  readonly behind: number;
  readonly front: number;
  /** Sections in all, rows, rods, or tails in front of a coil. */
  readonly count: number;
  readonly boxes: BoxShape;
  readonly boxFingers: number;
  /** Half up: the line lies so many fingers behind the crown. */
  readonly topFingers: number;
  readonly tieAt: TiePlace;
  /** Own hair in sight round a puff, fingers. */
  readonly ringFingers: number;
  readonly wrapPitchMm: number;
  readonly rodPieces: RodPlace;
  readonly tail: TailStyle;
  /** Tips waxed and banded twice, for ends that slide out. */
  readonly tipsWaxed: boolean;
  /** A strip of own hair; what is done to it once all is in: nothing, freed wider up to its width, or cut to blend. */
  readonly leftOut: { readonly where: Strip; readonly fingers: number; readonly atEnd: StripAtEnd };
}

/** Limits of the settings; what a file says beyond them is refused. */
export const BASE_LIMITS = {
  behind: [1, 12],
  front: [0, 12],
  count: [1, 60],
  boxFingers: [0.75, 4],
  topFingers: [0, 5],
  ringFingers: [0, 4],
  wrapPitchMm: [2, 20],
  strip: [0.25, 3],
  ageDays: [0, 120],
  edits: 200,
  lines: 40,
} as const;

export interface FamilyInfo {
  readonly name: string;
  /** What it is, for a first-time reader. */
  readonly what: string;
  /** The settings that it has. */
  readonly settings: ReadonlyArray<keyof BaseSettings>;
  readonly parking: ParkingHow;
  /** What the family sets when it is chosen. */
  readonly start: Partial<BaseSettings>;
}

/** All common practice, no source. */
export const FAMILY_INFO: Readonly<Record<Family, FamilyInfo>> = {
  tied: {
    name: 'Tied sections',
    what: 'Some behind the line from ear to ear, some in front, each banded at the root and plaited, twisted or brushed smooth.',
    settings: ['behind', 'front', 'tail'],
    parking: 'folded',
    start: { behind: 4, front: 4 },
  },
  allOver: {
    name: 'Small plaits all over',
    what: 'Bands from the nape up, each cut into small plaits. Slow, flat, and it holds short hair.',
    settings: ['count', 'tail'],
    parking: 'folded',
    start: { count: 24 },
  },
  crossed: {
    name: 'Two low tails, crossed',
    what: 'One on each side, plaited low at the nape, crossed and pinned, so that neither makes a lump.',
    settings: ['tail'],
    parking: 'crossed',
    start: {},
  },
  behindPart: {
    name: 'Two twists behind the part',
    what: 'One on each side of your part, twisted back.',
    settings: ['tail'],
    parking: 'wrapped',
    start: { tail: 'twist' },
  },
  intoCoil: {
    name: 'Front tails into one coil',
    what: 'A few tied tails in front run back into one coil.',
    settings: ['count', 'tail'],
    parking: 'coiled',
    start: { count: 3, tail: 'smooth' },
  },
  flatTwists: {
    name: 'Flat twists',
    what: 'Rows from the front to the nape, twisted against the scalp as you go; no plaiting on the scalp.',
    settings: ['count'],
    parking: 'tucked',
    start: { count: 8, tail: 'twist' },
  },
  halfUp: {
    name: 'Half up, half down',
    what: 'The top stays your own, joined in a plait on top; tails behind are joined, folded, banded and pinned.',
    settings: ['behind', 'topFingers', 'tail'],
    parking: 'folded',
    start: { behind: 4 },
  },
  puff: {
    name: 'Puff or coil',
    what: 'All of it tied in one place, checked and tied again; pieces go round it.',
    settings: ['tieAt', 'ringFingers'],
    parking: 'coiled',
    start: { tail: 'smooth' },
  },
  laidFlat: {
    name: 'Laid back flat',
    what: 'Nothing tied at all: hair laid back under the net.',
    settings: [],
    parking: 'laid',
    start: { tail: 'smooth' },
  },
  found: {
    name: 'What is already there',
    what: 'Rows or twists that somebody did before: where they run, how old they are, where their ends lie.',
    settings: ['count'],
    parking: 'sewn',
    start: { count: 8 },
  },
  grid: {
    name: 'Rubber-band grid',
    what: 'Many small banded boxes; pieces go on the bands.',
    settings: ['boxes', 'boxFingers'],
    parking: 'hanging',
    start: { tail: 'smooth' },
  },
  threaded: {
    name: 'Threaded rods',
    what: 'Two to three dozen sections, each wrapped with thread into a firm rod; pieces go through the wrap.',
    settings: ['count', 'wrapPitchMm', 'rodPieces'],
    parking: 'hanging',
    start: { count: 30, tail: 'smooth' },
  },
};

export const PARKING_NAMES: Readonly<Record<ParkingHow, string>> = {
  folded: 'folded and banded',
  wrapped: 'wrapped round and pinned',
  sewn: 'sewn down flat',
  crossed: 'crossed to the other side',
  fed: 'fed into another',
  parcel: 'tied into one parcel',
  coiled: 'coiled where it is tied',
  tucked: 'tucked up along its own twist',
  hanging: 'left hanging',
  laid: 'laid flat, not tied',
};
