/** From knots to whole packs, with a range, and what is left over. */

/** Whole rows and knots make a count uncertain by about this share (measured over spacings of 12 to 40 mm). */
export const COUNT_SPREAD = 0.1;

export interface Supply {
  readonly pieces: number;
  readonly reservePieces: number;
  readonly piecesPerPack: number;
  readonly packs: number;
  readonly packRange: readonly [low: number, high: number];
  /** After every knot: the reserve is in it. */
  readonly leftOver: number;
  readonly price: number;
  readonly priceRange: readonly [low: number, high: number];
}

export function planSupply(knots: number, reserveShare: number, piecesPerPack: number, packPrice: number): Supply {
  const reserve = (count: number) => Math.ceil(count * reserveShare - 1e-9);
  const packsFor = (count: number) => Math.ceil((count + reserve(count)) / piecesPerPack);
  const packs = packsFor(knots);
  const low = packsFor(Math.round(knots * (1 - COUNT_SPREAD)));
  const high = packsFor(Math.round(knots * (1 + COUNT_SPREAD)));
  return {
    pieces: knots,
    reservePieces: reserve(knots),
    piecesPerPack,
    packs,
    packRange: [low, high],
    leftOver: packs * piecesPerPack - knots,
    price: packs * packPrice,
    priceRange: [low * packPrice, high * packPrice],
  };
}
