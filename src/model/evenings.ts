/** What she says of her evenings, and how a forecast is asked for by it. */
import type { EveningsWish } from '../core/plan/index.ts';
import { BREAK_EVERY, BREAK_FOR, USUALLY_WORN_DAYS } from '../core/trade/index.ts';
import { given } from './given.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

export type EveningsAsWritten = NonNullable<PlanDocument['evenings']>;

/** As it is asked for: two hours and a half after work and at the weekend. */
export const eveningsFrom = (first: string): EveningsAsWritten => ({
  first,
  at: '19:00',
  minutes: 150,
  days: ['friday', 'saturday', 'sunday'],
  breakEvery: BREAK_EVERY,
  breakFor: BREAK_FOR,
});

/** Undefined until she has said when. */
export function eveningsWish({ evenings }: Pick<PlanDocument, 'evenings'>): EveningsWish | undefined {
  if (!evenings) return undefined;
  const [hours, minutes] = evenings.at.split(':').map(Number);
  const { at: _, ...rest } = evenings;
  return { ...rest, startsAt: 60 * hours + minutes };
}

export const setEvenings = (
  plan: PlanDocument,
  evenings: Partial<Record<keyof EveningsAsWritten, unknown>>,
  words: string,
): PlanChange => ({
  words,
  plan: { ...plan, evenings: given<EveningsAsWritten>({ ...plan.evenings, ...evenings } as EveningsAsWritten) },
});

export const wornDaysOf = (plan: Pick<PlanDocument, 'wornDays'>) => plan.wornDays ?? USUALLY_WORN_DAYS;

export const setWornDays = (plan: PlanDocument, wornDays: number): PlanChange => ({
  words: `Worn for ${wornDays} days`,
  plan: { ...plan, wornDays },
});
