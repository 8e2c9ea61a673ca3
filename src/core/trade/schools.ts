/** Where workers disagree: each a named setting, never a hidden constant. Their words and reasons stand in school-words.ts. */
export const SCHOOL_VALUES = {
  oneLeg: ['exposed', 'everywhere', 'never'],
  exposed: ['byHair', 'oneLeg', 'backToFront', 'sweptOver', 'springy'],
  oneLegWraps: ['once', 'twice'],
  smoothHold: ['wraps', 'lock', 'many'],
  stiff: ['ordinary', 'oneLeg'],
  threadLoop: ['hooked', 'drawnThrough'],
  through: ['perimeter', 'everywhere', 'netOnly'],
  tender: ['asElsewhere', 'netOnly'],
  holes: ['one', 'three', 'gathered'],
  border: ['atOnce', 'late'],
  perimeterKnot: ['ordinary', 'oneLeg', 'oneLegBackcomb', 'lockBackcomb'],
  wideTwist: ['beside', 'through', 'onTop', 'tiedRoot'],
  bun: ['roundIt', 'overIt'],
  prepare: ['all', 'packByPack', 'pieceByPiece'],
  smoothing: ['afterOnePack', 'middle', 'end'],
  trim: ['before', 'sameDay', 'later'],
} as const;

export type SchoolName = keyof typeof SCHOOL_VALUES;
export type Schools = { readonly [K in SchoolName]: (typeof SCHOOL_VALUES)[K][number] };

/** Schools that may differ from place to place; the others hold for the whole plan. */
export const SCHOOLS_BY_PLACE = [
  'exposed',
  'oneLeg',
  'oneLegWraps',
  'smoothHold',
  'stiff',
  'threadLoop',
  'through',
  'tender',
  'holes',
  'perimeterKnot',
  'wideTwist',
] as const satisfies readonly SchoolName[];

export type SchoolByPlace = (typeof SCHOOLS_BY_PLACE)[number];

export const DEFAULT_SCHOOLS: Schools = {
  oneLeg: 'exposed',
  oneLegWraps: 'once',
  smoothHold: 'wraps',
  through: 'perimeter',
  tender: 'asElsewhere',
  exposed: 'byHair',
  stiff: 'ordinary',
  threadLoop: 'hooked',
  holes: 'three',
  border: 'atOnce',
  perimeterKnot: 'ordinary',
  wideTwist: 'beside',
  bun: 'roundIt',
  prepare: 'packByPack',
  smoothing: 'middle',
  trim: 'later',
};
