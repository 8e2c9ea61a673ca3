/** Touches of an install as they are kept: what the first page asks of them stands apart from what an install does. */
import type { InstallSession, StoredInstallEvent } from '../model/install-log.ts';
import type { MeshworkDatabase } from './database.ts';

/** As they came to this device; their own order is found when they are folded. */
export async function sessionEvents(db: MeshworkDatabase, sessionId: string): Promise<StoredInstallEvent[]> {
  return db.events.where('sessionId').equals(sessionId).sortBy('seq');
}

export async function finishedAt(db: MeshworkDatabase, session: InstallSession): Promise<number> {
  const events = await sessionEvents(db, session.id);
  return events.findLast((e) => e.kind === 'finish')?.atMs ?? session.startedAtMs;
}
