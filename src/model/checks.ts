/** What entries of a document are checked by: numbers within limits, choices, lengths as text, places on the head. */
import { type AnyObject, array, type InferType, mixed, number, type ObjectSchema, setLocale, string, tuple } from 'yup';
import { type Fingers, readLength } from './fingers.ts';
import { type LengthUnit, quoted } from './lengths.ts';

/** Where a check has no words of its own, these are said in place of the library’s. */
setLocale({
  mixed: {
    default: 'An entry is not as it should be.',
    required: 'An entry is missing.',
    defined: 'An entry is missing.',
    notNull: 'An entry is empty.',
    notType: 'An entry is of another kind than it should be.',
    oneOf: 'An entry is none of those that are known here.',
  },
  string: { min: 'An entry is too short.', max: 'An entry is too long.' },
  number: { min: 'A number is too small.', max: 'A number is too large.', integer: 'A number has to be whole.' },
  array: { min: 'A list is too short.', max: 'A list is too long.', length: 'A list has another length.' },
  tuple: { notType: 'A place has to be two numbers of degrees.' },
  // biome-ignore lint/suspicious/noTemplateCurlyInString: the library puts the name in
  object: { noUnknown: 'The entry ${unknown} is not known here.' },
});

export const clipped = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);

/** What is said back is one line, and no longer than can be read, whatever it quotes. */
export function oneSentence(message: string): string {
  return clipped(message.replace(/[\s\u0000-\u001f\u007f-\u009f\u2028\u2029]+/g, ' ').trim(), 240);
}

/** A length as text that means a length within limits; empty means not measured. */
export const lengthText = (low: number, high: number, what: string) =>
  string()
    .defined()
    .max(40)
    .test('length', (text, context) => {
      if (typeof text !== 'string' || text.trim() === '') return true;
      const plan = context.from?.at(-1)?.value as { unit?: LengthUnit; fingers?: Fingers } | undefined;
      const parsed = readLength(text, plan?.unit ?? 'cm', plan?.fingers);
      if (!parsed.ok) return context.createError({ message: `${what}: ${parsed.why}` });
      if (parsed.value < low || parsed.value > high) {
        return context.createError({
          message: `${what}: ${quoted(text)} is ${(parsed.value / 10).toFixed(1)} cm; it should be from ${low / 10} to ${high / 10} cm.`,
        });
      }
      return true;
    });

/** A length that has to be there: blanks are nothing written. */
export const writtenLength = (low: number, high: number, what: string) =>
  lengthText(low, high, what)
    .required(`${what} is missing.`)
    .test('written', `${what}: nothing is written there.`, (t) => t.trim() !== '');

export const amount = (low: number, high: number, what: string) =>
  number()
    .strict()
    .required(`${what} is missing.`)
    .min(low, `${what} has to be at least ${low}.`)
    .max(high, `${what} can be at most ${high}.`);
export const count = (low: number, high: number, what: string) =>
  amount(low, high, what).integer(`${what} has to be a whole number.`);
export const choice = <T extends string>(options: readonly T[], what: string) =>
  string()
    .strict()
    .oneOf([...options], `${what} has to be one of ${options.join(', ')}.`)
    .required(`${what} is missing.`);
export const text = (what: string) =>
  string().strict().required(`${what} is missing.`).max(120, `${what} is too long.`);
export const within = (limits: readonly [number, number], what: string, whole = false) =>
  whole ? count(limits[0], limits[1], what) : amount(limits[0], limits[1], what);
/** Id of a change that is kept in a list. */
export const changeId = string().strict().required('The id of a change is missing.').min(1).max(40);
export const hasOwnIds = (records: readonly { readonly id?: unknown }[] | undefined) =>
  new Set((records ?? []).map((r) => r?.id)).size === (records ?? []).length;
export const recordId = (what: string) => string().strict().required(`${what} is missing.`).min(1).max(40);

/** A value that has to fit one of several shapes; the first key that it holds says which. */
export function oneShape<S extends Readonly<Record<string, ObjectSchema<AnyObject>>>>(what: string, shapes: S) {
  return mixed<InferType<S[keyof S]>>()
    .meta({ shapes })
    .required(`${what} is missing.`)
    .test('shape', (value, context) => {
      if (typeof value !== 'object' || value === null) return context.createError({ message: `${what} is no record.` });
      const said = (value as AnyObject).op;
      const name = typeof said === 'string' ? said : Object.keys(shapes).find((key) => key in value);
      const shape = name === undefined || !Object.hasOwn(shapes, name) ? undefined : shapes[name];
      if (!shape) return context.createError({ message: `${what} is of no known kind.` });
      try {
        shape.noUnknown().strict().validateSync(value, { strict: true });
        return true;
      } catch (error) {
        return context.createError({ message: (error as Error).message });
      }
    });
}

export const LOWEST_PLACE_DEG = -60;
/** A direction from the middle of the head: azimuth and elevation, degrees. */
export const direction = tuple([
  amount(-180, 180, 'The azimuth of a place'),
  // Lower lies the neck.
  amount(LOWEST_PLACE_DEG, 90, 'The elevation of a place'),
]).required('A place on the head is missing.');
export const directions = (most: number) => array(direction).required().max(most, 'That line has too many points.');
