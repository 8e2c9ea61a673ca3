/** What hides each knot, or that nothing does. */
import type { Footprint, Worn } from '../fall/index.ts';
import type { SurfaceMesh } from '../geometry/index.ts';
import type { KnotKind } from '../trade/index.ts';

/** Hair of other pieces, her own hair laid over it, its own where it springs, the free leg, a back-combed root, or nothing. */
export type HiddenBy = 'hair' | 'ownHair' | 'swept' | 'spring' | 'ownLeg' | 'backcomb' | 'nothing';

/** A knot counts as hidden when less than this of it shows (guess). */
const KNOT_SHOWS = 0.5;

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
  /** Its own hair is laid back over it and across the line, and is long enough to stay there. */
  readonly swept?: boolean;
  /** Share that shows through her own hair alone, at every vertex; none where no own hair is in sight. */
  readonly ownHair?: ArrayLike<number> | undefined;
}

/** @param shows through all pieces, at every vertex */
export function concealment(
  knot: KnotUnderHair,
  shows: ArrayLike<number>,
  own: Footprint,
  neighbours: (v: number) => Iterable<number>,
): Concealment {
  const round = [knot.vertex, ...neighbours(knot.vertex)];
  let through = 0;
  let withOwn = 0;
  let throughOwnHair = 0;
  for (const v of round) {
    throughOwnHair += knot.ownHair ? knot.ownHair[v] : 1;
    const at = own.vertices.indexOf(v);
    withOwn += shows[v];
    through += at < 0 ? shows[v] : shows[v] / Math.max(own.through[at], 1e-6);
  }
  if (throughOwnHair / round.length < KNOT_SHOWS) return { by: 'ownHair', shows: throughOwnHair / round.length };
  const others = Math.min(1, through / round.length);
  if (others < KNOT_SHOWS) return { by: 'hair', shows: others };
  const all = withOwn / round.length;
  if (knot.springs && all < KNOT_SHOWS) return { by: 'spring', shows: all };
  if (knot.swept) return { by: 'swept', shows: others };
  if (knot.oneLeg) return { by: 'ownLeg', shows: others };
  if (knot.backcomb) return { by: 'backcomb', shows: others };
  return { by: 'nothing', shows: knot.springs ? all : others };
}

/** Hair swept over a line stays there when it is so many gaps long (guess). */
const STAYS_OVER = 3;

/** What hides each knot that is in. @param gapMm between rows on top */
export function concealments(
  knots: ReadonlyArray<{ readonly kind: KnotKind; readonly backcomb: boolean }>,
  worn: Worn,
  prints: readonly Footprint[],
  mesh: SurfaceMesh,
  shows: { readonly all: ArrayLike<number>; readonly ownHair: ArrayLike<number> | undefined },
  gapMm: number,
): Concealment[] {
  const neighbours = (v: number) => mesh.neighbours.subarray(mesh.neighbourStart[v], mesh.neighbourStart[v + 1]);
  return knots.map((k, i) => {
    const { springs, lengthMm } = worn.ribbons[i];
    const under = {
      vertex: worn.roots[i].vertex,
      // The free side of a stiff one stands off its own loop.
      oneLeg: k.kind === 'oneLeg' && !worn.pieces[i].stiff,
      backcomb: k.backcomb,
      springs,
      swept: worn.lies[i] === 'across' && lengthMm >= STAYS_OVER * gapMm,
      ownHair: shows.ownHair,
    };
    return concealment(under, shows.all, prints[i], neighbours);
  });
}
