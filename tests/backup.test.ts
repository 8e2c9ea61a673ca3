/** All that a browser keeps into one file and out of it again: whole, checked, merged without loss. */
import 'fake-indexeddb/auto';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { BlobReader, TextReader, TextWriter, ZipReader, ZipWriter } from '@zip.js/zip.js/lib/zip-core-native.js';
import Ajv2020 from 'ajv/dist/2020.js';
import { unzipSync } from 'fflate';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import published from '../docs/schema/backup-1.schema.json' with { type: 'json' };
import { seededRandom } from '../src/core/numerics/index.ts';
import { demoBundle } from '../src/demo/demo.ts';
import { type OpenBackup, readBackup, writeBackup } from '../src/formats/backup-file.ts';
import { backupJsonSchema } from '../src/formats/published.ts';
import { BACKUP_TABLES } from '../src/model/backup-tables.ts';
import { setField } from '../src/model/commands.ts';
import { record } from '../src/model/history.ts';
import { atStake, isAnyAtStake, isDue, noteAlone, noteWritten } from '../src/store/backup/at-stake.ts';
import { compareBackup } from '../src/store/backup/compare.ts';
import { type Restored, restoreBackup } from '../src/store/backup/restore.ts';
import { backupSource, deviceOf } from '../src/store/backup/write.ts';
import { MeshworkDatabase } from '../src/store/database.ts';
import { fillWithDemo } from '../src/store/fill-demo.ts';
import { isFull, savePlan } from '../src/store/plans.ts';

const DAY = 86_400_000;
const NOW = Date.parse('2026-11-20T10:00:00Z');
const PIXEL =
  'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

let a: MeshworkDatabase;
let b: MeshworkDatabase;
let count = 0;
const newId = () => `new-${count++}`;
beforeEach(async () => {
  a = new MeshworkDatabase(`backup-a-${count++}`);
  b = new MeshworkDatabase(`backup-b-${count++}`);
  await fillWithDemo(a, demoBundle(NOW), NOW);
  await a.photos.add({ id: 'ph', sessionId: 's', takenAtMs: NOW, side: 'behind', image: PIXEL, knotsIn: 3 });
  await a.practice.add({ id: 'pr', of: 'w', atMs: NOW, kind: 'answer', question: 'q', isRight: true });
});
afterEach(async () => {
  await a.delete();
  await b.delete();
});

async function written(db: MeshworkDatabase, nowMs = NOW, signal?: AbortSignal): Promise<Blob> {
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  const blob = new Response(readable).blob();
  const source = await backupSource(db, newId, nowMs);
  await Promise.all([writeBackup(source, writable, undefined, signal), blob]);
  return blob;
}
async function opened(file: Blob): Promise<OpenBackup> {
  const read = await readBackup(file);
  if (!read.ok) throw new Error(read.why);
  return read.value;
}
async function broughtIn(
  db: MeshworkDatabase,
  file: Blob,
  chosen: Parameters<typeof restoreBackup>[1]['chosen'] = {},
): Promise<Restored> {
  const { records, manifest, photo } = await opened(file);
  const device = await deviceOf(db, newId);
  const compared = await compareBackup(db, records, manifest, device);
  return restoreBackup(db, { records, from: manifest, compared, chosen, photo, newId, device });
}
const differences = async (db: MeshworkDatabase, file: Blob) => {
  const { records, manifest } = await opened(file);
  return (await compareBackup(db, records, manifest, await deviceOf(db, newId))).differences;
};

/** All of a store, without what it works out itself and what is its own. */
async function all(db: MeshworkDatabase) {
  const tables = await Promise.all(
    BACKUP_TABLES.map(async (t) => {
      const rows: object[] = await db.table(t).toArray();
      const kept = rows
        .map(({ seq: _, ...r }: { seq?: number }) => r)
        .filter((r) => !String((r as { key?: string }).key).startsWith('backup-'));
      return [t, JSON.parse(JSON.stringify(kept)).sort(byKey)];
    }),
  );
  return Object.fromEntries(tables) as Record<string, object[]>;
}
const byKey = (x: Record<string, string>, y: Record<string, string>) => ((x.id ?? x.key) < (y.id ?? y.key) ? -1 : 1);

const renamed = async (db: MeshworkDatabase, id: string, name: string, atMs: number) => {
  const kept = await db.plans.get(id);
  if (!kept) throw new Error(id);
  const history = record(kept.history, setField(kept.history.present.plan, 'name', name, `Named ${name}`));
  expect((await savePlan(db, id, kept.revision, history, atMs)).state).toBe('saved');
};
const nameIn = async (db: MeshworkDatabase, id: string) => (await db.plans.get(id))?.history.present.plan.name;

describe('a backup', () => {
  it('brought into an empty browser is all that there was', async () => {
    const file = await written(a);
    const { added, lostPhotos } = await broughtIn(b, file);
    expect(lostPhotos).toBe(0);
    const there = await all(a);
    expect(added).toBe(Object.values(there).reduce((sum, rows) => sum + rows.length, 0));
    expect(added).toBeGreaterThan(700);
    expect(await all(b)).toEqual(there);
  });

  it('brought in a second time adds nothing and changes nothing', async () => {
    const file = await written(a);
    await broughtIn(b, file);
    const before = await all(b);
    expect(await broughtIn(b, file)).toEqual({ added: 0, replaced: 0, beside: 0, lostPhotos: 0 });
    expect(await all(b)).toEqual(before);
  });

  it('is a ZIP that another library reads, with sums that hold', async () => {
    const files = unzipSync(new Uint8Array(await (await written(a)).arrayBuffer()));
    const manifest = JSON.parse(new TextDecoder().decode(files['manifest.json']));
    for (const { name, records, sha256: sum } of manifest.tables) {
      const bytes = files[`${name}.jsonl`];
      expect(bytesToHex(sha256(bytes)), name).toBe(sum);
      expect(new TextDecoder().decode(bytes).split('\n').length - 1, name).toBe(records);
    }
    expect(Object.keys(files)).toHaveLength(manifest.tables.length + manifest.photos.length + 1);
  });

  it('says what is in it as its published schema has it', async () => {
    expect(published).toEqual(backupJsonSchema(published));
    const { manifest } = await opened(await written(a));
    const isValid = new Ajv2020({ strict: false }).compile(published);
    expect(isValid(manifest), JSON.stringify(isValid.errors)).toBe(true);
    expect(isValid({ ...manifest, more: 1 })).toBe(false);
  });

  // FIPS 180-4 by its example messages (NIST, "SHA256.pdf": "abc" and the 448-bit message; from memory).
  it.each([
    ['abc', 'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad'],
    [
      'abcdbcdecdefdefgefghfghighijhijkijkljklmklmnlmnomnopnopq',
      '248d6a61d20638b8e5c026930c3e6039a33ce45964ff2167f6ecedd419db06c1',
    ],
  ])('has sums as published: %s', (text, sum) => {
    expect(bytesToHex(sha256(new TextEncoder().encode(text)))).toBe(sum);
  });

  it('that is stopped on the way is none, and says why', async () => {
    const stop = new AbortController();
    stop.abort(new Error('stopped'));
    await expect(written(a, NOW, stop.signal)).rejects.toThrow('stopped');
  });
});

describe('a full disk', () => {
  /** As a browser refuses a write: the request fails, wherever it comes. */
  const fullAfter = (writes: number) => {
    let left = writes;
    const refuse = (way: 'put' | 'add') => {
      const whole = IDBObjectStore.prototype[way];
      return vi.spyOn(IDBObjectStore.prototype, way).mockImplementation(function (this: IDBObjectStore, ...args) {
        if (left-- <= 0) throw new DOMException('full', 'QuotaExceededError');
        return whole.apply(this, args);
      });
    };
    const spies = [refuse('put'), refuse('add')];
    return () => {
      for (const spy of spies) spy.mockRestore();
    };
  };

  it('in the midst of a restore leaves all as it was, wherever it comes; with room again it is brought in whole', async () => {
    const file = await written(a);
    const before = await all(b);
    for (const writes of [0, 1, 2, 3, 5, 8, 13, 21, 34, 55, 89, 144]) {
      const { records, manifest, photo } = await opened(file);
      const device = await deviceOf(b, newId);
      const compared = await compareBackup(b, records, manifest, device);
      const free = fullAfter(writes);
      const asked = { records, from: manifest, compared, chosen: {}, photo, newId, device };
      const outcome = await restoreBackup(b, asked).then(
        () => 'done',
        (error) => (isFull(error) ? 'full' : String(error)),
      );
      free();
      expect(outcome, String(writes)).toBe('full');
      // Photos that had room stay: they are only ever added, and nothing names them yet.
      expect({ ...(await all(b)), photos: [] }).toEqual({ ...before, photos: [] });
    }
    await broughtIn(b, file);
    expect((await all(b)).plans).toEqual((await all(a)).plans);
  });
});

describe('two tabs', () => {
  it('what the other one wrote after she was asked is not lost, whatever she chose', async () => {
    await broughtIn(b, await written(a));
    await renamed(a, 'demo-shoulder-curls', 'From the desk', NOW + DAY);
    await renamed(b, 'demo-shoulder-curls', 'At the mirror', NOW + DAY);
    await renamed(a, 'demo-deep-part', 'Deeper', NOW + DAY);
    const { records, manifest, photo } = await opened(await written(a, NOW + 2 * DAY));
    const device = await deviceOf(b, newId);
    const compared = await compareBackup(b, records, manifest, device);
    expect(compared.ahead).toContainEqual({ table: 'plans', id: 'demo-deep-part' });
    // Another tab goes on: of one that she said theirs of, and of one that was only behind.
    await renamed(b, 'demo-shoulder-curls', 'In the other tab', NOW + 3 * DAY);
    await renamed(b, 'demo-deep-part', 'Here too', NOW + 3 * DAY);
    const chosen = { 'plans/demo-shoulder-curls': 'theirs' } as const;
    await restoreBackup(b, { records, from: manifest, compared, chosen, photo, newId, device });
    const names = (await b.plans.toArray()).map((p) => p.history.present.plan.name);
    expect(names).toEqual(
      expect.arrayContaining([
        'In the other tab',
        'From the desk, from the backup',
        'Here too',
        'Deeper, from the backup',
      ]),
    );
  });

  it('that write at once while it is brought in keep both', async () => {
    await broughtIn(b, await written(a));
    await renamed(a, 'demo-shoulder-curls', 'From the desk', NOW + DAY);
    const file = await written(a, NOW + 2 * DAY);
    for (let i = 0; i < 12; i++) {
      await Promise.all([broughtIn(b, file), renamed(b, 'demo-swept-coils', `Swept ${i}`, NOW + 3 * DAY + i)]);
      expect(await nameIn(b, 'demo-swept-coils')).toBe(`Swept ${i}`);
    }
    expect(await nameIn(b, 'demo-shoulder-curls')).toBe('From the desk');
  });
});

describe('two browsers', () => {
  it('that each went on add to each other; nothing is lost, and both come to the same', async () => {
    await broughtIn(b, await written(a));
    await a.wear.add({ key: 'w-a', sessionId: 'demo-install-done', atMs: NOW, day: '2026-11-20', what: 'fuzz' });
    await b.wear.add({ key: 'w-b', sessionId: 'demo-install-done', atMs: NOW, day: '2026-11-20', what: 'washed' });
    await renamed(b, 'demo-shoulder-curls', 'On the tablet', NOW + DAY);
    await broughtIn(a, await written(b, NOW + DAY));
    await broughtIn(b, await written(a, NOW + 2 * DAY));
    expect((await a.wear.bulkGet(['w-a', 'w-b'])).every(Boolean)).toBe(true);
    expect((await b.wear.bulkGet(['w-a', 'w-b'])).every(Boolean)).toBe(true);
    expect(await nameIn(a, 'demo-shoulder-curls')).toBe('On the tablet');
    expect((await all(a)).wear).toEqual((await all(b)).wear);
  });

  it('that both changed a plan are asked about it; where nothing is said both stand beside each other', async () => {
    await broughtIn(b, await written(a));
    await renamed(a, 'demo-shoulder-curls', 'At the desk', NOW + DAY);
    await renamed(b, 'demo-shoulder-curls', 'At the mirror', NOW + DAY);
    const file = await written(b, NOW + 2 * DAY);
    const [difference, ...others] = await differences(a, file);
    expect(others).toEqual([]);
    expect(difference).toMatchObject({ table: 'plans', id: 'demo-shoulder-curls', name: 'At the desk' });
    expect(difference.theirs).toMatch(/called At the mirror/);
    const before = await a.plans.count();
    expect(await broughtIn(a, file)).toMatchObject({ beside: 1, replaced: 0 });
    expect(await a.plans.count()).toBe(before + 1);
    const names = (await a.plans.toArray()).map((p) => p.history.present.plan.name);
    expect(names).toEqual(expect.arrayContaining(['At the desk', 'At the mirror, from the backup']));
    // The same once more: it stands beside it already.
    expect(await broughtIn(a, file)).toMatchObject({ beside: 0, replaced: 0, added: 0 });
    await broughtIn(a, file, { 'plans/demo-shoulder-curls': 'theirs' });
    expect(await nameIn(a, 'demo-shoulder-curls')).toBe('At the mirror');
  });

  it('a plan that was only undone is behind, whichever clock says what', async () => {
    await broughtIn(b, await written(a));
    await renamed(a, 'demo-shoulder-curls', 'Later', NOW - 100 * DAY);
    expect(await differences(a, await written(b, NOW + DAY))).toEqual([]);
    await broughtIn(a, await written(b, NOW + DAY));
    expect(await nameIn(a, 'demo-shoulder-curls')).toBe('Later');
    await broughtIn(b, await written(a, NOW + DAY));
    expect(await nameIn(b, 'demo-shoulder-curls')).toBe('Later');
  });

  it('two lines about one style become one record with both', async () => {
    await broughtIn(b, await written(a));
    const id = 'demo-log-past-1';
    await a.log.update(id, { line: 'From the desk.' });
    await b.log.update(id, { line: 'From the mirror.' });
    await broughtIn(a, await written(b, NOW + DAY));
    expect((await a.log.get(id))?.line).toBe('From the desk. From the mirror.');
    await broughtIn(a, await written(b, NOW + 2 * DAY));
    expect((await a.log.get(id))?.line).toBe('From the desk. From the mirror.');
  });
});

describe('a file that is none', () => {
  const rewritten = async (file: Blob, change: (name: string, text: string) => string | undefined) => {
    const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
    const blob = new Response(readable).blob();
    const zip = new ZipWriter(writable);
    for (const entry of await new ZipReader(new BlobReader(file)).getEntries()) {
      if (entry.directory) continue;
      const text = change(entry.filename, await entry.getData(new TextWriter()));
      if (text !== undefined) await zip.add(entry.filename, new TextReader(text));
    }
    await Promise.all([zip.close(), blob]);
    return blob;
  };
  const why = async (file: Blob) => {
    const read = await readBackup(file);
    return read.ok ? '' : read.why;
  };

  it('is refused with one sentence', async () => {
    const file = await written(a);
    expect(await why(new Blob(['no archive']))).toMatch(/no backup of Meshwork/);
    expect(await why(new Blob([]))).toMatch(/no backup of Meshwork/);
    expect(await why(file.slice(0, file.size >> 1))).toMatch(/no backup of Meshwork/);
    expect(await why(await rewritten(file, (n, t) => (n === 'manifest.json' ? undefined : t)))).toMatch(/does not say/);
    expect(await why(await rewritten(file, (n, t) => (n === 'plans.jsonl' ? undefined : t)))).toMatch(/can’t be read/);
    expect(await why(await rewritten(file, (n, t) => (n === 'log.jsonl' ? `${t} ` : t)))).toMatch(
      /not as it was written/,
    );
    const newer = await rewritten(file, (n, t) =>
      n === 'manifest.json' ? t.replace('"version":1', '"version":9') : t,
    );
    expect(await why(newer)).toMatch(/newer Meshwork/);
  });

  it('whose sums were made to fit is refused where a record is none', async () => {
    const file = await written(a);
    const with_ = async (table: string, line: string) => {
      let sum = '';
      let lines = 0;
      const changed = await rewritten(file, (n, t) => {
        if (n !== `${table}.jsonl`) return t;
        const text = `${t}${line}\n`;
        sum = bytesToHex(sha256(new TextEncoder().encode(text)));
        lines = text.split('\n').length - 1;
        return text;
      });
      return rewritten(changed, (n, t) => {
        if (n !== 'manifest.json') return t;
        const manifest = JSON.parse(t);
        const at = manifest.tables.find((x: { name: string }) => x.name === table);
        Object.assign(at, { sha256: sum, records: lines });
        return JSON.stringify(manifest);
      });
    };
    expect(
      await why(await with_('wear', '{"key":"x","sessionId":"s","atMs":1,"day":"2026-13-40","what":"fuzz"}')),
    ).toMatch(/is no day/);
    expect(await why(await with_('wearers', '{"id":"w","revision":1,"updatedAtMs":1,"her":{"tape":7}}'))).toMatch(
      /not as she should be/,
    );
    expect(await why(await with_('stash', '{"id":"x","kind":"other","updatedAtMs":1}'))).toMatch(/A record of stash/);
    expect(await why(await with_('settings', '{"key":"k","value":"v","__proto__":{"polluted":1}}'))).toMatch(
      /not known/,
    );
    expect(({} as { polluted?: number }).polluted).toBeUndefined();
    expect(await why(await with_('plans', 'no record'))).toMatch(/no record/);
  });
});

describe('a damaged file', () => {
  it('is opened or refused with one sentence, wherever bytes were changed, cut out or doubled', async () => {
    const whole = new Uint8Array(await (await written(a)).arrayBuffer());
    const random = seededRandom(41);
    const below = (n: number) => Math.floor(random() * n);
    const rounds = 60 * Number(process.env.FUZZ_ROUNDS ?? 1);
    for (let i = 0; i < rounds; i++) {
      let bytes = whole.slice();
      for (let k = 0; k <= below(3); k++) {
        const at = below(bytes.length);
        if (i % 3 === 0) bytes[at] ^= 1 << below(8);
        else if (i % 3 === 1) bytes = cut(bytes, at, below(400));
        else bytes.copyWithin(at, below(bytes.length), below(bytes.length));
      }
      const read = await readBackup(new Blob([bytes]));
      if (read.ok) continue;
      expect(read.why, `round ${i}`).toMatch(/^[^\n]{20,300}$/);
    }
    expect(({} as Record<string, unknown>).id).toBeUndefined();
  });
});

function cut(bytes: Uint8Array<ArrayBuffer>, at: number, many: number): Uint8Array<ArrayBuffer> {
  const left = new Uint8Array(bytes.length - Math.min(many, bytes.length - at));
  left.set(bytes.subarray(0, at));
  left.set(bytes.subarray(at + (bytes.length - left.length)), at);
  return left;
}

describe('what is at stake', () => {
  it('is nothing of the demo; hers from a fortnight without a backup on, however new each change of it is', async () => {
    await a.photos.clear();
    expect(isAnyAtStake(await atStake(a))).toBe(false);
    await renamed(a, 'demo-shoulder-curls', 'Hers now', NOW);
    await a.wear.add({ key: 'hers', sessionId: 'demo-install-done', atMs: NOW, day: '2026-11-20', what: 'fuzz' });
    expect(await atStake(a)).toMatchObject({ plans: 1, notes: 1, installs: 0, writtenAtMs: undefined });
    await noteAlone(a, NOW);
    await renamed(a, 'demo-shoulder-curls', 'Hers again', NOW + 14.5 * DAY);
    await noteAlone(a, NOW + 14.5 * DAY);
    expect(isDue(await atStake(a), NOW + 13 * DAY)).toBe(false);
    expect(isDue(await atStake(a), NOW + 15 * DAY)).toBe(true);
    await noteWritten(a, NOW + 15 * DAY);
    expect(isDue(await atStake(a), NOW + 100 * DAY)).toBe(false);
    await renamed(a, 'demo-shoulder-curls', 'Hers once more', NOW + 40 * DAY);
    await noteAlone(a, NOW + 40 * DAY);
    expect(isDue(await atStake(a), NOW + 41 * DAY)).toBe(false);
    expect(isDue(await atStake(a), NOW + 60 * DAY)).toBe(true);
  });
});
