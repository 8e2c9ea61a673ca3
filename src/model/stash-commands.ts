/** What a plan takes of a stash. */
import { addProduct } from './cap-and-hair.ts';
import { lotKey } from './lot-key.ts';
import type { PlanDocument, ProductAsWritten } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

/** Whether a lot is hair that the plan has, or a colour that it mixes in. */
export function isHairOf(plan: PlanDocument, lot: ProductAsWritten): boolean {
  const key = lotKey(lot);
  return hairWith(plan, key) !== undefined || mixedWith(plan, key) !== undefined;
}

const hairWith = (plan: PlanDocument, key: string) =>
  plan.products.find((p) => p.lowerHalfOf === undefined && lotKey(p) === key);
const mixedWith = (plan: PlanDocument, key: string) =>
  plan.colours.more.find((c) => lotKey({ ...plan.products[0], colours: [c.name] }) === key);

/** Packs of a lot are set aside for a plan: for hair that it has, for a colour that is mixed in, or as another product. */
export function takeFromStash(plan: PlanDocument, lot: ProductAsWritten, packs: number): PlanChange {
  const key = lotKey(lot);
  const words = `${packs} ${packs === 1 ? 'pack' : 'packs'} of ${lot.name} set aside`;
  const same = hairWith(plan, key);
  if (same) {
    const products = plan.products.map((p) => (p === same ? { ...p, packsAtHand: p.packsAtHand + packs } : p));
    return { words, plan: { ...plan, products } };
  }
  const mixed = mixedWith(plan, key);
  if (mixed) {
    const more = plan.colours.more.map((c) => (c === mixed ? { ...c, packsAtHand: c.packsAtHand + packs } : c));
    return { words, plan: { ...plan, colours: { ...plan.colours, more } } };
  }
  const { id: _, lowerHalfOf: __, ...made } = lot;
  return { ...addProduct(plan, { ...made, packsAtHand: packs }), words };
}
