/** Which way the hook is pushed. The first rule that applies wins. Common practice, no source. */
import type { Entry } from '../../trade/index.ts';
import { openByChoice, type Rule } from './situation.ts';

export const ENTRY_RULES: ReadonlyArray<Rule<Entry>> = [
  {
    id: 'entry.band',
    when: (s) => s.on === 'band',
    decide: () => 'underBand',
    because: 'The hook goes under the band.',
  },
  {
    id: 'entry.rod',
    when: (s) => s.on === 'rod',
    decide: () => 'throughWrap',
    because: 'The hook goes between two turns of the thread, never through the hair inside.',
  },
  {
    id: 'entry.into-tie',
    when: (s) => s.into === 'root',
    decide: () => 'intoRoot',
    because: 'You chose the tied root: in on one side under the band, out on the other.',
  },
  {
    id: 'entry.beside-tail',
    when: (s) => s.into === 'beside',
    decide: () => 'beside',
    because: 'You chose the channel beside it, so that it stays shut.',
  },
  {
    id: 'entry.through-tail',
    when: (s) => s.into === 'through',
    decide: () => 'throughTwist',
    because: 'You chose to go through it: under one strand of a plait, with care through a twist.',
  },
  {
    id: 'entry.on-tail',
    when: (s) => s.into === 'onTop',
    decide: () => 'onTop',
    because: 'You chose its top: the topmost strand takes it up.',
  },
  {
    id: 'entry.round-coil',
    when: (s) => s.into === 'round',
    decide: () => 'roundCoil',
    because: 'You chose to go round it: through the hair that is drawn to the tie.',
  },
  {
    id: 'entry.over-coil',
    when: (s) => s.into === 'over',
    decide: () => 'intoCoil',
    because: 'You chose to cover it: into the coil itself, clear of its pins and its band.',
  },
  {
    id: 'entry.back-to-front',
    school: 'exposed',
    when: (s) => openByChoice(s) && s.schools.exposed === 'backToFront',
    decide: () => 'fromTheFront',
    because: 'Pushed from the face backwards, so that it falls over the last one.',
  },
  {
    id: 'entry.swept-over',
    school: 'exposed',
    when: (s) => openByChoice(s) && s.schools.exposed === 'sweptOver',
    decide: () => 'across',
    because: 'Pushed across the line, the way the hair is swept.',
  },
  {
    id: 'entry.beside-twist',
    school: 'wideTwist',
    when: (s) => s.on === 'twist' && s.schools.wideTwist === 'beside',
    decide: () => 'beside',
    because: 'In the channel beside the twist, so that it stays shut.',
  },
  {
    id: 'entry.through-twist',
    school: 'wideTwist',
    when: (s) => s.on === 'twist' && s.schools.wideTwist === 'through',
    decide: () => 'throughTwist',
    because: 'Through the twist, with care: hooking into a wide one can open it.',
  },
  {
    id: 'entry.on-top-of-twist',
    school: 'wideTwist',
    when: (s) => s.on === 'twist' && s.schools.wideTwist === 'onTop',
    decide: () => 'onTop',
    because: 'On top of the twist, along its length.',
  },
  {
    id: 'entry.tied-root',
    school: 'wideTwist',
    when: (s) => s.on === 'twist' && s.schools.wideTwist === 'tiedRoot',
    decide: () => 'intoRoot',
    because: 'Into the root where it is tied: firmest, and there are few such places.',
  },
  {
    id: 'entry.with-fall',
    when: () => true,
    decide: () => 'withFall',
    because: 'Pushed the way the hair shall fall.',
  },
];

export const ONE_LEG_ENTRY: Rule<Entry> = {
  id: 'entry.one-leg',
  when: () => true,
  decide: () => 'fromCoveredSide',
  because: 'From the side that the free leg will cover, so towards the part.',
};
