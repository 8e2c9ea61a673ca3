/**
 * The plan document: a small plain record of choices. Everything else is worked out from it. Lengths stay as
 * she wrote them, in her unit; the validator reads them once more on the way in.
 */
import {
  array,
  boolean,
  type InferType,
  mixed,
  number,
  object,
  string,
  type TestContext,
  type ValidationError,
} from 'yup';
import { MOST_OVERRIDES } from '../core/knots/index.ts';
import {
  FINGER_COUNTS,
  FINGER_LIMITS_MM,
  HAIR_REGIONS,
  type HairRegion,
  HEAD_SIZES,
  LEAST_CENTRES_MM,
  MOST_CUTS,
  MOST_PLACES,
  MOST_STRANDS,
  PACES,
  PIECE_ZONES,
  type PieceZone,
  PRODUCT_LIMITS,
  REQUIREMENTS,
  SCHOOL_VALUES,
  type SchoolName,
  SIZED_BYS,
  SPACING_LIMITS_FINGERS,
  TAPE_MEASURES,
  TEST_ROW_LIMITS,
  WHOMS,
} from '../core/trade/index.ts';
import { base } from './base-schema.ts';
import { cap } from './cap-schema.ts';
import { amount, choice, count, hasOwnIds, lengthText, text, within, writtenLength } from './checks.ts';
import { areColours, colours } from './colours-schema.ts';
import { buying, evenings, wornDays } from './evenings-schema.ts';
import { type Fingers, fingerOf } from './fingers.ts';
import { cut, fill, productSchema, strand, zonePiece } from './hair-schema.ts';
import {
  hairOfPlace,
  linePart,
  MOST_MARKS,
  mark,
  measures,
  noPart,
  offset,
  ownLength,
  parting,
  regionHair,
  scan,
  sideOffsets,
} from './head-schema.ts';
import { LENGTH_UNITS, type LengthUnit, quoted } from './lengths.ts';
import { enough, finish, guesses } from './look-schema.ts';
import { ownPace } from './pace-schema.ts';
import { placeSchools, schoolChoice } from './places-schema.ts';
import { overrideAt, rows } from './rows-schema.ts';

export const PLAN_FORMAT = 'meshwork-plan';
export const PLAN_VERSION = 10;

export const SKIN_TONES = ['light', 'brown', 'deep'] as const;

/** Ids of the records of a list, whatever it really is. */
const idsIn = (list: unknown): unknown[] =>
  Array.isArray(list) ? list.map((r) => (r as { id?: unknown } | null)?.id) : [];

/** Whether each of these is a cut of the plan; one that may be left out, and is, has its own check where it may not. */
function areCuts(named: readonly unknown[], context: TestContext): boolean {
  const ids = idsIn((context.parent as { cuts?: unknown }).cuts);
  return named.every((id) => id === undefined || ids.includes(id));
}

/** From knot to knot nothing nearer than a hook needs can be laid: it is refused, not laid wider without a word. */
function canBeLaid(
  spacing: { readonly said?: string; readonly fingers?: object } | undefined,
  context: TestContext,
): true | ValidationError {
  const { fingers, unit } = context.parent as { fingers?: Fingers; unit?: LengthUnit };
  const finger = fingerOf(fingers, unit ?? 'cm');
  if (finger === undefined || spacing?.said !== 'centres') return true;
  const near = Object.values(spacing.fingers ?? {}).find(
    // What is outside the limits has its own sentence.
    (f) => typeof f === 'number' && f >= SPACING_LIMITS_FINGERS[0] && f * finger < LEAST_CENTRES_MM - 1e-9,
  );
  if (near === undefined) return true;
  return context.createError({
    message: `${near} of a finger is ${Math.round(10 * near * finger) / 10} mm from knot to knot: nearer than ${LEAST_CENTRES_MM} mm no hook passes.`,
  });
}

/** Left out where it is left to the hair. */
const zoneFingers = (what: string) => amount(SPACING_LIMITS_FINGERS[0], SPACING_LIMITS_FINGERS[1], what).optional();

export const planSchema = object({
  format: choice([PLAN_FORMAT], 'The format'),
  version: number().strict().oneOf([PLAN_VERSION]).required(),
  id: text('The plan’s id'),
  name: text('The plan’s name'),
  wearer: string().strict().defined().max(120),
  unit: choice(LENGTH_UNITS, 'The unit'),
  currency: string().strict().required().max(4),
  skin: choice(SKIN_TONES, 'The skin tone'),
  fingers: object({
    count: number<(typeof FINGER_COUNTS)[number]>()
      .strict()
      .oneOf([...FINGER_COUNTS], 'A finger is measured alone, or four together.')
      .required(),
    width: string()
      .strict()
      .required('A finger’s width is missing.')
      .max(40)
      .test('finger', (text, context) => {
        const { unit } = (context.from?.at(-1)?.value ?? {}) as { unit?: LengthUnit };
        const finger = fingerOf(context.parent as Fingers, unit ?? 'cm');
        if (finger === undefined)
          return context.createError({ message: `A finger’s width: ${quoted(text)} isn’t a length.` });
        const [low, high] = FINGER_LIMITS_MM;
        if (finger >= low && finger <= high) return true;
        return context.createError({
          message: `A finger’s width: that makes ${finger.toFixed(0)} mm for one finger; it should be from ${low} to ${high} mm.`,
        });
      }),
  })
    .noUnknown()
    .strict()
    .required(),
  /** Whose head it is: hers, or one of which only the size is known. */
  madeFor: object({
    whom: choice(WHOMS, 'Whom it is made for'),
    sizedBy: choice(SIZED_BYS, 'What the head is sized by'),
    size: choice(HEAD_SIZES, 'The size of the head'),
    known: string().strict().defined().max(120),
    wornOver: boolean().strict().required(),
  })
    .noUnknown()
    .strict()
    .required(),
  tape: object(measures).noUnknown().strict().required(),
  /** Measures that she insists on though the others contradict them. */
  trusted: array(choice(TAPE_MEASURES, 'A measure')).required(),
  /** The shape of a scan, in the size of the tape. */
  scan,
  hairline: object({
    mirrored: boolean().strict().required(),
    front: offset,
    nape: offset,
    left: sideOffsets,
    right: sideOffsets,
  })
    .noUnknown()
    .strict()
    .required(),
  ownHair: object({
    ...hairOfPlace,
    length: ownLength,
    ponytail: lengthText(15, 300, 'The girth of your ponytail'),
    freshEnds: boolean().strict().required(),
    byRegion: object(
      Object.fromEntries(HAIR_REGIONS.map((r) => [r, regionHair])) as Record<HairRegion, typeof regionHair>,
    )
      .noUnknown()
      .strict()
      .required(),
  })
    .noUnknown()
    .strict()
    .required(),
  marks: array(mark).required().max(MOST_MARKS, `At most ${MOST_MARKS} marks can be kept.`),
  wishes: object({
    musts: array(choice(REQUIREMENTS, 'What the style must do')).required(),
    baseMinutes: amount(5, 1000, 'The time for the base').optional(),
  })
    .noUnknown()
    .strict()
    .required(),
  base,
  cap,
  part: mixed<InferType<typeof linePart> | InferType<typeof noPart>>()
    .meta({ shapes: { line: linePart, none: noPart } })
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
  parting,
  products: array(productSchema)
    .required()
    .min(1, 'A plan needs a product.')
    .max(PRODUCT_LIMITS.products, `At most ${PRODUCT_LIMITS.products} products can be kept.`)
    .test('ids', 'Two products have the same id.', hasOwnIds),
  cuts: array(cut)
    .required()
    .min(1, 'A plan needs a cut.')
    .max(MOST_CUTS, `At most ${MOST_CUTS} cuts can be kept.`)
    .test('ids', 'Two cuts have the same id.', hasOwnIds)
    .test('product', 'A cut is of a product that is not in the plan.', (cuts, context) => {
      const ids = idsIn((context.parent as { products?: unknown }).products);
      return (cuts ?? []).every((c) => ids.includes(c?.product));
    }),
  pieces: object(Object.fromEntries(PIECE_ZONES.map((z) => [z, zonePiece])) as Record<PieceZone, typeof zonePiece>)
    .noUnknown()
    .strict()
    .required()
    .test('cuts', 'A zone is hooked with a cut that is not in the plan.', (zones, context) =>
      areCuts(
        Object.values(zones ?? {}).flatMap((z) => [z?.cut, z?.mixed?.cut]),
        context,
      ),
    ),
  rows: rows.test('cuts', 'A piece that goes into the base is of a cut that is not in the plan.', (value, context) =>
    areCuts(
      ((value as { intoBase?: ReadonlyArray<{ cut?: unknown }> } | undefined)?.intoBase ?? []).map((e) => e?.cut),
      context,
    ),
  ),
  knotWishes: array(overrideAt)
    .required()
    .max(MOST_OVERRIDES, `At most ${MOST_OVERRIDES} choices of knots can be kept.`)
    .test('ids', 'Two choices of knots have the same id.', hasOwnIds),
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
    .required()
    .test('laid', 'No hook passes between knots so near.', canBeLaid),
  schools: object(
    Object.fromEntries((Object.keys(SCHOOL_VALUES) as SchoolName[]).map((n) => [n, schoolChoice(n)])) as {
      [N in SchoolName]: ReturnType<typeof schoolChoice<N>>;
    },
  )
    .noUnknown()
    .strict()
    .required(),
  /** Places whose schools are their own. */
  places: array(placeSchools)
    .required()
    .max(MOST_PLACES, `At most ${MOST_PLACES} places can have schools of their own.`)
    .test('ids', 'Two places have the same id.', hasOwnIds)
    .test('cuts', 'A place is hooked with a cut that is not in the plan.', (places, context) =>
      areCuts(
        (places ?? []).map((p) => p?.cut),
        context,
      ),
    )
    .test('colours', 'A place has a share of a colour that is not in the plan.', (places, context) =>
      areColours(
        (places ?? []).flatMap((p) => Object.keys(p?.colours ?? {})),
        (context.parent as { colours?: { more?: unknown } }).colours?.more,
      ),
    ),
  /** Colours that are mixed, and how much of each where nothing else is said. */
  colours,
  /** Pieces that do a job of their own. */
  strands: array(strand)
    .required()
    .max(MOST_STRANDS, `At most ${MOST_STRANDS} strands with a job can be kept.`)
    .test('ids', 'Two strands have the same id.', hasOwnIds)
    .test('cuts', 'A strand is of a cut that is not in the plan.', (strands, context) =>
      areCuts(
        (strands ?? []).map((s) => s?.cut),
        context,
      ),
    ),
  fill: fill.test('cut', 'What is filled in is of a cut that is not in the plan.', (value, context) =>
    areCuts([(value as { cut?: unknown } | undefined)?.cut], context),
  ),
  finish,
  enough,
  guesses,
  reserveShare: amount(0, 0.5, 'The reserve'),
  pace: choice(PACES, 'Your pace'),
  /** Pieces hooked as a trial at the gap of the top. */
  testRow: object({
    pieces: within(TEST_ROW_LIMITS.pieces, 'Pieces of a test row', true),
    span: writtenLength(...TEST_ROW_LIMITS.spanMm, 'How far a test row reaches'),
    minutes: within(TEST_ROW_LIMITS.minutes, 'Minutes of a test row'),
  })
    .noUnknown()
    .strict()
    .optional()
    .default(undefined),
  /** Pieces used for each that was planned, over so many installs of her log. */
  logged: object({
    installs: count(1, 200, 'Installs of the log'),
    usedOverPlanned: amount(0.3, 3, 'Pieces used for each planned'),
  })
    .noUnknown()
    .strict()
    .optional()
    .default(undefined),
  /** Her own pace, as her earlier styles show it or as she says it. */
  ownPace,
  /** When she works on it, how long she means to wear it, and how she would like to buy for it. */
  evenings,
  wornDays,
  buying,
  /** Stations that she has looked at and changed or confirmed. */
  settled: array(string().strict().required().max(20)).required(),
})
  .noUnknown(({ unknown }: { unknown?: string }) => `The entry ${unknown ?? ''} is not known here.`)
  .strict();

/** What a checked document is: read only, and an entry that may be left out is there or isn't, never undefined. */
type Kept<T> = T extends object ? { readonly [K in keyof T]: Kept<Exclude<T[K], undefined | null>> } : T;

export type PlanDocument = Kept<InferType<typeof planSchema>>;

/** Lengths as she wrote them. */
export type CapAsWritten = PlanDocument['cap'];
export type ProductAsWritten = PlanDocument['products'][number];
export type HairAsWritten = Pick<PlanDocument['ownHair'], 'length' | 'strand' | 'fullness' | 'curl'>;
