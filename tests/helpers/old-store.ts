/** A store as an older version laid it, for tests of what becomes of it. */
import Dexie from 'dexie';

const TABLES = {
  plans: 'id, updatedAtMs, deletedAtMs',
  sessions: 'id, planId, finished, startedAtMs',
  events: '++seq, sessionId',
  log: 'id, planId, atMs',
  settings: 'key',
};

/** @returns its name, with these records in it. */
export async function oldStore(version: number, records: Readonly<Record<string, readonly object[]>>): Promise<string> {
  const name = `version-${version}-${Math.random()}`;
  const old = new Dexie(name);
  old.version(version).stores(version < 3 ? TABLES : { ...TABLES, shelf: 'id, kind' });
  await old.open();
  for (const [table, list] of Object.entries(records)) await old.table(table).bulkAdd([...list]);
  old.close();
  return name;
}
