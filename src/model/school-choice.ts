/** A school chosen for the whole plan. */
import { SCHOOL_NAMES, SCHOOL_OPTIONS, type SchoolName } from '../core/trade/index.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

export function setSchool(plan: PlanDocument, school: SchoolName, value: string): PlanChange {
  const option = SCHOOL_OPTIONS[school].find((o) => o.value === value);
  return {
    words: `${SCHOOL_NAMES[school]}: ${option?.name ?? value}`,
    plan: { ...plan, schools: { ...plan.schools, [school]: value } as PlanDocument['schools'] },
  };
}

/** What a finding asks for holds at every place: what was said for one of them gives way. */
export function setSchoolEverywhere(plan: PlanDocument, school: SchoolName, value: string): PlanChange {
  const { words, plan: changed } = setSchool(plan, school, value);
  const places = changed.places.flatMap((p) => {
    const { [school as keyof typeof p.schools]: given, ...schools } = p.schools;
    if (given === undefined) return [p];
    const isEmpty = Object.keys(schools).length === 0 && p.secondPass === undefined && p.cut === undefined;
    return isEmpty ? [] : [{ ...p, schools }];
  });
  return { words, plan: { ...changed, places } };
}
