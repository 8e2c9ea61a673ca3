/** The knots as a table for a spreadsheet: RFC 4180, one line a knot in the order of work. */
import Papa from 'papaparse';
import type { PlanResult } from '../core/findings/index.ts';
import { ENTRY_WORDS, knotName, THROUGH_WORDS } from '../core/trade/index.ts';

export const KNOT_COLUMNS = [
  'number',
  'id',
  'row',
  'place',
  'x_mm',
  'y_mm',
  'z_mm',
  'zone',
  'knot',
  'wraps',
  'lock',
  'through',
  'hook',
  'where',
  'entry',
  'holes',
  'bite_mm',
  'cut',
  'net_here',
  'reason',
  'product',
  'pack',
  'piece',
  'colour',
] as const;

export function knotsCsv(result: PlanResult): string {
  const rows = result.knots.map((k, i) => [
    i + 1,
    k.id,
    result.rows[k.row].label,
    k.place,
    k.xMm.toFixed(2),
    k.yMm.toFixed(2),
    k.zMm.toFixed(2),
    k.zone,
    knotName(k),
    k.wraps,
    k.lock ? 'yes' : 'no',
    THROUGH_WORDS[k.through],
    k.hookWords,
    k.where.words,
    ENTRY_WORDS[k.entry],
    k.holes,
    k.biteMm.toFixed(1),
    k.cut,
    k.onNet,
    k.chain.map((r) => r.because).join(' '),
    k.piece.product,
    k.piece.pack,
    k.piece.number,
    k.colour,
  ]);
  return `${Papa.unparse({ fields: [...KNOT_COLUMNS], data: rows }, { newline: '\r\n' })}\r\n`;
}
