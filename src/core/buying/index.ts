/** What to buy, where. */
export { type Bought, type BoughtLine, buy, type Purchase, type Solve, type WayOut } from './buy.ts';
export { standsIn, wayInWords } from './in-words.ts';
export {
  type BuyingAsked,
  type BuyingWish,
  type HairKind,
  type Need,
  type Offer,
  STASH,
} from './offer.ts';
