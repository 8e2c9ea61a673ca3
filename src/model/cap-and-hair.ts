/** What she can do to her cap, her products and how pieces of them are cut, each a named function from plan to plan. */

import { cutInWords, lowerHalf, type Preparation, type ZonePiece } from '../core/hair/index.ts';
import {
  DOME_INFO,
  FILLED_INFO,
  isWorn,
  lowerFirst,
  OPENING_INFO,
  onForm,
  PIECE_ZONE_NAMES,
  PIECE_ZONES,
  type PieceZone,
  type Split,
} from '../core/trade/index.ts';
import { START_CUT, START_PRODUCT } from './defaults.ts';
import { formatLength } from './lengths.ts';
import type { CapAsWritten, PlanDocument, ProductAsWritten } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import { fingerMm, lengthReader, productInputs } from './to-inputs.ts';

export function setCap(plan: PlanDocument, change: Partial<CapAsWritten>, words?: string): PlanChange {
  const cap = { ...plan.cap, ...change };
  return { words: words ?? capWords(change), plan: { ...plan, cap: isWorn(plan.madeFor) ? cap : onForm(cap) } };
}

function capWords(change: Partial<CapAsWritten>): string {
  if (change.dome) return DOME_INFO[change.dome].name;
  if (change.opening) return `Opening: ${lowerFirst(OPENING_INFO[change.opening].name)}`;
  if (change.filledOn) return `Filled ${FILLED_INFO[change.filledOn].name}`;
  return 'Cap changed';
}

export function setProduct(
  plan: PlanDocument,
  id: string,
  change: Partial<Omit<ProductAsWritten, 'id'>>,
  words: string,
): PlanChange {
  return { words, plan: { ...plan, products: plan.products.map((p) => (p.id === id ? { ...p, ...change } : p)) } };
}

/** A new product like the one she has in hand, with a whole cut of it. */
export function addProduct(plan: PlanDocument, product?: Omit<ProductAsWritten, 'id'>): PlanChange {
  const id = freeId('hair', plan.products);
  const made: ProductAsWritten = {
    ...(product ?? { ...plan.products[0], ...START_PRODUCT, name: 'Another pack' }),
    id,
  };
  const cut: Preparation = { ...START_CUT, id: freeId('cut', plan.cuts), name: `${made.name}, whole`, product: id };
  return {
    words: `${made.name} added`,
    plan: { ...plan, products: [...plan.products, made], cuts: [...plan.cuts, cut] },
  };
}

/** Takes a product out with its cuts; zones hooked with them take the first cut that is left. */
export function removeProduct(plan: PlanDocument, id: string): PlanChange {
  const gone = plan.products.find((p) => p.id === id);
  const products = plan.products.filter((p) => p.id !== id && p.lowerHalfOf !== id);
  const ids = new Set(products.map((p) => p.id));
  const cuts = plan.cuts.filter((c) => ids.has(c.product));
  return { words: `${gone?.name ?? 'Hair'} taken out`, plan: withCuts({ ...plan, products }, cuts) };
}

/** A cut of its own for these zones, made from what the first of them is hooked with. */
export function addCut(plan: PlanDocument, product: string): PlanChange {
  const name = plan.products.find((p) => p.id === product)?.name ?? 'hair';
  const cut: Preparation = { ...START_CUT, id: freeId('cut', plan.cuts), name: `Another cut of ${name}`, product };
  return { words: 'Another cut', plan: { ...plan, cuts: [...plan.cuts, cut] } };
}

export function setCut(
  plan: PlanDocument,
  id: string,
  change: Partial<Omit<Preparation, 'id'>>,
  words?: string,
): PlanChange {
  const cuts = plan.cuts.map((c) => (c.id === id ? { ...c, ...change } : c));
  const now = cuts.find((c) => c.id === id);
  return { words: words ?? (now ? `${now.name}: ${cutInWords(now)}` : 'Cut changed'), plan: { ...plan, cuts } };
}

export function removeCut(plan: PlanDocument, id: string): PlanChange {
  const name = plan.cuts.find((c) => c.id === id)?.name ?? 'Cut';
  return {
    words: `${name} taken out`,
    plan: withCuts(
      plan,
      plan.cuts.filter((c) => c.id !== id),
    ),
  };
}

export function setZonePiece(plan: PlanDocument, zone: PieceZone, piece: ZonePiece): PlanChange {
  const name = plan.cuts.find((c) => c.id === piece.cut)?.name ?? piece.cut;
  return {
    words: `${PIECE_ZONE_NAMES[zone]}: ${name}${piece.mixed ? ', mixed' : ''}`,
    plan: { ...plan, pieces: { ...plan.pieces, [zone]: piece } },
  };
}

/** These zones take a finer cut of the product that they have; one that is there already is used again. */
export function splitZones(plan: PlanDocument, zones: readonly PieceZone[], split: Split, words: string): PlanChange {
  let next = plan;
  for (const zone of zones) {
    const now = next.cuts.find((c) => c.id === next.pieces[zone].cut) as Preparation;
    let fine = next.cuts.find((c) => c.product === now.product && c.split === split && c.half === now.half);
    if (!fine) {
      fine = { ...now, id: freeId('cut', next.cuts), name: `Split in ${split}`, split };
      next = { ...next, cuts: [...next.cuts, fine] };
    }
    next = { ...next, pieces: { ...next.pieces, [zone]: { cut: fine.id } } };
  }
  return { words, plan: next };
}

/** The lower halves of a cut in half, kept as hair of their own. */
export function keepLowerHalves(plan: PlanDocument, productId: string): PlanChange {
  const parent = plan.products.find((p) => p.id === productId) as ProductAsWritten;
  const id = freeId('hair', plan.products);
  const { lengthMm, drawnOutMm, ...made } = lowerHalf(productInputs(parent, lengthReader(plan)), id);
  const unit = plan.unit === 'in' ? 'in' : 'cm';
  const length = formatLength(lengthMm, unit, fingerMm(plan));
  return addProduct(plan, {
    ...made,
    length,
    drawnOut: parent.drawnOut === '' ? '' : formatLength(drawnOutMm, unit, fingerMm(plan)),
  });
}

function withCuts(plan: PlanDocument, cuts: readonly Preparation[]): PlanDocument {
  const ids = new Set(cuts.map((c) => c.id));
  const first = cuts[0]?.id ?? '';
  const pieces = Object.fromEntries(
    PIECE_ZONES.map((z) => {
      const { cut, mixed } = plan.pieces[z];
      const kept = { cut: ids.has(cut) ? cut : first };
      return [z, mixed && ids.has(mixed.cut) ? { ...kept, mixed } : kept];
    }),
  ) as PlanDocument['pieces'];
  const knotWishes = plan.knotWishes.map((w) => {
    const { cut, ...wish } = w.wish;
    return cut === undefined || ids.has(cut) ? w : { ...w, wish };
  });
  const places = plan.places.map((p) => {
    const { cut, ...others } = p;
    return cut === undefined || ids.has(cut) ? p : others;
  });
  const strands = plan.strands.map((s) => (ids.has(s.cut) ? s : { ...s, cut: first }));
  const fill = ids.has(plan.fill.cut) ? plan.fill : { ...plan.fill, cut: first };
  const intoBase = plan.rows.intoBase.map((e) => {
    const { cut, ...others } = e;
    return cut === undefined || ids.has(cut) ? e : others;
  });
  const rows = { ...plan.rows, intoBase };
  return { ...plan, cuts, pieces, knotWishes, places, strands, fill, rows };
}

function freeId(stem: string, taken: readonly { readonly id: string }[]): string {
  let n = taken.length + 1;
  while (taken.some((t) => t.id === `${stem}-${n}`)) n++;
  return `${stem}-${n}`;
}
