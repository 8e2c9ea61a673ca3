/** Names of the choices of a base. */
import type { BaseChoice } from '../../../core/base/index.ts';

export const STRIP_NAMES = {
  none: 'none',
  front: 'along the front',
  sides: 'at the sides',
  nape: 'along the nape',
  around: 'all round',
} as const;

export const TAIL_NAMES = { plait: 'plaited', twist: 'twisted', smooth: 'brushed smooth' } as const;

export const TIE_NAMES = { high: 'high in front', crown: 'at the crown', back: 'behind' } as const;

export const BOX_NAMES = { square: 'squares', brick: 'bricks', diamond: 'diamonds' } as const;

export const ROD_NAMES = { root: 'at the root', along: 'all along', tip: 'near the tip' } as const;

export const FOUND_NAMES = {
  rows: 'rows plaited on the scalp',
  flatTwists: 'flat twists',
  plaits: 'loose plaits',
  looseTwists: 'loose twists',
} as const;

export const COUNT_NAMES: Partial<Record<BaseChoice['family'], string>> = {
  allOver: 'Plaits',
  intoCoil: 'Tails in front',
  flatTwists: 'Rows',
  found: 'Rows',
  threaded: 'Rods',
};
