/** Two devices, one install. */
import { foldInstall } from '../core/install/index.ts';
import type { InstallSession, StoredInstallEvent } from '../model/install-log.ts';
import type { MeshworkDatabase } from './database.ts';
import { sessionEvents } from './install-events.ts';

/** What another device has of an install is added to what is here: nothing is lost, nothing is there twice. @returns events that were new */
export async function mergeInstall(
  db: MeshworkDatabase,
  session: InstallSession,
  events: readonly StoredInstallEvent[],
): Promise<number> {
  return db.transaction('rw', db.sessions, db.events, db.styles, async () => {
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
    return fresh.length;
  });
}
