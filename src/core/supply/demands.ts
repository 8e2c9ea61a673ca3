/** How many pieces of each preparation are hooked, colour by colour. */
import { OWN } from '../colours/index.ts';
import type { HookedPiece, Preparation } from '../hair/index.ts';
import { inColour } from './in-colours.ts';
import type { Demand } from './packs.ts';

export function demandsOf(
  cuts: readonly Preparation[],
  knots: readonly { readonly cut: string; readonly colour?: string }[],
  pieces: ReadonlyMap<string, HookedPiece>,
): Demand[] {
  return cuts.flatMap((cut) => {
    const piece = pieces.get(cut.id);
    if (!piece) return [];
    const counts = new Map<string, number>();
    for (const k of knots) if (k.cut === cut.id) counts.set(k.colour ?? OWN, (counts.get(k.colour ?? OWN) ?? 0) + 1);
    return [...counts].map(([colour, count]) => ({
      piece: colour === OWN ? piece : { ...piece, product: inColour(piece.product, colour) },
      knots: count,
      halves: cut.half,
    }));
  });
}
