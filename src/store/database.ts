/**
 * What the browser keeps. Every change is written at once, in a transaction. Versions only ever get added;
 * each has its upgrade and a test that opens data of the version before.
 */
import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie';
import { historyOf, type States } from '../model/history.ts';
import type { InstallSession, LogEntry, StoredInstallEvent } from '../model/install-log.ts';
import type { PlanChange } from '../model/plan-change.ts';
import { readPlan } from '../model/read-plan.ts';
import { wearersIn } from './find-wearers.ts';
import type {
  DeedsRecord,
  OrderRecord,
  PhotoRecord,
  PictureRecord,
  PlanRecord,
  PracticeRecord,
  Setting,
  StashRecord,
  StyleRecord,
  WearerRecord,
  WearRecord,
} from './records.ts';
import { hairId } from './stash-id.ts';

export type * from './records.ts';

export class MeshworkDatabase extends Dexie {
  plans!: EntityTable<PlanRecord, 'id'>;
  sessions!: EntityTable<InstallSession, 'id'>;
  events!: EntityTable<StoredInstallEvent & { seq: number }, 'seq'>;
  log!: EntityTable<LogEntry, 'id'>;
  settings!: EntityTable<Setting, 'key'>;
  stash!: Table<StashRecord, string>;
  orders!: EntityTable<OrderRecord, 'id'>;
  wearers!: EntityTable<WearerRecord, 'id'>;
  pictures!: EntityTable<PictureRecord, 'planId'>;
  photos!: EntityTable<PhotoRecord, 'id'>;
  wear!: EntityTable<WearRecord, 'key'>;
  styles!: EntityTable<StyleRecord, 'sessionId'>;
  deeds!: EntityTable<DeedsRecord, 'sessionId'>;
  practice!: Table<PracticeRecord, string>;

  constructor(name = 'meshwork') {
    super(name);
    this.version(1).stores({
      plans: 'id, updatedAtMs, deletedAtMs',
      sessions: 'id, planId, finished, startedAtMs',
      events: '++seq, sessionId',
      log: 'id, planId, atMs',
      settings: 'key',
    });
    // Versions 2 to 5 of the plan: what was kept is brought up to them, undo steps and begun installs too.
    this.version(2).upgrade(bringUp);
    this.version(3).stores({ shelf: 'id, kind' }).upgrade(bringUp);
    this.version(4).upgrade(bringUp);
    this.version(5).upgrade(bringUp);
    // Until then undo steps were whole plans.
    this.version(6).upgrade(asPatches);
    // Plans are brought up as they are opened; an install goes on with the plan that it began with.
    this.version(7).upgrade(bringUpInstalls);
    // Until then every plan had a head of its own.
    this.version(8).stores({ wearers: 'id, updatedAtMs', pictures: 'planId' }).upgrade(findWearers);
    // Until then the stash was a shelf of hair and caps.
    this.version(9).stores({ stash: 'id, kind', orders: 'id, planId' }).upgrade(fromShelf);
    // Until then events were in the order in which one device wrote them.
    this.version(10).stores({ photos: 'id, sessionId' }).upgrade(numberEvents);
    this.version(11).stores({ wear: 'key, sessionId' });
    this.version(12).stores({
      sessions: 'id, planId, finished, startedAtMs, takenOutAtMs',
      plans: 'id, updatedAtMs, deletedAtMs, wearer.id',
      styles: 'sessionId',
      deeds: 'sessionId',
      practice: 'id, of',
    });
  }
}

async function fromShelf(tx: Transaction) {
  const kept = await tx.table<StashRecord>('shelf').toArray();
  const lots = kept.map((r) => (r.kind === 'hair' ? { ...r, id: hairId(r.of, r.product), loose: 0 } : r));
  await tx.table<StashRecord>('stash').bulkPut(lots);
  await bringUpInstalls(tx);
}

/** Each event gets a key and its place in the order, which two devices agree on. */
async function numberEvents(tx: Transaction) {
  const counted = new Map<string, number>();
  const events = await tx.table<StoredInstallEvent & { seq: number }>('events').orderBy('seq').toArray();
  for (const event of events) {
    const n = counted.get(event.sessionId) ?? 0;
    counted.set(event.sessionId, n + 1);
    const key = event.key ?? (event.kind === 'start' ? `${event.sessionId}-start` : `${event.sessionId}-${event.seq}`);
    await tx.table('events').put({ ...event, n, key });
  }
}

/** A record before version 6. */
type WholeRecord = Omit<PlanRecord, 'history'> & { readonly history: States };

async function findWearers(tx: Transaction) {
  const found = wearersIn(await tx.table<PlanRecord>('plans').toArray());
  await tx.table<WearerRecord>('wearers').bulkAdd(found.wearers);
  await eachAlone<PlanRecord>(tx, 'plans', (record) => {
    const wearer = found.links.get(record.id);
    return wearer ? { ...record, wearer } : record;
  });
}

async function bringUp(tx: Transaction) {
  await eachAlone<WholeRecord>(tx, 'plans', (record) => ({ ...record, history: broughtUp(record.history) }));
  await bringUpInstalls(tx);
}

const bringUpInstalls = (tx: Transaction) =>
  eachAlone<InstallSession>(tx, 'sessions', (session) => {
    const read = readPlan(session.plan);
    return read.ok ? { ...session, plan: read.value } : session;
  });

const asPatches = (tx: Transaction) =>
  eachAlone<WholeRecord | PlanRecord>(tx, 'plans', (record) => ({
    ...record,
    history: historyOf(record.history as States),
  }));

/** Every record for itself: one that is damaged stays as it is, and locks no other in. */
async function eachAlone<T>(tx: Transaction, table: string, make: (record: T) => T) {
  await tx
    .table<T>(table)
    .toCollection()
    .modify((record, ref) => {
      try {
        ref.value = make(record);
      } catch {
        ref.value = record;
      }
    });
}

/** Plans of an older version as they are now; what can't be read is kept as it is, and told when it is opened. */
function broughtUp({ past, present, future }: States): States {
  const state = (s: PlanChange): PlanChange => {
    const read = readPlan(s.plan);
    return read.ok ? { ...s, plan: read.value } : s;
  };
  return { past: past.map(state), present: state(present), future: future.map(state) };
}
