/** Days and weeks. Weekdays against ISO 8601: its own example of a week date, and 1 January 2026, a Thursday (any calendar). */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { WEEKDAYS } from '../trade/index.ts';
import { daysFrom, daysLater, latestStart, weekdayOf, workDays, workDaysUntil } from './dates.ts';

const days = fc.integer({ min: 0, max: 20_000 }).map((n) => daysLater('2000-01-01', n));
const weeks = fc.subarray([...WEEKDAYS], { minLength: 1 });

describe('days', () => {
  it('have the weekday that calendars give', () => {
    expect(weekdayOf('2026-01-01')).toBe('thursday');
    // ISO 8601: 1981-W14-7 is 5 April 1981, so a Sunday.
    expect(weekdayOf('1981-04-05')).toBe('sunday');
    expect(weekdayOf('2024-02-29')).toBe('thursday');
  });

  it('pass over a month, a leap day and the change of the clock', () => {
    expect(daysLater('2024-02-28', 2)).toBe('2024-03-01');
    expect(daysLater('2026-03-28', 2)).toBe('2026-03-30');
    expect(daysLater('2026-10-24', 2)).toBe('2026-10-26');
    expect(daysFrom('2026-12-31', '2026-12-01')).toBe(-30);
  });
});

describe('days of work', () => {
  it('are those of her week, as many as asked, in order', () => {
    expect(workDays('2026-12-01', ['friday', 'sunday'], 3)).toEqual(['2026-12-04', '2026-12-06', '2026-12-11']);
    expect(() => workDays('2026-12-01', [], 1)).toThrow(RangeError);
  });

  it('until a day are as many as can be counted one by one', () => {
    fc.assert(
      fc.property(days, fc.integer({ min: -9, max: 60 }), weeks, (first, more, on) => {
        const last = daysLater(first, more);
        let count = 0;
        for (let i = 0; i <= more; i++) if (on.includes(weekdayOf(daysLater(first, i)))) count++;
        expect(workDaysUntil(first, last, on)).toBe(count);
      }),
      { endOnFailure: true },
    );
  });

  it('begun on the latest day, are just done', () => {
    fc.assert(
      fc.property(days, fc.integer({ min: 1, max: 12 }), weeks, (last, count, on) => {
        const start = latestStart(last, on, count);
        expect(workDaysUntil(start, last, on)).toBe(count);
        expect(workDaysUntil(daysLater(start, 1), last, on)).toBe(count - 1);
      }),
      { endOnFailure: true },
    );
  });
});
