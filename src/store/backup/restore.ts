/** A backup brought in: photos one by one, then all records at once or none. What is here and not in it stays. */
import { dequal } from 'dequal';
import { foldInstall } from '../../core/install/index.ts';
import { type BackupRecords, type BackupTable, keyOf } from '../../model/backup-tables.ts';
import type { InstallSession, LogEntry } from '../../model/install-log.ts';
import type { MeshworkDatabase, OrderRecord, PhotoRecord, PlanRecord, WearerRecord } from '../database.ts';
import { sessionEvents } from '../install-events.ts';
import { holdsPlan } from '../records.ts';
import { wearerName } from '../wearers.ts';
import { type BackupFrom, type Compared, compareBackup, isNewerOrder, keysHere, plainly } from './compare.ts';
import { type Choice, choiceKey, type Difference } from './difference.ts';
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

/** Tables of which all is added that is not here. */
const ADDED = ['events', 'wear', 'practice', 'settings', 'plans', 'wearers', 'log', 'stash'] as const;

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
    db.photos,
  ];
  const counts = await db.transaction('rw', [...tables, db.styles, db.deeds], async () => {
    // What another tab wrote since she was asked is held against the backup too.
    const { records, from, device } = restoring;
    const now = await compareBackup(db, records, from, device);
    let added = 0;
    for (const table of ADDED) added += await addTo(db, table, restoring.records[table]);
    added += await addSessions(db, restoring.records);
    added += await addOrders(db, restoring.records);
    const { replaced, beside } = await settle(db, restoring, now);
    if (restoring.from.device !== restoring.device)
      await meet(db, { device: restoring.from.device, atMs: restoring.from.writtenAtMs });
    return { added, replaced, beside };
  });
  return { ...counts, added: counts.added + photos.added, lostPhotos: photos.lost };
}

async function addPhotos(db: MeshworkDatabase, { records, photo, onProgress, signal }: Restoring) {
  const here = await keysHere(db, 'photos');
  const all = records.photos as ReadonlyArray<Omit<PhotoRecord, 'image'> & { readonly type: string }>;
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

async function addTo(db: MeshworkDatabase, table: BackupTable, records: readonly object[]): Promise<number> {
  const here = await keysHere(db, table);
  const fresh = records.filter((r) => !here.has(keyOf(table, r)));
  await db.table(table).bulkAdd(fresh);
  return fresh.length;
}

/** An install that both have is finished where all that happened in it says so. */
async function addSessions(db: MeshworkDatabase, records: BackupRecords): Promise<number> {
  let added = 0;
  for (const theirs of records.sessions as readonly InstallSession[]) {
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
  for (const theirs of records.orders as readonly OrderRecord[]) {
    const ours = await db.orders.get(theirs.id);
    if (!ours) added++;
    if (!ours || isNewerOrder(ours, theirs)) await db.orders.put(theirs);
  }
  return added;
}

/** Where both have a record and they differ: what is ahead, and what she chose. */
async function settle(db: MeshworkDatabase, { records, compared, chosen, newId }: Restoring, now: Compared) {
  let replaced = 0;
  let beside = 0;
  const find = (table: Difference['table'], id: string) =>
    records[table].find((r) => keyOf(table, r) === id) as (object & { readonly id: string }) | undefined;
  for (const { table, id } of now.ahead) {
    const theirs = find(table, id);
    if (!theirs) continue;
    await put(db, table, theirs);
    replaced++;
  }
  for (const difference of now.differences) {
    const { table, id } = difference;
    const seen = compared.differences.find((d) => d.table === table && d.id === id);
    // What she chose she chose of what she saw.
    const isAsSeen = seen?.stamp === difference.stamp;
    const choice = (isAsSeen && chosen[choiceKey(difference)]) || difference.start;
    const theirs = find(table, id);
    if (!theirs || choice === 'ours') continue;
    if (choice === 'both') {
      if (await putBeside(db, table, theirs, newId)) beside++;
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
const LONGEST_NAME = 120;
const besideName = (name: string) => `${name.slice(0, LONGEST_NAME - BESIDE_NAME.length)}${BESIDE_NAME}`;

/** @returns whether it was not beside it already, from the same backup before */
function putBeside(
  db: MeshworkDatabase,
  table: Difference['table'],
  theirs: object,
  newId: () => string,
): Promise<boolean> {
  switch (table) {
    case 'plans':
      return planBeside(db, theirs as PlanRecord, newId());
    case 'wearers':
      return wearerBeside(db, theirs as WearerRecord, newId());
    default:
      return lineBeside(db, theirs as LogEntry);
  }
}

async function planBeside(db: MeshworkDatabase, theirs: PlanRecord, id: string): Promise<boolean> {
  const { plan } = theirs.history.present;
  const named = { ...plan, id, name: besideName(plan.name) };
  const isThere = await db.plans
    .filter((p) => holdsPlan(p) && dequal(plainly({ ...p.history.present.plan, id }), plainly(named)))
    .count();
  if (isThere > 0) return false;
  // Its steps of undo lead to states under the old name and id.
  await db.plans.add({
    ...theirs,
    id,
    history: { past: [], present: { words: 'From the backup', plan: named }, future: [] },
  });
  return true;
}

async function wearerBeside(db: MeshworkDatabase, theirs: WearerRecord, id: string): Promise<boolean> {
  const her = { ...theirs.her, wearer: besideName(wearerName(theirs)) };
  if ((await db.wearers.filter((w) => dequal(plainly(w.her), plainly(her))).count()) > 0) return false;
  await db.wearers.add({ ...theirs, id, her });
  return true;
}

/** One style has one record: both lines stand in it. */
async function lineBeside(db: MeshworkDatabase, theirs: LogEntry): Promise<boolean> {
  const ours = await db.log.get(theirs.id);
  if (!ours || ours.line.includes(theirs.line)) return false;
  await db.log.put({
    ...ours,
    line: [ours.line, theirs.line].filter((l) => l.trim() !== '').join(' '),
    wishes: [...new Set([...(ours.wishes ?? []), ...(theirs.wishes ?? [])])],
  });
  return true;
}
