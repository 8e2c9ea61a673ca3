/** A shopping list as a table (RFC 4180): hair seller by seller, then what is needed besides. */
import Papa from 'papaparse';

export interface ShoppingLine {
  readonly seller: string;
  readonly what: string;
  readonly count: number;
  readonly price: number;
}

export function shoppingCsv(lines: readonly ShoppingLine[], currency: string): string {
  const data = lines.map((l) => [l.seller, l.what, l.count, l.price.toFixed(2), currency]);
  const fields = ['seller', 'what', 'count', 'price', 'currency'];
  return `${Papa.unparse({ fields, data }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}
