/** What is wanted, what is offered, and how she would like to buy. Money in units of the currency; mm, days. */
import type { BuyingAim, Fibre, Loop, Texture } from '../trade/index.ts';

/** What a piece is like, of hair that is wanted or offered. */
export interface HairKind {
  readonly name: string;
  readonly colour: string;
  readonly lengthMm: number;
  readonly texture: Texture;
  readonly fibre: Fibre;
  readonly loop: Loop;
  readonly piecesPerPack: number;
  readonly packMassG: number;
}

export interface Need {
  readonly id: string;
  readonly kind: HairKind;
  /** Raw pieces to be had, by how sure it has to last: one for each of SURENESSES. */
  readonly pieces: readonly number[];
}

export interface Seller {
  readonly id: string;
  readonly name: string;
  /** Days until it is there. */
  readonly days: number;
  readonly delivery: number;
  /** From this sum on delivery costs nothing. */
  readonly freeFrom?: number;
}

export interface Offer {
  readonly id: string;
  readonly seller: string;
  readonly kind: HairKind;
  readonly price: number;
  /** So many packs at once for less. */
  readonly multi?: { readonly packs: number; readonly price: number };
  readonly stock: number;
}

export interface BuyingWish {
  readonly aim: BuyingAim;
  /** Index into SURENESSES. */
  readonly sure: number;
  /** CIEDE2000. */
  readonly colourWithin: number;
  readonly longerCutDown: boolean;
  readonly budget?: number;
  /** In so many days it has to be there. */
  readonly withinDays?: number;
}

export interface BuyingAsked {
  readonly needs: readonly Need[];
  readonly offers: readonly Offer[];
  readonly sellers: readonly Seller[];
  readonly wish: BuyingWish;
}

/** What lies in the stash is had at once and for nothing. */
export const STASH: Seller = { id: 'stash', name: 'your stash', days: 0, delivery: 0 };
