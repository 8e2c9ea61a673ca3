/** Files that an earlier Meshwork wrote, as it wrote them: backups, links, installs. Each new version of plans adds its own here. */
import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { readBackup } from '../src/formats/backup-file.ts';
import { readInstallJson } from '../src/formats/install-json.ts';
import { unpackPlan } from '../src/formats/link/plan-link.ts';
import { PLAN_VERSION } from '../src/model/plan.ts';
import { planInputs } from '../src/model/to-inputs.ts';
import { compareBackup } from '../src/store/backup/compare.ts';
import { restoreBackup } from '../src/store/backup/restore.ts';
import { deviceOf } from '../src/store/backup/write.ts';
import { MeshworkDatabase } from '../src/store/database.ts';
import { openRecord } from '../src/store/plans.ts';

const bytesOf = (name: string) => readFileSync(new URL(`./fixtures/${name}`, import.meta.url));

it('a backup of plans of version 9 brings in all of it, and every plan opens', async () => {
  const read = await readBackup(new Blob([bytesOf('backup-1-of-plans-9.zip') as BlobPart]));
  if (!read.ok) throw new Error(read.why);
  const db = new MeshworkDatabase('older');
  let n = 0;
  const newId = () => `n${n++}`;
  const device = await deviceOf(db, newId);
  const { records, manifest, photo } = read.value;
  const compared = await compareBackup(db, records, manifest, device);
  expect(compared.differences).toEqual([]);
  await restoreBackup(db, { records, from: manifest, compared, chosen: {}, photo, newId, device });
  const plans = await db.plans.toArray();
  expect(plans.map((p) => p.id).sort()).toEqual([
    'demo-crown-twists',
    'demo-deep-part',
    'demo-shoulder-curls',
    'demo-swept-coils',
  ]);
  for (const record of plans) {
    const opened = openRecord(record);
    if (!opened.ok) throw new Error(opened.why);
    expect(opened.history.present.plan.version).toBe(PLAN_VERSION);
    expect(planInputs(opened.history.present.plan, 12).relief).toBeUndefined();
  }
  expect(await db.log.count()).toBeGreaterThan(0);
  expect(await db.events.count()).toBeGreaterThan(100);
  await db.delete();
});

it('a link of a plan of version 9 opens', () => {
  const read = unpackPlan(bytesOf('link-of-plan-9.txt').toString('utf8'));
  expect(read).toMatchObject({ ok: true, value: { version: PLAN_VERSION, name: 'Swept-back coils', wearer: 'Amara' } });
});

it('an install on a plan of version 9 opens, with its touches', () => {
  const read = readInstallJson(bytesOf('install-2-of-plan-9.json').toString('utf8'));
  if (!read.ok) throw new Error(read.why);
  expect(read.value.events.length).toBeGreaterThan(20);
});
