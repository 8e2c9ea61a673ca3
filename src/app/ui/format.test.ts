import { describe, expect, it } from 'vitest';
import { duration } from '../../core/trade/index.ts';
import { movesOf } from '../stations/install/moves.tsx';
import { day, hours, money, range } from './format.ts';

describe('figures on the screen', () => {
  it.each([
    [0, '0:00'],
    [59.6, '1:00'],
    [65, '1:05'],
    [191.4, '3:11'],
  ])('%f minutes stand as %s', (minutes, text) => {
    expect(hours(minutes)).toBe(text);
  });

  it.each([
    [12, '12 min'],
    [59.4, '59 min'],
    [60, '1 h 00'],
    [153, '2 h 33'],
  ])('%f minutes are said as %s', (minutes, text) => {
    expect(duration(minutes)).toBe(text);
  });

  it('money has its sign before, a word behind, cents only where there are some', () => {
    expect([money(46, '€'), money(57.5, '€'), money(20, 'CHF')]).toEqual(['€46', '€57.50', '20 CHF']);
  });

  it('a range of one value is that value', () => {
    expect(range([4, 5], String)).toBe('4 to 5');
    expect(range([4.2, 4.4], (v) => String(Math.round(v)))).toBe('4');
  });

  it('a day is written out', () => {
    expect(day(Date.UTC(2026, 9, 16, 12))).toBe('16 October 2026');
  });
});

describe('the moves of a knot in words', () => {
  const words = (knot: Parameters<typeof movesOf>[0]) =>
    movesOf(knot)
      .map((m) => `${m.name}: ${m.how}`)
      .join(' / ');
  it.each([
    [
      { kind: 'wrap', wraps: 2, lock: false, through: 'net' },
      /Hook under: the net only.*Tails through: twice, then tight/,
    ],
    [
      { kind: 'wrap', wraps: 1, lock: true, through: 'hairAndNet' },
      /net and hair.*once, then push the band to the root/,
    ],
    [{ kind: 'oneLeg', wraps: 1, lock: false, through: 'net' }, /One side through: once, the other falls over it/],
    [{ kind: 'wrap', wraps: 4, lock: false, through: 'hair' }, /your own hair.*four times/],
  ] as const)('%o', (knot, expected) => {
    expect(words(knot)).toMatch(expected);
  });
});
