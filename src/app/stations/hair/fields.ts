/** A product and what is done to a piece, as fields. */
import type { Preparation } from '../../../core/hair/index.ts';
import {
  APARTS,
  CONDITION_NAMES,
  CONDITIONS,
  DRESSING_INFO,
  DRESSINGS,
  FIBRE_NAMES,
  FIBRES,
  HOOKEDS,
  LOOP_INFO,
  LOOPS,
  OPENED_INFO,
  OPENED_WHEN,
  SPLITS,
  TEXTURE_INFO,
  TEXTURES,
  TUGS,
} from '../../../core/trade/index.ts';
import type { ProductAsWritten } from '../../../model/plan.ts';
import { type FieldEntry, named, yesNo } from '../../ui/fields.tsx';

const TUG_NAMES = { untried: 'not tried', holds: 'holds', sheds: 'sheds', loopSlips: 'its loop slips' } as const;
const APART_NAMES = { untried: 'not tried', separates: 'they separate', clings: 'they cling' } as const;
const HOOKED_NAMES = { untried: 'not tried', stays: 'stays', slips: 'slides' } as const;

type Table<R> = ReadonlyArray<FieldEntry<R>>;

export const PACK_TEST: Table<ProductAsWritten['test']> = [
  {
    key: 'tug',
    kind: 'choice',
    label: 'Tug one',
    options: named(TUGS, (t) => TUG_NAMES[t]),
    words: (t) => `A tug: ${TUG_NAMES[t]}`,
  },
  {
    key: 'apart',
    kind: 'choice',
    label: 'Pull one apart',
    testId: 'apart',
    options: named(APARTS, (t) => APART_NAMES[t]),
    words: (t) => `Pulled apart: ${APART_NAMES[t]}`,
  },
  {
    key: 'hooked',
    kind: 'choice',
    label: 'Hook one',
    options: named(HOOKEDS, (t) => HOOKED_NAMES[t]),
    words: (t) => `Hooked: ${HOOKED_NAMES[t]}`,
  },
];

export const PACK_NAME: Table<ProductAsWritten> = [
  { key: 'name', kind: 'text', label: 'Name', wide: true, words: (name) => `Hair: ${name}` },
];

export const ON_LABEL: Table<ProductAsWritten> = [
  {
    key: 'piecesPerPack',
    kind: 'number',
    label: 'Pieces in a pack',
    testId: 'pieces-per-pack',
    words: (n) => `${n} pieces a pack`,
  },
  { key: 'bundlesPerPack', kind: 'number', label: 'in bundles', words: (n) => `${n} bundles a pack` },
  {
    key: 'strandsPerPiece',
    kind: 'number',
    label: 'Strands in a piece',
    beside: (p) => `Hang as ${2 * p.strandsPerPiece} ends.`,
    words: (n) => `${n} strands a piece`,
  },
  { key: 'composed', kind: 'number', label: 'Twisted into one', words: (n) => `${n} in one` },
  { key: 'packMassG', kind: 'number', label: 'Grams in a pack', words: (g) => `${g} g a pack` },
  {
    key: 'length',
    kind: 'text',
    label: 'Fold to tip, hanging',
    testId: 'product-length',
    words: (length) => `Pieces ${length}`,
  },
  {
    key: 'drawnOut',
    kind: 'text',
    label: 'drawn out',
    placeholder: 'not measured',
    words: (length) => `Drawn out ${length}`,
  },
  {
    key: 'texture',
    kind: 'choice',
    label: 'Texture',
    testId: 'texture',
    options: named(TEXTURES, (t) => TEXTURE_INFO[t].name),
    words: (t) => `Texture: ${TEXTURE_INFO[t].name}`,
  },
  {
    key: 'loop',
    kind: 'choice',
    label: 'Loop',
    wide: true,
    testId: 'loop',
    options: named(LOOPS, (l) => LOOP_INFO[l].name),
    beside: (p) => LOOP_INFO[p.loop].allows,
    words: (l) => `Loop: ${LOOP_INFO[l].name}`,
  },
  {
    key: 'loopComesOff',
    kind: 'choice',
    label: 'Does it come off?',
    testId: 'comes-off',
    when: (p) => LOOP_INFO[p.loop].oneLeg === 'onceOff',
    options: yesNo('yes', 'no, it stays'),
    words: (off) => (off ? 'Loop comes off' : 'Loop stays on'),
  },
  {
    key: 'fibre',
    kind: 'choice',
    label: 'Fibre',
    options: named(FIBRES, (f) => FIBRE_NAMES[f]),
    words: (f) => `Fibre: ${FIBRE_NAMES[f]}`,
  },
  { key: 'heatC', kind: 'number', label: 'Bears heat, °C (0: none)', words: (c) => `Bears ${c} °C` },
];

export const YOURS: Table<ProductAsWritten> = [
  { key: 'packsAtHand', kind: 'number', label: 'Packs at hand', words: (n) => `${n} packs at hand` },
  {
    key: 'condition',
    kind: 'choice',
    label: 'Condition',
    wide: true,
    options: named(CONDITIONS, (c) => CONDITION_NAMES[c]),
    words: (c) => `Condition: ${CONDITION_NAMES[c]}`,
  },
  { key: 'timesWorn', kind: 'number', label: 'Times worn', words: (n) => `Worn ${n} times` },
];

export const CUT_NAME: Table<Preparation> = [
  { key: 'name', kind: 'text', label: 'Its name', wide: true, words: (name) => `Cut: ${name}` },
];

export const CUT: Table<Preparation> = [
  {
    key: 'split',
    kind: 'choice',
    label: 'Split lengthwise',
    testId: 'split',
    options: SPLITS.map((s) => [s, s === 1 ? 'not at all' : `in ${s}`] as const),
    words: (s) => (s === 1 ? 'Whole pieces' : `Split in ${s}`),
  },
  {
    key: 'half',
    kind: 'choice',
    label: 'Cut in half',
    testId: 'half',
    options: [
      [false, 'no'],
      [true, 'yes, the upper half'],
    ],
    beside: ({ half }) =>
      half
        ? 'The lower half has no loop and its own fold. Hook two at full length and look before you cut the rest.'
        : undefined,
    words: (half) => (half ? 'Cut in half' : 'Full length'),
  },
];

export const OPENED: Table<Preparation['opened']> = [
  {
    key: 'when',
    kind: 'choice',
    label: 'Strands opened',
    testId: 'opened',
    wide: true,
    options: named(OPENED_WHEN, (w) => OPENED_INFO[w].name),
  },
  {
    key: 'strands',
    kind: 'number',
    percent: true,
    label: 'of its strands, %',
    when: ({ when }) => when !== 'never',
  },
  { key: 'reach', kind: 'number', percent: true, label: 'of the way up, %', when: ({ when }) => when !== 'never' },
];

export const CURL: Table<Preparation> = [
  {
    key: 'dressed',
    kind: 'choice',
    label: 'Its curl',
    wide: true,
    options: named(DRESSINGS, (d) => DRESSING_INFO[d].name),
    testId: 'dressed',
    beside: ({ dressed }) => DRESSING_INFO[dressed].why,
  },
  {
    key: 'dressedAgain',
    kind: 'choice',
    label: 'and then',
    wide: true,
    testId: 'dressed-again',
    // What is done to a piece before it is hooked comes first of all.
    options: named(
      DRESSINGS.filter((d) => !DRESSING_INFO[d].before),
      (d) => (d === 'asItIs' ? 'nothing' : DRESSING_INFO[d].name),
    ),
    words: (d) => `Then ${d === 'asItIs' ? 'nothing more' : DRESSING_INFO[d].name}`,
  },
  {
    key: 'endsOffMm',
    kind: 'number',
    label: 'Ends cut off before, mm',
    testId: 'ends-off',
    beside: 'Thin or frayed ends off a bundle at a time, before it is hooked; what is cut is gone.',
    words: (mm) => `${mm} mm of the ends off`,
  },
];
