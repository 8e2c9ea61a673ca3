/** What it goes through. The first rule that applies wins. Common practice, no source. */
import type { Through } from '../../trade/index.ts';
import type { Rule } from './situation.ts';

export const THROUGH_RULES: ReadonlyArray<Rule<Through>> = [
  {
    id: 'through.band-or-rod',
    when: (s) => s.on === 'band' || s.on === 'rod',
    decide: () => 'hair',
    because: 'Band or thread carries it, and own hair carries those.',
  },
  {
    id: 'through.into-base',
    when: (s) => s.into !== undefined && !s.capped,
    decide: () => 'hair',
    because: 'Tie, plait or coil carries it, with all of its hair together.',
  },
  {
    id: 'through.no-cap',
    when: (s) => !s.capped,
    decide: () => 'hair',
    because: 'Without a cap own hair carries it: take a generous bite.',
  },
  {
    id: 'through.cut-out',
    when: (s) => s.netHere === 'cutOut',
    decide: () => 'hair',
    because: 'Inside the cut-out the net is gone, so own hair alone carries it: a fine piece, a generous bite.',
  },
  {
    id: 'through.blending',
    when: (s) => s.blending,
    decide: () => 'hair',
    because: 'A blending piece stays in your own hair when the wig comes off.',
  },
  {
    id: 'through.block',
    when: (s) => s.onBlock,
    decide: () => 'net',
    because: 'On the block there is no hair to take up: the net alone holds it.',
  },
  {
    id: 'through.into-base-under-net',
    when: (s) => s.into !== undefined,
    decide: () => 'hairAndNet',
    because: 'Through the net into what lies under it: the base carries it.',
  },
  {
    id: 'through.tender-net',
    school: 'tender',
    when: (s) => s.tenderOrThin && s.schools.tender === 'netOnly',
    decide: () => 'net',
    because: 'This place is tender or thin, so the net alone carries it.',
  },
  {
    id: 'through.margin',
    when: (s) => s.netHere === 'margin',
    decide: () => 'hairAndNet',
    because: 'The margin of the cut-out is fixed here, through hair and net.',
  },
  {
    id: 'through.everywhere',
    school: 'through',
    when: (s) => s.schools.through === 'everywhere',
    decide: () => 'hairAndNet',
    because: 'You chose hair with net everywhere.',
  },
  {
    id: 'through.edge',
    school: 'through',
    when: (s) => (s.perimeter || s.anchorPlace) && s.schools.through === 'perimeter',
    decide: () => 'hairAndNet',
    because: 'At the edge hair and net together keep the cap from shifting.',
  },
  {
    id: 'through.net',
    school: 'through',
    when: () => true,
    decide: () => 'net',
    because: 'The net holds it and spares your own hair.',
  },
];

export const ANCHOR_THROUGH: Rule<Through> = {
  id: 'through.anchor',
  when: () => true,
  decide: () => 'border',
  because: 'An anchor takes hair and the border of the cap in one bite.',
};
