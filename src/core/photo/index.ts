/** What a photo of a head shows: where the scalp is in it, and how much of it is seen. */
export type { PhotoMeasured } from './measure.ts';
export type { PhotoOnHead } from './on-head.ts';
export {
  axesOf,
  flat,
  type HeadOutside,
  layHead,
  PAIRS_OF,
  type PhotoSide,
  placesOf,
  scalpOutline,
  type TapPair,
} from './region.ts';
