/** What each school says, and why. Common practice. */
import type { SchoolName, Schools } from './schools.ts';

export interface SchoolOption {
  readonly value: string;
  readonly name: string;
  readonly reason: string;
}

export const SCHOOL_OPTIONS = {
  oneLeg: [
    {
      value: 'exposed',
      name: 'where a knot would show',
      reason: 'Rows below are hidden by the rows above; only part and edge lie open.',
    },
    { value: 'everywhere', name: 'in every knot', reason: 'A style of its own: flat and straight, slower to lay.' },
    { value: 'never', name: 'nowhere', reason: 'Quickest; springy hair hides its own knot, smooth hair does not.' },
  ],
  exposed: [
    {
      value: 'byHair',
      name: 'as the hair asks',
      reason: 'Smooth hair one-leg; hair that springs and spreads hides its own knot and is hooked as everywhere.',
    },
    {
      value: 'oneLeg',
      name: 'one-leg',
      reason: 'One side of the piece falls over its own loop, whatever the hair.',
    },
    {
      value: 'backToFront',
      name: 'laid from back to front',
      reason: 'Each piece falls back over the knot before it, so the order runs to the face; only the last shows.',
    },
    {
      value: 'sweptOver',
      name: 'swept over',
      reason: 'Hair of the first rows is laid across the line. The way back: it can be combed to the other side again.',
    },
    {
      value: 'springy',
      name: 'left to hair that springs',
      reason: 'Hair that stands hides its own knot; only the line is judged. Smooth hair shows it.',
    },
  ],
  oneLegWraps: [
    { value: 'once', name: 'once wrapped', reason: 'Lies flattest and comes out quickest.' },
    { value: 'twice', name: 'twice wrapped', reason: 'Holds better in smooth hair.' },
  ],
  smoothHold: [
    {
      value: 'wraps',
      name: 'net and more wraps',
      reason: 'Two or three passages hold smooth hair when a net takes the pull.',
    },
    {
      value: 'lock',
      name: 'lock with the band or ring',
      reason: 'The band pushed to the root replaces further wraps, not the first.',
    },
    {
      value: 'many',
      name: 'many wraps and large bites',
      reason: 'For smooth hair without a net: four passages; slow, bulky, and it may still creep.',
    },
  ],
  stiff: [
    {
      value: 'ordinary',
      name: 'wrapped as usual',
      reason: 'Its sides stay together, so no one-leg; small pieces, hair combed over them.',
    },
    {
      value: 'oneLeg',
      name: 'one-leg all the same',
      reason: 'Its middle is bent flat by hand before each: slower, and a little of it stands up and shows.',
    },
  ],
  threadLoop: [
    {
      value: 'hooked',
      name: 'hooked and wrapped',
      reason: 'The piece is drawn through and its tails go through the loop.',
    },
    {
      value: 'drawnThrough',
      name: 'drawn through its own thread',
      reason: 'The thread goes round, the whole piece through it: flat and quick, it holds what grips.',
    },
  ],
  through: [
    {
      value: 'perimeter',
      name: 'hair with net at the edge and anchors',
      reason: 'The edge must not shift; inside, the net alone holds and spares own hair.',
    },
    {
      value: 'everywhere',
      name: 'hair with net everywhere',
      reason: 'Firmest, slower, and every knot pulls on own hair.',
    },
    { value: 'netOnly', name: 'net only', reason: 'Comes off fastest; the cap itself must be held by something else.' },
  ],
  tender: [
    { value: 'asElsewhere', name: 'as elsewhere', reason: 'Tender and thin places are treated like the rest.' },
    { value: 'netOnly', name: 'through the net only', reason: 'Takes the pull off tender and thin places.' },
  ],
  holes: [
    { value: 'one', name: 'one hole', reason: 'Lies flat, no bunching; it holds least and suits fine pieces.' },
    { value: 'three', name: 'three and more', reason: 'Holds; the net bunches a little under each knot.' },
    {
      value: 'gathered',
      name: 'several gathered',
      reason: 'For spare fill: the net is drawn together, so it is fuller there and the cap gets smaller.',
    },
  ],
  border: [
    {
      value: 'atOnce',
      name: 'pushed back at once',
      reason: 'The front can be anchored from the start; the net may creep forward while you work behind.',
    },
    {
      value: 'late',
      name: 'left low until most is in',
      reason: 'It lies still while the back is filled; the front is anchored, and anything cut, only after.',
    },
  ],
  perimeterKnot: [
    { value: 'ordinary', name: 'ordinary', reason: 'Holds best; hair from above falls over it at nape and sides.' },
    { value: 'oneLeg', name: 'one-leg', reason: 'Flat at the outermost line, for hair that is tied up.' },
    {
      value: 'oneLegBackcomb',
      name: 'one-leg, its root back-combed',
      reason: 'Flat, and the root combed back over the loop; unkind to hair that is to be worn again.',
    },
    {
      value: 'lockBackcomb',
      name: 'lock, its root back-combed',
      reason: 'The band slid up and the root combed back hide it; unkind to hair that is to be worn again.',
    },
  ],
  wideTwist: [
    { value: 'beside', name: 'beside it', reason: 'The twist stays shut; the piece sits in the channel.' },
    { value: 'through', name: 'through it, with care', reason: 'Firm, but hooking in can open a wide twist.' },
    { value: 'onTop', name: 'on top, along its length', reason: 'Quick to reach; the bulk stands up.' },
    { value: 'tiedRoot', name: 'into the tied root', reason: 'Firmest where the root is banded; few places.' },
  ],
  bun: [
    { value: 'roundIt', name: 'round it', reason: 'Rings from the tie outwards; the coil stays your own.' },
    { value: 'overIt', name: 'all over it too', reason: 'Fuller, heavier, and it takes longer to take out.' },
  ],
  prepare: [
    { value: 'all', name: 'everything first', reason: 'No stopping later; what is cut can’t be uncut.' },
    { value: 'packByPack', name: 'pack by pack', reason: 'You can change your mind after each.' },
    { value: 'pieceByPiece', name: 'each as it comes', reason: 'Nothing is prepared in vain; slowest at the head.' },
  ],
  smoothing: [
    { value: 'afterOnePack', name: 'after one pack', reason: 'Straight hair can only be judged when smoothed.' },
    { value: 'middle', name: 'half way', reason: 'One stop, and there is still time to change.' },
    { value: 'end', name: 'at the end', reason: 'Quickest; surprises come late.' },
  ],
  trim: [
    { value: 'before', name: 'before hooking', reason: 'Layers by piece; nothing falls in your neck.' },
    {
      value: 'sameDay',
      name: 'when it is in',
      reason: 'At a slant, small cuts, head tipped so that the outline becomes an arc.',
    },
    { value: 'later', name: 'little now, more next day', reason: 'It settles overnight; what is cut is gone.' },
  ],
} as const satisfies { readonly [K in SchoolName]: ReadonlyArray<SchoolOption & { readonly value: Schools[K] }> };

export const SCHOOL_NAMES: Readonly<Record<SchoolName, string>> = {
  oneLeg: 'One-leg knots',
  oneLegWraps: 'One-leg wraps',
  smoothHold: 'Smooth hair holds by',
  through: 'Hook goes through',
  tender: 'Tender and thin places',
  exposed: 'Places with nothing above',
  stiff: 'Pieces with a stiff middle',
  threadLoop: 'Thread loops are',
  holes: 'Holes of the net per knot',
  border: 'Border of the cap',
  perimeterKnot: 'Outermost knots',
  wideTwist: 'At a wide twist',
  bun: 'Round a coil or puff',
  prepare: 'Pieces are prepared',
  smoothing: 'Smoothed',
  trim: 'Trimmed',
};
