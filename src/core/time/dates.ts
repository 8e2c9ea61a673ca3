/** Days as they are written, "2026-12-05", and on which of them she works. No clock and no time zone is in them. */
import { addDays, differenceInCalendarDays, formatISO, getISODay, parseISO } from 'date-fns';
import { WEEKDAYS, type Weekday } from '../trade/index.ts';

const written = (date: Date) => formatISO(date, { representation: 'date' });

export const weekdayOf = (day: string): Weekday => WEEKDAYS[getISODay(parseISO(day)) - 1];

export const daysLater = (day: string, days: number) => written(addDays(parseISO(day), days));

export const laterDay = (a: string, b: string) => [a, b].sort()[1];

/** Negative where the second is earlier. */
export const daysFrom = (first: string, second: string) => differenceInCalendarDays(parseISO(second), parseISO(first));

/** The first so many days on which she works, from a first on. @throws RangeError where she works on none */
export function workDays(first: string, on: readonly Weekday[], count: number): string[] {
  if (on.length === 0) throw new RangeError('There has to be a day on which you work.');
  const days: string[] = [];
  for (let day = first; days.length < count; day = daysLater(day, 1)) if (on.includes(weekdayOf(day))) days.push(day);
  return days;
}

/** How many days she works from one day to another, both counted. */
export function workDaysUntil(first: string, last: string, on: readonly Weekday[]): number {
  const days = daysFrom(first, last) + 1;
  if (days <= 0) return 0;
  const weeks = Math.floor(days / 7);
  const rest = Array.from({ length: days % 7 }, (_, i) => weekdayOf(daysLater(first, i)));
  return weeks * new Set(on).size + rest.filter((day) => on.includes(day)).length;
}

/** The latest day to begin on so that so many days of work lie before the last one ends. */
export function latestStart(last: string, on: readonly Weekday[], count: number): string {
  if (on.length === 0) throw new RangeError('There has to be a day on which you work.');
  let left = Math.max(1, count);
  for (let day = last; ; day = daysLater(day, -1)) if (on.includes(weekdayOf(day)) && --left === 0) return day;
}
