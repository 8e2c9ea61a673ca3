/** Why a place is covered as it is: which pieces of which rows lie over it, and what each takes of what shows. */
import type { Footprint } from '../fall/index.ts';

export interface RowOver {
  readonly row: number;
  readonly pieces: number;
  /** Share of the place that these pieces alone hide. */
  readonly hides: number;
}

/** @returns rows over the place, the one that hides most first */
export function rowsOver(vertex: number, prints: readonly Footprint[], rowOf: (piece: number) => number): RowOver[] {
  const rows = new Map<number, { pieces: number; through: number }>();
  prints.forEach(({ vertices, through }, i) => {
    const at = vertices.indexOf(vertex);
    if (at < 0) return;
    const row = rowOf(i);
    const seen = rows.get(row) ?? { pieces: 0, through: 1 };
    rows.set(row, { pieces: seen.pieces + 1, through: seen.through * through[at] });
  });
  return [...rows]
    .map(([row, { pieces, through }]) => ({ row, pieces, hides: 1 - through }))
    .sort((a, b) => b.hides - a.hides);
}
