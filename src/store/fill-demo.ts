/** The demo: put into an empty store, all or nothing; put away and brought back, with nothing of hers touched. */
import { startHistory } from '../model/history.ts';
import type { InstallSession, LogEntry, StoredInstallEvent } from '../model/install-log.ts';
import type { PlanDocument } from '../model/plan.ts';
import type { MeshworkDatabase, WearRecord } from './database.ts';
import { wearersIn } from './find-wearers.ts';
import { keepThing, putHair, type StashHair, type StashThing } from './stash.ts';

export interface DemoRecords {
  readonly plans: readonly PlanDocument[];
  readonly sessions: readonly InstallSession[];
  readonly events: readonly StoredInstallEvent[];
  readonly log: readonly LogEntry[];
  readonly wear?: readonly WearRecord[];
  readonly stash?: {
    readonly hair: ReadonlyArray<Pick<StashHair, 'product' | 'loose'>>;
    readonly things: ReadonlyArray<Pick<StashThing, 'name' | 'count' | 'inBag' | 'bagPrice'>>;
  };
}

/** A store that holds anything is left alone. */
export async function fillWithDemo(db: MeshworkDatabase, demo: DemoRecords, nowMs: number): Promise<boolean> {
  return db.transaction('rw', ALL(db), async () => {
    if ((await db.plans.count()) > 0) return false;
    await addDemo(db, demo, nowMs);
    return true;
  });
}

const ALL = (db: MeshworkDatabase) => [db.plans, db.wearers, db.sessions, db.events, db.log, db.stash, db.wear];

async function addDemo(db: MeshworkDatabase, demo: DemoRecords, nowMs: number) {
  const records = demo.plans.map((plan, i) => ({
    id: plan.id,
    revision: 1,
    updatedAtMs: nowMs - i,
    deletedAtMs: 0,
    history: startHistory(plan, 'Demo plan'),
  }));
  const { wearers, links } = wearersIn(records);
  await db.wearers.bulkAdd(wearers);
  await db.plans.bulkAdd(records.map((r) => ({ ...r, wearer: links.get(r.id) })));
  await db.sessions.bulkAdd([...demo.sessions]);
  await db.events.bulkAdd(demo.events.map((e) => ({ ...e }) as StoredInstallEvent & { seq: number }));
  await db.log.bulkAdd([...demo.log]);
  await db.wear.bulkAdd([...(demo.wear ?? [])]);
  const of = wearers[0]?.id;
  await putHair(db, of, demo.stash?.hair ?? [], nowMs);
  for (const thing of demo.stash?.things ?? []) await keepThing(db, of, thing, nowMs);
}

const DEMO = /^(wearer-)?demo-/;
const AWAY = -1;

/** Whether the demo is on the table, put away, or was never there. */
export async function demoState(db: MeshworkDatabase): Promise<'out' | 'away' | 'none'> {
  const demo = await db.plans.filter((p) => DEMO.test(p.id)).toArray();
  if (demo.length === 0) return 'none';
  return demo.some((p) => p.deletedAtMs === 0) ? 'out' : 'away';
}

/** Its plans as they are now, changed ones too, are kept until it is brought back. */
export async function putAwayDemo(db: MeshworkDatabase): Promise<void> {
  await db.transaction('rw', db.plans, db.wearers, async () => {
    await db.plans.filter((p) => DEMO.test(p.id) && p.deletedAtMs === 0).modify({ deletedAtMs: AWAY });
    // Where a plan of hers follows the demo's wearer, that wearer stays.
    const followed = new Set((await db.plans.where('deletedAtMs').equals(0).toArray()).map((p) => p.wearer?.id));
    await db.wearers.filter((w) => DEMO.test(w.id) && !followed.has(w.id)).modify({ isAway: true });
  });
}

export async function bringBackDemo(
  db: MeshworkDatabase,
  fetched: () => Promise<DemoRecords>,
  nowMs: number,
): Promise<void> {
  const demo = (await demoState(db)) === 'none' ? await fetched() : undefined;
  await db.transaction('rw', ALL(db), async () => {
    const away = await db.plans.where('deletedAtMs').equals(AWAY).modify({ deletedAtMs: 0 });
    // She deleted its plans one by one.
    if (away === 0) await db.plans.filter((p) => DEMO.test(p.id)).modify({ deletedAtMs: 0 });
    await db.wearers.filter((w) => DEMO.test(w.id)).modify({ isAway: false });
    if (demo) await addDemo(db, demo, nowMs);
  });
}
