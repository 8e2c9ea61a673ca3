/** Pieces, packs, price, and what is left over. */
export { demandsOf } from './demands.ts';
export {
  ANY_HANDS,
  COUNT_SPREAD,
  HANDS_SD,
  type Hands,
  handsAfter,
  handsLearned,
  handsLogged,
  INSTALL_SD,
  KNOT_PIECES_SD,
  type LoggedInstalls,
} from './enough.ts';
export { inColour, productsInColours } from './in-colours.ts';
export { leftFor, planSupply, type Supply } from './packs.ts';
export { afterInstall, allot, type Claim, type LeftAfter, type Lot } from './stash.ts';
export { piecesByWeight, steadyWeight, type Weighed } from './weigh.ts';
