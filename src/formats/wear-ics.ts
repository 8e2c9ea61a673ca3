/** What a worn style asks for, as a calendar with reminders: care on its days, and the day it comes off. */
import type { EventAttributes } from 'ics';
import { laterDay } from '../core/time/index.ts';
import { dueUntil, type WearNote, type Worn } from '../core/wear/index.ts';
import { dateOf, FLOATING, icsOf } from './ics.ts';

export interface WearingAsked {
  readonly planId: string;
  readonly planName: string;
  /** What each care is called. */
  readonly words: Readonly<Record<string, string>>;
  /** The day it was finished, the one that it is now, and the one by which it comes off. */
  readonly first: string;
  readonly today: string;
  readonly off: string;
}

/** She is reminded in the evening before, hours. */
const BEFORE_HOURS = 4;

/** @throws Error where an event could not be written */
export function wearIcs(worn: Worn, notes: readonly WearNote[], asked: WearingAsked): string {
  const { planId, planName, words, first, today, off } = asked;
  const event = (uid: string, title: string, day: string, description: string): EventAttributes => ({
    ...FLOATING,
    // The same day of the same care has the same name in every export: taken in again, it is not doubled.
    uid: `${planId}-${uid}@meshwork`,
    title,
    description,
    start: dateOf(day),
    duration: { days: 1 },
    alarms: [{ action: 'display', description: title, trigger: { hours: BEFORE_HOURS, before: true } }],
  });
  const cares = dueUntil(worn, notes, first, today, off).map((due) =>
    event(`${due.care}-${due.day}`, `${planName}: ${words[due.care]}`, due.day, due.why),
  );
  const out = event(
    'takedown',
    `${planName}: take it out`,
    laterDay(off, today),
    'Sooner if anything itches, smells or hurts.',
  );
  return icsOf([...cares, out], planName);
}
