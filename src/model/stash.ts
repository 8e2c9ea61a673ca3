/** Hair of a plan and of a stash: which is the same, and what a plan counts on. */
import type { PlanDocument, ProductAsWritten } from './plan.ts';

/** The same name, colours, length as written, and condition: such pieces are told from each other by nobody. */
export const lotKey = ({ name, colours, length, condition }: ProductAsWritten): string =>
  [name, colours.join('>'), length, condition].join(' · ');

export interface PlanClaim {
  readonly key: string;
  readonly product: ProductAsWritten;
  readonly packs: number;
}

/** Packs at hand that a plan says it takes, its mixed colours too. */
export function claimsOf(plan: Pick<PlanDocument, 'products' | 'colours'>): PlanClaim[] {
  const [main] = plan.products;
  const mixed = plan.colours.more.map((c) => ({ ...main, colours: [c.name], packsAtHand: c.packsAtHand }));
  return [...plan.products.filter((p) => p.lowerHalfOf === undefined), ...mixed]
    .filter((p) => p.packsAtHand > 0)
    .map((product) => ({ key: lotKey(product), product, packs: product.packsAtHand }));
}
