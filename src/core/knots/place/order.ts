/** Knots of a row in the order of work, and what each is called. */
import type { Row } from '../../rows/index.ts';
import type { Schools } from '../../trade/index.ts';
import type { LaidKnot } from '../layout/measure.ts';
import { knotIds } from './identity.ts';
import type { PlannedRow } from './planned.ts';

/** Names count from the middle of the back outwards, over what was laid: hand changes rename no neighbour. */
export function idsOf(row: PlannedRow, inRow: readonly LaidKnot[]): string[] {
  const laid = inRow.filter((k) => k.hand !== 'added');
  const at = laid.map((k) => ({ k, mm: row.startMm + (k.namedAtMm ?? k.arcMm) })).sort((a, b) => a.mm - b.mm);
  const ids = knotIds(
    row.id,
    at.map((a) => a.mm),
  );
  const names = new Map(ids.map((id, i) => [at[i].k, id]));
  let added = 0;
  return inRow.map((k) => names.get(k) ?? `${row.id}-h${String(++added).padStart(2, '0')}`);
}

/**
 * Places in a row in the order of work; from her left to her right unless something has to cover what comes before. Knots that
 * are laid from back to front come after the others of their row.
 */
export function orderInRow(schoolsOf: (i: number) => Schools, row: Row, inRow: readonly LaidKnot[]): number[] {
  const order = Array.from(inRow.keys()).filter((i) => inRow[i].hand !== 'removed');
  if (row.kind === 'fringe') return order.sort((a, b) => Math.abs(inRow[a].xMm) - Math.abs(inRow[b].xMm));
  if (!row.besidePart) return order;
  const isBackToFront = (i: number) => {
    const { exposed, oneLeg } = schoolsOf(i);
    return exposed === 'backToFront' && oneLeg === 'exposed';
  };
  return [
    ...order.filter((i) => !isBackToFront(i)),
    ...order.filter(isBackToFront).sort((a, b) => inRow[a].zMm - inRow[b].zMm),
  ];
}
