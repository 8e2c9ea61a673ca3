/**
 * A backup of 200 MB of photos, written to a file and read from it: how long, and how much more memory than before at most. Neither
 * may hold it twice. Run by `npm run bench`.
 */
import { createWriteStream, openAsBlob, rmSync } from 'node:fs';
import { mkdtemp } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import { readBackup, writeBackup } from '../src/formats/backup-file.ts';
import { tell } from './memory.ts';

const PHOTOS = 200;
const PHOTO_BYTES = 1_000_000;
const LIMIT_MB = (2 * PHOTOS * PHOTO_BYTES) / 1e6;
const LOOK_MS = 10;

/** Bytes that do not compress, as those of a photo. */
function photoBytes(seed: number): Uint8Array {
  const bytes = new Uint8Array(PHOTO_BYTES);
  let state = seed + 1;
  for (let i = 0; i < bytes.length; i++) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    bytes[i] = state >>> 24;
  }
  return bytes;
}

async function measured(what: string, work: () => Promise<void>): Promise<boolean> {
  const before = process.memoryUsage().rss;
  let peak = before;
  const look = () => {
    peak = Math.max(peak, process.memoryUsage().rss);
  };
  const timer = setInterval(look, LOOK_MS);
  const start = performance.now();
  await work();
  look();
  clearInterval(timer);
  const more = (peak - before) / 1e6;
  tell(what, [performance.now() - start]);
  const isWithin = more < LIMIT_MB;
  process.stdout.write(
    `${what.padEnd(52)} ${((performance.now() - start) / 1000).toFixed(1).padStart(5)} s   memory ${more.toFixed(0).padStart(4)} MB more   ${isWithin ? 'within' : 'MISSES'} ${LIMIT_MB} MB\n`,
  );
  return isWithin;
}

const folder = await mkdtemp(join(tmpdir(), 'meshwork-backup-'));
const file = join(folder, 'backup.zip');
try {
  const ids = Array.from({ length: PHOTOS }, (_, i) => `photo-${i}`);
  const record = (id: string) => ({ id, sessionId: 's', takenAtMs: 1, side: 'top', knotsIn: 1 });
  const written = await measured('a backup of 200 MB of photos written', async () => {
    const sink = Writable.toWeb(createWriteStream(file)) as WritableStream<Uint8Array>;
    await writeBackup(
      {
        device: 'bench',
        writtenAtMs: 1,
        met: [],
        rows: async () => [],
        photoIds: async () => ids,
        photo: async (id) => ({ record: record(id), type: 'image/jpeg', bytes: photoBytes(ids.indexOf(id)) }),
      },
      sink,
    );
  });
  const read = await measured('the same read, photo by photo', async () => {
    const opened = await readBackup(await openAsBlob(file));
    if (!opened.ok) throw new Error(opened.why);
    for (const id of ids) if (!(await opened.value.photo(id))) throw new Error(`${id} is not as it was`);
  });
  process.exitCode = written && read ? 0 : 1;
} finally {
  rmSync(folder, { recursive: true });
}
