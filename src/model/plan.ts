/**
 * The plan document: a small plain record of choices. Everything else is worked out from it. Lengths stay as
 * she wrote them, in her unit; the validator reads them once more on the way in.
 */
import {
  type AnyObject,
  array,
  boolean,
  type InferType,
  mixed,
  number,
  type ObjectSchema,
  object,
  string,
  tuple,
} from 'yup';
import {
  BASE_LIMITS,
  type BaseChoice,
  BOX_SHAPES,
  FAMILIES,
  FOUND_KINDS,
  PARKINGS,
  ROD_PLACES,
  STRIPS,
  TIE_PLACES,
} from '../core/base/choice.ts';
import { LONGEST_MOVE_MM } from '../core/base/edit.ts';
import { MUSTS } from '../core/base/musts.ts';
import {
  BLENDINGS,
  CAP_LIMITS,
  type Cap,
  COMB_PLACES,
  DOMES,
  HOLE_SHAPES,
  OPENINGS,
  OWN_ROWS,
  WIG_HOLDS,
} from '../core/cap/cap.ts';
import { type Cut, DRESSINGS, MOST_CUTS, OPENED_WHEN, SPLITS } from '../core/hair/cuts.ts';
import {
  CURLS,
  FULLNESS,
  HAIR_REGIONS,
  type HairCurl,
  type HairFullness,
  type HairRegion,
  STRANDS,
  type StrandThickness,
} from '../core/hair/own-hair.ts';
import {
  APARTS,
  CONDITIONS,
  FIBRES,
  HOOKEDS,
  LOOPS,
  PRODUCT_LIMITS,
  type Product,
  TUGS,
} from '../core/hair/product.ts';
import { TEXTURES } from '../core/hair/textures.ts';
import { HAIRLINE_LIMIT_MM, type HairlineOffsets, SIDE_POINTS, type SidePoint } from '../core/head/hairline.ts';
import { MARK_KINDS, type Mark, REGIONS } from '../core/head/marks.ts';
import { MOST_READINGS } from '../core/head/readings.ts';
import { TAPE_INFO, TAPE_MEASURES, type TapeMeasure } from '../core/head/tape.ts';
import { KNOT_KINDS, THROUGHS } from '../core/knots/rules.ts';
import { SCHOOL_OPTIONS, type SchoolName, type Schools } from '../core/knots/schools.ts';
import {
  MIX_EVERY,
  MOST_WISHES,
  PIECE_ZONES,
  type PieceZone,
  type WishAt,
  type Wishes,
  ZONES,
  type ZonePiece,
} from '../core/pipeline/inputs.ts';
import { FRINGES, ROW_LIMITS, type RowChoice, SCHEMES, SECOND_PASSES } from '../core/rows/choice.ts';
import { PART_LIMITS } from '../core/rows/part.ts';
import { PACES } from '../core/time/estimate.ts';
import { LENGTH_UNITS, type LengthUnit, parseLength } from './lengths.ts';

export const PLAN_FORMAT = 'meshwork-plan';
export const PLAN_VERSION = 3;

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
export const MOST_MARKS = 300;
export const SPACING_LIMITS_FINGERS = [0.25, 4] as const;

/** A length as text that means a length within limits; empty means not measured. */
const lengthText = (low: number, high: number, what: string) =>
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
          message: `${what}: “${text.trim()}” is ${(parsed.value / 10).toFixed(1)} cm; it should be from ${low / 10} to ${high / 10} cm.`,
        });
      }
      return true;
    });

/** Fingers laid side by side on a ruler, and what the ruler says. */
export interface Fingers {
  readonly count: number;
  readonly width: string;
}
export const FINGER_COUNTS = [1, 4] as const;
export const DEFAULT_FINGER_MM = 18;

/** Width of one finger, mm; undefined where what is written is no length. */
export function fingerOf(fingers: Fingers | undefined, unit: LengthUnit): number | undefined {
  if (fingers === undefined || typeof fingers.width !== 'string') return undefined;
  const parsed = parseLength(fingers.width, unit === 'finger' ? 'cm' : unit, DEFAULT_FINGER_MM);
  return parsed.ok ? parsed.value / (fingers.count === 4 ? 4 : 1) : undefined;
}

/** A length of the plan; fingers are counted in her own finger width. */
export function readLength(text: string, unit: LengthUnit, fingers?: Fingers) {
  return parseLength(text, unit, fingerOf(fingers, unit) ?? DEFAULT_FINGER_MM);
}

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

/** A value that has to fit one of several shapes; the first key that it holds says which. */
function oneShape(what: string, shapes: Readonly<Record<string, ObjectSchema<AnyObject>>>) {
  return mixed<AnyObject>()
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

const readings = (m: TapeMeasure) =>
  array(
    lengthText(...TAPE_LIMITS_MM[m], TAPE_INFO[m].name).test(
      'written',
      `${TAPE_INFO[m].name}: nothing is written there.`,
      (t) => t !== '',
    ),
  )
    .required(`${TAPE_INFO[m].name} is missing.`)
    .max(MOST_READINGS, `${TAPE_INFO[m].name}: at most ${MOST_READINGS} readings are kept.`);
const measures = Object.fromEntries(TAPE_MEASURES.map((m) => [m, readings(m)])) as Record<
  TapeMeasure,
  ReturnType<typeof readings>
>;

const offset = amount(-HAIRLINE_LIMIT_MM, HAIRLINE_LIMIT_MM, 'A point of the hairline');
const sideOffsets = object(Object.fromEntries(SIDE_POINTS.map((p) => [p, offset])) as Record<SidePoint, typeof offset>)
  .noUnknown()
  .strict()
  .required();

/** A direction from the middle of the head: azimuth and elevation, degrees. */
const direction = tuple([
  amount(-180, 180, 'The azimuth of a place'),
  amount(-90, 90, 'The elevation of a place'),
]).required('A place on the head is missing.');
const directions = (most: number) => array(direction).required().max(most, 'That line has too many points.');

const mark = object({
  kind: choice(MARK_KINDS, 'The kind of a mark'),
  erase: boolean().strict().required(),
  place: oneShape('The place of a mark', {
    region: object({ region: choice(REGIONS, 'The region') }),
    stroke: object({
      stroke: object({ points: directions(400).min(1), radiusMm: amount(2, 60, 'The width of a brush') })
        .noUnknown()
        .strict()
        .required(),
    }),
  }),
})
  .noUnknown()
  .strict();

const hairOfPlace = {
  length: lengthText(5, 1500, 'The length of your own hair'),
  strand: choice(STRANDS, 'The strand'),
  fullness: choice(FULLNESS, 'The fullness of your hair'),
  curl: choice(CURLS, 'The curl of your hair'),
};
/** Only what differs from the rest of her hair. */
const regionHair = object({
  length: hairOfPlace.length.optional(),
  strand: hairOfPlace.strand.notRequired(),
  fullness: hairOfPlace.fullness.notRequired(),
  curl: hairOfPlace.curl.notRequired(),
})
  .noUnknown()
  .strict()
  .default(undefined);

const sectionId = string().strict().required('A section is missing.').max(40);
const move = amount(-LONGEST_MOVE_MM, LONGEST_MOVE_MM, 'The way a line was moved');
const edit = oneShape('A change to the base', {
  move: object({ op: choice(['move'], ''), a: sectionId, b: sectionId, startMm: move, endMm: move }),
  cut: object({ op: choice(['cut'], ''), section: sectionId, line: directions(400).min(2) }),
  merge: object({ op: choice(['merge'], ''), a: sectionId, b: sectionId }),
  tie: object({ op: choice(['tie'], ''), section: sectionId, at: direction }),
  even: object({ op: choice(['even'], ''), locked: array(string().strict().required().max(90)).required() }),
});

const parking = object({
  how: choice(PARKINGS, 'Where a tail is parked'),
  to: mixed<[number, number]>()
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

const within = (limits: readonly [number, number], what: string, whole = false) =>
  whole ? count(limits[0], limits[1], what) : amount(limits[0], limits[1], what);
const L = BASE_LIMITS;
const base = object({
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
  leftOut: object({ where: choice(STRIPS, 'The strip left out'), fingers: within(L.strip, 'The strip left out') })
    .noUnknown()
    .strict()
    .required(),
  found: object({
    what: choice(FOUND_KINDS, 'What is already there'),
    ageDays: within(L.ageDays, 'The age of the base', true),
    lines: array(directions(400).min(2)).required().max(L.lines, `At most ${L.lines} lines can be entered.`),
  })
    .noUnknown()
    .strict()
    .required(),
  edits: array(edit).required().max(L.edits, `At most ${L.edits} changes can be kept on one base.`),
  locked: array(string().strict().required().max(90)).required(),
  parking: object({
    all: string()
      .strict()
      .oneOf([...PARKINGS])
      .optional(),
    bySection: mixed<Record<string, { how: string; to?: [number, number]; into?: string }>>()
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

const P = PRODUCT_LIMITS;
const recordId = (what: string) => string().strict().required(`${what} is missing.`).min(1).max(40);
/** One product as she wrote it. */
export const productSchema = object({
  id: recordId('The product’s id'),
  name: text('The product’s name'),
  piecesPerPack: within(P.piecesPerPack, 'Pieces in a pack', true),
  bundlesPerPack: within(P.bundlesPerPack, 'Bundles in a pack', true),
  strandsPerPiece: within(P.strandsPerPiece, 'Strands in a piece', true),
  packMassG: within(P.packMassG, 'The mass of a pack'),
  length: lengthText(...P.lengthMm, 'The length of a piece').required('The length of a piece is missing.'),
  /** Empty while it has not been measured drawn out. */
  drawnOut: lengthText(...P.lengthMm, 'The length of a piece, drawn out'),
  fibre: choice(FIBRES, 'The fibre'),
  heatC: within(P.heatC, 'The heat it bears'),
  texture: choice(TEXTURES, 'The texture'),
  colours: array(text('A colour')).required().min(1, 'A product has a colour.').max(P.colours, 'Too many colours.'),
  loop: choice(LOOPS, 'The loop'),
  loopComesOff: boolean().strict().required(),
  packPrice: within(P.packPrice, 'The price of a pack'),
  composed: within(P.composed, 'Pieces twisted into one', true),
  test: object({
    counted: within(P.piecesPerPack, 'Pieces counted', true).optional().default(undefined),
    tug: choice(TUGS, 'The tug'),
    apart: choice(APARTS, 'Pulling a piece apart'),
    hooked: choice(HOOKEDS, 'The hooked piece'),
  })
    .noUnknown()
    .strict()
    .required(),
  condition: choice(CONDITIONS, 'The condition'),
  timesWorn: within(P.timesWorn, 'Times worn', true),
  packsAtHand: within(P.packsAtHand, 'Packs at hand', true),
  lowerHalfOf: string().strict().max(40).optional(),
})
  .noUnknown()
  .strict();

const share = (what: string) => amount(0, 1, what);
const cut = object({
  id: recordId('The id of a cut'),
  name: text('The name of a cut'),
  product: recordId('The product of a cut'),
  split: number()
    .strict()
    .oneOf([...SPLITS], 'Pieces are split in 1, 2, 4, 8 or 16.')
    .required(),
  half: boolean().strict().required(),
  opened: object({
    when: choice(OPENED_WHEN, 'When strands are opened'),
    strands: share('The share of strands opened'),
    reach: share('How far strands are opened'),
  })
    .noUnknown()
    .strict()
    .required(),
  dressed: choice(DRESSINGS, 'What is done to the curl'),
})
  .noUnknown()
  .strict();

const zonePiece = object({
  cut: recordId('The cut of a zone'),
  mixed: object({
    cut: recordId('The second cut of a zone'),
    every: number()
      .strict()
      .oneOf([...MIX_EVERY], 'Every second to fifth piece can be another one.')
      .required(),
  })
    .noUnknown()
    .strict()
    .optional()
    .default(undefined),
})
  .noUnknown()
  .strict()
  .required();

const C = CAP_LIMITS;
const capSize = (limits: readonly [number, number], what: string) =>
  lengthText(...limits, what).required(`${what} is missing.`);
const cap = object({
  dome: choice(DOMES, 'The cap'),
  opening: choice(OPENINGS, 'The opening of the cap'),
  openingMm: within(C.openingMm, 'The length of the opening'),
  openingWidthMm: within(C.openingWidthMm, 'The width of the opening'),
  band: boolean().strict().required(),
  combs: array(choice(COMB_PLACES, 'The place of a comb')).required().max(3),
  strap: boolean().strict().required(),
  ownRows: choice(OWN_ROWS, 'Ready-made rows'),
  girth: capSize(C.girthMm, 'The girth of the cap'),
  depth: capSize(C.depthMm, 'The depth of the cap'),
  stretch: within(C.stretch, 'The stretch of the cap'),
  hole: choice(HOLE_SHAPES, 'The shape of its holes'),
  holePitchMm: within(C.holePitchMm, 'From hole to hole'),
  surplus: boolean().strict().required(),
  timesWorn: within(C.timesWorn, 'Times worn', true),
  filledOn: choice(['head', 'block'], 'Where it is filled'),
  block: object({
    girth: capSize(C.blockGirthMm, 'The girth of the block'),
    depth: capSize(C.blockDepthMm, 'The block from front to nape'),
  })
    .noUnknown()
    .strict()
    .required(),
  wig: boolean().strict().required(),
  wigHolds: array(choice(WIG_HOLDS, 'What holds the wig')).required().max(4),
  topKept: boolean().strict().required(),
  blending: choice(BLENDINGS, 'Blending pieces'),
})
  .noUnknown()
  .strict()
  .required();

const strokeOfBrush = object({
  stroke: object({ points: directions(400).min(1), radiusMm: amount(2, 80, 'The width of a brush') })
    .noUnknown()
    .strict()
    .required(),
  factor: within(ROW_LIMITS.brushFactor, 'What the brush does'),
})
  .noUnknown()
  .strict();
const handChange = oneShape('A change by hand', {
  pull: object({ op: choice(['pull'], ''), at: direction, mm: within(ROW_LIMITS.pullMm, 'The way a row is pulled') }),
  move: object({ op: choice(['move'], ''), at: direction, to: direction }),
  add: object({ op: choice(['add'], ''), at: direction }),
  remove: object({ op: choice(['remove'], ''), at: direction }),
  lock: object({ op: choice(['lock'], ''), line: directions(400).min(2), knots: directions(200) }),
});
const rows = object({
  scheme: choice(SCHEMES, 'The row scheme'),
  secondPass: choice(SECOND_PASSES, 'The second pass'),
  fringe: object({
    how: choice(FRINGES, 'The fringe'),
    widthFingers: within(ROW_LIMITS.fringeFingers, 'The width of the fringe'),
    rows: within(ROW_LIMITS.fringeRows, 'The rows of the fringe', true),
  })
    .noUnknown()
    .strict()
    .required(),
  brush: array(strokeOfBrush).required().max(ROW_LIMITS.strokes, `At most ${ROW_LIMITS.strokes} strokes can be kept.`),
  hand: array(handChange).required().max(ROW_LIMITS.hand, `At most ${ROW_LIMITS.hand} changes by hand can be kept.`),
})
  .noUnknown()
  .strict()
  .required();
const wishAt = object({
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

/** Ids of the records of a list, whatever it really is. */
const idsIn = (list: unknown): unknown[] =>
  Array.isArray(list) ? list.map((r) => (r as { id?: unknown } | null)?.id) : [];
const hasOwnIds = (records: readonly { readonly id?: string | undefined }[] | undefined) =>
  new Set((records ?? []).map((r) => r?.id)).size === (records ?? []).length;

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
  fingers: object({
    count: number()
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
          return context.createError({ message: `A finger’s width: “${text}” isn’t a length.` });
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
  tape: object(measures).noUnknown().strict().required(),
  /** Measures that she insists on though the others contradict them. */
  trusted: array(choice(TAPE_MEASURES, 'A measure')).required(),
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
    length: hairOfPlace.length.required(),
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
    musts: array(choice(MUSTS, 'What the style must do')).required(),
    baseMinutes: amount(5, 1000, 'The time for the base').optional(),
  })
    .noUnknown()
    .strict()
    .required(),
  base,
  cap,
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
    .test('cuts', 'A zone is hooked with a cut that is not in the plan.', (zones, context) => {
      const ids = idsIn((context.parent as { cuts?: unknown }).cuts);
      return Object.values(zones ?? {}).every(
        (z) => ids.includes(z?.cut) && (z?.mixed === undefined || ids.includes(z.mixed.cut)),
      );
    }),
  rows,
  knotWishes: array(wishAt).required().max(MOST_WISHES, `At most ${MOST_WISHES} choices of knots can be kept.`),
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
  schools: object(
    Object.fromEntries((Object.keys(SCHOOL_OPTIONS) as SchoolName[]).map((n) => [n, schoolChoice(n)])) as Record<
      SchoolName,
      ReturnType<typeof schoolChoice>
    >,
  )
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

type Checked = InferType<typeof planSchema>;

/** The document once it has been checked; shapes that the validator checks piece by piece carry the core's types. */
export type PlanDocument = Omit<
  Checked,
  | 'base'
  | 'marks'
  | 'hairline'
  | 'trusted'
  | 'wishes'
  | 'fingers'
  | 'tape'
  | 'ownHair'
  | 'cap'
  | 'products'
  | 'cuts'
  | 'pieces'
  | 'rows'
  | 'knotWishes'
  | 'schools'
> & {
  readonly cap: CapAsWritten;
  readonly products: readonly ProductAsWritten[];
  readonly cuts: readonly Cut[];
  readonly pieces: Readonly<Record<PieceZone, ZonePiece>>;
  readonly rows: RowChoice;
  readonly knotWishes: readonly WishAt[];
  readonly schools: Schools;
  readonly base: BaseChoice;
  readonly marks: readonly Mark[];
  readonly hairline: HairlineOffsets & { readonly mirrored: boolean };
  readonly trusted: readonly TapeMeasure[];
  readonly wishes: Wishes;
  readonly fingers: Fingers;
  readonly tape: Readonly<Record<TapeMeasure, readonly string[]>>;
  readonly ownHair: HairAsWritten & {
    /** Girth of a ponytail of all of it; empty if she has not measured it. */
    readonly ponytail: string;
    readonly freshEnds: boolean;
    readonly byRegion: Readonly<Partial<Record<HairRegion, Partial<HairAsWritten>>>>;
  };
};

/** Sizes as she wrote them. */
export type CapAsWritten = Omit<Cap, 'girthMm' | 'depthMm' | 'block'> & {
  readonly girth: string;
  readonly depth: string;
  readonly block: { readonly girth: string; readonly depth: string };
};
export type ProductAsWritten = Omit<Product, 'lengthMm' | 'drawnOutMm'> & {
  readonly length: string;
  readonly drawnOut: string;
};

export interface HairAsWritten {
  readonly length: string;
  readonly strand: StrandThickness;
  readonly fullness: HairFullness;
  readonly curl: HairCurl;
}
