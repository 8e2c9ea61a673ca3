/** Products, what is done to a piece, her own hair. */
export {
  fullnessOf,
  type HairOfPlace,
  type HairOnScalp,
  hairMassG,
  hairOnScalp,
  type OwnHair,
  type RegionHair,
  roundThicknessMm,
  tailAreaMm2,
} from './own-hair.ts';
export { cutFor, type Hair, hookedPieces, mainCut, type ZonePiece, type ZonePieces } from './pieces.ts';
export {
  cutInWords,
  type HookedPiece,
  isUntouched,
  type Preparation,
  passesHole,
  pieceThicknessMm,
} from './preparation.ts';
export { lowerHalf, type Product, pieceG, piecesInPack, UNTRIED } from './product.ts';
