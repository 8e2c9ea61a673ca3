/** A photo, her head laid over it by two taps, and what shows. */
import type { Landmarks } from '../head/index.ts';
import { measurePhoto, type PhotoAsked, type PhotoMeasured } from './measure.ts';
import { type HeadOutside, layHead, type PhotoSide, placesOf, scalpMask, type TapPair } from './region.ts';

export interface PhotoOnHead extends Omit<PhotoAsked, 'mask'> {
  readonly head: HeadOutside;
  readonly mark: Landmarks;
  readonly side: PhotoSide;
  readonly pair: TapPair;
  readonly taps: readonly [readonly [x: number, y: number], readonly [x: number, y: number]];
}

/** @throws RangeError where both taps are at one place */
export function photoOnHead({ head, mark, side, pair, taps, ...photo }: PhotoOnHead): PhotoMeasured {
  const laid = layHead(side, placesOf(pair, side, mark), taps);
  return measurePhoto({ ...photo, mask: scalpMask(head, side, laid, photo.width, photo.height) });
}
