/** The cap: how it stretches, its opening, what it bears, what holds it. */
export {
  ANCHOR_NAMES,
  ANCHOR_PLACES,
  type AnchorPlace,
  type AnchorStep,
  anchorPlaceOf,
  anchorSteps,
  combPoints,
  cutAfterKnot,
  heldByComb,
} from './anchors.ts';
export { type CapFit, fitCap, girthOver } from './fit.ts';
export { netAt, type OpeningOnHead, openingOnHead, waitsForOpening } from './opening.ts';
export { type NetOnForm, type SpacingOnForm, spacingsOnForm } from './stretch.ts';
