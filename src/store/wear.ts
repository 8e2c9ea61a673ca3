/** Days of a worn style: notes are only ever added, one that is taken back too. */
import type { InstallSession } from '../model/install-log.ts';
import type { MeshworkDatabase, PhotoRecord, WearRecord } from './database.ts';
import { sessionEvents, wornSince } from './install-events.ts';

export interface Wearing {
  readonly session: InstallSession;
  readonly sinceMs: number;
  /** Rows of it are being hooked anew. */
  readonly isRenewing: boolean;
}

/** The newest install of a plan that has been finished: worn, being renewed, or taken out again. */
export async function wearingOf(db: MeshworkDatabase, planId: string): Promise<Wearing | undefined> {
  const sessions = await db.sessions.where('planId').equals(planId).sortBy('startedAtMs');
  const session = sessions.at(-1);
  if (!session) return undefined;
  const sinceMs = wornSince(await sessionEvents(db, session.id));
  return sinceMs === undefined ? undefined : { session, sinceMs, isRenewing: session.finished === 0 };
}

export const wearEvents = (db: MeshworkDatabase, sessionId: string): Promise<WearRecord[]> =>
  db.wear.where('sessionId').equals(sessionId).toArray();

/** A note, and its photo with it: both or neither. */
export async function addWear(db: MeshworkDatabase, event: WearRecord, photo?: PhotoRecord): Promise<void> {
  await db.transaction('rw', db.wear, db.photos, async () => {
    if (photo) await db.photos.add(photo);
    await db.wear.add(event);
  });
}
