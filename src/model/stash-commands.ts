/** What a plan takes of a stash. */
import { addProduct } from './cap-and-hair.ts';
import type { PlanDocument, ProductAsWritten } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import { lotKey } from './stash.ts';

/** Packs of a lot are set aside for a plan: for hair that it has, for a colour that is mixed in, or as another product. */
export function takeFromStash(plan: PlanDocument, lot: ProductAsWritten, packs: number): PlanChange {
  const key = lotKey(lot);
  const words = `${packs} ${packs === 1 ? 'pack' : 'packs'} of ${lot.name} set aside`;
  const same = plan.products.find((p) => p.lowerHalfOf === undefined && lotKey(p) === key);
  if (same) {
    const products = plan.products.map((p) => (p === same ? { ...p, packsAtHand: p.packsAtHand + packs } : p));
    return { words, plan: { ...plan, products } };
  }
  const mixed = plan.colours.more.find((c) => lotKey({ ...plan.products[0], colours: [c.name] }) === key);
  if (mixed) {
    const more = plan.colours.more.map((c) => (c === mixed ? { ...c, packsAtHand: c.packsAtHand + packs } : c));
    return { words, plan: { ...plan, colours: { ...plan.colours, more } } };
  }
  const { id: _, lowerHalfOf: __, ...made } = lot;
  return { ...addProduct(plan, { ...made, packsAtHand: packs }), words };
}
