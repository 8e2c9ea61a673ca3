/** A cap as fields. */
import {
  BLENDINGS,
  FILLED_INFO,
  FILLED_ONS,
  type FilledOn,
  HOLE_NAMES,
  HOLE_SHAPES,
  isOffHead,
  OWN_ROWS,
  OWN_ROWS_INFO,
} from '../../../core/trade/index.ts';
import type { CapAsWritten } from '../../../model/plan.ts';
import { type FieldEntry, named } from '../../ui/fields.tsx';

type Table = ReadonlyArray<FieldEntry<CapAsWritten>>;

const filled = (on: readonly FilledOn[]): FieldEntry<CapAsWritten> => ({
  key: 'filledOn',
  kind: 'choice',
  label: 'Filled',
  testId: 'filled-on',
  options: named(on, (f) => FILLED_INFO[f].name),
  beside: ({ filledOn }) => FILLED_INFO[filledOn].reason,
});

/** A wig for nobody’s base, or off a head. */
export const ON_A_FORM: Table = [filled(FILLED_ONS.filter((f) => f !== 'head'))];

export const WORN: Table = [
  filled(FILLED_ONS),
  {
    key: 'wig',
    kind: 'choice',
    label: 'Worn',
    testId: 'worn-as',
    wide: true,
    options: [
      [false, 'stays in'],
      [true, 'as a wig, off at night'],
    ],
    words: (wig) => (wig ? 'Worn as a wig' : 'Stays in'),
  },
];

export const WIG: Table = [
  {
    key: 'blending',
    kind: 'choice',
    label: 'Blending pieces',
    options: named(BLENDINGS, (b) => (b === 'none' ? 'none' : `at the ${b}`)),
    words: () => 'Blending pieces changed',
  },
  {
    key: 'blendingPieces',
    kind: 'number',
    label: 'so many of them',
    testId: 'blending-pieces',
    when: ({ blending }) => blending !== 'none',
    beside: '0: all of that line. They stay in own hair when it comes off.',
    words: (n) => (n === 0 ? 'All of the line blends' : `${n} blending pieces`),
  },
  {
    key: 'topKept',
    kind: 'choice',
    label: 'Last strip round the opening',
    wide: true,
    when: (cap) => isOffHead(cap),
    options: [
      [true, 'kept for the try-on'],
      [false, 'filled on the block'],
    ],
    words: (kept) => (kept ? 'Last strip kept' : 'Filled to the end'),
  },
];

export const READY_ROWS: Table = [
  {
    key: 'ownRows',
    kind: 'choice',
    label: 'Ready-made rows',
    testId: 'own-rows',
    wide: true,
    options: named(OWN_ROWS, (r) => OWN_ROWS_INFO[r]),
    words: (r) => `Ready-made rows: ${OWN_ROWS_INFO[r]}`,
  },
];

export const OPENING: Table = [
  {
    key: 'openingMm',
    kind: 'number',
    label: 'Long, mm',
    testId: 'opening-length',
    words: (mm) => `Opening ${mm} mm long`,
  },
  { key: 'openingWidthMm', kind: 'number', label: 'Wide, mm', words: (mm) => `Opening ${mm} mm wide` },
];

export const TIMES_WORN: Table = [
  { key: 'timesWorn', kind: 'number', label: 'Times worn', words: (n) => `Worn ${n} times` },
];

export const SIZE: Table = [
  {
    key: 'girth',
    kind: 'text',
    label: 'Round, as it lies',
    testId: 'cap-girth',
    words: (girth) => `Cap ${girth} round`,
  },
  { key: 'depth', kind: 'text', label: 'Front to nape', words: (depth) => `Cap ${depth} deep` },
  { key: 'stretch', kind: 'number', label: 'Draws out to, times', words: (times) => `Stretches to ${times}` },
  {
    key: 'hole',
    kind: 'choice',
    label: 'Holes',
    options: named(HOLE_SHAPES, (h) => HOLE_NAMES[h]),
    words: (h) => `Holes: ${HOLE_NAMES[h]}`,
  },
  { key: 'holePitchMm', kind: 'number', label: 'From hole to hole, mm', words: (mm) => `Holes ${mm} mm apart` },
];

export const BLOCK: ReadonlyArray<FieldEntry<CapAsWritten['block']>> = [
  {
    key: 'girth',
    kind: 'text',
    label: 'Block, round',
    testId: 'block-girth',
    words: (girth) => `Block ${girth} round`,
  },
  { key: 'depth', kind: 'text', label: 'Block, front to nape', words: () => 'Block measured' },
];
