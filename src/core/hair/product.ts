/**
 * Hair as it comes: pack → bundle → piece → strand → hanging ends. What one opened pack shows overrides its label.
 * Kept as hers, with its condition and the times it was worn.
 */

import {
  type APARTS,
  type Condition,
  type Fibre,
  type HOOKEDS,
  LOOP_INFO,
  type Loop,
  type Texture,
  type TUGS,
} from '../trade/index.ts';

export interface OpeningTest {
  /** Counted in one opened pack; undefined while it is unopened. */
  readonly counted?: number;
  readonly tug: (typeof TUGS)[number];
  readonly apart: (typeof APARTS)[number];
  readonly hooked: (typeof HOOKEDS)[number];
}
export const UNTRIED: OpeningTest = { tug: 'untried', apart: 'untried', hooked: 'untried' };

export interface Product {
  readonly id: string;
  readonly name: string;
  /** As the label says. */
  readonly piecesPerPack: number;
  readonly bundlesPerPack: number;
  readonly strandsPerPiece: number;
  readonly packMassG: number;
  /** From fold to tip, as it hangs, and drawn out, mm. */
  readonly lengthMm: number;
  readonly drawnOutMm: number;
  readonly fibre: Fibre;
  /** Bears so many degrees; 0 no heat at all. */
  readonly heatC: number;
  readonly texture: Texture;
  /** From root to tip; several where it is shaded along its length. */
  readonly colours: readonly string[];
  readonly loop: Loop;
  /** A ring or band can be taken off in her hands. */
  readonly loopComesOff: boolean;
  readonly packPrice: number;
  /** So many pieces are twisted together into one. */
  readonly composed: number;
  readonly test: OpeningTest;
  readonly condition: Condition;
  readonly timesWorn: number;
  readonly packsAtHand: number;
  /** Lower halves of another product, cut by her: there are as many as upper halves are hooked. */
  readonly lowerHalfOf?: string;
}

/** Pieces in a pack: one counted pack overrides the label. */
export function piecesInPack(product: Pick<Product, 'piecesPerPack' | 'test'>): number {
  return product.test.counted ?? product.piecesPerPack;
}

/** Of one raw piece, g. */
export const pieceG = (product: Pick<Product, 'packMassG' | 'piecesPerPack' | 'test'>): number =>
  product.packMassG / piecesInPack(product);

/** Whether one side of a piece can go through alone. Strands that cling together never do. */
export function canOneLeg(product: Pick<Product, 'loop' | 'loopComesOff' | 'test'>): boolean {
  if (product.test.apart === 'clings') return false;
  const { oneLeg } = LOOP_INFO[product.loop];
  return oneLeg === 'asItIs' || (oneLeg === 'onceOff' && product.loopComesOff);
}

/** A ring or band that has to come off before one side can go through alone. */
export function loopHasToComeOff(product: Pick<Product, 'loop' | 'loopComesOff'>): boolean {
  return LOOP_INFO[product.loop].oneLeg === 'onceOff' && product.loopComesOff;
}

/**
 * What is left when pieces are cut in half below their loop: no loop, its own fold, so half as long again, and
 * the colours of the lower half.
 */
export function lowerHalf(product: Product, id: string): Product {
  const lower = product.colours.slice(Math.floor(product.colours.length / 2));
  return {
    ...product,
    id,
    name: `${product.name}, lower halves`,
    piecesPerPack: piecesInPack(product),
    // Both legs of the fold, laid together.
    strandsPerPiece: 2 * product.strandsPerPiece,
    packMassG: product.packMassG / 2,
    lengthMm: product.lengthMm / 4,
    drawnOutMm: product.drawnOutMm / 4,
    colours: lower.length > 0 ? lower : product.colours,
    loop: 'none',
    loopComesOff: false,
    packPrice: 0,
    packsAtHand: 0,
    test: { ...UNTRIED, apart: product.test.apart },
    lowerHalfOf: product.id,
  };
}
