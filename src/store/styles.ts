/** Styles that are done, each as one record: session, log line, what it really was, days of wear. */
import {
  type HandsChoices,
  inColumns,
  type LearnedChoice,
  type LearnedName,
  type StyleTold,
} from '../core/hands/index.ts';
import { countedRows } from '../core/log/index.ts';
import { toldByRow } from '../core/practice/index.ts';
import type { WearEvent } from '../core/wear/index.ts';
import type { InstallSession, LogEntry } from '../model/install-log.ts';
import type { DeedsRecord, MeshworkDatabase, PracticeRecord, StyleRecord } from './database.ts';
import { sessionEvents, wornSince } from './install-events.ts';
import { plansOfHer, usedOverPlanned } from './installs.ts';

/** One style as it is kept; without a session where only its line is left. */
export interface LoggedStyle {
  readonly id: string;
  readonly entry: LogEntry;
  /** Without the plan that it followed: that is read when it is asked for. */
  readonly session: { readonly takenOutAtMs: number | undefined } | undefined;
  readonly style: StyleRecord | undefined;
  /** Of one that comes off at night: its days, by which it is known how often it was put on. */
  readonly wear: readonly WearEvent[];
}

/** All styles of a plan's wearer, the newest first. */
export async function stylesOf(db: MeshworkDatabase, planId: string): Promise<LoggedStyle[]> {
  const hers = await plansOfHer(db, planId);
  const entries = (await db.log.toArray()).filter((e) => hers.has(e.planId)).sort((a, b) => b.atMs - a.atMs);
  const ids = entries.flatMap((e) => e.sessionId ?? []);
  const [sessions, out, styles] = await Promise.all([
    db.sessions.toCollection().primaryKeys(),
    takenOut(db),
    db.styles.bulkGet(ids),
  ]);
  const there = new Set(sessions);
  const styleOf = new Map(styles.flatMap((s) => (s ? [[s.sessionId, s] as const] : [])));
  const off = styles.flatMap((s) => (s?.isOffAtNight ? s.sessionId : []));
  const wear = off.length > 0 ? await db.wear.where('sessionId').anyOf(off).toArray() : [];
  return entries.map((entry) => {
    const id = entry.sessionId ?? '';
    return {
      id: entry.id,
      entry,
      session: there.has(id) ? { takenOutAtMs: out.get(id) } : undefined,
      style: styleOf.get(id),
      wear: wear.filter((w) => w.sessionId === id),
    };
  });
}

/** When each came off, read off the index alone: sessions hold whole plans. */
async function takenOut(db: MeshworkDatabase): Promise<ReadonlyMap<string, number>> {
  const by = db.sessions.orderBy('takenOutAtMs');
  const [ids, days] = await Promise.all([by.primaryKeys(), by.keys()]);
  return new Map(ids.map((id, i) => [id, days[i] as number]));
}

/** Finished installs of which it is not folded yet what they really were. */
export async function unfolded(db: MeshworkDatabase, planId: string): Promise<InstallSession[]> {
  const hers = await plansOfHer(db, planId);
  const [all, folded] = await Promise.all([
    db.sessions
      .where('planId')
      .anyOf([...hers])
      .primaryKeys(),
    db.styles.toCollection().primaryKeys(),
  ]);
  const known = new Set(folded);
  const sessions = await db.sessions.bulkGet(all.filter((id) => !known.has(id)));
  const open = sessions.flatMap((s) => s ?? []);
  const since = await Promise.all(open.map(async (s) => wornSince(await sessionEvents(db, s.id))));
  return open.filter((_, i) => since[i] !== undefined);
}

/** Nothing of it is hers alone: it is made anew from the events whenever it is gone. */
export async function keepStyle(
  db: MeshworkDatabase,
  deeds: DeedsRecord,
  told: Pick<StyleRecord, 'finishedAtMs' | 'isOffAtNight'>,
  events: number,
): Promise<void> {
  const { sessionId, rows, piecesPerPack } = deeds;
  const sum = (of: 'timedKnots' | 'seconds') => rows.reduce((all, r) => all + r[of], 0);
  await db.transaction('rw', db.styles, db.deeds, db.events, async () => {
    // While it was worked out something was added: it will be asked for again.
    if ((await db.events.where('sessionId').equals(sessionId).count()) !== events) return;
    await db.deeds.put(deeds);
    await db.styles.put({ sessionId, piecesPerPack, timedKnots: sum('timedKnots'), seconds: sum('seconds'), ...told });
  });
}

/** What she would have otherwise, and how much hair would have been right. @throws Error where no such line is there */
export async function setNextTime(
  db: MeshworkDatabase,
  entryId: string,
  told: Pick<LogEntry, 'line' | 'wishes' | 'enough'>,
): Promise<void> {
  await db.transaction('rw', db.log, async () => {
    const entry = await db.log.get(entryId);
    if (!entry) throw new Error('This line is no longer in the log.');
    await db.log.put({ ...entry, ...told });
  });
}

/** What each style and each test row of hers tells of her hands. */
export async function toldOfHands(db: MeshworkDatabase, planId: string): Promise<StyleTold[]> {
  const of = await handsOf(db, planId);
  const hers = await plansOfHer(db, planId);
  const entries = (await db.log.toArray()).filter((e) => hers.has(e.planId));
  const deeds = await db.deeds.bulkGet(entries.map((e) => e.sessionId ?? ''));
  const rows = await db.practice.where('of').equals(of).toArray();
  return [...entries.map((e, i) => toldByStyle(e, deeds[i])), ...rows.flatMap(toldByPractice)];
}

const NONE_TIMED = inColumns([]);

function toldByStyle(entry: LogEntry, deeds: DeedsRecord | undefined): StyleTold {
  const { enough } = entry;
  const [used] = usedOverPlanned(entry);
  return {
    atMs: entry.atMs,
    timed: deeds?.timed ?? NONE_TIMED,
    counted: deeds ? countedRows(deeds) : [],
    used,
    enough: enough === undefined || used === undefined ? undefined : enough * used,
    strands: deeds?.strands,
  };
}

const toldByPractice = (record: PracticeRecord): StyleTold[] =>
  record.kind === 'row' ? [{ atMs: record.atMs, ...toldByRow(record.row) }] : [];

/** Whose hands: of a wearer, or of a plan that is nobody's. */
export const handsOf = async (db: MeshworkDatabase, planId: string): Promise<string> =>
  (await db.plans.get(planId))?.wearer?.id ?? planId;

const choicesKey = (of: string) => `hands-${of}`;

/** What she has decided of what is learned; nothing where what is kept of it can't be read. */
export async function handsChoices(db: MeshworkDatabase, of: string): Promise<HandsChoices> {
  const kept = await db.settings.get(choicesKey(of));
  try {
    return kept ? (JSON.parse(kept.value) as HandsChoices) : {};
  } catch {
    return {};
  }
}

export async function chooseHands(
  db: MeshworkDatabase,
  of: string,
  name: LearnedName,
  choice: LearnedChoice | undefined,
): Promise<void> {
  await db.transaction('rw', db.settings, async () => {
    const { [name]: _, ...others } = await handsChoices(db, of);
    await db.settings.put({
      key: choicesKey(of),
      value: JSON.stringify(choice ? { ...others, [name]: choice } : others),
    });
  });
}

/** The plan that was begun as the next after a style, and what of the proposals is in it. */
export interface NextPlan {
  readonly planId: string;
  readonly taken: readonly string[];
}

export async function nextPlanOf(db: MeshworkDatabase, entryId: string): Promise<NextPlan | undefined> {
  const kept = await db.settings.get(`next-${entryId}`);
  try {
    return kept ? (JSON.parse(kept.value) as NextPlan) : undefined;
  } catch {
    return undefined;
  }
}

export async function keepNextPlan(db: MeshworkDatabase, entryId: string, next: NextPlan): Promise<void> {
  await db.settings.put({ key: `next-${entryId}`, value: JSON.stringify(next) });
}
