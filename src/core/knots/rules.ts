/**
 * Which knot goes where. The rules are data: each table decides one thing, the first rule that applies wins, and
 * the chain of reasons is kept. All are common practice, no source; where workers disagree a rule names its school.
 */

import { TEXTURE_INFO, type Texture } from '../hair/textures.ts';
import { upperFirst } from '../words.ts';
import type { SchoolName, Schools } from './schools.ts';

export const KNOT_KINDS = ['anchor', 'wrap', 'oneLeg', 'fold', 'threadLoop', 'roundCoil', 'onBand', 'onRod'] as const;
export type KnotKind = (typeof KNOT_KINDS)[number];

export const THROUGHS = ['net', 'hairAndNet', 'hair', 'border'] as const;
export type Through = (typeof THROUGHS)[number];

export const THROUGH_WORDS: Readonly<Record<Through, string>> = {
  net: 'through the net',
  hairAndNet: 'through net and hair',
  hair: 'through own hair',
  border: 'under the border, through hair',
};

/** Which way the hook is pushed. */
export type Entry =
  | 'withFall'
  | 'fromCoveredSide'
  | 'fromTheFront'
  | 'across'
  | 'beside'
  | 'throughTwist'
  | 'onTop'
  | 'intoRoot'
  | 'underBand'
  | 'throughWrap';

export const ENTRY_WORDS: Readonly<Record<Entry, string>> = {
  withFall: 'the way the hair shall fall',
  fromCoveredSide: 'from the side that the free leg will cover',
  fromTheFront: 'from the face backwards',
  across: 'across the line, from the side it is swept to',
  beside: 'in the channel beside the twist',
  throughTwist: 'through the twist, a few hairs to each side',
  onTop: 'along the top of the twist',
  intoRoot: 'into the tied root',
  underBand: 'under the band, between it and the scalp',
  throughWrap: 'between two turns of the thread',
};

/** What the rules look at. */
export interface KnotSituation {
  readonly texture: Texture;
  readonly canOneLeg: boolean;
  readonly canLock: boolean;
  /** A thread loop that the piece itself can be drawn through; loose hair that has to be folded. */
  readonly threadLoop: boolean;
  readonly loose: boolean;
  /** One that was hooked for a test slid. */
  readonly slips: boolean;
  readonly clings: boolean;
  readonly capped: boolean;
  /** What the hook meets: scalp, a wide twist or plait, a coil, a band, a threaded rod. */
  readonly on: 'scalp' | 'twist' | 'coil' | 'band' | 'rod';
  readonly netHere: 'net' | 'margin' | 'cutOut';
  /** Stays behind in own hair when the wig comes off. */
  readonly blending: boolean;
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

export interface RuleStep {
  readonly id: string;
  readonly because: string;
  readonly school?: SchoolName;
}

/** What she may decide herself about a knot, a row or a zone. */
export interface KnotWish {
  readonly kind?: KnotKind;
  readonly wraps?: number;
  readonly lock?: boolean;
  readonly through?: Through;
}

export interface KnotDecision {
  readonly kind: KnotKind;
  /** Passages of the tails through the loop. */
  readonly wraps: number;
  readonly lock: boolean;
  readonly through: Through;
  /** Holes of the net that it takes; 0 where there is none. */
  readonly holes: number;
  readonly entry: Entry;
  /** Its root is combed back afterwards. */
  readonly backcomb: boolean;
  /** Why, rule by rule. */
  readonly chain: readonly RuleStep[];
  /** Why a wish of hers was not followed. */
  readonly refused?: string;
}

/** Where all of these rules come from; a rule of another origin would name its own. */
export const RULES_SOURCE = 'Common practice, no source';

interface Rule<T> extends RuleStep {
  readonly when: (s: KnotSituation) => boolean;
  readonly decide: (s: KnotSituation) => T;
}

const grip = (s: KnotSituation) => TEXTURE_INFO[s.texture].grip;
const springy = (s: KnotSituation) => TEXTURE_INFO[s.texture].springy;
const netHolds = (s: KnotSituation) => s.capped && s.netHere !== 'cutOut' && !s.blending;
const openByChoice = (s: KnotSituation) => s.exposed !== false && s.schools.oneLeg === 'exposed';

/** The knot of a place where nothing special is asked. */
function ordinary(s: KnotSituation): KnotKind {
  if (s.loose) return 'fold';
  return s.threadLoop && s.schools.threadLoop === 'drawnThrough' ? 'threadLoop' : 'wrap';
}

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
    id: 'kind.one-leg-everywhere',
    school: 'oneLeg',
    when: (s) => s.schools.oneLeg === 'everywhere' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'You chose one-leg for every knot: flat all over.',
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
    when: (s) => openByChoice(s) && (springy(s) || s.schools.exposed === 'springy'),
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
    id: 'kind.perimeter-one-leg',
    school: 'perimeterKnot',
    when: (s) => s.perimeter && s.schools.perimeterKnot === 'oneLeg' && s.canOneLeg,
    decide: () => 'oneLeg',
    because: 'You chose one-leg for the outermost line, so that it lies flat when the hair is tied up.',
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

interface Hold {
  readonly wraps: number;
  readonly lock: boolean;
  readonly backcomb?: boolean;
}

/** Holding by wraps and lock; `kinds` says for which of the first table a rule is. */
export const HOLD_RULES: ReadonlyArray<Rule<Hold> & { readonly kinds?: readonly KnotKind[] }> = [
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

export const THROUGH_RULES: ReadonlyArray<Rule<Through>> = [
  {
    id: 'through.band-or-rod',
    when: (s) => s.on === 'band' || s.on === 'rod',
    decide: () => 'hair',
    because: 'Band or thread carries it, and own hair carries those.',
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
const ONE_LEG_ENTRY: Rule<Entry> = {
  id: 'entry.one-leg',
  when: () => true,
  decide: () => 'fromCoveredSide',
  because: 'From the side that the free leg will cover, so towards the part.',
};

const ANCHOR_THROUGH: Rule<Through> = {
  id: 'through.anchor',
  when: () => true,
  decide: () => 'border',
  because: 'An anchor takes hair and the border of the cap in one bite.',
};

export const RULE_TABLES = {
  kind: KIND_RULES,
  hold: HOLD_RULES,
  through: THROUGH_RULES,
  holes: HOLE_RULES,
  entry: ENTRY_RULES,
} as const;

/** Why a piece can't be held so, or nothing where it can. */
export function cannot(
  s: Pick<KnotSituation, 'canOneLeg' | 'canLock' | 'loose' | 'threadLoop' | 'capped' | 'netHere' | 'blending' | 'on'>,
  wish: KnotWish,
): string | undefined {
  if (wish.kind === 'oneLeg' && !s.canOneLeg) return 'both sides of this piece have to be free, and its loop stays on';
  if (wish.lock && !s.canLock) return 'this piece has neither band nor ring to lock with';
  if (wish.lock && wish.kind === 'oneLeg') return 'a one-leg knot has no loop left to lock';
  if (wish.kind === 'fold' && !s.loose) return 'only loose hair is folded by hand';
  if (wish.kind === 'threadLoop' && !s.threadLoop) return 'this piece has no thread loop';
  if (wish.kind === 'onBand' && s.on !== 'band') return 'there is no band here';
  if (wish.kind === 'onRod' && s.on !== 'rod') return 'there is no threaded rod here';
  if (wish.kind === 'roundCoil' && s.on !== 'coil') return 'there is no coil here';
  const net = s.capped && s.netHere !== 'cutOut' && !s.blending && s.on !== 'band' && s.on !== 'rod';
  if (wish.kind === 'anchor' && !net) return 'there is no cap here to be held';
  if (wish.through !== undefined && wish.through !== 'hair' && !net) return 'there is no net here';
  return undefined;
}

export function decideKnot(s: KnotSituation, wish: KnotWish = {}): KnotDecision {
  const kindRule = first(KIND_RULES, s);
  const asked = wish.kind !== undefined || wish.lock || wish.through !== undefined || wish.wraps !== undefined;
  const refused = asked ? cannot(s, wish) : undefined;
  const hers = refused === undefined ? wish : {};
  const kind = hers.kind ?? kindRule.decide(s);
  const holdRule = HOLD_RULES.find((r) => (r.kinds?.includes(kind) ?? true) && r.when(s)) as Rule<Hold>;
  const hold = holdRule.decide(s);
  const throughRule = kind === 'anchor' ? ANCHOR_THROUGH : first(THROUGH_RULES, s);
  const through = hers.through ?? throughRule.decide(s);
  const entryRule = kind === 'oneLeg' ? ONE_LEG_ENTRY : first(ENTRY_RULES, s);
  const holeRule = through === 'hair' ? undefined : first(HOLE_RULES, s);
  const lock = kind === 'oneLeg' ? false : (hers.lock ?? hold.lock);
  const own = (id: string, because: string): RuleStep => ({ id, because });
  return {
    kind,
    wraps: hers.wraps ?? hold.wraps,
    lock,
    through,
    holes: holeRule ? holeRule.decide(s) : 0,
    entry: entryRule.decide(s),
    backcomb: hold.backcomb === true && lock,
    chain: [
      hers.kind === undefined ? step(kindRule) : own('yours.kind', 'You chose this knot here.'),
      hers.wraps === undefined && hers.lock === undefined
        ? step(holdRule)
        : own('yours.hold', 'You chose its wraps and lock.'),
      hers.through === undefined ? step(throughRule) : own('yours.through', 'You chose what it goes through.'),
      ...(holeRule ? [step(holeRule)] : []),
      step(entryRule),
    ],
    ...(refused === undefined ? {} : { refused }),
  };
}

function first<T>(table: ReadonlyArray<Rule<T>>, s: KnotSituation): Rule<T> {
  return table.find((r) => r.when(s)) as Rule<T>;
}

const STEPS = new WeakMap<object, RuleStep>();
/** The words of a rule, one record each: a plan of 300 knots holds 1 500 of them. */
function step(rule: RuleStep): RuleStep {
  let words = STEPS.get(rule);
  if (!words) {
    words = { id: rule.id, because: rule.because, ...(rule.school ? { school: rule.school } : {}) };
    STEPS.set(rule, words);
  }
  return words;
}

export const KIND_NAMES: Readonly<Record<KnotKind, string>> = {
  anchor: 'Anchor',
  wrap: 'Wrap',
  oneLeg: 'One-leg knot',
  fold: 'Folded by hand',
  threadLoop: 'Through its own thread',
  roundCoil: 'Round the coil',
  onBand: 'On the band',
  onRod: 'On the rod',
};

/** Name of a knot as the wearer says it. */
export function knotName(knot: { kind: KnotKind; wraps: number; lock: boolean }): string {
  const times = ['no wrap', 'single wrap', 'double wrap', 'triple wrap'][knot.wraps] ?? `${knot.wraps} wraps`;
  if (knot.kind === 'anchor' || knot.kind === 'threadLoop') return KIND_NAMES[knot.kind];
  if (knot.kind === 'oneLeg') return knot.wraps > 1 ? 'One-leg knot, twice' : 'One-leg knot';
  const name = knot.kind === 'wrap' ? upperFirst(times) : `${KIND_NAMES[knot.kind]}, ${times}`;
  return knot.lock ? `${name}, locked` : name;
}

/** Scalp to take up under a knot through own hair: a square of this side, mm, so that a gram hangs on enough hair. */
export function biteSideMm(through: Through, massG: number, mm2PerG: number): number {
  if (through === 'net') return 0;
  // Net or border bear half of it in the same bite.
  const share = through === 'hair' ? 1 : 0.5;
  return Math.sqrt(Math.max(LEAST_BITE_MM2, massG * mm2PerG * share));
}
/** Fewer hairs than these carry badly and hurt, mm² (common practice, no source: a generous bite). */
const LEAST_BITE_MM2 = 9;
