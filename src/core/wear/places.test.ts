/** A touch is told by the place that she would name: held against the landmarks of heads that were fitted. */
import { expect, it } from 'vitest';
import { Planner } from '../../../tests/helpers/planner.ts';
import { crownTwists, sweptCoils } from '../../demo/plans.ts';
import { planInputs } from '../../model/to-inputs.ts';
import { directionDeg } from '../head/index.ts';
import { WEAR_PLACE_INFO, WEAR_PLACES } from '../trade/index.ts';
import { wearPlaceAt } from './places.ts';

it('each place is where it is said to be, and to her left what lies on her left', () => {
  for (const place of WEAR_PLACES) expect(wearPlaceAt(WEAR_PLACE_INFO[place].at as [number, number])).toBe(place);
  expect(wearPlaceAt([60, 30])).toBe('leftTemple');
  expect(wearPlaceAt([-60, 30])).toBe('rightTemple');
  expect(wearPlaceAt([-95, 0])).toBe('right');
});

it.each([
  ['a head of the demo', sweptCoils],
  ['a smaller one', { ...crownTwists, tape: { ...crownTwists.tape, girth: ['52 cm'] } }],
])('landmarks of %s are at the places that are named after them', (_, plan) => {
  const { landmarks } = new Planner().plan(planInputs(plan, 24)).head;
  const at = (landmark: keyof typeof landmarks) => wearPlaceAt(directionDeg(landmarks[landmark]));
  expect(at('frontHairline')).toBe('front');
  expect(at('napeHairline')).toBe('nape');
  expect(at('occiput')).toBe('behind');
  expect(at('crown')).toBe('top');
  expect(at('temple')).toBe('leftTemple');
  expect(at('earTop')).toBe('left');
});
