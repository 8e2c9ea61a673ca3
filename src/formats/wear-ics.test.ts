/** What a worn style asks for, read back by ical.js: days, reminders, one UID for each. */
import ICAL from 'ical.js';
import { expect, it } from 'vitest';
import { daysFrom, daysLater } from '../core/time/index.ts';
import type { Worn } from '../core/wear/index.ts';
import { wearIcs } from './wear-ics.ts';

const worn: Worn = { texture: 'coil', lengthMm: 300, meantDays: 28, isOnHead: true };
const words = { wash: 'Wash the scalp; a nozzle, between rows', tidy: 'Tidy the fuzz', edges: 'Look at your edges' };
// Over the end of summer time and of a month.
const days = { first: '2026-10-20', today: '2026-10-22', off: '2026-11-10' };
const text = wearIcs(worn, [], { planId: 'p', planName: 'Coils, swept', words, ...days });
const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');

it('has every care on its day, all day, and the day it comes off last', () => {
  const of = (care: string) =>
    events
      .filter((c) => String(c.getFirstPropertyValue('summary')).includes(care))
      .map((c) => daysFrom(days.first, new ICAL.Event(c).startDate.toString().slice(0, 10)));
  expect(of('nozzle')).toEqual([9, 18]);
  expect(of('fuzz')).toEqual([5, 10, 15, 20]);
  expect(of('edges')).toEqual([3, 6, 9, 12, 15, 18]);
  expect(of('take it out')).toEqual([21]);
  for (const c of events) expect(new ICAL.Event(c).startDate.isDate).toBe(true);
});

it('reminds in the evening before, and no two have one name', () => {
  expect(new Set(events.map((c) => c.getFirstPropertyValue('uid'))).size).toBe(events.length);
  for (const c of events) {
    const [alarm] = c.getAllSubcomponents('valarm');
    expect(String(alarm.getFirstPropertyValue('trigger'))).toBe('-PT4H');
  }
});

it('has lines of at most 75 octets (RFC 5545, 3.1)', () => {
  for (const line of text.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
});

it('is told for today where the day it should have come off is past', () => {
  const late = wearIcs(worn, [], { planId: 'p', planName: 'C', words, ...days, today: daysLater(days.off, 3) });
  const [only] = new ICAL.Component(ICAL.parse(late)).getAllSubcomponents('vevent');
  expect(new ICAL.Event(only).startDate.toString()).toBe('2026-11-13');
});
