/** Evenings as a calendar (RFC 5545): one event each, in the hour of wherever she is, and the day to take it out. */
import type { DateArray, EventAttributes } from 'ics';
import { type EveningsPlan, takedownDay } from '../core/plan/index.ts';
import { spanOf } from '../core/time/index.ts';
import { dateOf, FLOATING, icsOf } from './ics.ts';

export interface CalendarAsked {
  readonly planId: string;
  readonly planName: string;
  /** Minutes after midnight. */
  readonly startsAt: number;
  readonly wornDays: number;
}

/** @throws Error where an event could not be written */
export function eveningsIcs({ evenings, doneOn }: EveningsPlan, asked: CalendarAsked): string {
  const { planId, planName, startsAt, wornDays } = asked;
  const work = evenings.map((evening, i): EventAttributes => {
    const minutes = Math.max(1, Math.round(spanOf(evening)));
    return {
      ...FLOATING,
      // The same evening has the same name in every export: taken in again, it is moved, not doubled.
      uid: `${planId}-evening-${i + 1}@meshwork`,
      title: `${planName}, evening ${i + 1} of ${evenings.length}`,
      description: evening.does.map((d) => `${Math.max(1, Math.round(d.minutes))} min: ${d.what}`).join('\n'),
      start: [...dateOf(evening.day), Math.floor(startsAt / 60), startsAt % 60] as DateArray,
      duration: { hours: Math.floor(minutes / 60), minutes: minutes % 60 },
    };
  });
  const out: EventAttributes = {
    ...FLOATING,
    uid: `${planId}-takedown@meshwork`,
    title: `${planName}: take it out`,
    description: `Worn for ${wornDays} days by then. Sooner if anything itches, smells or hurts.`,
    start: dateOf(takedownDay(doneOn, wornDays)),
    duration: { days: 1 },
  };
  return icsOf([...work, out], planName);
}
