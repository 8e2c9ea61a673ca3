/** Rows, knots and the order of work, as the computed plan has them. */
import {
  INTO_WAYS,
  KNOT_KINDS,
  KNOT_ZONES,
  SCHEMES,
  SECOND_PASSES,
  STEP_KINDS,
  STRAND_JOBS,
  THROUGHS,
} from '../core/trade/index.ts';
import { amount, changeId } from '../model/checks.ts';
import { figure, list, oneOf, orNull, record, some, whole, words, yesNo } from './computed-entries.ts';

export const rows = list(
  record({
    id: words,
    label: words,
    kind: oneOf(['whole', 'short', 'front', 'fringe', 'border', 'given', 'base']),
    lengthMm: figure,
    knots: whole,
    startMm: figure,
    endMm: figure,
    locked: yesNo,
    pulled: yesNo,
    second: yesNo,
    pass: oneOf([...SECOND_PASSES, 'fill']),
  }),
);

export const knots = list(
  record({
    number: whole,
    id: words,
    row: words,
    place: whole,
    positionMm: some(3, figure),
    fromMiddleMm: figure,
    zone: oneOf(KNOT_ZONES),
    kind: oneOf(KNOT_KINDS),
    name: words,
    wraps: whole.min(1),
    lock: yesNo,
    through: oneOf(THROUGHS),
    throughWords: words,
    hookDirection: record({ vector: some(3, figure), words: words }),
    reason: words,
    rules: list(record({ id: words, school: orNull(words), saidFor: orNull(words) })),
    where: words,
    piece: record({ product: words, pack: whole, number: whole }),
    colour: words,
    holes: whole,
    entry: words,
    biteMm: figure,
    cut: words,
    into: orNull(oneOf(INTO_WAYS)),
    netHere: oneOf(['net', 'margin', 'cutOut', 'none']),
    byHand: orNull(oneOf(['moved', 'added'])),
  }),
);

export const rowScheme = record({
  scheme: oneOf(SCHEMES),
  secondPass: oneOf(SECOND_PASSES),
  cannotLay: orNull(words),
  there: list(record({ id: words, of: oneOf(['base', 'cap']), on: yesNo })),
  brickScore: amount(0, 1, ''),
  borderRow: orNull(record({ knots: whole, share: figure, centresMm: figure, minutes: whole })),
  intoBase: list(
    record({
      id: words,
      way: oneOf(INTO_WAYS),
      knots: whole,
      sections: list(
        record({
          section: words,
          pieces: whole,
          massG: figure,
          bearsG: some(2, figure),
          room: orNull(whole),
          thicknessMm: figure,
          hidesTie: yesNo,
        }),
      ),
    }),
  ),
  wholeRows: whole,
  insertedRows: whole,
  lostChanges: list(record({ id: changeId, why: words, atMm: some(3, figure) })),
  lostWishes: list(record({ id: changeId, why: words })),
});

export const worklist = list(
  record({
    kind: oneOf(STEP_KINDS),
    what: words,
    how: words,
    minutes: figure,
    waitMinutes: figure,
    tools: list(words),
    wrong: orNull(words),
    caution: orNull(words),
    knots: orNull(record({ from: whole, to: whole })),
  }),
);

export const strands = list(
  record({ id: changeId, job: oneOf(STRAND_JOBS), cut: words, count: whole, atMm: some(3, figure) }),
);
