/** Touches of an install as they are kept: what the first page asks of them stands apart from what an install does. */
import type { InstallSession, StoredInstallEvent } from '../model/install-log.ts';
import type { MeshworkDatabase } from './database.ts';

/** As they came to this device; their own order is found when they are folded. */
export async function sessionEvents(db: MeshworkDatabase, sessionId: string): Promise<StoredInstallEvent[]> {
  return db.events.where('sessionId').equals(sessionId).sortBy('seq');
}

export async function finishedAt(db: MeshworkDatabase, session: InstallSession): Promise<number> {
  return wornSince(await sessionEvents(db, session.id)) ?? session.startedAtMs;
}

/** When it was finished first; work that went on after that puts it off, a look after a night or a renewal does not. */
export function wornSince(events: readonly StoredInstallEvent[]): number | undefined {
  let since: number | undefined;
  for (const { kind, atMs } of events) {
    if (kind === 'renew') return since;
    if (kind === 'knot' || kind === 'run') since = undefined;
    if (kind === 'finish') since ??= atMs;
  }
  return since;
}
