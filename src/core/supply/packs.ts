/** From hooked pieces to whole packs of each product, with a range, and what is left over. */

import { type HookedPiece, type Product, piecesInPack } from '../hair/index.ts';

/** Whole rows and knots make a count uncertain by about this share (measured over spacings of 12 to 40 mm). */
export const COUNT_SPREAD = 0.1;

/** What of one product is hooked in one cut. */
export interface Demand {
  readonly piece: HookedPiece;
  readonly knots: number;
  /** Cut in half: each raw piece leaves a lower half. */
  readonly halves: boolean;
}

export interface SupplyLine {
  readonly product: string;
  readonly name: string;
  readonly pieces: number;
  readonly reservePieces: number;
  /** Hooked pieces that a pack gives, in the cut that takes most of it; see `HookedPiece.perPack`. */
  readonly piecesPerPack: number;
  readonly packs: number;
  readonly packRange: readonly [low: number, high: number];
  readonly atHand: number;
  readonly toBuy: number;
  /** In pieces of that cut, after every knot: the reserve is in it. */
  readonly leftOver: number;
  readonly price: number;
  readonly priceRange: readonly [low: number, high: number];
}

export interface Supply extends Omit<SupplyLine, 'product' | 'name' | 'atHand'> {
  readonly lines: readonly SupplyLine[];
}

/** Packs of one product; fractions of a pack that its cuts take are put together before they are rounded up. */
export function supplyOf(
  product: Product,
  demands: readonly Demand[],
  reserveShare: number,
  fromHalves = 0,
): SupplyLine {
  const reserve = (count: number) => Math.ceil(count * reserveShare - 1e-9);
  const packsFor = (factor: number) => {
    let packs = 0;
    for (const { piece, knots } of demands) {
      const count = Math.round(knots * factor);
      packs += (count + reserve(count)) / piece.perPack;
    }
    const raw = packs - fromHalves / piecesInPack(product);
    return Math.max(0, Math.ceil(raw - 1e-9));
  };
  const most = demands.reduce((a, b) => (b.knots > a.knots ? b : a));
  const packs = packsFor(1);
  const used = demands.reduce((sum, d) => sum + d.knots / d.piece.perPack, 0);
  const packRange = [packsFor(1 - COUNT_SPREAD), packsFor(1 + COUNT_SPREAD)] as const;
  const buy = (n: number) => Math.max(0, n - product.packsAtHand);
  const halfPacks = fromHalves / piecesInPack(product);
  return {
    product: product.id,
    name: product.name,
    pieces: demands.reduce((sum, d) => sum + d.knots, 0),
    reservePieces: demands.reduce((sum, d) => sum + reserve(d.knots), 0),
    piecesPerPack: most.piece.perPack,
    packs,
    packRange,
    atHand: product.packsAtHand,
    toBuy: buy(packs),
    leftOver: Math.max(0, Math.floor((packs + halfPacks - used) * most.piece.perPack + 1e-9)),
    price: buy(packs) * product.packPrice,
    priceRange: [buy(packRange[0]) * product.packPrice, buy(packRange[1]) * product.packPrice],
  };
}

/** All products of a plan: lower halves come from the upper ones first, whatever is missing is cut from packs. */
export function planSupply(products: readonly Product[], demands: readonly Demand[], reserveShare: number): Supply {
  const lines: SupplyLine[] = [];
  for (const product of products) {
    const own = demands.filter((d) => d.piece.product === product.id && d.knots > 0);
    if (own.length === 0) continue;
    lines.push(supplyOf(product, own, reserveShare, halvesFor(product, products, demands)));
  }
  const sum = (f: (l: SupplyLine) => number) => lines.reduce((total, l) => total + f(l), 0);
  const main = lines.reduce<SupplyLine | undefined>((a, b) => (a && a.pieces >= b.pieces ? a : b), undefined);
  return {
    pieces: sum((l) => l.pieces),
    reservePieces: sum((l) => l.reservePieces),
    piecesPerPack: main?.piecesPerPack ?? 1,
    packs: sum((l) => l.packs),
    packRange: [sum((l) => l.packRange[0]), sum((l) => l.packRange[1])],
    toBuy: sum((l) => l.toBuy),
    leftOver: sum((l) => l.leftOver),
    price: sum((l) => l.price),
    priceRange: [sum((l) => l.priceRange[0]), sum((l) => l.priceRange[1])],
    lines,
  };
}

/** Raw lower halves that lie about once the upper halves of the same hair are hooked. */
function halvesFor(product: Product, products: readonly Product[], demands: readonly Demand[]): number {
  if (product.lowerHalfOf === undefined) return 0;
  const parent = products.find((p) => p.id === product.lowerHalfOf);
  if (!parent) return 0;
  const perRaw = (piece: HookedPiece) => piece.perPack / piecesInPack(parent);
  return Math.floor(
    demands
      .filter((d) => d.halves && d.piece.product === parent.id)
      .reduce((sum, d) => sum + d.knots / perRaw(d.piece), 0),
  );
}
