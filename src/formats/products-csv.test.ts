/** Hair as a table: RFC 4180 out and in again, and whatever is wrong is said with its line. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { UNTRIED } from '../core/hair/product.ts';
import { CONDITIONS, FIBRES } from '../core/trade/hair.ts';
import { LOOPS } from '../core/trade/loops.ts';
import { TEXTURES } from '../core/trade/textures.ts';
import { deepPartStraight, demoPlans } from '../demo/plans.ts';
import type { ProductAsWritten } from '../model/plan.ts';
import { type LotInTable, PRODUCT_COLUMNS, productsCsv, readProductsCsv } from './products-csv.ts';

const withoutId = ({ product: { id: _, lowerHalfOf: __, ...rest }, loose }: LotInTable) => ({ rest, loose });
const inTable = (product: ProductAsWritten, i = 0): LotInTable => ({ product, loose: 7 * i });
const products = demoPlans.flatMap((p) => p.products).map(inTable);

describe('hair as CSV', () => {
  it('comes back the same', () => {
    const read = readProductsCsv(productsCsv(products));
    expect(read.ok && read.value.map(withoutId)).toEqual(products.map(withoutId));
  });

  it('comes back the same whatever it is called and made of', () => {
    const name = fc
      .string({ minLength: 1, maxLength: 40 })
      .filter((s) => s.trim() === s && s !== '' && !/[\u0000-\u001f]/.test(s) && !s.startsWith("'"));
    const product = fc.record({
      name,
      piecesPerPack: fc.integer({ min: 1, max: 400 }),
      texture: fc.constantFrom(...TEXTURES),
      loop: fc.constantFrom(...LOOPS),
      fibre: fc.constantFrom(...FIBRES),
      condition: fc.constantFrom(...CONDITIONS),
      colours: fc.array(fc.constantFrom('black', 'dark, warm', 'honey "light"'), { minLength: 1, maxLength: 4 }),
      packPrice: fc.integer({ min: 0, max: 9999 }).map((cents) => cents / 100),
    });
    fc.assert(
      fc.property(fc.array(product, { minLength: 1, maxLength: 5 }), (changes) => {
        const made = changes.map((c, i) => inTable({ ...deepPartStraight.products[0], ...c, test: UNTRIED }, i));
        const read = readProductsCsv(productsCsv(made));
        expect(read.ok ? '' : read.why).toBe('');
        expect(read.ok && read.value.map(withoutId)).toEqual(made.map(withoutId));
      }),
      { seed: 431, numRuns: 80 },
    );
  });

  it('a name that a spreadsheet would calculate is written as text and read as it was', () => {
    const made = [inTable({ ...products[0].product, name: '=1+1' })];
    const csv = productsCsv(made);
    expect(csv).toContain("'=1+1");
    const read = readProductsCsv(csv);
    expect(read.ok && read.value[0].product.name).toBe('=1+1');
  });

  const table = productsCsv(products.slice(0, 1));
  it.each([
    ['', /no column “name”/],
    ['name;pieces\nx;3', /no column/],
    [PRODUCT_COLUMNS.join(','), /holds no hair/],
    [table.replace(/,48,/, ',many,'), /Line 2: “many” isn’t a number \(pieces_per_pack\)/],
    [table.replace(/,48,/, ',0,'), /Line 2: Pieces in a pack has to be at least 1/],
    [table.replace('looseCurl', 'wool'), /Line 2: The texture has to be one of/],
    [table.replace('33 cm', 'long'), /Line 2: The length of a piece/],
  ])('%j is refused with a sentence', (text, why) => {
    const read = readProductsCsv(text);
    expect(read).toEqual({ ok: false, why: expect.stringMatching(why) });
  });

  it('loose pieces may be left out of a table; what are none are refused', () => {
    const without = table
      .trimEnd()
      .split('\r\n')
      .map((line) => line.split(',').slice(0, -2).join(','))
      .join('\r\n');
    expect(without).not.toContain('loose_pieces');
    const read = readProductsCsv(without);
    expect(read.ok && read.value[0].loose).toBe(0);
    const halves = productsCsv([{ ...products[0], loose: 5, cut: 'lower' }]);
    const back = readProductsCsv(halves);
    expect(back.ok && [back.value[0].loose, back.value[0].cut]).toEqual([5, 'lower']);
    expect(readProductsCsv(halves.replace('lower', 'sideways'))).toEqual({
      ok: false,
      why: expect.stringMatching(/Line 2: “sideways” is no cut/),
    });
    const bent = productsCsv([{ ...products[0], loose: 3.5 }]);
    expect(readProductsCsv(bent)).toEqual({
      ok: false,
      why: expect.stringMatching(/Line 2: “3.5” are no loose pieces/),
    });
  });

  it('a comma for a point and a mark at its beginning do no harm', () => {
    const read = readProductsCsv(`\ufeff${table.replace('11.5', '"11,5"')}`);
    expect(read.ok && read.value[0].product.packPrice).toBe(11.5);
  });
});
