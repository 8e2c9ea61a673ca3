/** Styles that are done, each as one record: session, log line, what it really was, days of wear. */
import type { HandsChoices, LearnedChoice, LearnedName, StyleTold } from '../core/hands/index.ts';
import { countedRows } from '../core/log/index.ts';
import { toldByRow } from '../core/practice/index.ts';
import type { WearEvent } from '../core/wear/index.ts';
import type { InstallSession, LogEntry } from '../model/install-log.ts';
import type { MeshworkDatabase, PracticeRecord, StyleRecord, WearRecord } from './database.ts';
import { sessionEvents, wornSince } from './install-events.ts';
import { plansOfHer, usedOverPlanned } from './installs.ts';

/** One style as it is kept; without a session where only its line is left. */
export interface LoggedStyle {
  readonly id: string;
  readonly entry: LogEntry;
  readonly session: InstallSession | undefined;
  readonly style: StyleRecord | undefined;
  readonly wear: readonly WearEvent[];
  readonly photos: number;
}

/** All styles of a plan's wearer, the newest first. */
export async function stylesOf(db: MeshworkDatabase, planId: string): Promise<LoggedStyle[]> {
  const hers = await plansOfHer(db, planId);
  const entries = (await db.log.toArray()).filter((e) => hers.has(e.planId)).sort((a, b) => b.atMs - a.atMs);
  const ids = entries.flatMap((e) => e.sessionId ?? []);
  const [sessions, styles, wear, photos] = await Promise.all([
    db.sessions.bulkGet(ids),
    db.styles.bulkGet(ids),
    db.wear.toArray(),
    db.photos.orderBy('sessionId').keys(),
  ]);
  const sessionOf = new Map(sessions.flatMap((s) => (s ? [[s.id, s] as const] : [])));
  const styleOf = new Map(styles.flatMap((s) => (s ? [[s.sessionId, s] as const] : [])));
  const wearOf = new Map<string, WearRecord[]>();
  for (const w of wear) wearOf.set(w.sessionId, [...(wearOf.get(w.sessionId) ?? []), w]);
  return entries.map((entry) => {
    const id = entry.sessionId ?? '';
    return {
      id: entry.id,
      entry,
      session: sessionOf.get(id),
      style: styleOf.get(id),
      wear: wearOf.get(id) ?? [],
      photos: photos.filter((p) => p === id).length,
    };
  });
}

/** Finished installs of which it is not folded yet what they really were. */
export async function unfolded(db: MeshworkDatabase, planId: string): Promise<InstallSession[]> {
  const hers = await plansOfHer(db, planId);
  const [sessions, folded] = await Promise.all([
    db.sessions
      .where('planId')
      .anyOf([...hers])
      .toArray(),
    db.styles.toCollection().primaryKeys(),
  ]);
  const known = new Set(folded);
  const open = sessions.filter((s) => !known.has(s.id));
  const since = await Promise.all(open.map(async (s) => wornSince(await sessionEvents(db, s.id))));
  return open.filter((_, i) => since[i] !== undefined);
}

/** Nothing of it is hers alone: it is made anew from the events whenever it is gone. */
export async function keepStyle(db: MeshworkDatabase, style: StyleRecord, events: number): Promise<void> {
  await db.transaction('rw', db.styles, db.events, async () => {
    // While it was worked out something was added: it will be asked for again.
    if ((await db.events.where('sessionId').equals(style.sessionId).count()) === events) await db.styles.put(style);
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
  const styles = await stylesOf(db, planId);
  const of = await handsOf(db, planId);
  const rows = await db.practice.where('of').equals(of).toArray();
  return [...styles.map(toldByStyle), ...rows.flatMap(toldByPractice)];
}

function toldByStyle({ entry, style }: LoggedStyle): StyleTold {
  const { enough } = entry;
  const [used] = usedOverPlanned(entry);
  return {
    atMs: entry.atMs,
    timed: style?.timed ?? [],
    counted: style ? countedRows(style) : [],
    used,
    enough: enough === undefined || used === undefined ? undefined : enough * used,
    strands: style?.strands,
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
