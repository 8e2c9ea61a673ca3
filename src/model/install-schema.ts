/** Anything that claims to be an install in a file to an install, or one sentence that says why not. */
import { array, mixed, number, object, string, ValidationError } from 'yup';
import { INSTALL_EVENT_KINDS, type InstallEventKind, STEP_OUTCOMES, type StepOutcome } from '../core/install/index.ts';
import { WEAR_KINDS, WEAR_PLACES, type WearPlace } from '../core/trade/index.ts';
import type { WearEvent } from '../core/wear/index.ts';
import { amount, choice, count, direction, oneSentence } from './checks.ts';
import { isWrittenDay } from './days.ts';
import type { InstallSession, StoredInstallEvent } from './install-log.ts';
import type { Parsed } from './lengths.ts';
import type { PlanDocument } from './plan.ts';
import { readPlan } from './read-plan.ts';

export const INSTALL_FORMAT = 'meshwork-install';
/** Days of wear came with the second. */
export const INSTALL_VERSION = 2;
const READ_VERSIONS = [1, INSTALL_VERSION];

/** As many touches as no install has, and knots as no run has. */
const MOST_EVENTS = 20_000;
const MOST_KNOTS = 3000;
export const LATEST_MS = 8.64e15;

export const keyText = (what: string) => string().strict().required(`${what} is missing.`).min(1).max(120);

/** One touch at the mirror. */
export const eventSchema = object({
  key: keyText('The key of a touch'),
  n: count(0, 1e9, 'The place of a touch in the order'),
  kind: choice<InstallEventKind>(INSTALL_EVENT_KINDS, 'What a touch is'),
  atMs: amount(0, LATEST_MS, 'The time of a touch'),
  under: string().strict().max(120).optional(),
  knotId: string().strict().max(120).optional(),
  knotIds: array(string().strict().required().max(120)).max(MOST_KNOTS).optional().default(undefined),
  pieces: count(1, 5000, 'The pieces of a row').optional().default(undefined),
  stepId: string().strict().max(300).optional(),
  outcome: choice<StepOutcome>(STEP_OUTCOMES, 'What became of a step').optional().default(undefined),
  text: string().strict().max(400).optional(),
  what: string().strict().max(40).optional(),
  at: direction.optional().default(undefined),
  renamed: mixed<Record<string, string>>()
    .optional()
    .test('names', 'The new names of knots are not as they should be.', (v) => v === undefined || areNames(v)),
  packsLeft: amount(0, 2000, 'The hair that is left').optional().default(undefined),
  photoId: string().strict().max(120).optional(),
  shown: number().strict().min(0).max(1).optional(),
  plan: mixed<PlanDocument>().optional(),
})
  .noUnknown()
  .strict();

/** What was noted of a day on which it was worn; photos stay where they were taken. */
export const wearEventSchema = object({
  key: keyText('The key of a note'),
  atMs: amount(0, LATEST_MS, 'The time of a note'),
  day: string()
    .strict()
    .required('The day of a note is missing.')
    .test('day', 'The day of a note is no day.', isWrittenDay),
  what: choice<WearEvent['what']>([...WEAR_KINDS, 'photo', 'out', 'undo'], 'What a note says'),
  place: choice<WearPlace>(WEAR_PLACES, 'The place of a note').optional().default(undefined),
  text: string().strict().max(400).optional(),
  photoId: string().strict().max(120).optional(),
  undoes: string().strict().max(120).optional(),
})
  .noUnknown()
  .strict();

/** An install without what happened in it. */
export const sessionSchema = object({
  id: keyText('The id of the install'),
  planId: keyText('The plan of the install'),
  startedAtMs: amount(0, LATEST_MS, 'The begin of the install'),
  finished: number<0 | 1>().strict().oneOf([0, 1]).required(),
  knots: count(0, MOST_KNOTS, 'The knots').optional().default(undefined),
  takenOutAtMs: amount(0, LATEST_MS, 'The day it came off').optional().default(undefined),
  keptAtMs: amount(0, LATEST_MS, 'The day it went back to the stash').optional().default(undefined),
  plan: mixed<PlanDocument>().required('The plan of the install is missing.'),
})
  .noUnknown()
  .strict();

const file = object({
  format: choice([INSTALL_FORMAT], 'The format'),
  version: number().strict().required().oneOf(READ_VERSIONS, 'This install was written by a newer Meshwork.'),
  session: sessionSchema.required('The install is missing.'),
  events: array(eventSchema.required())
    .required('The touches are missing.')
    .max(MOST_EVENTS, 'There are too many touches.'),
  wear: array(wearEventSchema.required()).max(MOST_EVENTS, 'There are too many notes.').optional().default(undefined),
})
  .noUnknown()
  .strict();

function areNames(value: unknown): boolean {
  return (
    typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    Object.entries(value).every(([from, to]) => from.length <= 120 && typeof to === 'string' && to.length <= 120)
  );
}

export interface InstallFile {
  readonly session: InstallSession;
  readonly events: readonly StoredInstallEvent[];
  readonly wear: readonly WearEvent[];
}

export function readInstall(value: unknown): Parsed<InstallFile> {
  if (typeof value !== 'object' || value === null || (value as { format?: unknown }).format !== INSTALL_FORMAT)
    return { ok: false, why: 'This is no install of Meshwork.' };
  try {
    const { session, events, wear = [] } = file.validateSync(value, { strict: true });
    const plan = readPlan(session.plan);
    if (!plan.ok) return plan;
    const read: StoredInstallEvent[] = [];
    for (const e of events) {
      const of = e.plan === undefined ? undefined : readPlan(e.plan);
      if (of && !of.ok) return of;
      read.push({ ...present(e), sessionId: session.id, ...(of ? { plan: of.value } : {}) } as StoredInstallEvent);
    }
    return {
      ok: true,
      value: {
        session: present({ ...session, plan: plan.value }) as InstallSession,
        events: read,
        wear: wear.map((w) => present(w) as WearEvent),
      },
    };
  } catch (error) {
    const why = error instanceof ValidationError ? error.message : 'An entry is of another kind than it should be.';
    return { ok: false, why: `This install can’t be read: ${oneSentence(why)}` };
  }
}

/** Without entries that are not there. */
export const present = <R extends object>(record: R): R =>
  Object.fromEntries(Object.entries(record).filter(([, v]) => v !== undefined)) as R;
