import { describe, expect, it } from 'vitest';
import { numberIn } from './number-in.ts';

describe('a number that was written', () => {
  it.each([
    ['2', 2],
    [' 1.5 ', 1.5],
    ['1,5', 1.5],
    ['-3', -3],
  ])('%j is %d', (text, value) => expect(numberIn(text)).toBe(value));

  it.each([
    ['', 'A number is missing.'],
    ['  ', 'A number is missing.'],
    ['abc', '“abc” isn’t a number, such as 2 or 1.5.'],
    ['1/2', '“1/2” isn’t a number, such as 2 or 1.5.'],
    ['Infinity', '“Infinity” isn’t a number, such as 2 or 1.5.'],
  ])('%j is not, and says so', (text, words) => expect(numberIn(text)).toBe(words));
});
