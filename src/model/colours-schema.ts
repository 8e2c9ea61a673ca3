/** Colours that are mixed in, as they are written. */
import { array, mixed, object, type Schema } from 'yup';
import { OWN } from '../core/colours/index.ts';
import { MOST_KNOTS, PRODUCT_LIMITS } from '../core/trade/index.ts';
import { amount, changeId, hasOwnIds, recordId, text, within } from './checks.ts';

/** Besides the packs’ own: with it four, more no hand keeps apart. */
export const MOST_MIXED = 3;
/** More pieces of one colour nobody counts. */
const MOST_PIECES = 5000;

const mixedColour = object({
  id: changeId.notOneOf([OWN], 'That id is the packs’ own colour.'),
  name: text('The name of a colour'),
  packsAtHand: within(PRODUCT_LIMITS.packsAtHand, 'Packs of a colour at hand', true),
})
  .noUnknown()
  .strict();

const share = amount(0, 1, 'The share of a colour');

/** Shares of what is mixed in, by id: together no more than all. */
const sharesOf = mixed<Record<string, number>>()
  .meta({ each: share })
  .test('shares', (value, context) => {
    if (value === undefined) return true;
    if (typeof value !== 'object' || value === null || Array.isArray(value))
      return context.createError({ message: 'The shares of colours are no record.' });
    try {
      for (const s of Object.values(value)) share.validateSync(s, { strict: true });
    } catch (error) {
      return context.createError({ message: (error as Error).message });
    }
    const sum = Object.values(value).reduce((a, b) => a + b, 0);
    return sum <= 1 + 1e-9 || context.createError({ message: 'Shares of colours come to more than all of it.' });
  });

export const colourShares = sharesOf.required('The shares of colours are missing.');
/** Of a place, where it has its own. */
export const ownColourShares = sharesOf.optional();

/** A record of which every entry is checked alike. */
const recordOf = <T>(each: Schema<T>, what: string) =>
  mixed<Record<string, T>>()
    .meta({ each })
    .required(`${what} are missing.`)
    .test('each', (value, context) => {
      if (typeof value !== 'object' || value === null || Array.isArray(value))
        return context.createError({ message: `${what} are no record.` });
      const entries = Object.values(value);
      if (entries.length > MOST_KNOTS) return context.createError({ message: `${what} are too many.` });
      try {
        for (const entry of entries) each.validateSync(entry, { strict: true });
        return true;
      } catch (error) {
        return context.createError({ message: (error as Error).message });
      }
    });

export const colours = object({
  more: array(mixedColour)
    .required()
    .max(MOST_MIXED, `With the packs’ own, at most ${MOST_MIXED + 1} colours can be mixed.`)
    .test('ids', 'Two colours have the same id.', hasOwnIds),
  noMore: array(recordId('A colour that can’t be had any more'))
    .required()
    .max(MOST_MIXED + 1, 'Too many colours.'),
  shares: colourShares,
  hooked: recordOf(recordId('The colour of a piece that is in'), 'The colours of pieces that are in'),
  left: recordOf(within([0, MOST_PIECES], 'Pieces that are left of a colour', true), 'What is left of colours'),
})
  .noUnknown()
  .strict()
  .required('The colours are missing.')
  .test('known', 'A share is of a colour that is not in the plan.', (value) =>
    areColours(
      [
        ...(value?.noMore ?? []),
        ...Object.keys(value?.shares ?? {}),
        ...Object.values(value?.hooked ?? {}),
        ...Object.keys(value?.left ?? {}),
      ],
      value?.more,
    ),
  );

/** Whether each of these is a colour of the plan. */
export function areColours(ids: readonly unknown[], more: unknown): boolean {
  const known = Array.isArray(more) ? more.map((c) => (c as { id?: unknown } | null)?.id) : [];
  return ids.every((id) => id === OWN || known.includes(id));
}
