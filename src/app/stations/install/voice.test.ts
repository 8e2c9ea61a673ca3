/** What she says, understood by few words; anything else does nothing. */
import { expect, it } from 'vitest';
import { deedIn } from './voice.ts';

it.each([
  ['next', 'next'],
  ['okay, next one', 'next'],
  ['go on', 'next'],
  ['one back', 'back'],
  ['wait a moment', 'pause'],
  ['ouch that hurts', 'hurts'],
  // What hurts comes first, whatever else is said.
  ['stop, go back', 'hurts'],
  ['nextdoor neighbours', undefined],
  ['', undefined],
])('“%s”: %s', (heard, deed) => {
  expect(deedIn(heard)).toBe(deed);
});
