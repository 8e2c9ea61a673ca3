/** Puts the demo records into an empty store, all or nothing. A store that holds anything is left alone. */
import { startHistory } from '../model/history.ts';
import type { InstallSession, LogEntry, StoredInstallEvent } from '../model/install-log.ts';
import type { PlanDocument } from '../model/plan.ts';
import type { MeshworkDatabase } from './database.ts';

export interface DemoRecords {
  readonly plans: readonly PlanDocument[];
  readonly sessions: readonly InstallSession[];
  readonly events: readonly StoredInstallEvent[];
  readonly log: readonly LogEntry[];
}

export async function fillWithDemo(db: MeshworkDatabase, demo: DemoRecords, nowMs: number): Promise<boolean> {
  return db.transaction('rw', db.plans, db.sessions, db.events, db.log, async () => {
    if ((await db.plans.count()) > 0) return false;
    await db.plans.bulkAdd(
      demo.plans.map((plan, i) => ({
        id: plan.id,
        revision: 1,
        updatedAtMs: nowMs - i,
        deletedAtMs: 0,
        history: startHistory(plan, 'Demo plan'),
      })),
    );
    await db.sessions.bulkAdd([...demo.sessions]);
    await db.events.bulkAdd(demo.events.map((e) => ({ ...e }) as StoredInstallEvent & { seq: number }));
    await db.log.bulkAdd([...demo.log]);
    return true;
  });
}
