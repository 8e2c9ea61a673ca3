/** Hair as a table, in and out: RFC 4180, one line a product. A file that is wrong anywhere changes nothing. */

import Papa from 'papaparse';
import { ValidationError } from 'yup';
import { UNTRIED } from '../core/hair/index.ts';
import { oneSentence } from '../model/checks.ts';
import { productSchema } from '../model/hair-schema.ts';
import type { Parsed } from '../model/lengths.ts';
import type { ProductAsWritten } from '../model/plan.ts';

export const PRODUCT_COLUMNS = [
  'name',
  'pieces_per_pack',
  'counted',
  'bundles_per_pack',
  'strands_per_piece',
  'pack_mass_g',
  'length',
  'drawn_out',
  'fibre',
  'heat_c',
  'texture',
  'colours',
  'loop',
  'loop_comes_off',
  'pack_price',
  'composed',
  'tug',
  'apart',
  'hooked',
  'condition',
  'times_worn',
  'packs_at_hand',
] as const;
type Column = (typeof PRODUCT_COLUMNS)[number];

/** Pieces out of opened packs: a table of a stash has it, one from elsewhere need not. */
const LOOSE = 'loose_pieces';
const CUT = 'cut';
const MOST_LOOSE = 5000;

/** Hair with what lies about of it. */
export interface LotInTable {
  readonly product: ProductAsWritten;
  readonly loose: number;
  readonly cut?: 'upper' | 'lower';
}

/** Colours of one product stand in one cell. */
const BETWEEN_COLOURS = ' > ';

export function productsCsv(lots: readonly LotInTable[]): string {
  const rows = lots.map(({ product: p, loose, cut }) => [
    p.name,
    p.piecesPerPack,
    p.test.counted ?? '',
    p.bundlesPerPack,
    p.strandsPerPiece,
    p.packMassG,
    p.length,
    p.drawnOut,
    p.fibre,
    p.heatC,
    p.texture,
    p.colours.join(BETWEEN_COLOURS),
    p.loop,
    p.loopComesOff ? 'yes' : 'no',
    p.packPrice,
    p.composed,
    p.test.tug,
    p.test.apart,
    p.test.hooked,
    p.condition,
    p.timesWorn,
    p.packsAtHand,
    loose,
    cut ?? 'whole',
  ]);
  const options = { newline: '\r\n', escapeFormulae: true };
  return `${Papa.unparse({ fields: [...PRODUCT_COLUMNS, LOOSE, CUT], data: rows }, options)}\r\n`;
}

export function readProductsCsv(text: string): Parsed<LotInTable[]> {
  const { data, errors, meta } = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  const missing = PRODUCT_COLUMNS.find((c) => !meta.fields?.includes(c));
  if (missing) return { ok: false, why: `This table has no column “${missing}”.` };
  const [broken] = errors;
  if (broken) return { ok: false, why: `Line ${(broken.row ?? 0) + 2} can’t be read: ${broken.message}.` };
  if (data.length === 0) return { ok: false, why: 'This table holds no hair.' };
  const lots: LotInTable[] = [];
  for (const [i, row] of data.entries()) {
    try {
      lots.push({ product: productOf(row, `hair-${i + 1}`), loose: looseOf(row), ...cutOf(row) });
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      return { ok: false, why: `Line ${i + 2}: ${oneSentence(error.message)}` };
    }
  }
  return { ok: true, value: lots };
}

function looseOf(row: Record<string, string>): number {
  const cell = (row[LOOSE] ?? '').trim();
  const loose = cell === '' ? 0 : Number(cell);
  if (Number.isInteger(loose) && loose >= 0 && loose <= MOST_LOOSE) return loose;
  throw new ValidationError(`“${cell}” are no loose pieces: a whole number up to ${MOST_LOOSE}.`);
}

function cutOf(row: Record<string, string>): Pick<LotInTable, 'cut'> {
  const cell = (row[CUT] ?? '').trim() || 'whole';
  if (cell === 'whole') return {};
  if (cell === 'upper' || cell === 'lower') return { cut: cell };
  throw new ValidationError(`“${cell}” is no cut: whole, upper or lower.`);
}

function productOf(row: Record<string, string>, id: string): ProductAsWritten {
  // A quote before = + - @ keeps a spreadsheet from reading it as a formula; it is no part of the name.
  const cell = (column: Column) => (row[column] ?? '').trim().replace(/^'(?=[=+\-@\t\r])/, '');
  const number = (column: Column) => {
    const value = Number(cell(column).replace(',', '.') || Number.NaN);
    if (Number.isFinite(value)) return value;
    throw new ValidationError(`“${cell(column)}” isn’t a number (${column}).`);
  };
  const counted = cell('counted');
  const product = {
    id,
    name: cell('name'),
    piecesPerPack: number('pieces_per_pack'),
    bundlesPerPack: number('bundles_per_pack'),
    strandsPerPiece: number('strands_per_piece'),
    packMassG: number('pack_mass_g'),
    length: cell('length'),
    drawnOut: cell('drawn_out'),
    fibre: cell('fibre'),
    heatC: number('heat_c'),
    texture: cell('texture'),
    colours: cell('colours')
      .split(BETWEEN_COLOURS.trim())
      .map((c) => c.trim())
      .filter(Boolean),
    loop: cell('loop'),
    loopComesOff: /^(yes|y|true|1)$/i.test(cell('loop_comes_off')),
    packPrice: number('pack_price'),
    composed: number('composed'),
    test: {
      ...(counted === '' ? {} : { counted: number('counted') }),
      tug: cell('tug') || UNTRIED.tug,
      apart: cell('apart') || UNTRIED.apart,
      hooked: cell('hooked') || UNTRIED.hooked,
    },
    condition: cell('condition'),
    timesWorn: number('times_worn'),
    packsAtHand: number('packs_at_hand'),
  };
  return productSchema.validateSync(product, { strict: true, abortEarly: true }) as unknown as ProductAsWritten;
}
