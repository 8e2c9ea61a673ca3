/** Kinds of knots, what they go through, which way the hook is pushed: their names. */
import type { StrandThickness } from './own-hair.ts';
import { lowerFirst, upperFirst } from './words.ts';

export const KNOT_KINDS = [
  'anchor',
  'wrap',
  'oneLeg',
  'fold',
  'threadLoop',
  'roundCoil',
  'onBand',
  'onRod',
  'intoTie',
  'onTail',
] as const;

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
  | 'roundCoil'
  | 'intoCoil'
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
  roundCoil: 'towards the tie, through the hair that is drawn to it',
  intoCoil: 'into the coil, a few hairs to each side',
  underBand: 'under the band, between it and the scalp',
  throughWrap: 'between two turns of the thread',
};

/** Where all of these rules come from; a rule of another origin would name its own. */
export const RULES_SOURCE = 'Common practice, no source';

export const KIND_NAMES: Readonly<Record<KnotKind, string>> = {
  anchor: 'Anchor',
  wrap: 'Wrap',
  oneLeg: 'One-leg knot',
  fold: 'Folded by hand',
  threadLoop: 'Through its own thread',
  roundCoil: 'Round the coil',
  onBand: 'On the band',
  onRod: 'On the rod',
  intoTie: 'Into the tied root',
  onTail: 'On the plait or twist',
};

/** Name of a knot as the wearer says it. */
export function knotName(knot: { kind: KnotKind; wraps: number; lock: boolean }): string {
  const times = ['no wrap', 'single wrap', 'double wrap', 'triple wrap'][knot.wraps] ?? `${knot.wraps} wraps`;
  if (knot.kind === 'anchor' || knot.kind === 'threadLoop') return KIND_NAMES[knot.kind];
  if (knot.kind === 'oneLeg') return knot.wraps > 1 ? 'One-leg knot, twice' : 'One-leg knot';
  const name = knot.kind === 'wrap' ? upperFirst(times) : `${KIND_NAMES[knot.kind]}, ${times}`;
  return knot.lock ? `${name}, locked` : name;
}

/** "4 double wraps", "19 one-leg knots", "1 anchor", "3 with 4 wraps". */
export function knotsCounted(count: number, knot: { kind: KnotKind; wraps: number; lock: boolean }): string {
  const name = lowerFirst(knotName(knot));
  if (/^\d/.test(name)) return `${count} with ${name}`;
  return `${count} ${count === 1 ? name : name.replace(/^(anchor|(?:no|single|double|triple) wrap|one-leg knot)/, '$1s')}`;
}

/**
 * Hairs that people take under one hook, by how thick a strand is: few and likely, low and high (guesses; a bite of 4 by 4 mm of
 * medium hair holds 28). Straight into own hair, with no net, they take a generous one (common practice, no source).
 */
export const BITE_HAIRS: Readonly<Record<StrandThickness, readonly [low: number, likely: number, high: number]>> = {
  fine: [24, 36, 60],
  medium: [18, 28, 45],
  coarse: [12, 18, 30],
};
export const GENEROUS = 1.75;
