/** What a shop says and what it is asked, checked on both sides: nothing that a shop sends is taken on trust. */
import { array, boolean, type InferType, mixed, number, object, string, ValidationError } from 'yup';
import { FIBRES, LOOPS, PRODUCT_LIMITS, TEXTURES } from '../core/trade/index.ts';
import { choice, count, oneSentence, recordId, text, within, writtenLength } from './checks.ts';
import type { Parsed } from './lengths.ts';

export const SHOP_FORMAT = 'meshwork-shop';
const P = PRODUCT_LIMITS;
const MOST_OFFERS = 2000;
const price = within(P.packPrice, 'A price');

const hair = object({
  name: text('The name of a product'),
  piecesPerPack: within(P.piecesPerPack, 'Pieces in a pack', true),
  bundlesPerPack: within(P.bundlesPerPack, 'Bundles in a pack', true),
  strandsPerPiece: within(P.strandsPerPiece, 'Strands in a piece', true),
  packMassG: within(P.packMassG, 'The mass of a pack'),
  length: writtenLength(...P.lengthMm, 'The length of a piece'),
  fibre: choice(FIBRES, 'The fibre'),
  heatC: within(P.heatC, 'The heat it bears'),
  texture: choice(TEXTURES, 'The texture'),
  loop: choice(LOOPS, 'The loop'),
  loopComesOff: boolean().strict().required(),
})
  .noUnknown()
  .strict()
  .required();

const seller = object({
  id: recordId('The id of a seller'),
  name: text('The name of a seller'),
  days: count(0, 120, 'Days of delivery'),
  delivery: price,
  freeFrom: price.optional().default(undefined),
})
  .noUnknown()
  .strict();

const offer = object({
  id: recordId('The id of an offer'),
  seller: recordId('The seller of an offer'),
  hair,
  colour: text('A colour'),
  price,
  multi: object({ packs: count(2, 50, 'Packs of a bundle'), price })
    .noUnknown()
    .strict()
    .optional()
    .default(undefined),
  stock: count(0, 10_000, 'Packs in stock'),
})
  .noUnknown()
  .strict();

const catalogueSchema = object({
  format: choice([SHOP_FORMAT], 'The format'),
  asOfMs: number().strict().integer().required(),
  currency: string().strict().required().max(4),
  sellers: array(seller).required().min(1).max(20),
  offers: array(offer).required().max(MOST_OFFERS, 'A shop with so many offers can’t be read.'),
})
  .noUnknown()
  .strict()
  .test('sellers', 'An offer is of a seller that is not named.', (value) => {
    const ids = (value?.sellers ?? []).map((s) => s?.id);
    return (value?.offers ?? []).every((o) => ids.includes(o?.seller));
  });

export const orderSchema = object({
  seller: recordId('The seller'),
  lines: array(
    object({ offer: recordId('An offer'), packs: count(1, 200, 'Packs') })
      .noUnknown()
      .strict(),
  )
    .required()
    .min(1, 'An order has to be of something.')
    .max(60),
})
  .noUnknown()
  .strict();

type Frozen<T> = T extends object ? { readonly [K in keyof T]: Frozen<T[K]> } : T;
export type Catalogue = Frozen<InferType<typeof catalogueSchema>>;
export type ShopOffer = Catalogue['offers'][number];
export type OrderAsked = Frozen<InferType<typeof orderSchema>>;

/** What a shop answers to an order: it is on its way, or not all of it is there any more. */
export type OrderAnswer =
  | { readonly taken: true; readonly id: string; readonly total: number; readonly days: number }
  | {
      readonly taken: false;
      readonly message: string;
      readonly soldOut: ReadonlyArray<{ readonly offer: string; readonly packs: number; readonly left: number }>;
    };

const answerSchema = object({
  taken: boolean().strict().required(),
  id: string().strict().max(60),
  total: number().strict().min(0),
  days: number().strict().integer().min(0),
  message: string().strict().max(400),
  soldOut: array(
    object({
      offer: recordId('An offer'),
      packs: number().strict().required(),
      left: number().strict().required(),
    }).noUnknown(),
  ),
})
  .noUnknown()
  .test('whole', 'The answer of the shop is half an answer.', (v) =>
    v?.taken ? v.id !== undefined && v.total !== undefined && v.days !== undefined : v?.soldOut !== undefined,
  );

export function readCatalogue(value: unknown): Parsed<Catalogue> {
  if ((value as { format?: unknown } | null)?.format !== SHOP_FORMAT)
    return { ok: false, why: 'This is no catalogue of a shop: its format is a different one.' };
  return read(value, (v) => catalogueSchema.validateSync(v, { strict: true }) as Catalogue);
}

export function readAnswer(value: unknown): Parsed<OrderAnswer> {
  return read(value, (v) => answerSchema.validateSync(v, { strict: true }) as OrderAnswer);
}

export function readOrder(value: unknown): Parsed<OrderAsked> {
  return read(value, (v) => orderSchema.validateSync(v, { strict: true }) as OrderAsked);
}

function read<T>(value: unknown, check: (value: unknown) => T): Parsed<T> {
  try {
    mixed().required().validateSync(value);
    return { ok: true, value: check(value) };
  } catch (error) {
    if (error instanceof ValidationError) return { ok: false, why: oneSentence(error.message) };
    return { ok: false, why: 'It is of another kind than it should be.' };
  }
}
