/** Colours dealt to decided knots, in the order of work, and pieces numbered anew pack by pack of each. */
import {
  type ColourChoice,
  type ColourShares,
  colourIds,
  dealColours,
  evenness,
  type Mix,
  OWN,
  sharesInOrder,
} from '../../colours/index.ts';
import type { HookedPiece, Preparation, Product } from '../../hair/index.ts';
import type { Strand } from '../../install/index.ts';
import { type Decided, nextPiece, type PacksUsed, type PlaceSchools, type PlannedKnot } from '../../knots/index.ts';
import { demandsOf, inColour, leftFor, productsInColours } from '../../supply/index.ts';

export interface DealContext {
  readonly colours: ColourChoice;
  readonly places: readonly Pick<PlaceSchools, 'id' | 'colours'>[];
  readonly pieces: ReadonlyMap<string, HookedPiece>;
  readonly products: readonly Product[];
}

export interface Dealt extends Decided {
  /** Undefined where all is of one colour. */
  readonly mix: Mix | undefined;
}

export function inColours(decided: Decided, context: DealContext): Dealt {
  const { colours } = context;
  const ids = colourIds(colours);
  const { knots } = decided;
  const asked = sharesOf(knots, context);
  const main = context.pieces.get(mostHooked(knots) ?? '');
  const { colour, shares, missing, near } = dealColours({
    places: knots,
    colours: ids.length,
    shares: asked,
    most: mostOf(main, ids, knots, context),
    already: Int8Array.from(knots, (k) => ids.indexOf(colours.hooked[k.id] ?? '')),
  });
  const count = (c: number) => colour.reduce((sum, at) => sum + Number(at === c), 0);
  const sum = (c: number) => asked.reduce((all, s, i) => (i % ids.length === c ? all + s : all), 0);
  return {
    ...decided,
    knots: numbered(knots, (i) => ids[colour[i]], context.pieces),
    mix: {
      colours: ids.map((id, c) => ({ id, pieces: count(c), asked: sum(c) })),
      evenness: evenness(near, colour, shares),
      missing,
      mainProduct: main?.product,
    },
  };
}

/** Row by row, the shares at every knot: those of the closest place that has its own, else those of the plan. */
function sharesOf(knots: readonly PlannedKnot[], { colours, places }: DealContext): Float64Array {
  const own = new Map<string, ColourShares>();
  for (const { id, colours: shares } of places) if (shares) own.set(id, shares);
  const known = new Map<ColourShares, number[]>();
  const n = colours.more.length + 1;
  const all = new Float64Array(n * knots.length);
  knots.forEach((k, i) => {
    const here = own.get(k.places.findLast((id) => own.has(id)) ?? '') ?? colours.shares;
    const inOrder = known.get(here) ?? sharesInOrder(colours, here);
    known.set(here, inOrder);
    all.set(inOrder, n * i);
  });
  return all;
}

/**
 * Pieces that there are of each colour for what is still to be dealt, in the cut that most are hooked with: those that she
 * counted; else packs less what is in, where no more can be had; Infinity where more can.
 */
function mostOf(
  piece: HookedPiece | undefined,
  ids: readonly string[],
  knots: readonly PlannedKnot[],
  { colours, products }: DealContext,
): number[] {
  const product = products.find((p) => p.id === piece?.product);
  const packs = (id: string) =>
    id === OWN ? (product?.packsAtHand ?? 0) : (colours.more.find((c) => c.id === id)?.packsAtHand ?? 0);
  const isIn = (id: string) => knots.reduce((sum, k) => sum + Number(colours.hooked[k.id] === id), 0);
  return ids.map((id) => {
    if (colours.left[id] !== undefined) return colours.left[id];
    if (!piece || !colours.noMore.includes(id)) return Infinity;
    return Math.max(0, Math.floor(packs(id) * piece.perPack + 1e-9) - isIn(id));
  });
}

function mostHooked(knots: readonly PlannedKnot[]): string | undefined {
  const counts = new Map<string, number>();
  for (const { cut } of knots) counts.set(cut, (counts.get(cut) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

function numbered(
  knots: readonly PlannedKnot[],
  colourOf: (i: number) => string,
  pieces: ReadonlyMap<string, HookedPiece>,
): PlannedKnot[] {
  const used: PacksUsed = new Map();
  return knots.map((k, i) => {
    const colour = colourOf(i);
    const perPack = pieces.get(k.cut)?.perPack ?? 1;
    return { ...k, colour, piece: nextPiece(used, k.piece.product, perPack, `${k.piece.product} ${colour}`) };
  });
}

/** What is left over is known colour by colour; dealing is within a piece of its shares, before it and with it. */
const DEALT_OFF = 2;

/** Pieces of a cut that can be filled in without another pack of any colour. */
export function leftInColours(
  decided: Decided,
  context: DealContext & {
    readonly cut: string;
    readonly cuts: readonly Preparation[];
    readonly strands: readonly Strand[];
    readonly reserveShare: number;
  },
): number {
  const { colours, cut, cuts, strands, pieces, reserveShare } = context;
  const piece = pieces.get(cut);
  if (!piece) return 0;
  const { knots, mix } = inColours(decided, context);
  const beside = strands.flatMap((s) => new Array<{ cut: string }>(s.count).fill({ cut: s.cut }));
  const demands = demandsOf(cuts, [...knots, ...beside], pieces);
  const packs = productsInColours(context.products, colours, mix?.mainProduct);
  const shares = sharesInOrder(colours, colours.shares);
  const most = colourIds(colours).map((id, c) => {
    if (shares[c] <= 0) return Infinity;
    const own = new Map([[cut, { ...piece, product: inColour(piece.product, id) }]]);
    return Math.max(0, leftFor(cut, packs, demands, own, reserveShare) - DEALT_OFF) / shares[c];
  });
  return Math.floor(Math.min(...most));
}
