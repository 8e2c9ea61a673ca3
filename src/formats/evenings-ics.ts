/** Evenings as a calendar (RFC 5545): one event each, in the hour of wherever she is, and the day to take it out. */
import { createEvents, type DateArray, type EventAttributes } from 'ics';
import { type EveningsPlan, takedownDay } from '../core/plan/index.ts';
import { spanOf } from '../core/time/index.ts';

export interface CalendarAsked {
  readonly planId: string;
  readonly planName: string;
  /** Minutes after midnight. */
  readonly startsAt: number;
  readonly wornDays: number;
}

const dateOf = (day: string) => day.split('-').map(Number) as [number, number, number];

/** @throws Error where an event could not be written */
export function eveningsIcs({ evenings, doneOn }: EveningsPlan, asked: CalendarAsked): string {
  const { planId, planName, startsAt, wornDays } = asked;
  const floating = { startInputType: 'local', startOutputType: 'local', productId: 'meshwork' } as const;
  const work = evenings.map((evening, i): EventAttributes => {
    const minutes = Math.max(1, Math.round(spanOf(evening)));
    return {
      ...floating,
      // The same evening has the same name in every export: taken in again, it is moved, not doubled.
      uid: `${planId}-evening-${i + 1}@meshwork`,
      title: `${planName}, evening ${i + 1} of ${evenings.length}`,
      description: evening.does.map((d) => `${Math.max(1, Math.round(d.minutes))} min: ${d.what}`).join('\n'),
      start: [...dateOf(evening.day), Math.floor(startsAt / 60), startsAt % 60] as DateArray,
      duration: { hours: Math.floor(minutes / 60), minutes: minutes % 60 },
    };
  });
  const out: EventAttributes = {
    ...floating,
    uid: `${planId}-takedown@meshwork`,
    title: `${planName}: take it out`,
    description: `Worn for ${wornDays} days by then. Sooner if anything itches, smells or hurts.`,
    start: dateOf(takedownDay(doneOn, wornDays)),
    duration: { days: 1 },
  };
  const { error, value } = createEvents([...work, out], { calName: planName });
  if (error || !value) throw error ?? new Error('The calendar could not be written.');
  return foldedByOctets(value);
}

/** RFC 5545, 3.1: at most 75 octets a line. The library counts letters, of which some take three. */
const LINE_OCTETS = 75;

function foldedByOctets(text: string): string {
  const encoder = new TextEncoder();
  const fold = (line: string): string => {
    let folded = '';
    let octets = 0;
    for (const letter of line) {
      const size = encoder.encode(letter).length;
      if (octets + size > LINE_OCTETS) {
        folded += '\r\n ';
        octets = 1;
      }
      folded += letter;
      octets += size;
    }
    return folded;
  };
  return text
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .map(fold)
    .join('\r\n');
}
