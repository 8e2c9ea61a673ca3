/** Backups are written, looked at and brought in beside the page: photos may be hundreds of megabytes. */
import { expose } from 'comlink';
import { type OnProgress, type OpenBackup, readBackup, writeBackup } from '../../formats/backup-file.ts';
import { type Compared, compareBackup } from '../../store/backup/compare.ts';
import type { Choice } from '../../store/backup/difference.ts';
import { type Restored, restoreBackup } from '../../store/backup/restore.ts';
import { backupSource, deviceOf } from '../../store/backup/write.ts';
import { isFull } from '../../store/plans.ts';
import { db, newId } from '../session/database.ts';

export type Told<T> =
  | { readonly state: 'done'; readonly value: T }
  | { readonly state: 'refused'; readonly why: string }
  | { readonly state: 'stopped' };

export interface Written {
  readonly file: Blob;
  readonly atMs: number;
}

export interface LookedAt {
  readonly writtenAtMs: number;
  readonly compared: Compared;
}

/** What is gathered before it is handed to the browser, which may lay it on its disk. */
const PART_BYTES = 4_000_000;

let stop = new AbortController();
let open: (LookedAt & { readonly backup: OpenBackup; readonly device: string }) | undefined;

function intoBlob() {
  const blobs: Blob[] = [];
  let parts: BlobPart[] = [];
  let bytes = 0;
  const flush = () => {
    blobs.push(new Blob(parts));
    parts = [];
    bytes = 0;
  };
  const sink = new WritableStream<Uint8Array>({
    write(part) {
      parts.push(part.slice());
      bytes += part.length;
      if (bytes > PART_BYTES) flush();
    },
  });
  return {
    sink,
    blob: () => {
      flush();
      return new Blob(blobs, { type: 'application/zip' });
    },
  };
}

/** @param otherwise what is said where it fails for no reason of its own */
async function told<T>(otherwise: string, work: (signal: AbortSignal) => Promise<Told<T>>): Promise<Told<T>> {
  stop = new AbortController();
  const { signal } = stop;
  try {
    return await work(signal);
  } catch (error) {
    if (signal.aborted) return { state: 'stopped' };
    return { state: 'refused', why: isFull(error) ? 'The disk is full.' : otherwise };
  }
}

const jobs = {
  stop: () => stop.abort(),

  write: (onProgress: OnProgress) =>
    told<Written>('The backup could not be written.', async (signal) => {
      const atMs = Date.now();
      const { sink, blob } = intoBlob();
      await writeBackup(await backupSource(db, newId, atMs), sink, onProgress, signal);
      return { state: 'done', value: { file: blob(), atMs } };
    }),

  look: (file: Blob) =>
    told<LookedAt>('This file could not be read.', async () => {
      open = undefined;
      const read = await readBackup(file);
      if (!read.ok) return { state: 'refused', why: read.why };
      const { manifest, records } = read.value;
      const device = await deviceOf(db, newId);
      const compared = await compareBackup(db, records, manifest, device);
      open = { backup: read.value, device, compared, writtenAtMs: manifest.writtenAtMs };
      return { state: 'done', value: { compared, writtenAtMs: manifest.writtenAtMs } };
    }),

  bringIn: (chosen: Readonly<Record<string, Choice>>, onProgress: OnProgress) =>
    told<Restored>('The browser did not keep it.', async (signal) => {
      if (!open) return { state: 'refused', why: 'There is no backup open.' };
      const { backup, device } = open;
      const { records, manifest: from, photo } = backup;
      // What she changed meanwhile in another tab counts.
      const compared = await compareBackup(db, records, from, device);
      const value = await restoreBackup(db, {
        records,
        from,
        compared,
        chosen,
        photo,
        newId,
        device,
        onProgress,
        signal,
      });
      return { state: 'done', value };
    }),
};

export type KeptJobs = typeof jobs;

expose(jobs);
