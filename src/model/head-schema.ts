/** Validators of what is measured, painted and parted on her head. */
import { array, boolean, object, string } from 'yup';
import { HAIRLINE_LIMIT_MM, MOST_READINGS, RELIEF_TEXT, SIDE_POINTS, type SidePoint } from '../core/head/index.ts';
import {
  CURLS,
  FULLNESS,
  MARK_KINDS,
  PART_LIMITS,
  REGIONS,
  STRANDS,
  TAPE_INFO,
  TAPE_LIMITS_MM,
  TAPE_MEASURES,
  type TapeMeasure,
} from '../core/trade/index.ts';
import { amount, choice, directions, lengthText, oneShape, text, writtenLength } from './checks.ts';

export const MOST_MARKS = 300;

const aside = PART_LIMITS.asideMm;

const lineFields = {
  kind: choice(['line'], 'The kind of part'),
  frontMm: amount(-aside, aside, 'The front end of the part'),
  endMm: amount(-aside, aside, 'The back end of the part'),
  lengthMm: amount(PART_LIMITS.shortestMm, PART_LIMITS.longestMm, 'The length of the part'),
  bendMm: amount(-PART_LIMITS.bendMm, PART_LIMITS.bendMm, 'The bend of the part'),
};

export const linePart = object(lineFields).noUnknown().strict().required();

/** A second line, and whether rows follow the part at all. */
export const parting = object({
  second: object(lineFields).noUnknown().strict().optional().default(undefined),
  onlyWorn: boolean().strict().required(),
})
  .noUnknown()
  .strict()
  .required();

export const noPart = object({ kind: choice(['crown', 'swept'], 'The kind of part') })
  .noUnknown()
  .strict()
  .required();

const readings = (m: TapeMeasure) =>
  array(writtenLength(...TAPE_LIMITS_MM[m], TAPE_INFO[m].name))
    .required(`${TAPE_INFO[m].name} is missing.`)
    .max(MOST_READINGS, `${TAPE_INFO[m].name}: at most ${MOST_READINGS} readings are kept.`);

export const measures = Object.fromEntries(TAPE_MEASURES.map((m) => [m, readings(m)])) as Record<
  TapeMeasure,
  ReturnType<typeof readings>
>;

/** What is kept of a scan: what it was called, and how its shape stands out from the head that fits its measures. */
export const scan = object({
  name: text('The name of a scan').max(120, 'The name of a scan is too long.'),
  relief: string().strict().required().matches(RELIEF_TEXT, 'The shape of a scan can’t be read.'),
})
  .noUnknown()
  .strict()
  .optional()
  .default(undefined);

export const offset = amount(-HAIRLINE_LIMIT_MM, HAIRLINE_LIMIT_MM, 'A point of the hairline');

export const sideOffsets = object(
  Object.fromEntries(SIDE_POINTS.map((p) => [p, offset])) as Record<SidePoint, typeof offset>,
)
  .noUnknown()
  .strict()
  .required();

export const mark = object({
  kind: choice(MARK_KINDS, 'The kind of a mark'),
  erase: boolean().strict().required(),
  place: oneShape('The place of a mark', {
    region: object({ region: choice(REGIONS, 'The region') }),
    stroke: object({
      stroke: object({
        points: directions(400).min(1, 'A stroke needs a place.'),
        radiusMm: amount(2, 60, 'The width of a brush'),
      })
        .noUnknown()
        .strict()
        .required(),
    }),
  }),
})
  .noUnknown()
  .strict();

const OWN_LENGTH = [5, 1500, 'The length of your own hair'] as const;
export const ownLength = writtenLength(...OWN_LENGTH);

export const hairOfPlace = {
  length: lengthText(...OWN_LENGTH),
  strand: choice(STRANDS, 'The strand'),
  fullness: choice(FULLNESS, 'The fullness of your hair'),
  curl: choice(CURLS, 'The curl of your hair'),
};

/** Only what differs from the rest of her hair. */
export const regionHair = object({
  length: hairOfPlace.length.optional(),
  strand: hairOfPlace.strand.notRequired(),
  fullness: hairOfPlace.fullness.notRequired(),
  curl: hairOfPlace.curl.notRequired(),
})
  .noUnknown()
  .strict()
  .optional()
  .default(undefined);
