/** Colours: how much of each, dealt to pieces in the order of work, told to hands. */
export {
  type ColourChoice,
  type ColourShares,
  colourIds,
  type MixedColour,
  nameOfColour,
  ONE_COLOUR,
  OWN,
  sharesInOrder,
} from './choice.ts';
export { dealColours } from './deal.ts';
export { differenceWords, hairDifference } from './difference.ts';
export { stretchWords } from './in-words.ts';
export type { Mix } from './mix.ts';
export { evenness } from './neighbours.ts';
