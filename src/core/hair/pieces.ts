/** Which piece goes where: pieces as they are hooked, and which of them each zone takes. */
import type { PieceZone } from '../trade/index.ts';
import { type HookedPiece, hookedPiece, type Preparation } from './preparation.ts';
import type { Product } from './product.ts';

/** Which preparation a zone is hooked with; mixed, every so manieth piece is another one, as for layers. */
export interface ZonePiece {
  readonly cut: string;
  readonly mixed?: { readonly cut: string; readonly every: number };
}
export type ZonePieces = Readonly<Record<PieceZone, ZonePiece>>;

export interface Hair {
  readonly products: readonly Product[];
  readonly cuts: readonly Preparation[];
}

/** Every preparation as hooked, by its id. One of a product that isn't there is left out; the document refuses it before. */
export function hookedPieces({ products, cuts }: Hair): Map<string, HookedPiece> {
  const pieces = new Map<string, HookedPiece>();
  for (const cut of cuts) {
    const product = products.find((p) => p.id === cut.product);
    if (product) pieces.set(cut.id, hookedPiece(product, cut));
  }
  return pieces;
}

/** What the top is hooked with: what is meant by "the piece" where none is named. */
export function mainCut({
  cuts,
  pieces,
}: {
  readonly cuts: readonly Preparation[];
  readonly pieces: ZonePieces;
}): Preparation {
  return cuts.find((c) => c.id === pieces.top.cut) ?? cuts[0];
}

/** The preparation for the next knot of a zone; mixed, the others come in turn. */
export function cutFor(pieces: ZonePieces, zone: PieceZone, placeInZone: number): string {
  const { cut, mixed } = pieces[zone];
  return mixed && placeInZone % mixed.every === mixed.every - 1 ? mixed.cut : cut;
}
