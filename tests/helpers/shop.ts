/** A catalogue with enough of everything, for tests that must not hang on what day it is. */
import type { Catalogue } from '../../src/model/shop.ts';
import { openShop } from '../../src/server/shop/shop.ts';

export function fullShop(stock = 12): Catalogue {
  const catalogue = openShop(() => Date.UTC(2026, 11, 1)).catalogue();
  return { ...catalogue, offers: catalogue.offers.map((o) => ({ ...o, stock })) };
}
