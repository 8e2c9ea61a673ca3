/** meshwork buy PLAN --stash FILE --catalogue FILE: what to buy where, as one JSON object. */

import { buy } from '../core/buying/index.ts';
import type { PlanResult } from '../core/findings/index.ts';
import { type BuyingFigures, buyingFigures } from '../formats/computed-buying.ts';
import { readProductsCsv } from '../formats/products-csv.ts';
import { buyingAsked, type SpareLot } from '../model/buying.ts';
import type { Parsed } from '../model/lengths.ts';
import { lotKey } from '../model/lot-key.ts';
import type { PlanDocument } from '../model/plan.ts';
import { type Catalogue, readCatalogue } from '../model/shop.ts';
import { claimsOf } from '../model/stash.ts';

export const BUYING_FORMAT = 'meshwork-buying';
export const BUYING_VERSION = 1;

export interface BuyingFiles {
  /** Table of hair (CSV); nothing is at hand besides what the plan says where it is left out. */
  readonly stash: string | undefined;
  readonly catalogue: string;
  /** As "2026-12-05". */
  readonly today: string;
}

/** Packs that the plan counts on already are not offered to it once more. */
export function spareLots(plan: PlanDocument, table: string | undefined): Parsed<SpareLot[]> {
  if (table === undefined) return { ok: true, value: [] };
  const read = readProductsCsv(table);
  if (!read.ok) return { ok: false, why: `The stash: ${read.why}` };
  const claims = claimsOf(plan);
  const lots = read.value.map(({ product, loose }, i) => {
    const taken = claims.find((c) => c.key === lotKey(product))?.packs ?? 0;
    return { id: String(i + 1), product, loose, free: Math.max(0, product.packsAtHand - taken) };
  });
  return { ok: true, value: lots };
}

export function catalogueOf(text: string): Parsed<Catalogue> {
  try {
    const read = readCatalogue(JSON.parse(text));
    return read.ok ? read : { ok: false, why: `The catalogue: ${read.why}` };
  } catch {
    return { ok: false, why: 'The catalogue is no JSON.' };
  }
}

/** Asked and answered, or the sentence that says which file is wrong. */
export async function boughtFor(
  plan: PlanDocument,
  result: PlanResult,
  files: BuyingFiles,
): Promise<Parsed<BuyingFigures>> {
  const lots = spareLots(plan, files.stash);
  if (!lots.ok) return lots;
  const catalogue = catalogueOf(files.catalogue);
  if (!catalogue.ok) return catalogue;
  const asked = buyingAsked(plan, result, {
    catalogue: catalogue.value,
    lots: lots.value,
    orders: [],
    today: files.today,
  });
  const bought = asked.needs.length === 0 ? undefined : buy(asked, await solver());
  return { ok: true, value: buyingFigures(plan, result, asked, catalogue.value.currency, bought) };
}

/** Fetched only where something has to be bought. */
async function solver() {
  const { highsSolver } = await import('../core/buying/highs.ts');
  return highsSolver();
}
