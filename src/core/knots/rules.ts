/**
 * Which knot goes where. The rules are data: each decides one thing, the first that applies wins, and its
 * reason is kept. All are common practice, no source; where workers disagree a rule names its school.
 */

import type { CapKind } from '../cap/dome.ts';
import { TEXTURE_INFO, type Texture } from '../hair/textures.ts';
import type { SchoolName, Schools } from './schools.ts';

export const KNOT_KINDS = ['anchor', 'wrap', 'oneLeg'] as const;
export type KnotKind = (typeof KNOT_KINDS)[number];
export type Through = 'net' | 'hairAndNet' | 'hair';

export const THROUGH_WORDS: Readonly<Record<Through, string>> = {
  net: 'through the net',
  hairAndNet: 'through net and hair',
  hair: 'through own hair',
};

/** What the rules look at. */
export interface KnotSituation {
  readonly texture: Texture;
  readonly canOneLeg: boolean;
  readonly canLock: boolean;
  readonly cap: CapKind;
  /** Nothing lies above to hide it: beside the part, round the crown, or along the front hairline. */
  readonly exposed: 'part' | 'crown' | 'front' | false;
  /** One row further: it has to lie flat under the last. */
  readonly secondRow: boolean;
  /** In the outermost line along hairline, ears and nape. */
  readonly perimeter: boolean;
  /** A place where the cap is held: corners and every other row's end. */
  readonly anchorPlace: boolean;
  readonly tenderOrThin: boolean;
  readonly schools: Schools;
}

export interface KnotDecision {
  readonly kind: KnotKind;
  /** Passages of the tails through the loop. */
  readonly wraps: number;
  readonly lock: boolean;
  readonly through: Through;
  /** Why, as sentences: kind, hold, and what it goes through. */
  readonly reasons: readonly string[];
  readonly rules: readonly string[];
}

interface Rule<T> {
  readonly id: string;
  readonly school?: SchoolName;
  readonly when: (s: KnotSituation) => boolean;
  readonly decide: (s: KnotSituation) => T;
  readonly because: string;
}

const grip = (s: KnotSituation) => TEXTURE_INFO[s.texture].grip;
const springy = (s: KnotSituation) => TEXTURE_INFO[s.texture].springy;

export const KIND_RULES: ReadonlyArray<Rule<KnotKind>> = [
  {
    id: 'kind.anchor',
    when: (s) => s.anchorPlace && !s.exposed && s.cap !== 'none' && !(s.tenderOrThin && s.schools.tender === 'netOnly'),
    decide: () => 'anchor',
    because: 'The cap is held here, so it goes through your hair and under the border.',
  },
  {
    id: 'kind.one-leg-everywhere',
    school: 'oneLeg',
    when: (s) => s.schools.oneLeg === 'everywhere' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'You chose one-leg for every knot: flat all over.',
  },
  {
    id: 'kind.springy-hides-itself',
    school: 'oneLeg',
    when: (s) => s.schools.oneLeg === 'exposed' && s.exposed !== false && springy(s),
    decide: () => 'wrap',
    because: 'It lies open, but hair that springs and spreads hides its own knot. Judge the line when it is in.',
  },
  {
    id: 'kind.one-leg-part',
    school: 'oneLeg',
    when: (s) => s.schools.oneLeg === 'exposed' && s.exposed === 'part' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'No row lies above it to hide it, so one side of the piece falls over its own loop.',
  },
  {
    id: 'kind.one-leg-crown',
    school: 'oneLeg',
    when: (s) => s.schools.oneLeg === 'exposed' && s.exposed === 'crown' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'The innermost ring has nothing above it, so one side of the piece falls over its own loop.',
  },
  {
    id: 'kind.one-leg-front',
    school: 'oneLeg',
    when: (s) => s.schools.oneLeg === 'exposed' && s.exposed === 'front' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'At the front hairline nothing falls over it, so one side of the piece covers its own loop.',
  },
  {
    id: 'kind.exposed-but-loop-stays',
    when: (s) => s.exposed !== false && !s.canOneLeg && s.schools.oneLeg !== 'never',
    decide: () => 'wrap',
    because: 'It lies open and would be one-leg, but this loop cannot come off: lay it small and comb hair over it.',
  },
  {
    id: 'kind.ordinary',
    when: () => true,
    decide: () => 'wrap',
    because: 'The row above falls over it, so an ordinary knot is hidden.',
  },
];

interface Hold {
  readonly wraps: number;
  readonly lock: boolean;
}

/** Holding by wraps and lock; `kind` is what the first table decided. */
export const HOLD_RULES: ReadonlyArray<Rule<Hold> & { readonly kinds?: readonly KnotKind[] }> = [
  {
    id: 'hold.one-leg-twice',
    school: 'oneLegWraps',
    kinds: ['oneLeg'],
    when: (s) => s.schools.oneLegWraps === 'twice',
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
    id: 'hold.lock',
    school: 'smoothHold',
    when: (s) => grip(s) !== 'grips' && s.schools.smoothHold === 'lock' && s.canLock,
    decide: () => ({ wraps: 1, lock: true }),
    because: 'One wrap, then its band or ring pushed up to the root: that replaces further wraps, not the first.',
  },
  {
    id: 'hold.smooth-own-hair',
    when: (s) => grip(s) === 'smooth' && s.cap === 'none',
    decide: () => ({ wraps: 4, lock: false }),
    because: 'Smooth hair straight into own hair needs a large bite and four wraps, and may still creep.',
  },
  {
    id: 'hold.top-flat',
    when: (s) => s.secondRow && grip(s) === 'grips',
    decide: () => ({ wraps: 1, lock: false }),
    because: 'Near the top a single wrap lies flat, and this texture grips.',
  },
  {
    id: 'hold.smooth-edge',
    when: (s) => grip(s) === 'smooth' && s.perimeter,
    decide: () => ({ wraps: 3, lock: false }),
    because: 'Smooth hair slides, and at the edge it is pulled most: three wraps.',
  },
  {
    id: 'hold.smooth',
    when: (s) => grip(s) === 'smooth',
    decide: () => ({ wraps: 2, lock: false }),
    because: 'Smooth hair slides: two wraps over a net.',
  },
  {
    id: 'hold.loose-curl',
    when: (s) => grip(s) === 'some',
    decide: () => ({ wraps: 2, lock: false }),
    because: 'A curl holds with two wraps.',
  },
  {
    id: 'hold.grips-edge',
    when: (s) => s.perimeter,
    decide: () => ({ wraps: 2, lock: false }),
    because: 'It grips, but the edge is pulled most: two wraps.',
  },
  {
    id: 'hold.grips',
    when: () => true,
    decide: () => ({ wraps: 1, lock: false }),
    because: 'Hair that grips stays with one wrap.',
  },
];

export const THROUGH_RULES: ReadonlyArray<Rule<Through>> = [
  {
    id: 'through.no-cap',
    when: (s) => s.cap === 'none',
    decide: () => 'hair',
    because: 'Without a cap own hair carries it: take a generous bite.',
  },
  {
    id: 'through.tender-net',
    school: 'tender',
    when: (s) => s.tenderOrThin && s.schools.tender === 'netOnly',
    decide: () => 'net',
    because: 'This place is tender or thin, so the net alone carries it.',
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

export function decideKnot(s: KnotSituation): KnotDecision {
  const kindRule = KIND_RULES.find((r) => r.when(s)) as Rule<KnotKind>;
  const kind = kindRule.decide(s);
  const holdRule = HOLD_RULES.find((r) => (r.kinds?.includes(kind) ?? true) && r.when(s)) as Rule<Hold>;
  const throughRule = kind === 'anchor' ? ANCHOR_THROUGH : (THROUGH_RULES.find((r) => r.when(s)) as Rule<Through>);
  const hold = holdRule.decide(s);
  return {
    kind,
    wraps: hold.wraps,
    lock: hold.lock,
    through: throughRule.decide(s),
    reasons: [kindRule.because, holdRule.because, throughRule.because],
    rules: [kindRule.id, holdRule.id, throughRule.id],
  };
}

const ANCHOR_THROUGH: Rule<Through> = {
  id: 'through.anchor',
  when: () => true,
  decide: () => 'hairAndNet',
  because: 'An anchor takes hair and net in one bite.',
};

/** Name of a knot as the wearer says it. */
export function knotName(knot: { kind: KnotKind; wraps: number; lock: boolean }): string {
  if (knot.kind === 'anchor') return 'Anchor';
  if (knot.kind === 'oneLeg') return knot.wraps > 1 ? 'One-leg knot, twice' : 'One-leg knot';
  const name = ['No wrap', 'Single wrap', 'Double wrap', 'Triple wrap'][knot.wraps] ?? `${knot.wraps} wraps`;
  return knot.lock ? `${name}, locked` : name;
}
