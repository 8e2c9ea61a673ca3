/**
 * A page that is ended in the midst of an edit, an import, a restore, fifty times each (installs have their own fifty): what was kept
 * before is there, whole; what was under way is there whole or not at all, and what was shown as done is done.
 */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, inject, it } from 'vitest';
import { demoPlans } from '../src/demo/plans.ts';
import { type BackupSource, writeBackup } from '../src/formats/backup-file.ts';
import { writePlanJson } from '../src/formats/plan-json.ts';
import { startHistory } from '../src/model/history.ts';
import type { PlanRecord } from '../src/store/database.ts';
import type { Browser } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
const TIMES = 50;
/** Of what can be undone so many steps lie in the store. */
const MOST_STEPS = 40;
const folder = mkdtempSync(join(tmpdir(), 'meshwork-killed-'));
const PLAN = 'demo-crown-twists';
let browser: Browser;
withBrowser((b) => {
  browser = b;
}, url);

let seed = 77;
const random = () => {
  seed = (1103515245 * seed + 12345) % 2147483648;
  return seed / 2147483648;
};
/** Some pictures later, or some moments within one. */
const later = () =>
  browser.script(
    `return (async () => {
      for (let i = 0; i < ${Math.floor(random() * 5)}; i++) await new Promise(requestAnimationFrame);
      const end = performance.now() + ${random() * 12};
      while (performance.now() < end) await Promise.resolve();
    })()`,
  );
const plans = async () => new Map((await browser.storedRows<PlanRecord>('plans')).map((p) => [p.id, p] as const));
/** Every plan as it was but those named. */
const sameBut = (
  before: ReadonlyMap<string, PlanRecord>,
  after: ReadonlyMap<string, PlanRecord>,
  named: readonly string[],
) => {
  for (const [id, record] of before) if (!named.includes(id)) expect(after.get(id), id).toEqual(record);
};
const reopened = async (crash: () => Promise<void>, path: string, sign: string) => {
  await crash();
  await browser.size(1280, 800);
  await browser.go(`${url}${path}`);
  await browser.appears(sign);
};

/** So that the next one finds a browser as this one did. */
const putAway = (ids: readonly string[]) =>
  browser.script(
    `return new Promise((done) => {
      const asked = indexedDB.open('meshwork');
      asked.onsuccess = () => {
        const work = asked.result.transaction('plans', 'readwrite');
        for (const id of arguments[0]) work.objectStore('plans').delete(id);
        work.oncomplete = () => {
          asked.result.close();
          done();
        };
      };
    })`,
    ids,
  );

describe('ended in the midst', () => {
  it('of an edit: the plan is as it was before or after it, with its undo', async () => {
    const path = `/plan/${PLAN}/aim`;
    await browser.go(`${url}${path}`);
    await browser.appears('[data-testid="plan-name"]');
    let name = (await plans()).get(PLAN)?.history.present.plan.name ?? '';
    for (let i = 0; i < TIMES; i++) {
      const before = await plans();
      const { crash } = await browser.spare();
      await browser.write('plan-name', `Twists ${i}`);
      await later();
      await reopened(crash, path, '[data-testid="plan-name"]');
      const after = await plans();
      sameBut(before, after, [PLAN]);
      const kept = after.get(PLAN)?.history;
      expect([name, `Twists ${i}`]).toContain(kept?.present.plan.name);
      const steps = before.get(PLAN)?.history.past.length ?? 0;
      expect(kept?.past.length).toBe(kept?.present.plan.name === name ? steps : Math.min(MOST_STEPS, steps + 1));
      name = kept?.present.plan.name ?? '';
      expect(await browser.script(`return document.querySelector('[data-testid=plan-name]').value`)).toBe(name);
    }
  });

  it('of an import: the plan is there whole or not at all; shown, it is there', async () => {
    await browser.go(`${url}/?choose`);
    await browser.appears('[data-testid="import-file"]');
    for (let i = 0; i < TIMES; i++) {
      const before = await plans();
      const path = join(folder, `${i}.plan.json`);
      writeFileSync(path, writePlanJson({ ...demoPlans[0], id: `import-${i}`, name: `Import ${i}` }));
      const { crash } = await browser.spare();
      await (await browser.byId('import-file')).sendKeys(path);
      await later();
      const isShown = await browser.script<boolean>(`return /^\\/plan\\//.test(location.pathname)`);
      await reopened(crash, '/?choose', '[data-testid="import-file"]');
      const after = await plans();
      sameBut(before, after, []);
      const fresh = [...after.values()].filter((p) => !before.has(p.id));
      expect(fresh.length).toBeLessThanOrEqual(1);
      if (isShown) expect(fresh).toHaveLength(1);
      for (const p of fresh)
        expect(p.history.present.plan).toMatchObject({ ...demoPlans[0], id: p.id, name: `Import ${i}` });
      await putAway(fresh.map((p) => p.id));
    }
  });

  describe('of a restore', () => {
    const PLANS = 12;
    const files: string[] = [];
    const idsOf = (i: number) => Array.from({ length: PLANS }, (_, k) => `restored-${i}-${k}`);
    beforeAll(async () => {
      for (let i = 0; i < TIMES; i++) {
        const rows = idsOf(i).map((id) => ({
          id,
          revision: 1,
          updatedAtMs: 1,
          deletedAtMs: 0,
          history: startHistory({ ...demoPlans[2], id, name: id }),
        }));
        const source: BackupSource = {
          device: 'elsewhere',
          writtenAtMs: Date.parse('2026-11-20T10:00:00Z'),
          met: [],
          rows: async (table) => (table === 'plans' ? rows : []),
          photoIds: async () => [],
          photo: async () => undefined,
        };
        const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
        const blob = new Response(readable).arrayBuffer();
        await writeBackup(source, writable);
        files.push(join(folder, `${i}.zip`));
        writeFileSync(files[i], new Uint8Array(await blob));
      }
    });

    it('all of it is there or none, what was here before as it was; said, it is done', async () => {
      await browser.go(`${url}/kept`);
      await browser.appears('[data-testid="kept-figures"]');
      for (let i = 0; i < TIMES; i++) {
        const before = await plans();
        await (await browser.byId('open-backup')).sendKeys(files[i]);
        await browser.appears('[data-testid="bring-in"]');
        const { crash } = await browser.spare();
        await browser.click('[data-testid="bring-in"]');
        await later();
        const isSaid = await browser.script<boolean>(
          `return /Brought in/.test(document.querySelector('[data-testid=kept-said]')?.innerText)`,
        );
        await reopened(crash, '/kept', '[data-testid="kept-figures"]');
        const after = await plans();
        sameBut(before, after, []);
        const there = idsOf(i).filter((id) => after.has(id));
        expect([0, PLANS]).toContain(there.length);
        if (isSaid) expect(there).toHaveLength(PLANS);
        for (const id of there)
          expect(after.get(id)?.history.present.plan).toMatchObject({ ...demoPlans[2], id, name: id });
        await putAway(there);
      }
    });
  });
});
