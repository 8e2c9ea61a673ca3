/** How far each plan has come: planned, half hooked, worn, taken out. */
import type { MeshworkDatabase } from './database.ts';
import { finishedAt, sessionEvents } from './install-events.ts';

export type PlanState =
  | { readonly kind: 'planned' }
  | { readonly kind: 'half'; readonly hooked: number; readonly of: number | undefined }
  | { readonly kind: 'worn'; readonly sinceMs: number }
  | { readonly kind: 'takenOut'; readonly atMs: number };

/** By plan; what is not in it is planned. The newest install counts. */
export async function planStates(db: MeshworkDatabase): Promise<ReadonlyMap<string, PlanState>> {
  const sessions = await db.sessions.orderBy('startedAtMs').toArray();
  const states = await Promise.all(
    sessions.map(async (session): Promise<readonly [string, PlanState]> => {
      const { takenOutAtMs } = session;
      if (session.finished === 1 && takenOutAtMs !== undefined)
        return [session.planId, { kind: 'takenOut', atMs: takenOutAtMs }];
      if (session.finished === 1) return [session.planId, { kind: 'worn', sinceMs: await finishedAt(db, session) }];
      // Only where an install is begun: the first page needs none of it.
      const { foldInstall } = await import('../core/install/session.ts');
      const events = await sessionEvents(db, session.id);
      const hooked = foldInstall(events).done.filter((d) => !d.skipped).length;
      return [session.planId, { kind: 'half', hooked, of: session.knots }];
    }),
  );
  return new Map(states);
}
