/**
 * What a backup says of itself, and every record in it: anything that claims to be one to a record, or one sentence that says
 * why not. A record that this version can't take is refused before anything is changed.
 */
import {
  type AnyObject,
  array,
  boolean,
  type InferType,
  lazy,
  mixed,
  number,
  type ObjectSchema,
  object,
  type Schema,
  string,
  ValidationError,
} from 'yup';
import { SIDES } from '../core/cover/index.ts';
import { KNOT_KINDS, NEXT_WISHES } from '../core/trade/index.ts';
import { BACKUP_TABLES, type BackupTable } from './backup-tables.ts';
import { cap } from './cap-schema.ts';
import { amount, choice, count, oneSentence } from './checks.ts';
import { newPlan } from './defaults.ts';
import { productSchema } from './hair-schema.ts';
import { asSheIs, type Herself, herselfOf } from './herself.ts';
import { eventSchema, keyText, LATEST_MS, present, sessionSchema, wearEventSchema } from './install-schema.ts';
import type { Parsed } from './lengths.ts';
import { readPlan } from './read-plan.ts';

export const BACKUP_FORMAT = 'meshwork-backup';
export const BACKUP_VERSION = 1;

const atMs = (what: string) => amount(0, LATEST_MS, what);
const sha256 = string()
  .strict()
  .required()
  .matches(/^[0-9a-f]{64}$/, 'A checksum is none.');

export const manifestSchema = object({
  format: choice([BACKUP_FORMAT], 'The format'),
  version: count(1, BACKUP_VERSION, 'The version of the backup'),
  /** Of the browser that wrote it. */
  device: keyText('The device'),
  writtenAtMs: atMs('The time of the backup'),
  tables: array(
    object({
      name: choice(BACKUP_TABLES, 'A table'),
      records: count(0, 5_000_000, 'How many records a table has'),
      sha256,
    })
      .noUnknown()
      .strict()
      .required(),
  )
    .required('The tables are missing.')
    .max(BACKUP_TABLES.length, 'There are too many tables.'),
  photos: array(
    object({ id: keyText('The id of a photo'), file: string().strict().required().max(40), sha256 })
      .noUnknown()
      .strict()
      .required(),
  )
    .required('The photos are missing.')
    .max(100_000, 'There are too many photos.'),
  /** When it and another browser had the same last, by the clock of that one. */
  met: array(
    object({ device: keyText('A device'), atMs: atMs('When two devices met') })
      .noUnknown()
      .strict()
      .required(),
  )
    .required()
    .max(1000),
})
  .noUnknown()
  .strict();

export type Manifest = InferType<typeof manifestSchema>;

const amounts = (what: string) =>
  mixed<Record<string, number>>()
    .required(`${what} is missing.`)
    .test('amounts', `${what} is not as it should be.`, (v) =>
      Object.values(Object(v)).every((n) => typeof n === 'number' && Number.isFinite(n)),
    );
const words = (most: number) => string().strict().defined().max(most);
const maybe = <S extends Schema>(schema: S) => schema.optional().default(undefined) as unknown as S;
const list = (most: number) => mixed<object[]>().test('list', 'A list is not as it should be.', (v) => isList(v, most));
const isList = (v: unknown, most: number) =>
  v === undefined || (Array.isArray(v) && v.length <= most && v.every((e) => typeof e === 'object' && e !== null));

/** Of several shapes the one that a record says it is of. @param other whose words refuse a record of none */
const ofKind = <S extends ObjectSchema<AnyObject>>(shapes: Readonly<Record<string, S>>, other: S) =>
  lazy((v: { kind?: string } | undefined) => {
    const shape = Object.hasOwn(shapes, v?.kind ?? '') ? shapes[v?.kind as string] : other;
    return shape.noUnknown().strict().required();
  });

const wearerOf = object({
  id: keyText('A wearer'),
  revision: count(0, 1e9, 'A revision'),
  staysAt: maybe(count(0, 1e9, 'A revision')),
  was: maybe(mixed<AnyObject>()),
})
  .noUnknown()
  .strict();

const plan = object({
  id: keyText('The id of a plan'),
  revision: count(0, 1e9, 'A revision'),
  updatedAtMs: atMs('The time of a plan'),
  deletedAtMs: amount(-1, LATEST_MS, 'When a plan was deleted'),
  history: object({ past: list(400), present: object().required('A plan is missing.'), future: list(400) }).required(),
  wearer: maybe(wearerOf),
})
  .noUnknown()
  .strict();

const wearer = object({
  id: keyText('The id of a wearer'),
  revision: count(0, 1e9, 'A revision'),
  updatedAtMs: atMs('The time of a wearer'),
  her: mixed<AnyObject>().required('A wearer is empty.'),
  isAway: maybe(boolean().strict()),
})
  .noUnknown()
  .strict();

const logEntry = object({
  id: keyText('The id of a style'),
  planId: keyText('The plan of a style'),
  sessionId: maybe(keyText('The install of a style')),
  planName: words(200),
  atMs: atMs('The time of a style'),
  line: words(4000),
  wishes: maybe(array(choice(NEXT_WISHES, 'A wish')).max(40)),
  enough: maybe(amount(0, 100, 'What would have been enough')),
  planned: amounts('What was planned'),
  used: amounts('What was used'),
  renewed: maybe(
    array(
      object({ atMs: atMs('A renewal'), pieces: count(0, 5000, 'Pieces') })
        .noUnknown()
        .strict(),
    ).max(1000),
  ),
  byItself: maybe(number().strict().oneOf([1])),
  taken: maybe(list(2000)),
  back: maybe(list(2000)),
})
  .noUnknown()
  .strict();

const lot = {
  id: keyText('The id of a lot'),
  updatedAtMs: atMs('The time of a lot'),
  of: maybe(keyText('Whose a lot is')),
};
const LOTS = {
  hair: object({
    ...lot,
    kind: choice(['hair'], 'What a lot is'),
    product: productSchema.required(),
    loose: amount(0, 1e6, 'Loose pieces'),
    cut: maybe(choice(['upper', 'lower'], 'The half')),
  }),
  cap: object({ ...lot, kind: choice(['cap'], 'What a lot is'), name: words(200), cap: cap.required() }),
  thing: object({
    ...lot,
    kind: choice(['thing'], 'What a lot is'),
    name: words(200),
    count: amount(0, 1e6, 'How many'),
    inBag: amount(0, 1e6, 'How many in a bag'),
    bagPrice: amount(0, 1e6, 'The price of a bag'),
  }),
};
const stash = ofKind(LOTS, LOTS.thing);

const order = object({
  id: keyText('The id of an order'),
  planId: keyText('The plan of an order'),
  of: maybe(keyText('Whose an order is')),
  seller: words(200),
  orderedAtMs: atMs('The time of an order'),
  arrives: words(10),
  total: amount(0, 1e6, 'What an order costs'),
  currency: words(10),
  lines: array(
    object({ product: productSchema.required(), packs: amount(0, 1e4, 'Packs') })
      .noUnknown()
      .strict(),
  ).required(),
  hasCome: number().strict().oneOf([0, 1]).required(),
})
  .noUnknown()
  .strict();

const numbers = array(number().strict().required().min(0).max(1e6)).required().max(1000);
const answer = { id: keyText('The id of an exercise'), of: keyText('Whose an exercise is'), atMs: atMs('An exercise') };
const PRACTISED = {
  row: object({
    ...answer,
    kind: choice(['row'], 'An exercise'),
    row: object({
      kind: choice(KNOT_KINDS, 'A knot'),
      plainSeconds: amount(0, 1e5, 'Seconds'),
      seconds: numbers,
      gapsMm: numbers,
      aimMm: amount(0, 1e4, 'A gap'),
    })
      .noUnknown()
      .strict()
      .required(),
  }),
  answer: object({
    ...answer,
    kind: choice(['answer'], 'An exercise'),
    question: words(400),
    isRight: boolean().strict().required(),
  }),
};
const practice = ofKind(PRACTISED, PRACTISED.answer);

const OF_SESSION = { sessionId: keyText('The install') };
const CHECKS = {
  wearers: wearer,
  plans: plan,
  sessions: sessionSchema,
  events: eventSchema.shape(OF_SESSION),
  log: logEntry,
  wear: wearEventSchema.shape(OF_SESSION),
  stash,
  orders: order,
  practice,
  settings: object({ key: keyText('A setting'), value: words(200_000) })
    .noUnknown()
    .strict(),
  photos: object({
    id: keyText('The id of a photo'),
    ...OF_SESSION,
    takenAtMs: atMs('The time of a photo'),
    side: choice(SIDES, 'The side of a photo'),
    knotsIn: count(0, 5000, 'Knots'),
    type: string()
      .strict()
      .required()
      .matches(/^image\/(png|jpeg|webp)$/, 'A photo is of no kind that is known here.'),
  })
    .noUnknown()
    .strict(),
} satisfies Record<BackupTable, { validateSync(value: unknown, options: object): unknown }>;

export function readManifest(value: unknown): Parsed<Manifest> {
  const version = Object(value).version;
  if (Object(value).format !== BACKUP_FORMAT) return { ok: false, why: 'This is no backup of Meshwork.' };
  if (typeof version === 'number' && version > BACKUP_VERSION)
    return { ok: false, why: `This backup was written by a newer Meshwork (version ${version}).` };
  return checked(() => manifestSchema.validateSync(value, { strict: true }), 'This backup can’t be read');
}

/** A record as this version has it: plans in it are brought up to date, and one that can't be stays as it is, as in the store. */
export function readBackupRecord(table: BackupTable, value: unknown): Parsed<object> {
  const read = checked(() => CHECKS[table].validateSync(value, { strict: true }) as object, `A record of ${table}`);
  if (!read.ok) return read;
  if (table === 'wearers' && !isSomebody((read.value as { her: unknown }).her))
    return { ok: false, why: 'A wearer in it is not as she should be.' };
  return { ok: true, value: present(table === 'sessions' || table === 'events' ? upToDate(read.value) : read.value) };
}

function upToDate<R extends { plan?: unknown }>(record: R): R {
  if (record.plan === undefined) return record;
  const plan = readPlan(record.plan);
  return plan.ok ? { ...record, plan: plan.value } : record;
}

/** Whether a plan can be made for her. */
function isSomebody(her: unknown): boolean {
  const blank = newPlan('plan-1', 'Somebody');
  const known = Object.keys(herselfOf(blank));
  return (
    typeof her === 'object' &&
    her !== null &&
    Object.keys(her).every((k) => known.includes(k)) &&
    readPlan(asSheIs(blank, her as Herself)).ok
  );
}

function checked<T>(read: () => T, what: string): Parsed<T> {
  try {
    return { ok: true, value: read() };
  } catch (error) {
    const why = error instanceof ValidationError ? error.message : 'An entry is of another kind than it should be.';
    return { ok: false, why: `${what}: ${oneSentence(why)}` };
  }
}
