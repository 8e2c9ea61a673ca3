/** From a plan, a stash and a catalogue to what can be asked of the buying program. */

import {
  type BuyingAsked,
  type BuyingWish,
  type HairKind,
  type Need,
  type Offer,
  STASH,
} from '../core/buying/index.ts';
import { pieceG, piecesInPack } from '../core/hair/index.ts';
import type { Plan } from '../core/plan/index.ts';
import { daysFrom } from '../core/time/index.ts';
import { SURENESSES } from '../core/trade/index.ts';
import { readLength } from './fingers.ts';
import { given } from './given.ts';
import type { PlanDocument, ProductAsWritten } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import type { Catalogue } from './shop.ts';
import { productOfLine } from './stash.ts';
import { isHairOf, takeFromStash } from './stash-commands.ts';

export type BuyingAsWritten = NonNullable<PlanDocument['buying']>;

export const START_BUYING: BuyingAsWritten = { aim: 'cheapest', sure: 0.8, colourWithin: 2, longerCutDown: 'no' };

export const buyingOf = (plan: Pick<PlanDocument, 'buying'>): BuyingAsWritten => plan.buying ?? START_BUYING;

export const setBuying = (
  plan: PlanDocument,
  change: Partial<Record<keyof BuyingAsWritten, unknown>>,
  words: string,
): PlanChange => ({
  words,
  plan: { ...plan, buying: given<BuyingAsWritten>({ ...buyingOf(plan), ...change } as BuyingAsWritten) },
});

/** @param today as "2026-12-05": what has to be there by a day is asked for in days */
export function wishOf(
  { aim, sure, colourWithin, longerCutDown, budget, by }: BuyingAsWritten,
  today: string,
): BuyingWish {
  return {
    aim,
    sure: SURENESSES.indexOf(sure as (typeof SURENESSES)[number]),
    colourWithin,
    longerCutDown: longerCutDown === 'yes',
    ...(budget === undefined ? {} : { budget }),
    ...(by === undefined ? {} : { withinDays: Math.max(0, daysFrom(today, by)) }),
  };
}

type Sized = Pick<PlanDocument, 'unit' | 'fingers'>;

function lengthIn(length: string, { unit, fingers }: Sized): number {
  const read = readLength(length, unit, fingers);
  return read.ok ? read.value : 0;
}

const kindOf = (product: ProductAsWritten, colour: string, plan: Sized): HairKind => ({
  name: product.name,
  colour,
  lengthMm: lengthIn(product.length, plan),
  texture: product.texture,
  fibre: product.fibre,
  loop: product.loop,
  piecesPerPack: piecesInPack(product),
  packMassG: product.packMassG,
});

/** What the plan still wants of each product in each colour, once what is at hand is taken; of what can't be had any more nothing. */
export function needsOf(plan: PlanDocument, { supply }: Pick<Plan, 'supply'>): Need[] {
  return supply.lines.flatMap((line): Need[] => {
    const product = productOfLine(plan, line);
    if (!product || plan.colours.noMore.includes(line.colour)) return [];
    const atHand = line.atHand * piecesInPack(product);
    const pieces = line.piecesToBeSure.map((n) => Math.max(0, n - atHand));
    if (pieces.every((n) => n === 0)) return [];
    return [{ id: line.product, kind: kindOf(product, product.colours[0], plan), pieces }];
  });
}

/** Hair of the stash that nobody takes, as it can be offered: packs, and loose pieces as one lot. */
export interface SpareLot {
  readonly id: string;
  readonly product: ProductAsWritten;
  readonly free: number;
  readonly loose: number;
  /** Cut in half it stands in for no whole piece. */
  readonly cut?: 'upper' | 'lower';
}

const PACKS_OF = 'packs ';
const LOOSE_OF = 'loose ';
export const isLoose = (offer: string) => offer.startsWith(LOOSE_OF);

/**
 * Packs of the stash that a purchase counts on are set aside for the plan, where they are the very hair it wants. Loose pieces, and
 * what only stands in, stay where they are until they are hooked. @returns undefined where there is nothing to set aside
 */
export function setAside(
  plan: PlanDocument,
  lines: ReadonlyArray<{ readonly offer: string; readonly packs: number }>,
  lots: readonly SpareLot[],
): PlanChange | undefined {
  const very = lines.flatMap(({ offer, packs }) => {
    const lot = lots.find((l) => offer === `${PACKS_OF}${l.id}`);
    return lot && isHairOf(plan, lot.product) ? [{ product: lot.product, packs }] : [];
  });
  if (very.length === 0) return undefined;
  const taken = very.reduce((p, { product, packs }) => takeFromStash(p, product, packs).plan, plan);
  return { words: 'Set aside from the stash', plan: taken };
}

/** Hair that is ordered for this plan and has not come. */
export interface OnItsWay {
  readonly id: string;
  /** As "2026-12-05". */
  readonly arrives: string;
  readonly lines: ReadonlyArray<{ readonly product: ProductAsWritten; readonly packs: number }>;
}

const ORDER = 'order ';
export const isOnItsWay = (seller: string) => seller.startsWith(ORDER);

/** What is paid for already asks nothing more, and is there when it comes: each order a seller of its own. */
function onItsWay(orders: readonly OnItsWay[], plan: Sized, today: string): Pick<BuyingAsked, 'offers' | 'sellers'> {
  return {
    sellers: orders.map(({ id, arrives }) => ({
      id: `${ORDER}${id}`,
      name: 'what is on its way',
      days: Math.max(0, daysFrom(today, arrives)),
      delivery: 0,
    })),
    offers: orders.flatMap(({ id, lines }) =>
      lines.map(({ product, packs }, i) => ({
        id: `${ORDER}${id} ${i}`,
        seller: `${ORDER}${id}`,
        kind: kindOf(product, product.colours[0], plan),
        price: 0,
        stock: packs,
      })),
    ),
  };
}

/** Worn hair stands in for none that is new. */
function stashOffers(lots: readonly SpareLot[], plan: Sized): Offer[] {
  return lots
    .filter((l) => l.product.condition === 'new' && l.cut === undefined)
    .flatMap(({ id, product, free, loose }): Offer[] => {
      const kind = kindOf(product, product.colours[0], plan);
      return [
        ...(free > 0 ? [{ id: `${PACKS_OF}${id}`, seller: STASH.id, kind, price: 0, stock: free }] : []),
        ...(loose > 0
          ? [
              {
                id: `${LOOSE_OF}${id}`,
                seller: STASH.id,
                kind: { ...kind, piecesPerPack: loose, packMassG: loose * pieceG(product) },
                price: 0,
                stock: 1,
              },
            ]
          : []),
      ];
    });
}

export interface AtHandAndOnSale {
  readonly catalogue: Catalogue;
  readonly lots: readonly SpareLot[];
  readonly orders: readonly OnItsWay[];
  /** As "2026-12-05". */
  readonly today: string;
}

export function buyingAsked(
  plan: PlanDocument,
  result: Pick<Plan, 'supply'>,
  { catalogue, lots, orders, today }: AtHandAndOnSale,
): BuyingAsked {
  const shop = catalogue.offers.map((offered): Offer => {
    const { id, seller, price, multi, stock } = offered;
    const kind = kindOf({ ...productFrom(offered), id }, offered.colour, plan);
    return { id, seller, price, stock, kind, ...(multi ? { multi } : {}) };
  });
  const ordered = onItsWay(orders, plan, today);
  return {
    needs: needsOf(plan, result),
    offers: [...stashOffers(lots, plan), ...ordered.offers, ...shop],
    sellers: [STASH, ...ordered.sellers, ...(catalogue.sellers as BuyingAsked['sellers'])],
    wish: wishOf(buyingOf(plan), today),
  };
}

/** What an offered pack is as a product of hers, once it has come. */
export function productFrom({ hair, colour, price }: Catalogue['offers'][number]): Omit<ProductAsWritten, 'id'> {
  return {
    ...hair,
    drawnOut: '',
    colours: [colour],
    packPrice: price,
    composed: 1,
    test: { tug: 'untried', apart: 'untried', hooked: 'untried' },
    condition: 'new',
    timesWorn: 0,
    packsAtHand: 0,
  };
}
