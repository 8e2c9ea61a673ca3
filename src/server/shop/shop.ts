/** The stand-in shop: says what it has, takes orders, and refuses what sold out between look and order. Kept in memory only. */

/** The stand-in shop: says what it has, takes orders, and refuses what sold out between look and order. Kept in memory only. */
import express, { type Request, type Response, Router } from 'express';
import { CURRENCY, SHELF, sellers, stockAt } from '../../demo/shop-shelves.ts';
import { type Catalogue, type OrderAnswer, type OrderAsked, readOrder, SHOP_FORMAT } from '../../model/shop.ts';

export interface Shop {
  catalogue(): Catalogue;
  order(asked: OrderAsked): OrderAnswer;
}

export function openShop(now: () => number): Shop {
  const sold = new Map<string, number>();
  let orders = 0;
  const left = (index: number) => Math.max(0, stockAt(index, now()) - (sold.get(SHELF[index].id) ?? 0));
  return {
    catalogue: () => ({
      format: SHOP_FORMAT,
      asOfMs: now(),
      currency: CURRENCY,
      sellers,
      offers: SHELF.map((offer, i) => ({ ...offer, stock: left(i) })),
    }),
    order: ({ seller, lines }) => {
      const from = sellers.find((s) => s.id === seller);
      const found = lines.map(({ offer, packs }) => {
        const index = SHELF.findIndex((o) => o.id === offer && o.seller === seller);
        return { offer, packs, index, left: index < 0 ? 0 : left(index) };
      });
      const soldOut = found
        .filter((l) => l.packs > l.left)
        .map(({ offer, packs, left: n }) => ({ offer, packs, left: n }));
      if (!from || soldOut.length > 0)
        return {
          taken: false,
          message: from ? 'Not all of it is there any more.' : 'There is no such seller.',
          soldOut,
        };
      const goods = found.reduce((sum, { index, packs }) => sum + priceOf(SHELF[index], packs), 0);
      for (const { offer, packs } of found) sold.set(offer, (sold.get(offer) ?? 0) + packs);
      orders += 1;
      const delivery = from.freeFrom !== undefined && goods >= from.freeFrom ? 0 : from.delivery;
      return {
        taken: true,
        id: `${seller}-${orders}`,
        total: Math.round(100 * (goods + delivery)) / 100,
        days: from.days,
      };
    },
  };
}

/** As many bundles as make it cheapest. */
function priceOf({ price, multi }: (typeof SHELF)[number], packs: number): number {
  if (!multi) return packs * price;
  const bundles = Math.floor(packs / multi.packs);
  return Math.min(packs * price, bundles * multi.price + (packs - bundles * multi.packs) * price);
}

export function shopRoutes(shop: Shop): Router {
  const router = Router();
  router.get('/catalogue', (_request, response) => {
    response.set('cache-control', 'no-store').json(shop.catalogue());
  });
  router.post('/orders', express.json({ limit: '64kb' }), (request: Request, response: Response) => {
    const asked = readOrder(request.body);
    if (!asked.ok) {
      response.status(400).json({ taken: false, message: asked.why, soldOut: [] });
      return;
    }
    const answer = shop.order(asked.value);
    response.status(answer.taken ? 201 : 409).json(answer);
  });
  return router;
}
