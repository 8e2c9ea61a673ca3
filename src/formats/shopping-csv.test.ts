/** A shopping list as RFC 4180 has it: read back by the parser, quotes and commas and line breaks in names, no formula. */
import Papa from 'papaparse';
import { expect, it } from 'vitest';
import { shoppingCsv } from './shopping-csv.ts';

it('comes back as it was', () => {
  const lines = [
    { seller: 'The Loop Counter', what: 'Quillow, "long", black', count: 3, price: 34.5 },
    { seller: '', what: 'two\nlines', count: 1, price: 0 },
    { seller: 'Heron Row Hair', what: '=SUM(A1)', count: 2, price: 7.999 },
  ];
  const text = shoppingCsv(lines, '€');
  expect(text.endsWith('\r\n')).toBe(true);
  const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  expect(errors).toEqual([]);
  expect(data.map((d) => [d.seller, d.what, d.count, d.price, d.currency])).toEqual([
    ['The Loop Counter', 'Quillow, "long", black', '3', '34.50', '€'],
    ['', 'two\nlines', '1', '0.00', '€'],
    ['Heron Row Hair', "'=SUM(A1)", '2', '8.00', '€'],
  ]);
});
