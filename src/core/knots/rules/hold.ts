/** How it holds: wraps and lock. The first rule that applies wins. Common practice, no source. */
import type { KnotKind } from '../../trade/index.ts';
import { grip, netHolds, type Rule } from './situation.ts';

export interface Hold {
  readonly wraps: number;
  readonly lock: boolean;
  readonly backcomb?: boolean;
}

/** Holding by wraps and lock; `kinds` says for which of the first table a rule is. */
export const HOLD_RULES: ReadonlyArray<Rule<Hold> & { readonly kinds?: readonly KnotKind[] }> = [
  {
    id: 'hold.one-leg-backcomb',
    school: 'perimeterKnot',
    kinds: ['oneLeg'],
    when: (s) => s.perimeter && s.schools.perimeterKnot === 'oneLegBackcomb',
    decide: (s) => ({ wraps: s.schools.oneLegWraps === 'twice' || s.slips ? 2 : 1, lock: false, backcomb: true }),
    because: 'One-leg for the outermost line, and its root combed back over the loop.',
  },
  {
    id: 'hold.one-leg-twice',
    school: 'oneLegWraps',
    kinds: ['oneLeg'],
    when: (s) => s.schools.oneLegWraps === 'twice' || s.slips,
    decide: () => ({ wraps: 2, lock: false }),
    because: 'Wrapped twice, since one side alone holds less.',
  },
  {
    id: 'hold.one-leg-once',
    school: 'oneLegWraps',
    kinds: ['oneLeg'],
    when: () => true,
    decide: () => ({ wraps: 1, lock: false }),
    because: 'Wrapped once, so that it lies flat.',
  },
  {
    id: 'hold.thread-loop',
    kinds: ['threadLoop'],
    when: (s) => !s.slips,
    decide: () => ({ wraps: 1, lock: false }),
    because: 'Drawn through once: the pull of the piece shuts it.',
  },
  {
    id: 'hold.border-lock',
    when: (s) => s.border === 'lock' && s.canLock,
    decide: () => ({ wraps: 1, lock: true }),
    because: 'You chose the lock for the row along the border: one wrap, its band or ring pushed up to the root.',
  },
  {
    id: 'hold.perimeter-lock',
    school: 'perimeterKnot',
    when: (s) => s.perimeter && s.schools.perimeterKnot === 'lockBackcomb' && s.canLock,
    decide: () => ({ wraps: 1, lock: true, backcomb: true }),
    because: 'One wrap, the band slid up to the root, the root combed back over it.',
  },
  {
    id: 'hold.lock',
    school: 'smoothHold',
    when: (s) => grip(s) !== 'grips' && s.schools.smoothHold === 'lock' && s.canLock,
    decide: () => ({ wraps: 1, lock: true }),
    because: 'One wrap, then its band or ring pushed up to the root: that replaces further wraps, not the first.',
  },
  {
    id: 'hold.lock-though-grips',
    school: 'smoothHold',
    when: (s) => s.schools.smoothHold === 'lock' && s.canLock,
    decide: () => ({ wraps: 1, lock: true }),
    because: 'You chose the lock. This hair grips and would stay with one wrap alone; your choice goes first.',
  },
  {
    id: 'hold.smooth-many',
    school: 'smoothHold',
    when: (s) => grip(s) === 'smooth' && s.schools.smoothHold === 'many',
    decide: () => ({ wraps: 4, lock: false }),
    because: 'You chose many wraps and a large bite for smooth hair.',
  },
  {
    id: 'hold.rod-grips',
    kinds: ['onRod'],
    when: (s) => grip(s) !== 'smooth' && !s.slips,
    decide: () => ({ wraps: 1, lock: false }),
    because: 'The turns of the thread clamp it: one wrap.',
  },
  {
    id: 'hold.smooth-own-hair',
    when: (s) => grip(s) === 'smooth' && !netHolds(s),
    decide: () => ({ wraps: 4, lock: false }),
    because: 'Smooth hair straight into own hair needs a large bite and four wraps, and may still creep.',
  },
  {
    id: 'hold.top-flat',
    when: (s) => s.secondRow && grip(s) === 'grips' && !s.slips,
    decide: () => ({ wraps: 1, lock: false }),
    because: 'Near the top a single wrap lies flat, and this texture grips.',
  },
  {
    id: 'hold.smooth-edge',
    when: (s) => grip(s) === 'smooth' && (s.perimeter || s.slips),
    decide: () => ({ wraps: 3, lock: false }),
    because: 'Smooth hair slides, and here it is pulled most: three wraps.',
  },
  {
    id: 'hold.smooth',
    when: (s) => grip(s) === 'smooth',
    decide: () => ({ wraps: 2, lock: false }),
    because: 'Smooth hair slides: two wraps over a net.',
  },
  {
    id: 'hold.curl-slips',
    when: (s) => grip(s) === 'some' && s.slips,
    decide: () => ({ wraps: 3, lock: false }),
    because: 'The one that you hooked slid: three wraps.',
  },
  {
    id: 'hold.loose-curl',
    when: (s) => grip(s) === 'some',
    decide: () => ({ wraps: 2, lock: false }),
    because: 'A curl holds with two wraps.',
  },
  {
    id: 'hold.grips-edge',
    when: (s) => s.perimeter || s.slips,
    decide: () => ({ wraps: 2, lock: false }),
    because: 'It grips, but here it is pulled most: two wraps.',
  },
  {
    id: 'hold.grips',
    when: () => true,
    decide: () => ({ wraps: 1, lock: false }),
    because: 'Hair that grips stays with one wrap.',
  },
];
