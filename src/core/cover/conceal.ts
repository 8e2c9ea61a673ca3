/** What hides each knot, or that nothing does. */
import type { Footprint } from './footprint.ts';

export const HIDDEN_BY = ['hair', 'spring', 'ownLeg', 'backcomb', 'nothing'] as const;
export type HiddenBy = (typeof HIDDEN_BY)[number];

export const HIDDEN_BY_WORDS: Readonly<Record<HiddenBy, string>> = {
  hair: 'hair from the rows above falls over it',
  spring: 'its own hair springs over it',
  ownLeg: 'the free leg falls over it',
  backcomb: 'its root is back-combed over it',
  nothing: 'nothing lies over it',
};

/** A knot counts as hidden when less than this of it shows (guess). */
export const KNOT_SHOWS = 0.5;

export interface Concealment {
  readonly by: HiddenBy;
  /** Share of the knot that shows through hair of other pieces, and of its own where that springs. */
  readonly shows: number;
}

export interface KnotUnderHair {
  readonly vertex: number;
  readonly oneLeg: boolean;
  readonly backcomb: boolean;
  readonly springs: boolean;
}

/** @param shows through all pieces, at every vertex */
export function concealment(
  knot: KnotUnderHair,
  shows: ArrayLike<number>,
  own: Footprint,
  neighbours: (v: number) => readonly number[],
): Concealment {
  const round = [knot.vertex, ...neighbours(knot.vertex)];
  let through = 0;
  let withOwn = 0;
  for (const v of round) {
    const at = own.vertices.indexOf(v);
    withOwn += shows[v];
    through += at < 0 ? shows[v] : shows[v] / Math.max(own.through[at], 1e-6);
  }
  const others = Math.min(1, through / round.length);
  if (others < KNOT_SHOWS) return { by: 'hair', shows: others };
  const all = withOwn / round.length;
  if (knot.springs && all < KNOT_SHOWS) return { by: 'spring', shows: all };
  if (knot.oneLeg) return { by: 'ownLeg', shows: others };
  if (knot.backcomb) return { by: 'backcomb', shows: others };
  return { by: 'nothing', shows: knot.springs ? all : others };
}
