/** Which kind of knot. The first rule that applies wins. Common practice, no source. */
import type { KnotKind, Schools } from '../../trade/index.ts';
import { netHolds, openByChoice, ordinary, type Rule, springy } from './situation.ts';

const isOneLeg = (knot: Schools['perimeterKnot']) => knot === 'oneLeg' || knot === 'oneLegBackcomb';

export const KIND_RULES: ReadonlyArray<Rule<KnotKind>> = [
  {
    id: 'kind.on-band',
    when: (s) => s.on === 'band',
    decide: () => 'onBand',
    because: 'It goes on the band that ties the box, under it and round.',
  },
  {
    id: 'kind.on-rod',
    when: (s) => s.on === 'rod',
    decide: () => 'onRod',
    because: 'It goes through the thread that wraps the rod.',
  },
  {
    id: 'kind.into-tie',
    when: (s) => s.into === 'root',
    decide: () => 'intoTie',
    because: 'It goes into the tied root, under its band: all hair of the section bears it.',
  },
  {
    id: 'kind.on-tail',
    when: (s) => s.into === 'through' || s.into === 'onTop',
    decide: () => 'onTail',
    because: 'It goes into the plait or twist itself, along its way from the tie.',
  },
  {
    id: 'kind.round-coil',
    school: 'bun',
    when: (s) => s.on === 'coil',
    decide: () => 'roundCoil',
    because: 'It goes into the hair that is drawn to the tie, round the coil.',
  },
  {
    id: 'kind.anchor',
    when: (s) => s.anchorPlace && !s.exposed && netHolds(s) && !(s.tenderOrThin && s.schools.tender === 'netOnly'),
    decide: () => 'anchor',
    because: 'The cap is held here, so it goes through your hair and under the border.',
  },
  {
    id: 'kind.border-one-leg',
    when: (s) => s.border === 'oneLeg' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'You chose one-leg for the row along the border: flat, one side over its own loop.',
  },
  {
    id: 'kind.border-ordinary',
    when: (s) => s.border === 'ordinary' || (s.border === 'lock' && s.canLock),
    decide: ordinary,
    because: 'You chose this knot for the row along the border.',
  },
  {
    id: 'kind.one-leg-stiff',
    school: 'stiff',
    when: (s) =>
      s.stiff &&
      s.canOneLeg &&
      (s.schools.oneLeg === 'everywhere' ||
        (openByChoice(s) && (s.schools.exposed === 'oneLeg' || (s.schools.exposed === 'byHair' && !springy(s))))),
    decide: () => 'oneLeg',
    because:
      'You insisted on one-leg though its middle is stiff: bend it flat first. It takes longer and stands a little.',
  },
  {
    id: 'kind.one-leg-everywhere',
    school: 'oneLeg',
    when: (s) => s.schools.oneLeg === 'everywhere' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'You chose one-leg for every knot: flat all over.',
  },
  {
    id: 'kind.perimeter-one-leg',
    school: 'perimeterKnot',
    when: (s) => s.perimeter && isOneLeg(s.schools.perimeterKnot) && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'You chose one-leg for the outermost line, so that it lies flat when the hair is tied up.',
  },
  {
    id: 'kind.one-leg-though-springy',
    school: 'exposed',
    when: (s) => openByChoice(s) && s.schools.exposed === 'oneLeg' && springy(s) && s.canOneLeg,
    decide: () => 'oneLeg',
    because:
      'You chose one-leg where a knot lies open. This hair springs and would hide its own knot too; your choice goes first.',
  },
  {
    id: 'kind.back-to-front',
    school: 'exposed',
    when: (s) => openByChoice(s) && s.schools.exposed === 'backToFront',
    decide: ordinary,
    because: 'Laid from back to front: the next piece falls back over this knot.',
  },
  {
    id: 'kind.swept-over',
    school: 'exposed',
    when: (s) => openByChoice(s) && s.schools.exposed === 'sweptOver',
    decide: ordinary,
    because: 'The first rows are swept over it, so an ordinary knot is covered.',
  },
  {
    id: 'kind.springy-hides-itself',
    school: 'exposed',
    when: (s) => openByChoice(s) && (s.schools.exposed === 'springy' || (s.schools.exposed === 'byHair' && springy(s))),
    decide: ordinary,
    because: 'It lies open, but hair that springs and spreads hides its own knot. Judge the line when it is in.',
  },
  {
    id: 'kind.one-leg-part',
    school: 'oneLeg',
    when: (s) => openByChoice(s) && s.exposed === 'part' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'No row lies above it to hide it, so one side of the piece falls over its own loop.',
  },
  {
    id: 'kind.one-leg-crown',
    school: 'oneLeg',
    when: (s) => openByChoice(s) && s.exposed === 'crown' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'The innermost ring has nothing above it, so one side of the piece falls over its own loop.',
  },
  {
    id: 'kind.one-leg-front',
    school: 'oneLeg',
    when: (s) => openByChoice(s) && s.exposed === 'front' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'At the front hairline nothing falls over it, so one side of the piece covers its own loop.',
  },
  {
    id: 'kind.exposed-but-clings',
    when: (s) => s.exposed !== false && s.clings && s.schools.oneLeg !== 'never',
    decide: ordinary,
    because: 'It lies open, but strands that cling together can’t be one-leg: layer from back to front, or no part.',
  },
  {
    id: 'kind.exposed-but-loop-stays',
    when: (s) => s.exposed !== false && !s.canOneLeg && s.schools.oneLeg !== 'never',
    decide: ordinary,
    because: 'It lies open and would be one-leg, but this loop cannot come off: lay it small and comb hair over it.',
  },
  {
    id: 'kind.fold',
    when: (s) => s.loose,
    decide: () => 'fold',
    because:
      'Loose hair has no loop: the fold goes round a finger, its middle is drawn through, the other end put through.',
  },
  {
    id: 'kind.thread-loop',
    school: 'threadLoop',
    when: (s) => s.threadLoop && s.schools.threadLoop === 'drawnThrough',
    decide: () => 'threadLoop',
    because: 'Its thread goes round and the whole piece through it: flat, and the row above falls over it.',
  },
  {
    id: 'kind.ordinary',
    when: () => true,
    decide: () => 'wrap',
    because: 'The row above falls over it, so an ordinary knot is hidden.',
  },
];
