/** How many holes of the net it takes. The first rule that applies wins. Common practice, no source. */
import type { Rule } from './situation.ts';

export const HOLE_RULES: ReadonlyArray<Rule<number>> = [
  {
    id: 'holes.one',
    school: 'holes',
    when: (s) => s.schools.holes === 'one',
    decide: () => 1,
    because: 'One hole of the net: flat, no bunching.',
  },
  {
    id: 'holes.gathered',
    school: 'holes',
    when: (s) => s.schools.holes === 'gathered',
    decide: () => 5,
    because: 'Several holes gathered, for spare fill.',
  },
  {
    id: 'holes.three',
    school: 'holes',
    when: () => true,
    decide: () => 3,
    because: 'Three holes of the net, so that it holds.',
  },
];
