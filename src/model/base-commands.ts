/** What she can do to the base: from plan to plan, with the words for the deed. */
import type { BaseChoice, BaseEdit, Edit } from '../core/base/index.ts';
import { FAMILY_INFO, type Family, PARKING_NAMES, type ParkingHow } from '../core/trade/index.ts';
import { startBase } from './defaults.ts';
import { freshId } from './ids.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

/** Another family starts afresh; undo brings the edits of the old one back. */
export function chooseFamily(plan: PlanDocument, family: Family, change: Partial<BaseChoice> = {}): PlanChange {
  const { leftOut, found } = plan.base;
  return {
    words: FAMILY_INFO[family].name,
    plan: { ...plan, base: { ...startBase(family), leftOut, found, ...change } },
  };
}

export function setBase(plan: PlanDocument, change: Partial<BaseChoice>, words: string): PlanChange {
  return { words, plan: { ...plan, base: { ...plan.base, ...change } } };
}

export function editBase(plan: PlanDocument, edits: readonly BaseEdit[], words: string): PlanChange {
  const named: Edit[] = [...plan.base.edits];
  for (const edit of edits) named.push({ id: freshId('e', named), ...edit });
  return setBase(plan, { edits: named }, words);
}

/** All tails parked alike: what was said of single ones is forgotten. */
export function parkAll(plan: PlanDocument, how: ParkingHow | undefined): PlanChange {
  const words = how === undefined ? 'Tails parked as is usual' : `All tails ${PARKING_NAMES[how]}`;
  return setBase(plan, { parking: { ...(how ? { all: how } : {}), bySection: {} } }, words);
}

export function lockLine(plan: PlanDocument, key: string): PlanChange {
  const isLocked = plan.base.locked.includes(key);
  return setBase(
    plan,
    { locked: isLocked ? plan.base.locked.filter((k) => k !== key) : [...plan.base.locked, key] },
    isLocked ? 'Line unlocked' : 'Line locked',
  );
}
