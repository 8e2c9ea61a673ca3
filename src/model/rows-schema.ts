/** Row choices, brush, changes by hand and wishes, as they are written. */
import { array, boolean, object, string } from 'yup';
import {
  BORDER_KNOTS,
  BORDER_WHENS,
  BORDER_WHERES,
  FRINGES,
  INTO_LIMITS,
  INTO_WAYS,
  INTO_WHENS,
  KNOT_KINDS,
  ROW_LIMITS,
  ROWS_FOLLOWED,
  SCHEMES,
  SECOND_PASSES,
  SPACING_LIMITS_FINGERS,
  THROUGHS,
  ZONES,
} from '../core/trade/index.ts';
import { amount, changeId, choice, count, direction, directions, hasOwnIds, oneShape, within } from './checks.ts';

const strokeOfBrush = object({
  stroke: object({
    points: directions(400).min(1, 'A stroke needs a place.'),
    radiusMm: amount(2, 80, 'The width of a brush'),
  })
    .noUnknown()
    .strict()
    .required(),
  factor: within(ROW_LIMITS.brushFactor, 'What the brush does'),
})
  .noUnknown()
  .strict();
const handChange = oneShape('A change by hand', {
  pull: object({
    id: changeId,
    op: choice(['pull'], ''),
    at: direction,
    mm: within(ROW_LIMITS.pullMm, 'The way a row is pulled'),
  }),
  move: object({ id: changeId, op: choice(['move'], ''), at: direction, to: direction }),
  add: object({ id: changeId, op: choice(['add'], ''), at: direction }),
  remove: object({ id: changeId, op: choice(['remove'], ''), at: direction }),
  lock: object({
    id: changeId,
    op: choice(['lock'], ''),
    line: directions(400).min(2, 'A line needs at least two places.'),
    knots: directions(200),
    closesMm: within(ROW_LIMITS.closesMm, 'The way that a row which is in keeps others off').optional(),
  }),
});
export const rows = object({
  /** Left out where rows follow the base. */
  scheme: choice(SCHEMES, 'The row scheme').optional(),
  secondPass: choice(SECOND_PASSES, 'The second pass'),
  follow: choice(ROWS_FOLLOWED, 'Which rows are followed'),
  /** Ids of rows that are there and that no piece follows. */
  off: array(string().strict().required().max(40)).required().max(80, 'At most 80 rows can be switched off.'),
  /** Lines between sections of the base stay free of knots. */
  keepLines: boolean().strict().required(),
  offset: within(ROW_LIMITS.offset, 'How far the rows are moved'),
  fringe: object({
    how: choice(FRINGES, 'The fringe'),
    widthFingers: within(ROW_LIMITS.fringeFingers, 'The width of the fringe'),
    rows: within(ROW_LIMITS.fringeRows, 'The rows of the fringe', true),
  })
    .noUnknown()
    .strict()
    .required(),
  borderRow: object({
    where: choice(BORDER_WHERES, 'Where a row runs along the border'),
    fingers: within(SPACING_LIMITS_FINGERS, 'The spacing along the border'),
    knot: choice(BORDER_KNOTS, 'The knot along the border'),
    when: choice(BORDER_WHENS, 'When the row along the border is laid'),
  })
    .noUnknown()
    .strict()
    .required(),
  /** Pieces that go into the base, beside the rows. */
  intoBase: array(
    object({
      id: changeId,
      way: choice(INTO_WAYS, 'How pieces go into the base'),
      sections: array(string().strict().required().max(40))
        .required()
        .max(INTO_LIMITS.sections, `At most ${INTO_LIMITS.sections} sections can be named.`),
      pieces: within(INTO_LIMITS.pieces, 'The number of pieces in each tied root', true),
      fingers: within(SPACING_LIMITS_FINGERS, 'The spacing of pieces in the base'),
      reachFingers: within(INTO_LIMITS.reachFingers, 'How far from the tie pieces go'),
      when: choice(INTO_WHENS, 'When pieces go into the base'),
      cut: string().strict().max(40).optional(),
    })
      .noUnknown()
      .strict(),
  )
    .required()
    .max(INTO_LIMITS.most, `At most ${INTO_LIMITS.most} ways into the base can be kept.`)
    .test('ids', 'Two ways into the base have the same id.', hasOwnIds),
  brush: array(strokeOfBrush).required().max(ROW_LIMITS.strokes, `At most ${ROW_LIMITS.strokes} strokes can be kept.`),
  hand: array(handChange)
    .required()
    .max(ROW_LIMITS.hand, `At most ${ROW_LIMITS.hand} changes by hand can be kept.`)
    .test('ids', 'Two changes by hand have the same id.', hasOwnIds),
})
  .noUnknown()
  .strict()
  .required();
export const overrideAt = object({
  id: changeId,
  of: oneShape('The place of a wish', {
    knot: object({ knot: direction }),
    row: object({ row: direction }),
    zone: object({ zone: choice(ZONES, 'The zone') }),
  }),
  wish: object({
    kind: choice(KNOT_KINDS, 'The knot').optional(),
    wraps: count(1, 6, 'The wraps').optional().default(undefined),
    lock: boolean().strict().optional(),
    through: choice(THROUGHS, 'What it goes through').optional(),
    cut: string().strict().max(40).optional(),
  })
    .noUnknown()
    .strict()
    .required(),
})
  .noUnknown()
  .strict();
