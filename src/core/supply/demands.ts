/** How many pieces of each preparation are hooked. */
import type { HookedPiece, Preparation } from '../hair/index.ts';
import type { Demand } from './packs.ts';

export function demandsOf(
  cuts: readonly Preparation[],
  knots: readonly { readonly cut: string }[],
  pieces: ReadonlyMap<string, HookedPiece>,
): Demand[] {
  return cuts.flatMap((cut) => {
    const piece = pieces.get(cut.id);
    const count = knots.filter((k) => k.cut === cut.id).length;
    return piece && count > 0 ? [{ piece, knots: count, halves: cut.half }] : [];
  });
}
