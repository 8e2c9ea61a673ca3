/** Places whose schools are their own, as they are written. */
import { array, object, string } from 'yup';
import {
  REGIONS,
  SCHOOL_PLACES,
  SCHOOL_VALUES,
  SCHOOLS_BY_PLACE,
  type SchoolByPlace,
  type Schools,
  SECOND_PASSES,
} from '../core/trade/index.ts';
import { amount, changeId, choice, directions, oneShape } from './checks.ts';
import { ownColourShares } from './colours-schema.ts';

/** One school as it may be chosen. */
export const schoolChoice = <N extends keyof Schools>(name: N) =>
  choice<Schools[N]>(SCHOOL_VALUES[name] as readonly string[] as readonly Schools[N][], `The school ${name}`);

const painted = object({
  points: directions(400).min(1, 'A stroke needs a place.'),
  radiusMm: amount(2, 80, 'The width of a brush'),
})
  .noUnknown()
  .strict();

const ownChoice = <N extends SchoolByPlace>(name: N) => schoolChoice(name).optional();

export const placeSchools = object({
  id: changeId,
  where: oneShape('The place of a school', {
    zone: object({ zone: choice(SCHOOL_PLACES, 'The zone') }),
    region: object({ region: choice(REGIONS, 'The region') }),
    painted: object({ painted: array(painted).required().min(1, 'Nothing is painted.').max(60, 'Too many strokes.') }),
  }),
  schools: object(
    Object.fromEntries(SCHOOLS_BY_PLACE.map((n) => [n, ownChoice(n)])) as {
      [N in SchoolByPlace]: ReturnType<typeof ownChoice<N>>;
    },
  )
    .noUnknown()
    .strict()
    .required(),
  secondPass: choice(SECOND_PASSES, 'The second pass').optional(),
  cut: string().strict().max(40).optional(),
  colours: ownColourShares,
})
  .noUnknown()
  .strict();
