import { expect, it } from 'vitest';
import { lowerFirst, upperFirst } from './words.ts';

it('changes the first letter alone', () => {
  expect(lowerFirst('A stitched U')).toBe('a stitched U');
  expect(lowerFirst('XL pieces')).toBe('XL pieces');
  expect(lowerFirst('')).toBe('');
  expect(upperFirst('the front, then U-shaped')).toBe('The front, then U-shaped');
  expect(upperFirst('')).toBe('');
});
