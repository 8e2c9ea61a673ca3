/** From hooked pieces to whole packs of each product, with a range, and what is left over. */

import { OWN } from '../colours/index.ts';
import { type HookedPiece, type Product, piecesInPack } from '../hair/index.ts';
import { SURENESSES } from '../trade/index.ts';
import { ANY_HANDS, countFactor, countRange, type Enough, enoughNear, type Hands } from './enough.ts';
import type { ProductInColour } from './in-colours.ts';

/** What of one product is hooked in one cut. */
export interface Demand {
  readonly piece: HookedPiece;
  readonly knots: number;
  /** Cut in half: each raw piece leaves a lower half. */
  readonly halves: boolean;
}

export interface SupplyLine {
  readonly product: string;
  /** Of the colours that are mixed; the packs’ own where none are. */
  readonly colour: string;
  readonly name: string;
  readonly pieces: number;
  readonly reservePieces: number;
  /** Hooked pieces that a pack gives, in the cut that takes most of it; see `HookedPiece.perPack`. */
  readonly piecesPerPack: number;
  readonly packs: number;
  readonly packRange: readonly [low: number, high: number];
  readonly atHand: number;
  readonly toBuy: number;
  /** In pieces of that cut, after every knot and the reserve. */
  readonly leftOver: number;
  readonly price: number;
  /** Of all packs that are opened, those at hand too. */
  readonly hairPrice: number;
  readonly priceRange: readonly [low: number, high: number];
  /** How likely packs are to last, near to as many as planned. */
  readonly enough: readonly Enough[];
  /** Packs with which they last, the reserve kept, in half, four in five and nineteen in twenty installs. */
  readonly packsToBeSure: readonly number[];
  /** The same in raw pieces, before they are put into packs. */
  readonly piecesToBeSure: readonly number[];
}

export interface Supply
  extends Omit<SupplyLine, 'product' | 'colour' | 'name' | 'atHand' | 'enough' | 'packsToBeSure' | 'piecesToBeSure'> {
  readonly lines: readonly SupplyLine[];
}

/** Of a product beyond what its own knots take. */
interface Beside {
  /** Raw lower halves that lie about once the upper halves of the same hair are cut. */
  readonly fromHalves: number;
  /** Raw pieces that are cut for their lower halves alone. */
  readonly forHalves: number;
}
const NOTHING_BESIDE: Beside = { fromHalves: 0, forHalves: 0 };

const reserveOf = (count: number, share: number) => Math.ceil(count * share - 1e-9);

/** Packs that knots and reserve take, fractions and all. */
function packsTaken(demands: readonly Demand[], reserveShare: number, factor = 1): number {
  return demands.reduce((packs, { piece, knots }) => {
    const count = Math.round(knots * factor);
    return packs + (count + reserveOf(count, reserveShare)) / piece.perPack;
  }, 0);
}

/** Packs of one product; fractions of a pack that its cuts take are put together before they are rounded up. */
export function supplyOf(
  product: ProductInColour,
  demands: readonly Demand[],
  reserveShare: number,
  { fromHalves, forHalves }: Beside = NOTHING_BESIDE,
  hands: Hands = ANY_HANDS,
): SupplyLine {
  const perRaw = piecesInPack(product);
  const taken = (factor: number) => packsTaken(demands, reserveShare, factor);
  const held = (fromHalves - forHalves) / perRaw;
  const packsFor = (factor: number) => Math.max(0, Math.ceil(taken(factor) - held - 1e-9));
  const most = demands.reduce((a, b) => (b.knots > a.knots ? b : a));
  const packs = packsFor(1);
  const knots = demands.reduce((sum, d) => sum + d.knots, 0);
  const [low, high] = countRange(knots, hands);
  const packRange = [packsFor(low), packsFor(high)] as const;
  const hooked = demands.reduce((sum, d) => sum + d.knots / d.piece.perPack, 0);
  // Lower halves are no shop's: what is missing of them is cut from packs of their hair.
  const buy = (n: number) => (product.lowerHalfOf === undefined ? Math.max(0, n - product.packsAtHand) : 0);
  return {
    product: product.id,
    colour: product.colour ?? OWN,
    name: product.name,
    pieces: knots,
    reservePieces: demands.reduce((sum, d) => sum + reserveOf(d.knots, reserveShare), 0),
    piecesPerPack: most.piece.perPack,
    packs,
    packRange,
    atHand: product.packsAtHand,
    toBuy: buy(packs),
    leftOver: Math.max(0, Math.floor((packs + held - taken(1)) * most.piece.perPack + 1e-9)),
    price: buy(packs) * product.packPrice,
    hairPrice: packs * product.packPrice,
    priceRange: [buy(packRange[0]) * product.packPrice, buy(packRange[1]) * product.packPrice],
    enough: enoughNear(packs + held, { taken: hooked, kept: taken(1) - hooked, knots }, hands).map((e) => ({
      ...e,
      packs: e.packs - held,
    })),
    packsToBeSure: SURENESSES.map((share) => packsFor(countFactor(knots, share, hands))),
    piecesToBeSure: SURENESSES.map((share) =>
      Math.max(0, Math.ceil((taken(countFactor(knots, share, hands)) - held) * perRaw - 1e-9)),
    ),
  };
}

/** All products of a plan: lower halves come from the upper ones first, then from packs at hand, the rest is cut from packs of their hair. */
export function planSupply(
  products: readonly ProductInColour[],
  demands: readonly Demand[],
  reserveShare: number,
  hands: Hands = ANY_HANDS,
): Supply {
  const of = (product: Product) => demands.filter((d) => d.piece.product === product.id && d.knots > 0);
  const forHalves = new Map<string, number>();
  const lineOf = (product: ProductInColour): SupplyLine | undefined => {
    const own = of(product);
    const needed = forHalves.get(product.id) ?? 0;
    if (own.length === 0 && needed === 0) return undefined;
    if (own.length === 0) return onlyForHalves(product, needed);
    const beside = { fromHalves: halvesFor(product, products, demands, reserveShare), forHalves: needed };
    return supplyOf(product, own, reserveShare, beside, hands);
  };
  const lines = new Map<string, SupplyLine>();
  // Lower halves first: what is missing of them is asked of their hair.
  for (const product of [...products].sort(
    (a, b) => Number(a.lowerHalfOf === undefined) - Number(b.lowerHalfOf === undefined),
  )) {
    const line = lineOf(product);
    if (!line) continue;
    const parent = products.find((p) => p.id === product.lowerHalfOf);
    const missing = parent ? missingHalves(product, products, demands, reserveShare) : 0;
    if (parent && missing > 0) forHalves.set(parent.id, (forHalves.get(parent.id) ?? 0) + missing);
    lines.set(
      product.id,
      parent
        ? {
            ...line,
            packs: Math.min(line.packs, product.packsAtHand),
            leftOver: missing > 0 ? 0 : line.leftOver,
            packRange: held(line.packRange, product.packsAtHand),
          }
        : line,
    );
  }
  return summed(products.flatMap((p) => lines.get(p.id) ?? []));
}

/** Raw lower halves that neither the upper ones give nor packs at hand hold. */
function missingHalves(
  product: Product,
  products: readonly Product[],
  demands: readonly Demand[],
  reserveShare: number,
): number {
  const own = demands.filter((d) => d.piece.product === product.id);
  const wanted = (packsTaken(own, reserveShare) - product.packsAtHand) * piecesInPack(product);
  return Math.max(0, Math.ceil(wanted - halvesFor(product, products, demands, reserveShare) - 1e-9));
}

const held = ([low, high]: readonly [number, number], most: number) =>
  [Math.min(low, most), Math.min(high, most)] as const;

/** A product of which nothing is hooked but lower halves of it. */
function onlyForHalves(product: ProductInColour, pieces: number): SupplyLine {
  const perPack = piecesInPack(product);
  const packs = Math.ceil(pieces / perPack - 1e-9);
  const toBuy = Math.max(0, packs - product.packsAtHand);
  const price = toBuy * product.packPrice;
  return {
    product: product.id,
    colour: product.colour ?? OWN,
    name: product.name,
    pieces: 0,
    reservePieces: 0,
    piecesPerPack: perPack,
    packs,
    packRange: [packs, packs],
    atHand: product.packsAtHand,
    toBuy,
    leftOver: Math.max(0, Math.floor(packs * perPack - pieces + 1e-9)),
    price,
    hairPrice: packs * product.packPrice,
    priceRange: [price, price],
    enough: [],
    packsToBeSure: SURENESSES.map(() => packs),
    piecesToBeSure: SURENESSES.map(() => pieces),
  };
}

function summed(lines: readonly SupplyLine[]): Supply {
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
    hairPrice: sum((l) => l.hairPrice),
    priceRange: [sum((l) => l.priceRange[0]), sum((l) => l.priceRange[1])],
    lines,
  };
}

/** Raw lower halves that lie about once the upper halves of the same hair are cut: hooked and kept in reserve. */
function halvesFor(
  product: Product,
  products: readonly Product[],
  demands: readonly Demand[],
  reserveShare: number,
): number {
  if (product.lowerHalfOf === undefined) return 0;
  const parent = products.find((p) => p.id === product.lowerHalfOf);
  if (!parent) return 0;
  const perRaw = (piece: HookedPiece) => piece.perPack / piecesInPack(parent);
  return Math.floor(
    demands
      .filter((d) => d.halves && d.piece.product === parent.id)
      .reduce((sum, d) => sum + (d.knots + reserveOf(d.knots, reserveShare)) / perRaw(d.piece), 0) + 1e-9,
  );
}

/**
 * Hooked pieces of a cut that can be had without another pack: what is left over once all that is hooked, with the reserve of
 * it and of these; of hair that is hooked nowhere else, what is at hand.
 */
export function leftFor(
  cut: string,
  products: readonly Product[],
  demands: readonly Demand[],
  pieces: ReadonlyMap<string, HookedPiece>,
  reserveShare: number,
): number {
  const piece = pieces.get(cut);
  const product = products.find((p) => p.id === piece?.product);
  if (!piece || !product) return 0;
  const packs = (more: number) => {
    const own = demands.find((d) => d.piece.cut === cut && d.piece.product === piece.product);
    const others = demands.filter((d) => d !== own);
    const knots = (own?.knots ?? 0) + more;
    const all = knots > 0 ? [...others, { piece, knots, halves: own?.halves ?? false }] : others;
    return planSupply(products, all, reserveShare).lines.find((l) => l.product === product.id)?.packs ?? 0;
  };
  const held = Math.max(packs(0), product.packsAtHand);
  let least = 0;
  let most = Math.ceil((held + 1) * piece.perPack);
  while (most - least > 1) {
    const middle = (least + most) >> 1;
    if (packs(middle) <= held) least = middle;
    else most = middle;
  }
  return least;
}
