/** Her own pace, as it is written: factors on what common practice tells. */
import { object } from 'yup';
import { KNOT_KINDS, KNOT_ZONES } from '../core/trade/index.ts';
import { amount, count } from './checks.ts';

export const PACE_LIMITS = [0.2, 5] as const;

const factor = (what: string) => amount(...PACE_LIMITS, what);
const factors = <K extends string>(keys: readonly K[], what: string) =>
  object(
    Object.fromEntries(keys.map((k) => [k, factor(what).optional()])) as Record<
      K,
      ReturnType<ReturnType<typeof factor>['optional']>
    >,
  )
    .noUnknown()
    .strict()
    .required();

export const ownPace = object({
  /** What it is learned from; none where she says it herself. */
  knots: count(0, 1_000_000, 'Knots that were timed'),
  styles: count(0, 10_000, 'Styles that were timed'),
  factor: factor('Your pace'),
  byKind: factors(KNOT_KINDS, 'Your pace with a kind of knot'),
  byZone: factors(KNOT_ZONES, 'Your pace at a place'),
  tiresAnHour: amount(0, 1, 'How much slower you get by the hour'),
  /** Of a style that is still to come, standard deviation of the logarithm. */
  sd: amount(0, 2, 'How sure your pace is'),
})
  .noUnknown()
  .strict()
  .optional()
  .default(undefined);
