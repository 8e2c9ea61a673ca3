/** Days by the calendar. */
import { expect, it } from 'vitest';
import { daysWorn, refusalOf } from './taken-out.tsx';

const at = (y: number, m: number, d: number, h = 0) => new Date(y, m - 1, d, h).getTime();

it('counts days across months, leap years and summer time', () => {
  expect(daysWorn(at(2028, 2, 27, 23), at(2028, 3, 1))).toBe('3 days');
  expect(daysWorn(at(2027, 2, 27, 23), at(2027, 3, 1))).toBe('2 days');
  expect(daysWorn(at(2026, 3, 28, 22), at(2026, 3, 30))).toBe('2 days');
  expect(daysWorn(at(2026, 11, 3, 9), at(2026, 11, 3))).toBe('less than a day');
  expect(daysWorn(at(2026, 12, 31, 23), at(2027, 1, 1))).toBe('1 day');
});

it('refuses a day before it was in, one to come, and what is no day, each in a sentence', () => {
  const [finished, now] = [at(2026, 11, 3, 18), at(2026, 11, 20, 12)];
  expect(refusalOf(at(2026, 11, 2), finished, now)).toMatch(/before/);
  expect(refusalOf(at(2026, 11, 21), finished, now)).toMatch(/still to come/);
  expect(refusalOf(Number.NaN, finished, now)).toMatch(/no day/);
  for (const d of [3, 11, 20]) expect(refusalOf(at(2026, 11, d), finished, now)).toBeUndefined();
});
