/** The settings of a base as fields: which of them a family has stands with the families. */
import type { BaseChoice } from '../../../core/base/index.ts';
import {
  BOX_SHAPES,
  FAMILY_INFO,
  FOUND_KINDS,
  lowerFirst,
  ROD_PLACES,
  STRIP_AT_END_NAMES,
  STRIPS,
  STRIPS_AT_END,
  TIE_PLACES,
} from '../../../core/trade/index.ts';
import { type FieldEntry, named } from '../../ui/fields.tsx';
import { BOX_NAMES, COUNT_NAMES, FOUND_NAMES, ROD_NAMES, STRIP_NAMES, TAIL_NAMES, TIE_NAMES } from './names.ts';

const countName = ({ family }: BaseChoice) => COUNT_NAMES[family] ?? 'Sections';

const SETTINGS: ReadonlyArray<FieldEntry<BaseChoice>> = [
  {
    key: 'behind',
    kind: 'number',
    label: 'Sections behind',
    testId: 'behind',
    words: (n) => `${n} behind`,
  },
  {
    key: 'front',
    kind: 'number',
    label: 'Sections in front',
    testId: 'front',
    beside: 'About four in all for long hair, eight for thick, nine small ones for short (common practice).',
    words: (n) => `${n} in front`,
  },
  {
    key: 'count',
    kind: 'number',
    label: countName,
    testId: 'count',
    when: ({ family, found }) => family !== 'found' || found.lines.length === 0,
    beside: ({ family }) => (family === 'threaded' ? 'Two to three dozen are usual.' : undefined),
    words: (n, base) => `${n} ${lowerFirst(countName(base))}`,
  },
  {
    key: 'boxes',
    kind: 'choice',
    label: 'Boxes',
    testId: 'boxes',
    options: named(BOX_SHAPES, (b) => BOX_NAMES[b]),
    words: (b) => `Boxes: ${BOX_NAMES[b]}`,
  },
  {
    key: 'boxFingers',
    kind: 'number',
    label: 'Side of a box, fingers',
    testId: 'box-fingers',
    words: (n) => `Boxes of ${n} fingers`,
  },
  {
    key: 'topFingers',
    kind: 'number',
    label: 'Fingers behind the crown',
    words: (n) => `Top ${n} fingers behind the crown`,
  },
  {
    key: 'tieAt',
    kind: 'choice',
    label: 'Tied',
    options: named(TIE_PLACES, (t) => TIE_NAMES[t]),
    words: (t) => `Tied ${TIE_NAMES[t]}`,
    // Edits belong to sections that are no longer there.
    also: () => ({ edits: [] }),
  },
  {
    key: 'ringFingers',
    kind: 'number',
    label: 'Ring of own hair, fingers',
    words: (n) => `Ring of ${n} fingers`,
  },
  {
    key: 'wrapPitchMm',
    kind: 'number',
    label: 'Thread every, mm',
    words: (mm) => `Thread every ${mm} mm`,
  },
  {
    key: 'rodPieces',
    kind: 'choice',
    label: 'Pieces on a rod',
    options: named(ROD_PLACES, (r) => ROD_NAMES[r]),
    words: (r) => `Pieces ${ROD_NAMES[r]}`,
  },
  {
    key: 'tail',
    kind: 'choice',
    label: 'Tails',
    testId: 'tail',
    options: named(['plait', 'twist', 'smooth'], (t) => TAIL_NAMES[t]),
    words: (t) => `Tails ${TAIL_NAMES[t]}`,
  },
];

/** Those that the family in force has. */
export const settingsOf = ({ family }: BaseChoice) => {
  const has: readonly PropertyKey[] = FAMILY_INFO[family].settings;
  return SETTINGS.filter(({ key }) => has.includes(key));
};

export const LEFT_OUT: ReadonlyArray<FieldEntry<BaseChoice['leftOut']>> = [
  {
    key: 'where',
    kind: 'choice',
    label: 'A strip left out',
    wide: true,
    testId: 'strip',
    options: named(STRIPS, (s) => STRIP_NAMES[s]),
    words: (s) => `Left out: ${STRIP_NAMES[s]}`,
  },
  {
    key: 'fingers',
    kind: 'number',
    label: 'Strip, fingers wide',
    when: ({ where }) => where !== 'none',
    beside: 'Free a narrow one first and widen it at the end: too much has to be stuffed away again.',
    words: (n) => `Strip of ${n} fingers`,
  },
  {
    key: 'atEnd',
    kind: 'choice',
    label: 'Once all is in',
    wide: true,
    testId: 'strip-at-end',
    when: ({ where }) => where !== 'none',
    options: named(STRIPS_AT_END, (s) => STRIP_AT_END_NAMES[s]),
    words: (s) => `The strip: ${STRIP_AT_END_NAMES[s]}`,
  },
];

export const FOUND: ReadonlyArray<FieldEntry<BaseChoice['found']>> = [
  {
    key: 'what',
    kind: 'choice',
    label: 'What is there',
    wide: true,
    options: named(FOUND_KINDS, (k) => FOUND_NAMES[k]),
    words: (k) => FOUND_NAMES[k],
  },
  { key: 'ageDays', kind: 'number', label: 'Days old', words: (n) => `${n} days old` },
];
