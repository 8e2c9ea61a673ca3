/** The zones of a head that have a spacing and a piece of their own. */
import { REGION_NAMES, type Region } from './marks.ts';
import type { PartKind } from './parts.ts';
import { lowerFirst } from './words.ts';

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
export function zoneName(zone: SpacingZone, partKind: PartKind): string {
  if (zone !== 'part' || partKind === 'line') return ZONE_NAMES[zone];
  return partKind === 'crown' ? 'Round the crown' : 'First rows';
}

/** Zones that have a piece of their own: a fringe and a row along the border besides those that have a spacing. */
export const PIECE_ZONES = [...ZONES, 'fringe', 'border'] as const;

export type PieceZone = (typeof PIECE_ZONES)[number];

export const PIECE_ZONE_NAMES: Readonly<Record<PieceZone, string>> = {
  ...ZONE_NAMES,
  fringe: 'Fringe',
  border: 'Row along the border',
};

/** Beside the part there may be none: then it is the first rows. */
export const pieceZoneName = (zone: PieceZone, partKind: PartKind) =>
  zone === 'part' ? zoneName(zone, partKind) : PIECE_ZONE_NAMES[zone];

export const MIX_EVERY = [2, 3, 4, 5] as const;

export const KNOT_ZONES = ['part', 'top', 'back', 'side', 'nape', 'faceEdge', 'crown'] as const;

export type KnotZone = (typeof KNOT_ZONES)[number];

/** Places whose schools may be their own. A place that lies in several takes the last that is said for it. */
export const SCHOOL_PLACES = ['partLeft', 'partRight', 'top', 'back', 'sides', 'nape', 'faceEdge', 'margin'] as const;

export type SchoolPlace = (typeof SCHOOL_PLACES)[number];

export const SCHOOL_PLACE_NAMES: Readonly<Record<SchoolPlace, string>> = {
  partLeft: 'Left of the part',
  partRight: 'Right of the part',
  top: 'Top',
  back: 'Back',
  sides: 'Sides',
  nape: 'Nape',
  faceEdge: 'Face edge',
  margin: 'Margin of the opening',
};

export const MOST_PLACES = 24;

/** What a place is called where there may be no part for it to lie beside. */
export function schoolPlaceName(place: SchoolPlace, partKind: PartKind): string {
  if (partKind === 'line' || (place !== 'partLeft' && place !== 'partRight')) return SCHOOL_PLACE_NAMES[place];
  return `${zoneName('part', partKind)}, ${place === 'partLeft' ? 'left' : 'right'}`;
}

/** "left of the part". */
export function placeWords(
  where: { readonly zone: SchoolPlace } | { readonly region: Region } | { readonly painted: unknown },
  partKind: PartKind,
): string {
  if ('zone' in where) return lowerFirst(schoolPlaceName(where.zone, partKind));
  return 'region' in where ? REGION_NAMES[where.region] : 'what you painted';
}

/** The zone of spacing and pieces that a place of the knot map belongs to. */
export function pieceZoneOf(zone: KnotZone): SpacingZone {
  switch (zone) {
    case 'side':
      return 'back';
    case 'crown':
      return 'part';
    default:
      return zone;
  }
}

/** Where on the head, as it is told at work. */
export const KNOT_ZONE_WORDS: Readonly<Record<KnotZone, string>> = {
  nape: 'nape',
  back: 'back',
  side: 'sides',
  top: 'top',
  part: 'beside the part',
  crown: 'round the crown',
  faceEdge: 'face edge',
};
