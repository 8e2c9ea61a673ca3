/**
 * Ten thousand spoilt files of every format through its reader, by fixed seeds (`npm run fuzz` takes forty times as many): each is opened or
 * refused with one sentence, none takes long, none fills the memory, touches a prototype, runs what stands in it or writes anything.
 */
import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import modeling from '@jscad/modeling';
import { serialize as jscadObj } from '@jscad/obj-serializer';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { icosphere } from '../src/core/geometry/index.ts';
import { seededRandom } from '../src/core/numerics/random.ts';
import { demoPlans } from '../src/demo/plans.ts';
import { demoScan } from '../src/demo/scan.ts';
import { scanStl } from '../src/demo/scan-stl.ts';
import { demoStash } from '../src/demo/stash.ts';
import { type BackupSource, readBackup, writeBackup } from '../src/formats/backup-file.ts';
import { readInstallJson, writeInstallJson } from '../src/formats/install-json.ts';
import { packPlan, unpackPlan } from '../src/formats/link/plan-link.ts';
import { readPlanJson, writePlanJson } from '../src/formats/plan-json.ts';
import { productsCsv, readProductsCsv } from '../src/formats/products-csv.ts';
import { readScan } from '../src/formats/scan/read-scan.ts';
import { readCatalogue } from '../src/model/shop.ts';
import { openShop } from '../src/server/shop/shop.ts';
import { ballGlb, ballGltf } from './helpers/glb.ts';
import { isSentence } from './helpers/sentence.ts';

const FILES = 10_000 * Number(process.env.FUZZ_ROUNDS ?? 1);
/** Of the processor, whatever else the machine does; the slowest takes a few hundredths of it. */
const LONGEST_MS = 2000;
const MOST_MEMORY = 500_000_000;

type Read = { readonly ok: boolean; readonly why?: string };
interface Format {
  readonly name: string;
  readonly whole: readonly Uint8Array[];
  readonly read: (bytes: Uint8Array) => Read | Promise<Read>;
}

const utf8 = (text: string) => new TextEncoder().encode(text);
const text = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
/** What breaks readers elsewhere. */
const TOKENS = [
  '__proto__',
  '{"__proto__":{"spoilt":1}}',
  'constructor',
  '<script>globalThis.spoilt=1</script>',
  '../../../../tmp/spoilt',
  '\u0000',
  '=cmd()',
  '-1e999',
  '99999999999',
  '[[[[[[[[',
  'null',
  '""',
  'NaN',
  '\ud800',
  'nan nan nan',
].map(utf8);

function spoilt(whole: Uint8Array, random: () => number): Uint8Array {
  let bytes = whole;
  const times = 1 + Math.floor(3 * random());
  for (let i = 0; i < times; i++) bytes = spoiltOnce(bytes, random);
  return bytes;
}

function spoiltOnce(bytes: Uint8Array, random: () => number): Uint8Array {
  const at = Math.floor(random() * bytes.length);
  const long = 1 + Math.floor(random() ** 3 * bytes.length);
  const join = (...parts: Uint8Array[]) => new Uint8Array(Buffer.concat(parts));
  switch (Math.floor(7 * random())) {
    case 0: {
      const out = bytes.slice();
      out[at] ^= 1 << Math.floor(8 * random());
      return out;
    }
    case 1:
      return bytes.slice(0, at);
    case 2:
      return join(bytes.subarray(0, at), bytes.subarray(at + long));
    case 3:
      return join(bytes.subarray(0, at), bytes.subarray(at, at + long), bytes.subarray(at));
    case 4:
      return join(bytes.subarray(0, at), TOKENS[Math.floor(random() * TOKENS.length)], bytes.subarray(at));
    case 5: {
      // In place of a word or a number, where the rest stays whole.
      const found = [...text(bytes).matchAll(/"[^"]{0,40}"|-?\d+(\.\d+)?/g)];
      if (found.length === 0 || bytes.length > 200_000) return bytes.slice(0, at);
      const { index, 0: word } = found[Math.floor(random() * found.length)];
      const [before, after] = [text(bytes).slice(0, index), text(bytes).slice(index + word.length)];
      return utf8(before + text(TOKENS[Math.floor(random() * TOKENS.length)]) + after);
    }
    default: {
      const out = bytes.slice();
      for (let i = at; i < Math.min(out.length, at + 8); i++) out[i] = Math.floor(256 * random());
      return out;
    }
  }
}

const plan = demoPlans[1];
const keptPlan = {
  id: plan.id,
  revision: 1,
  updatedAtMs: 1,
  deletedAtMs: 0,
  history: { past: [], present: { words: 'Opened', plan }, future: [] },
};

/** A small backup, its sums right whatever its records are. */
async function backupOf(record: object): Promise<Uint8Array> {
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  const blob = new Response(readable).blob();
  const source: BackupSource = {
    device: 'desk',
    writtenAtMs: 1,
    met: [],
    rows: async (table) => (table === 'plans' ? [record] : []),
    photoIds: async () => [],
    photo: async () => undefined,
  };
  await Promise.all([writeBackup(source, writable), blob]);
  return new Uint8Array(await (await blob).arrayBuffer());
}

/** Some place of a record holds something else. */
function bent(record: object, random: () => number): object {
  const copy = structuredClone(record);
  const places: Array<readonly [Record<string, unknown>, string]> = [];
  const walk = (value: unknown) => {
    if (typeof value !== 'object' || value === null) return;
    for (const key of Object.keys(value)) {
      places.push([value as Record<string, unknown>, key]);
      walk((value as Record<string, unknown>)[key]);
    }
  };
  walk(copy);
  const [holder, key] = places[Math.floor(random() * places.length)];
  holder[key] = [null, '', 0, -1, 1e308, [], {}, '../../x', JSON.parse('{"__proto__":{"spoilt":1}}')][
    Math.floor(9 * random())
  ];
  return copy;
}

const { directions, triangles } = icosphere(4);
const glb = () => ballGlb(4);
const ply = () => {
  const corners = Array.from({ length: directions.length / 3 }, (_, i) => directions.slice(3 * i, 3 * i + 3).join(' '));
  const faces = Array.from(
    { length: triangles.length / 3 },
    (_, t) => `3 ${triangles.slice(3 * t, 3 * t + 3).join(' ')}`,
  );
  return `ply\nformat ascii 1.0\nelement vertex ${corners.length}\nproperty float x\nproperty float y\nproperty float z\nelement face ${faces.length}\nproperty list uchar int vertex_index\nend_header\n${corners.join('\n')}\n${faces.join('\n')}\n`;
};

const installs = writeInstallJson({
  session: { id: 's', planId: plan.id, startedAtMs: 5, plan, finished: 0 },
  events: [
    { sessionId: 's', key: 's-start', n: 0, kind: 'start', atMs: 5 },
    { sessionId: 's', key: 'a', n: 1, kind: 'knot', atMs: 10, knotId: 'r00-L1' },
  ],
});
const shop = JSON.stringify(openShop(() => Date.UTC(2026, 11, 1)).catalogue());
const scanRead = (name: string) => (bytes: Uint8Array) => readScan(name, bytes);
const ball = modeling.primitives.sphere({ radius: 90, segments: 12 });
const asJson = (read: (value: unknown) => Read) => (bytes: Uint8Array) => {
  try {
    return read(JSON.parse(text(bytes)));
  } catch (error) {
    if (error instanceof SyntaxError) return { ok: false, why: 'It is no JSON.' };
    throw error;
  }
};

const FORMATS: ReadonlyArray<Omit<Format, 'whole'> & { readonly whole: () => Promise<Uint8Array[]> | Uint8Array[] }> = [
  { name: 'plan as JSON', whole: () => [utf8(writePlanJson(plan))], read: (b) => readPlanJson(text(b)) },
  { name: 'plan as a link', whole: () => [utf8(packPlan(plan))], read: (b) => unpackPlan(text(b)) },
  { name: 'install', whole: () => [utf8(installs)], read: (b) => readInstallJson(text(b)) },
  { name: 'hair as a table', whole: () => [utf8(productsCsv(demoStash.hair))], read: (b) => readProductsCsv(text(b)) },
  { name: 'catalogue', whole: () => [utf8(shop)], read: asJson(readCatalogue) },
  {
    name: 'backup',
    whole: async () => [await backupOf(keptPlan)],
    read: (b) => readBackup(new Blob([b as BlobPart])),
  },
  {
    name: 'scan as STL',
    whole: () => [scanStl(demoScan({ stepMm: 26, holes: 0 })), utf8(stlText())],
    read: scanRead('a.stl'),
  },
  { name: 'scan as OBJ', whole: () => [utf8((jscadObj({}, ball) as string[]).join(''))], read: scanRead('a.obj') },
  { name: 'scan as PLY', whole: () => [utf8(ply())], read: scanRead('a.ply') },
  { name: 'scan as GLB', whole: async () => [await glb()], read: scanRead('a.glb') },
  {
    name: 'scan as glTF',
    whole: async () => [utf8(await ballGltf(4))],
    read: scanRead('a.gltf'),
  },
];

// Loaders say of every line what they make of it.
beforeAll(() => {
  // Loaders tell a page how far they are; there is none here.
  vi.stubGlobal('ProgressEvent', class extends Event {});
  for (const way of ['log', 'warn', 'error'] as const) vi.spyOn(console, way).mockImplementation(() => undefined);
});
afterAll(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

describe.each(FORMATS)('$name', ({ whole, read }) => {
  let sound: Uint8Array[] = [];
  const empty = mkdtempSync(join(tmpdir(), 'meshwork-spoilt-'));
  const home = process.cwd();
  beforeAll(async () => {
    sound = await whole();
    for (const bytes of sound) expect(await read(bytes)).toMatchObject({ ok: true });
    process.chdir(empty);
  });
  afterAll(() => process.chdir(home));

  it('spoilt anywhere is opened or refused with a sentence', async () => {
    const random = seededRandom(17);
    const prototypes = [Object.prototype, Array.prototype, Function.prototype].map(
      (p) => Object.getOwnPropertyNames(p).length,
    );
    const before = process.memoryUsage().rss;
    let [opened, slowest, most] = [0, 0, 0];
    for (let i = 0; i < FILES; i++) {
      const bytes = spoilt(sound[i % sound.length], random);
      const begun = process.cpuUsage();
      const outcome = await read(bytes);
      const { user, system } = process.cpuUsage(begun);
      slowest = Math.max(slowest, (user + system) / 1000);
      if (outcome.ok) opened++;
      else isSentence(outcome.why ?? '');
      if (i % 500 === 0) most = Math.max(most, process.memoryUsage().rss - before);
    }
    expect(slowest).toBeLessThan(LONGEST_MS);
    expect(most).toBeLessThan(MOST_MEMORY);
    expect(
      [Object.prototype, Array.prototype, Function.prototype].map((p) => Object.getOwnPropertyNames(p).length),
    ).toEqual(prototypes);
    expect(({} as { spoilt?: number }).spoilt).toBeUndefined();
    expect((globalThis as { spoilt?: number }).spoilt).toBeUndefined();
    expect(readdirSync(empty)).toEqual([]);
    // Not all are refused: some spoil only a name or a number.
    expect(opened).toBeLessThan(FILES);
  });
});

it('a backup whose sums are right and whose records are spoilt is opened or refused with a sentence', async () => {
  const random = seededRandom(19);
  let opened = 0;
  for (let i = 0; i < FILES / 10; i++) {
    const outcome = await readBackup(new Blob([(await backupOf(bent(keptPlan, random))) as BlobPart]));
    if (outcome.ok) opened++;
    else isSentence(outcome.why);
  }
  expect(opened).toBeGreaterThan(0);
  expect(opened).toBeLessThan(FILES / 10);
  expect(({} as { spoilt?: number }).spoilt).toBeUndefined();
});

function stlText(): string {
  const facets: string[] = [];
  for (let t = 0; t < triangles.length; t += 3)
    facets.push(
      `facet normal 0 0 0\nouter loop\n${[0, 1, 2].map((c) => `vertex ${directions.slice(3 * triangles[t + c], 3 * triangles[t + c] + 3).join(' ')}`).join('\n')}\nendloop\nendfacet`,
    );
  return `solid s\n${facets.join('\n')}\nendsolid s\n`;
}
