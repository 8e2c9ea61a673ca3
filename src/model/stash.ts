/** Hair of a plan and of a stash: which is the same, and what a plan counts on. */
import { nameOfColour } from '../core/colours/index.ts';
import { piecesInPack } from '../core/hair/index.ts';
import type { Plan } from '../core/plan/index.ts';
import { lotKey } from './lot-key.ts';
import type { PlanDocument, ProductAsWritten } from './plan.ts';

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

export interface UsedOf {
  readonly product: ProductAsWritten;
  readonly atHand: number;
  readonly bought: number;
  readonly piecesPerPack: number;
  readonly piecesUsed: number;
}

/** The product that a line of the supply is of, in its colour; undefined for lower halves, which no pack holds. */
export function productOfLine(plan: PlanDocument, line: Plan['supply']['lines'][number]): ProductAsWritten | undefined {
  const product = plan.products.find((p) => line.product === p.id || line.product === `${p.id} ${line.colour}`);
  if (!product || product.lowerHalfOf !== undefined) return undefined;
  if (plan.colours.more.length === 0) return product;
  return { ...product, colours: [nameOfColour(plan.colours, product.colours[0], line.colour)] };
}

/** What an install took of each product: pieces as counted, spread as planned; packs besides those at hand were bought. */
export function usedOf(
  plan: PlanDocument,
  { supply }: Pick<Plan, 'supply'>,
  used: { readonly pieces: number; readonly packs: number },
): UsedOf[] {
  const share = supply.pieces > 0 ? used.pieces / supply.pieces : 0;
  return supply.lines.flatMap((line): UsedOf[] => {
    const product = productOfLine(plan, line);
    if (!product) return [];
    const piecesPerPack = piecesInPack(product);
    const piecesUsed = Math.round((share * line.pieces * piecesPerPack) / line.piecesPerPack);
    const opened = Math.max(Math.ceil(piecesUsed / piecesPerPack), supply.lines.length === 1 ? used.packs : 0);
    const bought = Math.max(line.toBuy, opened - line.atHand);
    return [{ product, atHand: line.atHand, bought, piecesPerPack, piecesUsed }];
  });
}
