/** Two devices, one install. */
import { foldInstall } from '../core/install/index.ts';
import type { WearEvent } from '../core/wear/index.ts';
import type { InstallSession, StoredInstallEvent } from '../model/install-log.ts';
import type { MeshworkDatabase } from './database.ts';
import { sessionEvents } from './install-events.ts';

/** What another device has of an install is added to what is here: nothing is lost, nothing is there twice. @returns touches and notes that were new */
export async function mergeInstall(
  db: MeshworkDatabase,
  session: InstallSession,
  events: readonly StoredInstallEvent[],
  wear: readonly WearEvent[] = [],
): Promise<number> {
  return db.transaction('rw', db.sessions, db.events, db.styles, db.wear, async () => {
    await db.styles.delete(session.id);
    const there = await db.sessions.get(session.id);
    if (!there) await db.sessions.add(session);
    const known = new Set((await sessionEvents(db, session.id)).map((e) => e.key));
    const fresh = events.filter((e) => !known.has(e.key));
    await db.events.bulkAdd(
      fresh.map(({ seq: _, ...e }) => ({ ...e, sessionId: session.id }) as StoredInstallEvent & { seq: number }),
    );
    const { finished } = foldInstall(await sessionEvents(db, session.id));
    await db.sessions.update(session.id, { finished: finished ? 1 : 0 });
    const noted = new Set(await db.wear.where('sessionId').equals(session.id).primaryKeys());
    const freshNotes = wear.filter((w) => !noted.has(w.key));
    await db.wear.bulkPut(freshNotes.map((w) => ({ ...w, sessionId: session.id })));
    return fresh.length + freshNotes.length;
  });
}
