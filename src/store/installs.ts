/** Install sessions: events are only ever added, and the log line is written once. */
import type { InstallSession, LogEntry, StoredInstallEvent } from '../model/install-log.ts';
import type { UsedOf } from '../model/stash.ts';
import type { MeshworkDatabase } from './database.ts';
import { finishedAt } from './install-events.ts';
import { takeUsed } from './stash.ts';

export async function startSession(db: MeshworkDatabase, session: InstallSession): Promise<void> {
  await db.transaction('rw', db.sessions, db.events, async () => {
    await db.sessions.add(session);
    await db.events.add({
      sessionId: session.id,
      key: `${session.id}-start`,
      n: 0,
      kind: 'start',
      atMs: session.startedAtMs,
    } as Kept);
  });
}

/** Adds what happened, in its order, all of it or nothing. */
export async function addEvents(
  db: MeshworkDatabase,
  events: ReadonlyArray<Omit<StoredInstallEvent, 'seq'>>,
): Promise<void> {
  await db.transaction('rw', db.sessions, db.events, async () => {
    await db.events.bulkAdd(events.map((e) => ({ ...e }) as Kept));
    for (const { kind, sessionId, outcome } of events) {
      if (kind === 'finish') await db.sessions.update(sessionId, { finished: 1 });
      if (OPENS_AGAIN.has(kind) || outcome === 'redo') await db.sessions.update(sessionId, { finished: 0 });
    }
  });
}

type Kept = StoredInstallEvent & { seq: number };
const OPENS_AGAIN: ReadonlySet<StoredInstallEvent['kind']> = new Set(['back', 'again']);

/** The newest install of a plan that is not finished. */
export async function openSession(db: MeshworkDatabase, planId: string): Promise<InstallSession | undefined> {
  const all = await db.sessions.where('planId').equals(planId).toArray();
  return all.filter((s) => s.finished === 0).sort((a, b) => b.startedAtMs - a.startedAtMs)[0];
}

/** A finished install of a plan that has no line in the log yet. */
export async function unloggedSession(db: MeshworkDatabase, planId: string): Promise<InstallSession | undefined> {
  const all = await db.sessions.where('planId').equals(planId).toArray();
  const entries = await db.log.where('planId').equals(planId).toArray();
  const logged = new Set(entries.map((e) => e.sessionId));
  return all.filter((s) => s.finished === 1 && !logged.has(s.id)).sort((a, b) => b.startedAtMs - a.startedAtMs)[0];
}

export interface WornInstall {
  readonly session: InstallSession;
  readonly finishedAtMs: number;
}

/** The newest install of a plan, where it is finished: worn, or taken out again. */
export async function wornInstall(db: MeshworkDatabase, planId: string): Promise<WornInstall | undefined> {
  const newest = (await db.sessions.where('planId').equals(planId).sortBy('startedAtMs')).at(-1);
  return newest?.finished === 1 ? { session: newest, finishedAtMs: await finishedAt(db, newest) } : undefined;
}

/** @param atMs undefined where it is still worn after all */
export async function markTakenOut(db: MeshworkDatabase, sessionId: string, atMs: number | undefined): Promise<void> {
  await db.sessions.update(sessionId, { takenOutAtMs: atMs });
}

/** One line, and with it what was used is gone from the stash and what is left has come back: both or neither. */
export async function addLogEntry(
  db: MeshworkDatabase,
  entry: LogEntry,
  used: readonly UsedOf[] = [],
  of?: string,
): Promise<void> {
  await db.transaction('rw', db.log, db.stash, async () => {
    const left = await takeUsed(db, of, used, entry.atMs);
    const back = left.filter((l) => l.packsBack > 0 || l.piecesBack > 0);
    await db.log.add({
      ...entry,
      ...(back.length === 0
        ? {}
        : { back: back.map(({ name, packsBack, piecesBack }) => ({ name, packs: packsBack, pieces: piecesBack })) }),
    });
  });
}

/** What finished installs of a plan's wearer took for each piece that was planned; undefined where none is logged. */
export async function loggedBy(
  db: MeshworkDatabase,
  planId: string,
): Promise<{ readonly installs: number; readonly usedOverPlanned: number } | undefined> {
  const of = (await db.plans.get(planId))?.wearer?.id;
  const hers = (await db.plans.toArray()).filter((p) => p.id === planId || (of !== undefined && p.wearer?.id === of));
  const entries = (
    await db.log
      .where('planId')
      .anyOf(hers.map((p) => p.id))
      .toArray()
  ).filter((e) => e.planned.pieces > 0 && e.used.pieces > 0);
  const sum = (of: (e: LogEntry) => number) => entries.reduce((total, e) => total + of(e), 0);
  const ratio = sum((e) => e.used.pieces) / sum((e) => e.planned.pieces);
  if (entries.length === 0 || ratio < 0.3 || ratio > 3) return undefined;
  return { installs: Math.min(200, entries.length), usedOverPlanned: Math.round(1000 * ratio) / 1000 };
}
