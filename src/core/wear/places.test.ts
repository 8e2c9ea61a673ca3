import { expect, it } from 'vitest';
import { WEAR_PLACE_INFO, WEAR_PLACES } from '../trade/index.ts';
import { wearPlaceAt } from './places.ts';

it('a touch is the place that it lies nearest to, on the side where it is', () => {
  for (const place of WEAR_PLACES) expect(wearPlaceAt(WEAR_PLACE_INFO[place].at as [number, number])).toBe(place);
  expect(wearPlaceAt([60, 30])).toBe('leftTemple');
  expect(wearPlaceAt([-60, 30])).toBe('rightTemple');
  expect(wearPlaceAt([170, -25])).toBe('nape');
  expect(wearPlaceAt([-170, 45])).toBe('behind');
  expect(wearPlaceAt([5, 88])).toBe('top');
});
