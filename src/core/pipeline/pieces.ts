/** Which piece goes where: the cuts of her hair as they are hooked, and which of them each zone takes. */
import { type Cut, type HookedPiece, hookedPiece } from '../hair/cuts.ts';
import type { KnotZone } from '../knots/where.ts';
import type { PieceZone, PlanInputs } from './inputs.ts';

type Hair = Pick<PlanInputs, 'products' | 'cuts'>;

/** Every cut as hooked, by its id. A cut of a product that isn't there is left out; the document refuses it before. */
export function hookedPieces({ products, cuts }: Hair): Map<string, HookedPiece> {
  const pieces = new Map<string, HookedPiece>();
  for (const cut of cuts) {
    const product = products.find((p) => p.id === cut.product);
    if (product) pieces.set(cut.id, hookedPiece(product, cut));
  }
  return pieces;
}

/** The zone of spacing and pieces that a place of the knot map belongs to. */
export function pieceZoneOf(zone: KnotZone): Exclude<PieceZone, 'fringe'> {
  switch (zone) {
    case 'side':
      return 'back';
    case 'crown':
      return 'part';
    default:
      return zone;
  }
}

/** What the top is hooked with: what is meant by "the piece" where none is named. */
export function mainCut({ cuts, pieces }: Pick<PlanInputs, 'cuts' | 'pieces'>): Cut {
  return cuts.find((c) => c.id === pieces.top.cut) ?? cuts[0];
}

/** The cut for the next knot of a zone; mixed, the others come in turn. */
export function cutFor({ pieces }: Pick<PlanInputs, 'pieces'>, zone: PieceZone, placeInZone: number): string {
  const { cut, mixed } = pieces[zone];
  return mixed && placeInZone % mixed.every === mixed.every - 1 ? mixed.cut : cut;
}
