/** The end of an evening, before and after midnight. */
import { expect, it } from 'vitest';
import { eveningsFrom } from '../../../model/evenings.ts';
import { eveningLeft } from './tonight.ts';

const evenings = { ...eveningsFrom('2026-12-04'), at: '22:30', minutes: 150 };
const at = (hours: number, minutes: number) => new Date(2026, 11, 4, hours, minutes);

it('is known while it lasts, past midnight too', () => {
  expect(eveningLeft({ evenings }, at(22, 30))).toEqual({ minutes: 150, ends: 22 * 60 + 30 + 150 });
  expect(eveningLeft({ evenings }, at(23, 30))?.minutes).toBe(90);
  expect(eveningLeft({ evenings }, at(0, 45))?.minutes).toBe(15);
  expect(eveningLeft({ evenings }, at(1, 0))).toBeUndefined();
  expect(eveningLeft({ evenings }, at(12, 0))).toBeUndefined();
  expect(eveningLeft({}, at(23, 0))).toBeUndefined();
});
