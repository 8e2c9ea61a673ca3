/** What a backup holds, table by table. */

/** In the order in which they are written. What is worked out from them is not kept: it is worked out anew. */
export const BACKUP_TABLES = [
  'wearers',
  'plans',
  'sessions',
  'events',
  'log',
  'wear',
  'stash',
  'orders',
  'practice',
  'settings',
  'photos',
] as const;
export type BackupTable = (typeof BACKUP_TABLES)[number];

const BY_KEY: ReadonlySet<BackupTable> = new Set(['events', 'wear', 'settings']);

/** By what records of a table are told apart. */
export const keyOf = (table: BackupTable, record: object): string =>
  (record as Readonly<Record<string, string>>)[BY_KEY.has(table) ? 'key' : 'id'];

/** As they came out of a file: checked, and of this version. */
export type BackupRecords = Readonly<Record<BackupTable, readonly object[]>>;
