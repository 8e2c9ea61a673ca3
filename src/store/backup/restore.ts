/** A backup brought in: photos one by one, then all records at once or none. What is here and not in it stays. */
import { foldInstall } from '../../core/install/index.ts';
import type { InstallSession, LogEntry } from '../../model/install-log.ts';
import type { MeshworkDatabase, OrderRecord, PhotoRecord, PlanRecord, WearerRecord } from '../database.ts';
import { sessionEvents } from '../install-events.ts';
import { type BackupFrom, type BackupRecords, type Choice, type Compared, isNewerOrder, keysHere } from './compare.ts';
import { photoOfBytes } from './photo-bytes.ts';
import { meet } from './write.ts';

export interface Restoring {
  readonly records: BackupRecords;
  readonly from: BackupFrom;
  readonly compared: Compared;
  /** What she chose, by table and id; where she said nothing the start of the difference holds. */
  readonly chosen: Readonly<Record<string, Choice>>;
  /** @returns undefined where it is damaged */
  photo(id: string): Promise<Uint8Array | undefined>;
  newId(): string;
  readonly device: string;
  readonly onProgress?: (done: number, of: number) => void;
  readonly signal?: AbortSignal;
}

export interface Restored {
  /** Records that were not here before. */
  readonly added: number;
  readonly replaced: number;
  readonly beside: number;
  /** Photos that the file no longer holds as they were written. */
  readonly lostPhotos: number;
}

export const choiceKey = (d: { readonly table: string; readonly id: string }) => `${d.table}/${d.id}`;

/** Tables whose records are only ever added. */
const ADDED = ['events', 'wear', 'practice', 'settings'] as const;

/** @throws the reason of the signal where it is stopped, and what the store refuses: records are then as before, photos that came are kept */
export async function restoreBackup(db: MeshworkDatabase, restoring: Restoring): Promise<Restored> {
  const photos = await addPhotos(db, restoring);
  restoring.signal?.throwIfAborted();
  const tables = [
    db.plans,
    db.wearers,
    db.sessions,
    db.events,
    db.log,
    db.wear,
    db.stash,
    db.orders,
    db.practice,
    db.settings,
  ];
  const counts = await db.transaction('rw', [...tables, db.styles, db.deeds], async () => {
    let added = 0;
    for (const table of ADDED) added += await addTo(db, table, restoring.records[table] ?? []);
    for (const table of ['plans', 'wearers', 'log', 'stash'] as const)
      added += await addTo(db, table, restoring.records[table] ?? []);
    added += await addSessions(db, restoring.records);
    added += await addOrders(db, restoring.records);
    const { replaced, beside } = await settle(db, restoring);
    if (restoring.from.device !== restoring.device)
      await meet(db, { device: restoring.from.device, atMs: restoring.from.writtenAtMs });
    return { added, replaced, beside };
  });
  return { ...counts, added: counts.added + photos.added, lostPhotos: photos.lost };
}

async function addPhotos(db: MeshworkDatabase, { records, photo, onProgress, signal }: Restoring) {
  const here = await keysHere(db, 'photos');
  const all = (records.photos ?? []) as ReadonlyArray<Omit<PhotoRecord, 'image'> & { readonly type: string }>;
  const fresh = all.filter((p) => !here.has(p.id));
  let added = 0;
  for (const [i, { type, ...record }] of fresh.entries()) {
    signal?.throwIfAborted();
    const bytes = await photo(record.id);
    if (bytes) {
      await db.photos.put({ ...record, image: photoOfBytes(type, bytes) });
      added++;
    }
    onProgress?.(i + 1, fresh.length);
  }
  return { added, lost: fresh.length - added };
}

async function addTo(db: MeshworkDatabase, table: string, records: readonly object[]): Promise<number> {
  const here = await keysHere(db, table);
  const key = table === 'events' || table === 'wear' || table === 'settings' ? 'key' : 'id';
  const fresh = records.filter((r) => !here.has((r as Record<string, string>)[key]));
  // A browser that is looking at a plan of hers already goes on counting its writes.
  await db.table(table).bulkAdd(fresh);
  return fresh.length;
}

/** An install that both have is finished where all that happened in it says so. */
async function addSessions(db: MeshworkDatabase, records: BackupRecords): Promise<number> {
  let added = 0;
  for (const theirs of (records.sessions ?? []) as readonly InstallSession[]) {
    const ours = await db.sessions.get(theirs.id);
    if (!ours) added++;
    const session = { ...theirs, ...ours };
    const { finished } = foldInstall(await sessionEvents(db, theirs.id));
    await db.sessions.put({ ...session, finished: finished ? 1 : 0 });
    await db.styles.delete(theirs.id);
    await db.deeds.delete(theirs.id);
  }
  return added;
}

async function addOrders(db: MeshworkDatabase, records: BackupRecords): Promise<number> {
  let added = 0;
  for (const theirs of (records.orders ?? []) as readonly OrderRecord[]) {
    const ours = await db.orders.get(theirs.id);
    if (!ours) added++;
    if (!ours || isNewerOrder(ours, theirs)) await db.orders.put(theirs);
  }
  return added;
}

/** Where both have a record and they differ: what is ahead, and what she chose. */
async function settle(db: MeshworkDatabase, { records, compared, chosen, newId }: Restoring) {
  let replaced = 0;
  let beside = 0;
  const find = (table: string, id: string) =>
    (records[table] ?? []).find((r) => (r as { id: string }).id === id) as
      | (object & { readonly id: string })
      | undefined;
  for (const { table, id } of compared.ahead) {
    const theirs = find(table, id);
    if (!theirs) continue;
    await put(db, table, theirs);
    replaced++;
  }
  for (const difference of compared.differences) {
    const { table, id } = difference;
    const choice = chosen[choiceKey(difference)] ?? difference.start;
    const theirs = find(table, id);
    if (!theirs || choice === 'ours') continue;
    if (choice === 'both') {
      await putBeside(db, table, theirs, newId);
      beside++;
    } else {
      await put(db, table, theirs);
      replaced++;
    }
  }
  return { replaced, beside };
}

/** In place of the one that is here. Its revision goes on, so that another tab sees that it was written. */
async function put(db: MeshworkDatabase, table: string, theirs: object & { readonly id: string }) {
  const ours = (await db.table(table).get(theirs.id)) as { readonly revision?: number } | undefined;
  const revision = ours?.revision;
  await db
    .table(table)
    .put(
      revision === undefined
        ? theirs
        : { ...theirs, revision: Math.max(revision, (theirs as { revision?: number }).revision ?? 0) + 1 },
    );
}

const BESIDE_NAME = ', from the backup';

async function putBeside(
  db: MeshworkDatabase,
  table: string,
  theirs: object & { readonly id: string },
  newId: () => string,
) {
  const id = newId();
  if (table === 'plans') {
    const record = theirs as PlanRecord;
    const { history } = record;
    const { plan } = history.present;
    // Its steps of undo lead to states under the old name and id.
    const present = {
      words: 'From the backup',
      plan: { ...plan, id, name: `${plan.name}${BESIDE_NAME}`.slice(0, 120) },
    };
    await db.plans.add({ ...record, id, history: { past: [], present, future: [] } });
  } else if (table === 'wearers') {
    const record = theirs as WearerRecord;
    const wearer = `${record.her.wearer.trim() || 'You'}${BESIDE_NAME}`.slice(0, 120);
    await db.wearers.add({ ...record, id, her: { ...record.her, wearer } });
  } else if (table === 'log') {
    const record = theirs as LogEntry;
    const ours = await db.log.get(record.id);
    if (!ours) return;
    // One style has one record: both lines stand in it.
    await db.log.put({
      ...ours,
      line: [ours.line, record.line].filter((l) => l.trim() !== '').join(' '),
      wishes: [...new Set([...(ours.wishes ?? []), ...(record.wishes ?? [])])],
    });
  }
}
