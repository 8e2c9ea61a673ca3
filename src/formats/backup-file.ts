/**
 * All that a browser keeps as one file: a ZIP (PKWARE APPNOTE 6.3) with a table of records on each line of `<table>.jsonl`, photos
 * as they are, and at its end `manifest.json` with a SHA-256 (FIPS 180-4) of each. Written and read piece by piece: no more than one
 * photo and one table is ever held.
 */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import {
  BlobReader,
  configure,
  type FileEntry,
  TextReader,
  Uint8ArrayReader,
  ZipReader,
  ZipWriter,
} from '@zip.js/zip.js/lib/zip-core-native.js';
import {
  BACKUP_FORMAT,
  BACKUP_VERSION,
  type Manifest,
  readBackupRecord,
  readManifest,
} from '../model/backup-schema.ts';
import { BACKUP_TABLES, type BackupRecords, type BackupTable, keyOf } from '../model/backup-tables.ts';
import type { Parsed } from '../model/lengths.ts';

configure({ useWebWorkers: false });

/** A photo as the store has it, without its picture, and the picture. */
export interface PhotoIn {
  readonly record: object;
  readonly type: string;
  readonly bytes: Uint8Array;
}

export interface BackupSource {
  readonly device: string;
  readonly writtenAtMs: number;
  readonly met: Manifest['met'];
  /** All records of a table, as they lie in the store. */
  rows(table: Exclude<BackupTable, 'photos'>): Promise<readonly object[]>;
  photoIds(): Promise<readonly string[]>;
  photo(id: string): Promise<PhotoIn | undefined>;
}

export type OnProgress = (done: number, of: number) => void;

const MANIFEST = 'manifest.json';
const fileOf = (table: BackupTable) => `${table}.jsonl`;

/** @throws what the sink throws, and the reason of the signal where it is stopped: what was written by then is no backup */
export async function writeBackup(
  source: BackupSource,
  sink: WritableStream<Uint8Array>,
  onProgress?: OnProgress,
  signal?: AbortSignal,
): Promise<Manifest> {
  const zip = new ZipWriter(sink, { lastModDate: new Date(source.writtenAtMs), keepOrder: true });
  const ids = await source.photoIds();
  const of = BACKUP_TABLES.length + ids.length;
  let done = 0;
  const step = () => {
    signal?.throwIfAborted();
    onProgress?.(++done, of);
  };
  const tables: Manifest['tables'] = [];
  const addTable = async (name: BackupTable, records: readonly object[]) => {
    const bytes = new TextEncoder().encode(records.map((r) => `${JSON.stringify(r)}\n`).join(''));
    await zip.add(fileOf(name), new Uint8ArrayReader(bytes), { level: 6 });
    tables.push({ name, records: records.length, sha256: bytesToHex(sha256(bytes)) });
    step();
  };
  for (const table of BACKUP_TABLES) if (table !== 'photos') await addTable(table, await source.rows(table));
  const photos: Manifest['photos'] = [];
  const records: object[] = [];
  for (const id of ids) {
    const photo = await source.photo(id);
    if (photo) {
      const file = `photos/${photos.length + 1}.${photo.type.slice('image/'.length)}`;
      // A photo is compressed already.
      await zip.add(file, new Uint8ArrayReader(photo.bytes), { level: 0 });
      photos.push({ id, file, sha256: bytesToHex(sha256(photo.bytes)) });
      records.push({ ...photo.record, type: photo.type });
    }
    step();
  }
  await addTable('photos', records);
  const { device, writtenAtMs, met } = source;
  const manifest: Manifest = {
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    device,
    writtenAtMs,
    tables,
    photos,
    met,
  };
  await zip.add(MANIFEST, new TextReader(JSON.stringify(manifest)), { level: 6 });
  await zip.close();
  return manifest;
}

/** A backup that was found whole: every checksum but those of photos, which are looked at as each is read. */
export interface OpenBackup {
  readonly manifest: Manifest;
  readonly records: BackupRecords;
  /** @returns undefined where it is not what it was when it was written */
  photo(id: string): Promise<Uint8Array | undefined>;
}

/** Unpacked, of all tables together, and of one photo: more is no backup of a person. */
const MOST_BYTES = { table: 300_000_000, photo: 40_000_000, manifest: 40_000_000 } as const;
const MOST_FILES = 100_100;
const DAMAGED = 'This backup is damaged or cut short';

/** Nothing is changed by reading. @returns one sentence where it is none, was changed, or is of a newer version */
export async function readBackup(file: Blob): Promise<Parsed<OpenBackup>> {
  const zip = new ZipReader(new BlobReader(file), { checkSignature: true });
  let entries: Map<string, FileEntry>;
  try {
    entries = new Map();
    for await (const entry of zip.getEntriesGenerator()) {
      if (entries.size > MOST_FILES) return refused('This file holds far too much for a backup.');
      if (!entry.directory) entries.set(entry.filename, entry);
    }
  } catch {
    return refused('This is no backup of Meshwork: it is another kind of file, or damaged or cut short.');
  }
  const unpacked = async (name: string, most: number) => {
    const entry = entries.get(name);
    return entry && !entry.encrypted ? bytesOf(entry, most) : undefined;
  };
  const manifestBytes = await unpacked(MANIFEST, MOST_BYTES.manifest);
  if (!manifestBytes) return refused('This is no backup of Meshwork: it does not say what is in it.');
  const manifest = readManifest(parsed(manifestBytes));
  if (!manifest.ok) return manifest;
  const records = Object.fromEntries(BACKUP_TABLES.map((t) => [t, []])) as unknown as Record<BackupTable, object[]>;
  let left: number = MOST_BYTES.table;
  for (const { name, records: count, sha256: sum } of manifest.value.tables) {
    const bytes = await unpacked(fileOf(name), left);
    if (!bytes) return refused(`${DAMAGED}: ${fileOf(name)} can’t be read.`);
    left -= bytes.length;
    if (bytesToHex(sha256(bytes)) !== sum) return refused(`${DAMAGED}: ${fileOf(name)} is not as it was written.`);
    const read = recordsIn(name, bytes);
    if (!read.ok) return read;
    if (read.value.length !== count) return refused(`${DAMAGED}: records are missing in ${fileOf(name)}.`);
    records[name] = read.value;
  }
  const photos = new Map(manifest.value.photos.map((p) => [p.id, p]));
  const photo = async (id: string) => {
    const said = photos.get(id);
    const bytes = said && (await unpacked(said.file, MOST_BYTES.photo));
    return bytes && bytesToHex(sha256(bytes)) === said.sha256 ? bytes : undefined;
  };
  return { ok: true, value: { manifest: manifest.value, records, photo } };
}

const refused = (why: string) => ({ ok: false, why }) as const;

function parsed(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return undefined;
  }
}

/** Records of a table; of two with the same key the last. */
function recordsIn(table: BackupTable, bytes: Uint8Array): Parsed<object[]> {
  const found = new Map<string, object>();
  for (const line of new TextDecoder().decode(bytes).split('\n')) {
    if (line === '') continue;
    let value: unknown;
    try {
      value = JSON.parse(line);
    } catch {
      return refused(`${DAMAGED}: a line of ${fileOf(table)} is no record.`);
    }
    const read = readBackupRecord(table, value);
    if (!read.ok) return refused(`This backup can’t be read. ${read.why}`);
    found.set(keyOf(table, read.value), read.value);
  }
  return { ok: true, value: [...found.values()] };
}

/** @returns undefined where the entry is damaged or unpacks to more than it may */
async function bytesOf(entry: FileEntry, most: number): Promise<Uint8Array | undefined> {
  const parts: Uint8Array[] = [];
  let size = 0;
  const into = new WritableStream<Uint8Array>({
    write(part) {
      size += part.length;
      if (size > most) throw new RangeError('too large');
      parts.push(part.slice());
    },
  });
  try {
    await entry.getData(into);
  } catch {
    return undefined;
  }
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return bytes;
}
