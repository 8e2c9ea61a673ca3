/** What each way of laying rows is called, and why one takes it. Common practice, no source. */
import type {
  BorderKnot,
  BorderWhen,
  BorderWhere,
  FillWhere,
  FringeKind,
  RowsFollowed,
  Scheme,
  SecondPass,
} from './rows.ts';

export interface SchemeInfo {
  readonly name: string;
  readonly reason: string;
  /** What says how far apart pieces sit, where gaps have no say. */
  readonly gapsBy?: string;
}

export const FILL_INFO: Readonly<Record<FillWhere, SchemeInfo>> = {
  none: { name: 'is kept', reason: 'For gaps that show later, and for the next time.' },
  thin: { name: 'goes where it is thin', reason: 'One at a time where the gaps are widest, all over.' },
  behind: {
    name: 'goes behind',
    reason: 'Where rows above fall over it: the place for worn and odd pieces, which are least seen there.',
  },
};

export const SCHEME_INFO: Readonly<Record<Scheme, SchemeInfo>> = {
  joined: {
    name: 'Ear to ear, then along the part',
    reason: 'Level at the nape, parallel to the part on top, joined without a seam.',
  },
  parallel: {
    name: 'Parallel to the part',
    reason: 'Each row lies over the next from the part down; slanted at the nape.',
  },
  rings: {
    name: 'Rings to the crown',
    reason: 'Along the hairline first, then inwards; for a round shape with no part.',
  },
  fromTie: { name: 'Rings from the tie', reason: 'Round a puff or coil, from the tie outwards.' },
  straightBack: { name: 'Straight back', reason: 'From the face to the nape, side by side; shows its lines.' },
  found: {
    name: 'Along the rows, then between',
    reason: 'Rows that are there, of the base or ready-made on the cap; then the places between.',
  },
  grid: {
    name: 'On the bands',
    reason: 'One piece for each box of a rubber-band grid.',
    gapsBy: 'One piece sits on each band: the size of the boxes says how far apart. It is set in Base.',
  },
  rods: {
    name: 'Rod by rod',
    reason: 'Pieces go through the thread of each rod.',
    gapsBy: 'Pieces go through the rods: how many there are, and how many pieces each takes, is set in Base.',
  },
};

export const FOLLOWED_INFO: Readonly<Record<RowsFollowed, SchemeInfo>> = {
  base: { name: 'Rows of the base', reason: 'The lines of your own hair under the cap, felt through the net.' },
  cap: { name: 'Rows of the cap', reason: 'The ready-made ones: seen, even, and they spare the base.' },
  both: { name: 'Both', reason: 'Ready-made rows over your own, each on or off; for a fuller line here and there.' },
};

export const SECOND_PASS_INFO: Readonly<Record<SecondPass, SchemeInfo>> = {
  none: { name: 'One pass, in bricks', reason: 'Each row offset against the one below.' },
  windows: { name: 'Windows', reason: 'Every other place first; look; then the windows between.' },
  thin: { name: 'Only thin places', reason: 'One pass, then a piece where the gaps are widest.' },
};

export const FRINGE_INFO: Readonly<Record<FringeKind, SchemeInfo>> = {
  none: { name: 'None', reason: 'Hair falls to the sides or back.' },
  short: {
    name: 'Short pieces',
    reason: 'The first on the midline, neighbours to both sides, offset rows behind, long ones over them.',
  },
  cutAfter: {
    name: 'Long pieces, cut after',
    reason: 'Laid like the rest and cut when it is in: in small steps, what is cut is gone.',
  },
};

export const BORDER_WHERE_INFO: Readonly<Record<BorderWhere, SchemeInfo>> = {
  none: { name: 'None', reason: 'Rows end where they end; hair that falls from them hides the edge.' },
  front: {
    name: 'Along the front',
    reason: 'From ear to ear over the forehead, on or just behind the band: finer pieces that hide band and edge.',
  },
  round: { name: 'All round', reason: 'Forehead, sides and nape, for hair that is put up and seen from every side.' },
};

export const BORDER_KNOT_INFO: Readonly<Record<BorderKnot, SchemeInfo>> = {
  byHair: { name: 'as the hair asks', reason: 'As at every open place in front, as at the edge behind.' },
  oneLeg: { name: 'one-leg', reason: 'Flat, one side over its own loop; slower.' },
  lock: {
    name: 'lock',
    reason: 'One wrap and the band or ring pushed up: small, and it holds where most pulls at it.',
  },
  ordinary: { name: 'ordinary', reason: 'Wraps as its texture asks; for hair that hides its own knot.' },
};

export const BORDER_WHEN_INFO: Readonly<Record<BorderWhen, SchemeInfo>> = {
  first: { name: 'first of all', reason: 'The edge is settled before there is hair in the way.' },
  border: {
    name: 'as the border goes back',
    reason: 'Where it lies in the end, and with hair behind it to judge by.',
  },
  last: { name: 'last of all', reason: 'Only as many as are still seen; the rest is in and falls as it will.' },
};
