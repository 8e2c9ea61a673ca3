/** What to buy, of the computed plan: what is wanted beside what is at hand, the purchase, or why not and what would help. */

import type { Bought, BuyingAsked, Purchase } from '../core/buying/index.ts';
import type { PlanResult } from '../core/findings/index.ts';
import { buyingOf } from '../model/buying.ts';
import type { PlanDocument } from '../model/plan.ts';
import { nullable, round } from './computed.ts';

export type BuyingFigures = ReturnType<typeof buyingFigures>;

/** @param bought undefined where nothing has to be bought */
export function buyingFigures(
  plan: PlanDocument,
  { supply }: PlanResult,
  { needs, wish }: BuyingAsked,
  currency: string,
  bought: Bought | undefined,
) {
  const { aim, sure, colourWithin, longerCutDown, budget, by } = buyingOf(plan);
  return {
    currency,
    wish: { aim, sure, colourWithin, longerCutDown, budget: nullable(budget, 2), by: by ?? null },
    atHand: supply.lines.map((l) => ({ of: l.name, packs: Math.min(l.atHand, l.packs) })),
    wanted: needs.map((n) => ({ id: n.id, name: n.kind.name, colour: n.kind.colour, pieces: n.pieces[wish.sure] })),
    can: bought?.can ?? true,
    purchase: bought?.can ? purchaseFigures(bought.purchase) : null,
    short: bought && !bought.can ? bought.short.map((s) => ({ ...s })) : [],
    ways:
      bought && !bought.can
        ? bought.ways.map(({ give, amount, purchase }) => ({
            give,
            amount: round(amount, 2),
            purchase: purchaseFigures(purchase),
          }))
        : [],
  };
}

function purchaseFigures({ lines, sellers, total, days, given }: Purchase) {
  return {
    total: round(total, 2),
    days,
    lines: lines.map((l) => ({
      offer: l.offer,
      seller: l.seller,
      packs: l.packs,
      bundles: l.bundles,
      price: round(l.price, 2),
      for: l.for.map(({ need, packs, pieces, fit }) => ({
        need,
        packs,
        pieces,
        split: round(fit.split, 2),
        colourOff: round(fit.colourOff, 1),
        longerMm: round(fit.longerMm, 0),
      })),
    })),
    sellers: sellers.map((s) => ({ ...s, goods: round(s.goods, 2), delivery: round(s.delivery, 2) })),
    given: given.map((g) => ({ ...g })),
  };
}
