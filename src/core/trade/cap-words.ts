/** What caps, openings, combs and holes are called, and why one takes them. Common practice, no source. */
import type { CombPlace, Dome, FilledOn, HoleShape, Opening, OwnRows } from './caps.ts';

interface Named {
  readonly name: string;
  readonly reason: string;
}

export const DOME_INFO: Readonly<Record<Dome, Named>> = {
  none: { name: 'No cap', reason: 'Pieces go through own hair. Take generous bites: few hairs carry badly and hurt.' },
  closed: { name: 'Closed dome', reason: 'Put on from the forehead, drawn down behind.' },
  openTop: { name: 'Open on top', reason: 'A handful of knots draws its top shut; it packs small and suits a block.' },
};

export const OPENING_INFO: Readonly<Record<Opening, Named>> = {
  none: { name: 'None', reason: 'Nothing is cut: a part is shaped on the closed cap, or hair is swept over.' },
  stitchedU: {
    name: 'A stitched U',
    reason: 'Hook along the stitching and cut just inside; what is too long is hooked closed.',
  },
  openU: {
    name: 'A U that comes open',
    reason: 'Bound and open as it comes: nothing is cut. Hook along its edge; own hair or a closing piece fills it.',
  },
  cut: {
    name: 'Cut by you',
    reason: 'All round it is filled first; then one slit, look, and the flaps off slowly, a margin kept.',
  },
  slit: {
    name: 'A slit in the border',
    reason: 'Through the border only, no deeper than it is wide: the line starts at the skin.',
  },
};

export const FILLED_INFO: Readonly<Record<FilledOn, Named & { readonly put: string; readonly how: string }>> = {
  head: {
    name: 'on your head',
    reason: 'It is judged where it is worn; your arms tire.',
    put: 'Put the cap on over the base',
    how: 'From the forehead, drawn down behind. Nothing under it is damp.',
  },
  block: {
    name: 'on a block',
    reason: 'Both hands free, sitting; the net is drawn out as the block is.',
    put: 'Pin the cap on the block',
    how: 'The block has to be held still. Stretch the net evenly; set spacing in holes, since it opens up when worn.',
  },
  stand: {
    name: 'on a stand',
    reason: 'Light, and it turns; the net hangs as it lies, so count holes.',
    put: 'Hang the cap over the stand',
    how: 'It is not drawn out there: count holes of the net, not fingers. Turn the stand, not yourself.',
  },
  hand: {
    name: 'in the hand',
    reason: 'Anywhere, on a lap; the net lies as it is, so count holes.',
    put: 'Take the cap over your hand',
    how: 'A fist or a small cushion inside keeps both sides apart. It is not drawn out: count holes of the net, not fingers.',
  },
};

export const COMB_NAMES: Readonly<Record<CombPlace, string>> = {
  front: 'at the front',
  temples: 'at the temples',
  sides: 'at the sides',
  nape: 'at the nape',
  opening: 'round the opening',
};

export const OWN_ROWS_INFO: Readonly<Record<OwnRows, string>> = {
  none: 'none',
  back: 'running straight back',
  oneSide: 'running to one side in front',
};

export const HOLE_NAMES: Readonly<Record<HoleShape, string>> = {
  square: 'square',
  diamond: 'diamond',
  honeycomb: 'honeycomb',
};
