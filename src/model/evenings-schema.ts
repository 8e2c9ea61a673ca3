/** When she works on it, and how she would like to buy, as they are written. Either may be left out: then nothing is forecast. */
import { array, number, object, string } from 'yup';
import { BUYING_AIMS, LONGEST_EVENING, SURENESSES, WEEKDAYS } from '../core/trade/index.ts';
import { amount, choice, count } from './checks.ts';
import { isWrittenDay } from './days.ts';

/** "19:30" */
const HOUR = /^([01]\d|2[0-3]):[0-5]\d$/;

const dayText = (what: string) =>
  string()
    .strict()
    .test('day', `${what} has to be a day such as 2027-03-14.`, (v) => v === undefined || isWrittenDay(v));

export const evenings = object({
  first: dayText('The first evening').required('The first evening is missing.'),
  at: string().strict().required('The hour is missing.').matches(HOUR, 'The hour has to be written as 19:30.'),
  minutes: count(20, LONGEST_EVENING, 'Minutes of an evening'),
  days: array(choice(WEEKDAYS, 'A day of the week'))
    .required()
    .min(1, 'There has to be a day on which you work.')
    .max(WEEKDAYS.length, 'A week has seven days.'),
  breakEvery: count(15, 240, 'Minutes before a break'),
  breakFor: count(0, 60, 'Minutes of a break'),
  finishBy: dayText('The day it has to be done').optional(),
})
  .noUnknown()
  .strict()
  .optional()
  .default(undefined)
  .test('order', 'It can’t be done before the first evening.', (value) => {
    return value?.finishBy === undefined || value.finishBy >= value.first;
  });

export const wornDays = count(1, 180, 'Days worn').optional();

export const buying = object({
  aim: choice(BUYING_AIMS, 'What matters when you buy'),
  sure: number()
    .strict()
    .oneOf([...SURENESSES], 'How sure it has to last: a half, four in five, nineteen in twenty.')
    .required(),
  /** CIEDE2000, from the colour of the packs. */
  colourWithin: amount(0, 20, 'How far a colour may be off'),
  longerCutDown: choice(['yes', 'no'], 'Longer hair cut down'),
  budget: amount(0, 100_000, 'The budget').optional(),
  by: dayText('The day it has to be there').optional(),
})
  .noUnknown()
  .strict()
  .optional()
  .default(undefined);
