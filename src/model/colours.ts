/** The colours of a plan: what each is called, and who gets which in the midst of an install. */
import { nameOfColour } from '../core/colours/index.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

/** Name of a colour as it stands on the pack; the packs’ own is the first that their product names. */
export function colourName(plan: Pick<PlanDocument, 'colours' | 'products'>, id: string): string {
  return nameOfColour(plan.colours, plan.products[0].colours[0], id);
}

export const withColours = (
  plan: PlanDocument,
  change: Partial<PlanDocument['colours']>,
  words: string,
): PlanChange => ({
  words,
  plan: { ...plan, colours: { ...plan.colours, ...change } },
});

/** A piece that is in. */
export interface HookedColour {
  readonly knotId: string;
  readonly colour: string;
}

/** In the midst of an install: what is in keeps its colour, the rest is dealt from the pieces that she counted. */
export function dealRest(
  plan: PlanDocument,
  hooked: readonly HookedColour[],
  left: Readonly<Record<string, number>>,
): PlanChange {
  const change = { hooked: Object.fromEntries(hooked.map((h) => [h.knotId, h.colour])), left };
  return withColours(plan, change, 'Colours dealt anew from what is left');
}

/** All of it is dealt by its shares again. */
export const dealAll = (plan: PlanDocument): PlanChange =>
  withColours(plan, { hooked: {}, left: {} }, 'Colours dealt from the first piece on');
