/** Validator of the base: the family, what it is told, edits in order, where tails are parked. */
import { array, boolean, type InferType, mixed, object, string } from 'yup';
import { LONGEST_MOVE_MM } from '../core/base/index.ts';
import {
  BASE_LIMITS,
  BOX_SHAPES,
  FAMILIES,
  FOUND_KINDS,
  PARKINGS,
  ROD_PLACES,
  STRIPS,
  STRIPS_AT_END,
  TIE_PLACES,
} from '../core/trade/index.ts';
import { amount, changeId, choice, direction, directions, hasOwnIds, oneShape, within } from './checks.ts';

const sectionId = string().strict().required('A section is missing.').max(40);

const move = amount(-LONGEST_MOVE_MM, LONGEST_MOVE_MM, 'The way a line was moved');

const edit = oneShape('A change to the base', {
  move: object({ id: changeId, op: choice(['move'], ''), a: sectionId, b: sectionId, startMm: move, endMm: move }),
  cut: object({
    id: changeId,
    op: choice(['cut'], ''),
    section: sectionId,
    line: directions(400).min(2, 'A line needs at least two places.'),
  }),
  merge: object({ id: changeId, op: choice(['merge'], ''), a: sectionId, b: sectionId }),
  tie: object({ id: changeId, op: choice(['tie'], ''), section: sectionId, at: direction }),
  even: object({
    id: changeId,
    op: choice(['even'], ''),
    locked: array(string().strict().required().max(90)).required(),
  }),
});

const parking = object({
  how: choice(PARKINGS, 'Where a tail is parked'),
  to: mixed<[number, number]>()
    .meta({ direction: true })
    .test(
      'direction',
      'A place on the head has to be two numbers of degrees.',
      (v) => v === undefined || direction.isValidSync(v, { strict: true }),
    )
    .optional(),
  into: string().strict().max(40).optional(),
})
  .noUnknown()
  .strict();

const L = BASE_LIMITS;

export const base = object({
  family: choice(FAMILIES, 'The base'),
  behind: within(L.behind, 'Sections behind', true),
  front: within(L.front, 'Sections in front', true),
  count: within(L.count, 'The number of sections', true),
  boxes: choice(BOX_SHAPES, 'The shape of the boxes'),
  boxFingers: within(L.boxFingers, 'The size of a box'),
  topFingers: within(L.topFingers, 'How far back the top goes'),
  tieAt: choice(TIE_PLACES, 'The place of the tie'),
  ringFingers: within(L.ringFingers, 'The ring of own hair'),
  wrapPitchMm: within(L.wrapPitchMm, 'The pitch of the wrap'),
  rodPieces: choice(ROD_PLACES, 'Where pieces go on a rod'),
  tail: choice(['plait', 'twist', 'smooth'], 'How tails are bound'),
  tipsWaxed: boolean().strict().required(),
  leftOut: object({
    where: choice(STRIPS, 'The strip left out'),
    fingers: within(L.strip, 'The strip left out'),
    atEnd: choice(STRIPS_AT_END, 'What is done to the strip at the end'),
  })
    .noUnknown()
    .strict()
    .required(),
  found: object({
    what: choice(FOUND_KINDS, 'What is already there'),
    ageDays: within(L.ageDays, 'The age of the base', true),
    lines: array(directions(400).min(2, 'A line needs at least two places.'))
      .required()
      .max(L.lines, `At most ${L.lines} lines can be entered.`),
  })
    .noUnknown()
    .strict()
    .required(),
  edits: array(edit)
    .required()
    .max(L.edits, `At most ${L.edits} changes can be kept on one base.`)
    .test('ids', 'Two changes to the base have the same id.', hasOwnIds),
  locked: array(string().strict().required().max(90)).required(),
  parking: object({
    all: choice(PARKINGS, 'Where tails are parked').optional(),
    bySection: mixed<Record<string, InferType<typeof parking>>>()
      .meta({ each: parking })
      .required()
      .test('parking', (value, context) => {
        if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
        try {
          for (const p of Object.values(value)) parking.validateSync(p, { strict: true });
          return true;
        } catch (error) {
          return context.createError({ message: (error as Error).message });
        }
      }),
  })
    .noUnknown()
    .strict()
    .required(),
})
  .noUnknown()
  .strict()
  .required();
