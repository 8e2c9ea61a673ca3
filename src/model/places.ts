/** What she can do to places that have schools of their own. */

import type { Stroke } from '../core/head/index.ts';
import type { PlaceSchools } from '../core/knots/index.ts';
import {
  lowerFirst,
  type PartKind,
  placeWords,
  REGION_NAMES,
  REGIONS,
  SCHOOL_NAMES,
  SCHOOL_OPTIONS,
  SCHOOL_PLACES,
  type SchoolByPlace,
  SECOND_PASS_INFO,
  type SecondPass,
  schoolPlaceName,
  upperFirst,
} from '../core/trade/index.ts';
import { given } from './given.ts';
import { freshId } from './ids.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

export const freshPlaceId = ({ places }: Pick<PlanDocument, 'places'>) => freshId('s', places);

const withPlaces = (plan: PlanDocument, places: readonly PlaceSchools[], words: string): PlanChange => ({
  words,
  plan: { ...plan, places: places as PlanDocument['places'] },
});

/** "Left of the part". */
export const placeName = (plan: Pick<PlanDocument, 'part'>, place: Pick<PlaceSchools, 'where'>) =>
  upperFirst(placeWords(place.where, plan.part.kind as PartKind));

/** What a place may be chosen from: "zone nape", "region temples", and what each is called. */
export const placeChoices = (partKind: PartKind): ReadonlyArray<readonly [string, string]> => [
  ...SCHOOL_PLACES.map((p) => [`zone ${p}`, schoolPlaceName(p, partKind)] as const),
  ...REGIONS.map((r) => [`region ${r}`, upperFirst(REGION_NAMES[r])] as const),
];

export function addPlace(plan: PlanDocument, where: PlaceSchools['where']): PlanChange {
  const place: PlaceSchools = { id: freshPlaceId(plan), where, schools: {} };
  return withPlaces(plan, [...plan.places, place], `Its own way: ${lowerFirst(placeName(plan, { where }))}`);
}

/** Adds a stroke to a painted place; the first one makes it. */
export function paintPlace(plan: PlanDocument, id: string, stroke: Stroke): PlanChange {
  const old = plan.places.find((p) => p.id === id) as PlaceSchools | undefined;
  if (!old)
    return withPlaces(plan, [...plan.places, { id, where: { painted: [stroke] }, schools: {} }], 'Place painted');
  const painted = 'painted' in old.where ? [...old.where.painted, stroke] : [stroke];
  return changed(plan, id, { where: { painted } }, 'Place painted');
}

export function dropPlace(plan: PlanDocument, id: string): PlanChange {
  const place = plan.places.find((p) => p.id === id);
  return withPlaces(
    plan,
    plan.places.filter((p) => p.id !== id) as PlaceSchools[],
    place ? `${placeName(plan, place as PlaceSchools)}: as the rest` : 'As the rest',
  );
}

/** @param value undefined lets the plan’s own school hold there */
export function setPlaceSchool(
  plan: PlanDocument,
  id: string,
  school: SchoolByPlace,
  value: string | undefined,
): PlanChange {
  const place = plan.places.find((p) => p.id === id) as PlaceSchools;
  const { [school]: _, ...others } = place.schools;
  const schools = value === undefined ? others : { ...others, [school]: value };
  const option = SCHOOL_OPTIONS[school].find((o) => o.value === value)?.name ?? 'as the plan';
  const words = `${placeName(plan, place)}: ${lowerFirst(SCHOOL_NAMES[school])} ${option}`;
  return changed(plan, id, { schools: schools as PlaceSchools['schools'] }, words);
}

export function setPlacePass(plan: PlanDocument, id: string, secondPass: SecondPass | undefined): PlanChange {
  const what = secondPass ? lowerFirst(SECOND_PASS_INFO[secondPass].name) : 'passes as the plan';
  return changed(plan, id, { secondPass }, `${nameOf(plan, id)}: ${what}`);
}

export function setPlaceCut(plan: PlanDocument, id: string, cut: string | undefined): PlanChange {
  const what = plan.cuts.find((c) => c.id === cut)?.name ?? 'pieces as the zone';
  return changed(plan, id, { cut }, `${nameOf(plan, id)}: ${lowerFirst(what)}`);
}

const nameOf = (plan: PlanDocument, id: string) =>
  placeName(plan, plan.places.find((p) => p.id === id) as PlaceSchools);

/** What is undefined afterwards is left out: a plan holds what is said, nothing else. */
function changed(
  plan: PlanDocument,
  id: string,
  change: { readonly [K in keyof PlaceSchools]?: PlaceSchools[K] | undefined },
  words: string,
): PlanChange {
  const places = plan.places.map((p) => (p.id === id ? given({ ...p, ...change }) : p));
  return withPlaces(plan, places as unknown as PlaceSchools[], words);
}
