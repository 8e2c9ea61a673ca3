/** Install sessions: events are only ever added, and the log line is written once. */
import type { InstallSession, LogEntry, StoredInstallEvent } from '../model/install-log.ts';
import type { UsedOf } from '../model/stash.ts';
import type { MeshworkDatabase } from './database.ts';
import { finishedAt } from './install-events.ts';
import { type LeftOf, lotsOf, takeOtherwise, takeUsed } from './stash.ts';

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
  await db.transaction('rw', db.sessions, db.events, db.styles, async () => {
    await db.styles.bulkDelete([...new Set(events.map((e) => e.sessionId))]);
    await db.events.bulkAdd(events.map((e) => ({ ...e }) as Kept));
    for (const { kind, sessionId, outcome } of events) {
      if (kind === 'finish') await db.sessions.update(sessionId, { finished: 1 });
      if (OPENS_AGAIN.has(kind) || outcome === 'redo') await db.sessions.update(sessionId, { finished: 0 });
    }
  });
}

type Kept = StoredInstallEvent & { seq: number };
const OPENS_AGAIN: ReadonlySet<StoredInstallEvent['kind']> = new Set(['back', 'again', 'renew']);

/** The newest install of a plan that is not finished. */
export async function openSession(db: MeshworkDatabase, planId: string): Promise<InstallSession | undefined> {
  const all = await db.sessions.where('planId').equals(planId).toArray();
  return all.filter((s) => s.finished === 0).sort((a, b) => b.startedAtMs - a.startedAtMs)[0];
}

/** A finished install of a plan that has no line in the log yet, or one that was written by itself and that she has not seen to. */
export async function unseenSession(
  db: MeshworkDatabase,
  planId: string,
): Promise<{ readonly session: InstallSession; readonly entry: LogEntry | undefined } | undefined> {
  const all = await db.sessions.where('planId').equals(planId).toArray();
  const entries = await db.log.where('planId').equals(planId).toArray();
  const entryOf = new Map(entries.map((e) => [e.sessionId, e]));
  return all
    .filter((s) => s.finished === 1)
    .map((session) => ({ session, entry: entryOf.get(session.id) }))
    .filter(({ entry }) => !entry || entry.byItself === 1)
    .sort((a, b) => b.session.startedAtMs - a.session.startedAtMs)[0];
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
    await db.log.add({ ...entry, ...leftIn(await takeUsed(db, of, used, entry.atMs)) });
  });
}

/** The line as she puts it right, and the stash with it. @throws Error where no such line is there */
export async function correctLogEntry(
  db: MeshworkDatabase,
  id: string,
  told: Pick<LogEntry, 'line' | 'used' | 'byItself'>,
  used: readonly UsedOf[],
  of: string | undefined,
  atMs: number,
): Promise<void> {
  await db.transaction('rw', db.log, db.stash, async () => {
    const entry = await db.log.get(id);
    if (!entry) throw new Error('This line is no longer in the log.');
    const left = await takeOtherwise(db, of, entry.taken ?? [], used, atMs);
    const { byItself: _, back: __, ...rest } = entry;
    await db.log.put({ ...rest, ...told, ...leftIn(left) });
  });
}

function leftIn(left: readonly LeftOf[]): Pick<LogEntry, 'taken' | 'back'> {
  const back = left.filter((l) => l.packsBack > 0 || l.piecesBack > 0);
  return {
    ...(left.length === 0 ? {} : { taken: left.map(({ id, before, lot }) => ({ id, before, after: lot })) }),
    ...(back.length === 0
      ? {}
      : { back: back.map(({ name, packsBack, piecesBack }) => ({ name, packs: packsBack, pieces: piecesBack })) }),
  };
}

/** A renewal is in the record of its style, and its pieces are gone from the stash: both or neither, and once. */
export async function addRenewal(
  db: MeshworkDatabase,
  entryId: string,
  renewal: { readonly atMs: number; readonly pieces: number },
  used: readonly UsedOf[],
  of?: string,
): Promise<void> {
  await db.transaction('rw', db.log, db.stash, async () => {
    const entry = await db.log.get(entryId);
    const renewed = entry?.renewed ?? [];
    if (!entry || renewed.some((r) => r.atMs === renewal.atMs)) return;
    // Nothing was bought for it: it comes out of what lies there, and hair that no one had put there is not counted.
    const lots = await lotsOf(
      db,
      of,
      used.map((u) => u.product),
    );
    const there = used.flatMap((u) => {
      const found = lots.find((l) => l.product === u.product);
      return found ? [{ ...u, bought: 0, atHand: found.lot.packs }] : [];
    });
    await takeUsed(db, of, there, renewal.atMs);
    await db.log.update(entryId, { renewed: [...renewed, renewal] });
  });
}

/** Ids of the plans of one wearer, with that one. */
export async function plansOfHer(db: MeshworkDatabase, planId: string): Promise<Set<string>> {
  const of = (await db.plans.get(planId))?.wearer?.id;
  const others = of === undefined ? [] : await db.plans.where('wearer.id').equals(of).primaryKeys();
  return new Set([planId, ...others]);
}

/** What finished installs of a plan's wearer took for each piece that was planned; undefined where none is logged. */
export async function loggedBy(
  db: MeshworkDatabase,
  planId: string,
): Promise<{ readonly installs: number; readonly usedOverPlanned: number } | undefined> {
  const hers = await plansOfHer(db, planId);
  const ratios = (
    await db.log
      .where('planId')
      .anyOf([...hers])
      .toArray()
  ).flatMap(usedOverPlanned);
  const ratio = ratios.reduce((sum, r) => sum + r, 0) / ratios.length;
  if (ratios.length === 0 || ratio < 0.3 || ratio > 3) return undefined;
  return { installs: Math.min(200, ratios.length), usedOverPlanned: Math.round(1000 * ratio) / 1000 };
}

/** What one style says of it; nothing where nothing was counted. */
export const usedOverPlanned = ({ planned, used }: Pick<LogEntry, 'planned' | 'used'>): number[] =>
  planned.pieces > 0 && used.pieces > 0 ? [used.pieces / planned.pieces] : [];
