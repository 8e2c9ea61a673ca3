/**
 * Which schools hold at a place: those of the plan, before them what is said for the part of the head it lies in, before that
 * what is said for the margin of an opening, a region or what she painted. What is said of a single knot comes after all
 * of it, elsewhere.
 */
import type { ColourShares } from '../../colours/index.ts';
import type { Stroke } from '../../head/index.ts';
import {
  type KnotZone,
  type PartKind,
  placeWords,
  type Region,
  type SchoolByPlace,
  type SchoolName,
  type SchoolPlace,
  type Schools,
  type SecondPass,
} from '../../trade/index.ts';

/** A place that has schools of its own, or a second pass, or a cut with what is opened and dressed of it. */
export interface PlaceSchools {
  readonly id: string;
  readonly where:
    | { readonly zone: SchoolPlace }
    | { readonly region: Region }
    | { readonly painted: readonly Stroke[] };
  readonly schools: Readonly<Partial<Pick<Schools, SchoolByPlace>>>;
  readonly secondPass?: SecondPass;
  readonly cut?: string;
  /** Its own shares of the colours that are mixed in. */
  readonly colours?: ColourShares;
}

/** What holds at a place, and in which words it was said where it is not the plan's own. */
export interface SchoolsHere {
  readonly schools: Schools;
  readonly secondPass: SecondPass;
  readonly cut: string | undefined;
  /** Ids of all that is said for it. */
  readonly places: readonly string[];
  readonly saidFor: Readonly<Partial<Record<SchoolName, string>>>;
}

export interface SchoolsTold {
  readonly schools: Schools;
  readonly secondPass: SecondPass;
  readonly places: readonly PlaceSchools[];
  readonly partKind: PartKind;
}

/** Where a knot lies, as far as schools ask. */
export interface SchoolSite {
  readonly zone: KnotZone;
  readonly isMargin: boolean;
  /** Left of the part. Asked where it matters alone. */
  isLeft(): boolean;
  readonly vertex: number;
}

/** What is said of a wider place comes before what is said of one within it. */
const rank = ({ where }: PlaceSchools) =>
  'painted' in where ? 3 : 'region' in where ? 2 : where.zone === 'margin' ? 1 : 0;

/** @param masks by id, of regions and painted places: 1 at every vertex that is meant */
export function schoolsByPlace(
  { schools, secondPass, places, partKind }: SchoolsTold,
  masks: ReadonlyMap<string, Uint8Array>,
): (site: SchoolSite) => SchoolsHere {
  const plain: SchoolsHere = { schools, secondPass, cut: undefined, places: [], saidFor: {} };
  if (places.length === 0) return () => plain;
  const sorted = [...places].sort((a, b) => rank(a) - rank(b));
  // One record for all knots of which the same is said.
  const known = new Map<string, SchoolsHere>();
  return (site) => {
    const said = sorted.filter((p) => isMeant(p, site, masks));
    const key = said.map((p) => p.id).join(' ');
    const found = known.get(key) ?? said.reduce((before, place) => withPlace(before, place, partKind), plain);
    known.set(key, found);
    return found;
  };
}

function isMeant({ id, where }: PlaceSchools, site: SchoolSite, masks: ReadonlyMap<string, Uint8Array>): boolean {
  if (!('zone' in where)) return masks.get(id)?.[site.vertex] === 1;
  return where.zone === 'margin' ? site.isMargin : where.zone === placeOf(site);
}

function placeOf({ zone, isLeft }: SchoolSite): SchoolPlace {
  switch (zone) {
    case 'part':
    case 'crown':
      return isLeft() ? 'partLeft' : 'partRight';
    case 'side':
      return 'sides';
    default:
      return zone;
  }
}

function withPlace(before: SchoolsHere, place: PlaceSchools, partKind: PartKind): SchoolsHere {
  const words = placeWords(place.where, partKind);
  return {
    schools: { ...before.schools, ...place.schools },
    secondPass: place.secondPass ?? before.secondPass,
    cut: place.cut ?? before.cut,
    places: [...before.places, place.id],
    saidFor: { ...before.saidFor, ...Object.fromEntries(Object.keys(place.schools).map((s) => [s, words])) },
  };
}
