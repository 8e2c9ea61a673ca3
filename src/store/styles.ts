/** Styles that are done, each as one record: session, log line, what it came to, days of wear where they count. */
import type { InstallSession, LogEntry } from '../model/install-log.ts';
import type { KeptStyle } from '../model/logged.ts';
import type { DeedsRecord, MeshworkDatabase, StyleRecord } from './database.ts';
import { sessionEvents, wornSince } from './install-events.ts';
import { plansOfHer } from './installs.ts';

/** All styles of a plan's wearer, the newest first. */
export async function stylesOf(db: MeshworkDatabase, planId: string): Promise<KeptStyle[]> {
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
