/**
 * The plan document: a small plain record of choices. Everything else is worked out from it. Lengths stay as
 * she wrote them, in her unit; the validator reads them once more on the way in.
 */
import { array, boolean, type InferType, mixed, number, object, string } from 'yup';
import { CAPS } from '../core/cap/dome.ts';
import { FULLNESS, STRANDS } from '../core/hair/own-hair.ts';
import { LOOPS, SPLITS } from '../core/hair/product.ts';
import { TEXTURES } from '../core/hair/textures.ts';
import { TAPE_INFO, TAPE_MEASURES, type TapeMeasure } from '../core/head/tape.ts';
import { SCHOOL_OPTIONS, type SchoolName } from '../core/knots/schools.ts';
import { REGIONS } from '../core/pipeline/inputs.ts';
import { PART_LIMITS } from '../core/rows/part.ts';
import { PACES } from '../core/time/estimate.ts';
import { LENGTH_UNITS, type LengthUnit, parseLength } from './lengths.ts';

export const PLAN_FORMAT = 'meshwork-plan';
export const PLAN_VERSION = 1;

export const SKIN_TONES = ['light', 'brown', 'deep'] as const;

/** Readings outside these can't come from an adult head, mm (common practice, generous). */
export const TAPE_LIMITS_MM: Readonly<Record<TapeMeasure, readonly [number, number]>> = {
  girth: [420, 720],
  frontToNape: [240, 500],
  earToEarTop: [220, 480],
  earToEarFront: [180, 430],
  templeToTemple: [260, 560],
  napeWidth: [50, 240],
};
export const FINGER_LIMITS_MM = [10, 30] as const;
export const SPACING_LIMITS_FINGERS = [0.25, 4] as const;

/** A length as text that means a length within limits; empty means not measured. */
const lengthText = (low: number, high: number, what: string) =>
  string()
    .defined()
    .max(40)
    .test('length', (text, context) => {
      if (typeof text !== 'string' || text.trim() === '') return true;
      const plan = context.from?.at(-1)?.value as { unit?: LengthUnit; fingerWidth?: unknown } | undefined;
      const parsed = readLength(
        text,
        plan?.unit ?? 'cm',
        typeof plan?.fingerWidth === 'string' ? plan.fingerWidth : undefined,
      );
      if (!parsed.ok) return context.createError({ message: `${what}: ${parsed.why}` });
      if (parsed.value < low || parsed.value > high) {
        return context.createError({
          message: `${what}: “${text.trim()}” is ${(parsed.value / 10).toFixed(1)} cm; it should be from ${low / 10} to ${high / 10} cm.`,
        });
      }
      return true;
    });

/** A length of the plan; fingers are counted in her own finger width. */
export function readLength(text: string, unit: LengthUnit, fingerWidth = '18 mm') {
  const finger = parseLength(fingerWidth, unit === 'finger' ? 'cm' : unit, DEFAULT_FINGER_MM);
  return parseLength(text, unit, finger.ok ? finger.value : DEFAULT_FINGER_MM);
}
export const DEFAULT_FINGER_MM = 18;

const amount = (low: number, high: number, what: string) =>
  number()
    .strict()
    .required(`${what} is missing.`)
    .min(low, `${what} has to be at least ${low}.`)
    .max(high, `${what} can be at most ${high}.`);
const count = (low: number, high: number, what: string) =>
  amount(low, high, what).integer(`${what} has to be a whole number.`);
const choice = <T extends string>(options: readonly T[], what: string) =>
  string()
    .strict()
    .oneOf([...options], `${what} has to be one of ${options.join(', ')}.`)
    .required(`${what} is missing.`);
const text = (what: string) => string().strict().required(`${what} is missing.`).max(120, `${what} is too long.`);
const schoolChoice = (name: SchoolName) =>
  choice(
    SCHOOL_OPTIONS[name].map((o) => o.value),
    `The school ${name}`,
  );

const aside = PART_LIMITS.asideMm;
const linePart = object({
  kind: choice(['line'], 'The kind of part'),
  frontMm: amount(-aside, aside, 'The front end of the part'),
  endMm: amount(-aside, aside, 'The back end of the part'),
  lengthMm: amount(PART_LIMITS.shortestMm, PART_LIMITS.longestMm, 'The length of the part'),
  bendMm: amount(-PART_LIMITS.bendMm, PART_LIMITS.bendMm, 'The bend of the part'),
})
  .noUnknown()
  .strict()
  .required();
const noPart = object({ kind: choice(['crown', 'swept'], 'The kind of part') })
  .noUnknown()
  .strict()
  .required();

const measures = Object.fromEntries(
  TAPE_MEASURES.map((m) => [m, lengthText(...TAPE_LIMITS_MM[m], TAPE_INFO[m].name)]),
) as Record<TapeMeasure, ReturnType<typeof lengthText>>;

const product = object({
  name: text('The product’s name'),
  piecesPerPack: count(1, 400, 'Pieces in a pack'),
  strandsPerPiece: count(1, 400, 'Strands in a piece'),
  packMassG: amount(5, 1000, 'The mass of a pack'),
  length: lengthText(50, 1500, 'The length of a piece').required('The length of a piece is missing.'),
  texture: choice(TEXTURES, 'The texture'),
  loop: choice(LOOPS, 'The loop'),
  loopComesOff: boolean().strict().required(),
  packPrice: amount(0, 10000, 'The price of a pack'),
  split: number()
    .strict()
    .oneOf([...SPLITS], 'Pieces are split in 1, 2, 4, 8 or 16.')
    .required(),
  composed: count(1, 8, 'Pieces twisted into one'),
})
  .noUnknown()
  .strict()
  .required();

const zoneFingers = (what: string) => amount(SPACING_LIMITS_FINGERS[0], SPACING_LIMITS_FINGERS[1], what);

export const planSchema = object({
  format: choice([PLAN_FORMAT], 'The format'),
  version: number().strict().oneOf([PLAN_VERSION]).required(),
  id: text('The plan’s id'),
  name: text('The plan’s name'),
  wearer: string().strict().defined().max(120),
  unit: choice(LENGTH_UNITS, 'The unit'),
  currency: string().strict().required().max(4),
  skin: choice(SKIN_TONES, 'The skin tone'),
  fingerWidth: lengthText(...FINGER_LIMITS_MM, 'A finger’s width').required('A finger’s width is missing.'),
  tape: object(measures).noUnknown().strict().required(),
  ownHair: object({
    length: lengthText(5, 1500, 'The length of your own hair').required(),
    strand: choice(STRANDS, 'The strand'),
    fullness: choice(FULLNESS, 'The fullness of your hair'),
    tender: array(
      string()
        .strict()
        .oneOf([...REGIONS])
        .required(),
    ).required(),
    thin: array(
      string()
        .strict()
        .oneOf([...REGIONS])
        .required(),
    ).required(),
  })
    .noUnknown()
    .strict()
    .required(),
  base: object({ kind: choice(['plaits'], 'The base'), sections: count(4, 12, 'The number of sections') })
    .noUnknown()
    .strict()
    .required(),
  cap: choice(CAPS, 'The cap'),
  part: mixed<InferType<typeof linePart> | InferType<typeof noPart>>()
    .required('The part is missing.')
    .test('part', (value, context) => {
      const schema = (value as { kind?: unknown } | null)?.kind === 'line' ? linePart : noPart;
      try {
        schema.validateSync(value, { strict: true });
        return true;
      } catch (error) {
        return context.createError({ message: (error as Error).message });
      }
    }),
  product,
  spacing: object({
    said: choice(['centres', 'clear'], 'How spacing is said'),
    fingers: object({
      part: zoneFingers('Spacing beside the part'),
      top: zoneFingers('Spacing on top'),
      back: zoneFingers('Spacing at the back'),
      nape: zoneFingers('Spacing at the nape'),
      faceEdge: zoneFingers('Spacing at the face edge'),
    })
      .noUnknown()
      .strict()
      .required(),
  })
    .noUnknown()
    .strict()
    .required(),
  schools: object({
    oneLeg: schoolChoice('oneLeg'),
    oneLegWraps: schoolChoice('oneLegWraps'),
    smoothHold: schoolChoice('smoothHold'),
    through: schoolChoice('through'),
    tender: schoolChoice('tender'),
  })
    .noUnknown()
    .strict()
    .required(),
  reserveShare: amount(0, 0.5, 'The reserve'),
  pace: choice(PACES, 'Your pace'),
  /** Stations that she has looked at and changed or confirmed. */
  settled: array(string().strict().required().max(20)).required(),
})
  .noUnknown(({ unknown }: { unknown?: string }) => `The entry ${unknown ?? ''} is not known here.`)
  .strict();

export type PlanDocument = InferType<typeof planSchema>;
