/** The calendar read back by ical.js, and against RFC 5545: lines of at most 75 octets, CR LF, one UID for each event. */
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import type { EveningsPlan } from '../core/plan/index.ts';
import { eveningsIcs } from './evenings-ics.ts';

const laid: EveningsPlan = {
  evenings: [
    {
      day: '2026-12-04',
      does: [
        { what: 'Comb out, moisturise; oil the scalp', minutes: 6 },
        {
          what: 'Rows 1 to 3, nape: “smooth”\nand more of a very long line that has to be folded somewhere',
          minutes: 94.4,
        },
      ],
      workMinutes: 100.4,
      breakMinutes: 10,
      waitMinutes: 0,
    },
    { day: '2026-12-06', does: [{ what: 'Trim', minutes: 30 }], workMinutes: 30, breakMinutes: 0, waitMinutes: 45 },
  ],
  workMinutes: 130.4,
  breakMinutes: 10,
  waitMinutes: 45,
  countRange: [2, 3],
  doneOn: '2026-12-06',
  doneRange: ['2026-12-06', '2026-12-11'],
  finishBy: undefined,
};
const asked = { planId: 'p1', planName: 'Curls, shoulder; long', startsAt: 19 * 60 + 30, wornDays: 28 };
const text = eveningsIcs(laid, asked);
const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((c) => new ICAL.Event(c));

describe('evenings in a calendar', () => {
  it('come back with day, hour, length and what is done', () => {
    expect(events.map((e) => e.summary)).toEqual([
      'Curls, shoulder; long, evening 1 of 2',
      'Curls, shoulder; long, evening 2 of 2',
      'Curls, shoulder; long: take it out',
    ]);
    const [first, second, out] = events;
    expect(first.startDate.toString()).toBe('2026-12-04T19:30:00');
    // In the hour of wherever she is: no zone.
    expect(first.startDate.zone.tzid).toBe('floating');
    expect(first.duration.toSeconds()).toBe(110 * 60);
    expect(second.duration.toSeconds()).toBe(75 * 60);
    expect(first.description.split('\n')[0]).toBe('6 min: Comb out, moisturise; oil the scalp');
    expect(first.description).toContain('“smooth”');
    expect(out.startDate.toString()).toBe('2027-01-03');
    expect(out.startDate.isDate).toBe(true);
  });

  it('are written as the standard asks', () => {
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/);
    expect(text.trimEnd()).toMatch(/END:VCALENDAR$/);
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(text).toMatch(/VERSION:2\.0/);
    for (const e of events) expect(e.component.getFirstPropertyValue('dtstamp')).toBeTruthy();
  });

  it('have the same names in every export, so that none is doubled', () => {
    const names = (ics: string) => [...ics.matchAll(/^UID:(.*)\r$/gm)].map((m) => m[1]);
    expect(new Set(names(text)).size).toBe(3);
    expect(names(eveningsIcs(laid, { ...asked, startsAt: 600 }))).toEqual(names(text));
  });
});
