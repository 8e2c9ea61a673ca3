/** She is never locked out: faults put into a plan, a bench, the head, the cloth, a sheet; each takes down itself alone. */
import { readFileSync } from 'node:fs';
import { afterEach, beforeEach, describe, expect, inject, it } from 'vitest';
import type { Browser } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;
withBrowser((b) => {
  browser = b;
}, url);

const PLAN = 'demo-shoulder-curls';
/** Changes the record of a plan as it lies in the store, behind the application's back. */
const spoil = (change: string) =>
  browser.driver.executeAsyncScript<void>(`
    const done = arguments[arguments.length - 1];
    const open = indexedDB.open('meshwork');
    open.onsuccess = () => {
      const tx = open.result.transaction('plans', 'readwrite');
      const plans = tx.objectStore('plans');
      plans.get('${PLAN}').onsuccess = (e) => {
        const record = e.target.result;
        const { past, present } = record.history;
        ${change}
        record.revision++;
        plans.put(record);
      };
      tx.oncomplete = () => { open.result.close(); done(); };
    };`);
/** As a reader that let a blank pass would have kept it, as the newest deed. */
const BLANK_LENGTH = `
  const products = present.plan.products.map((p, i) => (i === 0 ? { ...p, length: ' ' } : p));
  const back = { words: present.words, patch: [{ op: 'replace', path: '/products', value: present.plan.products }] };
  record.history = { past: [...past, back], present: { words: 'Length changed', plan: { ...present.plan, products } }, future: [] };
  record.updatedAtMs = Date.now() + 1000;`;
const MEND = `
  const back = past.find((s) => s.patch[0]?.path === '/products');
  const products = present.plan.products.map((p) => (p.length.trim() === '' ? { ...p, length: back?.patch[0].value[0].length } : p));
  record.history = { past: [], present: { ...present, plan: { ...present.plan, products } }, future: [] };`;

const faultIn = (what: string) => `[data-fault="${what}"]`;

describe('a plan that can’t be worked out', () => {
  beforeEach(async () => {
    await browser.go('about:blank');
    await browser.go(`${url}/plan/demo-deep-part/aim`);
    await browser.settled();
    await spoil(MEND);
    await spoil(BLANK_LENGTH);
  });

  it('gets a page that says so in a sentence and offers every way out', async () => {
    await browser.go(`${url}/plan/${PLAN}/rows`);
    await browser.appears('[data-testid="page-fault"]');
    const words = await browser.text('[data-testid="page-fault"]');
    expect(words).toMatch(/It stopped at this: .+\. Everything you entered is kept\./);
    expect(words).not.toMatch(/Error:|at \w+ \(|undefined|Unexpected Application/);
    expect(words).toMatch(/Deep part/);
    await browser.click('[data-testid="fault-file"]');
    const kept = JSON.parse(readFileSync(await browser.download('rescued.plan.json'), 'utf8'));
    expect(kept).toMatchObject({ format: 'meshwork-plan', id: PLAN });
    await browser.click('[data-testid="fault-import"]');
    await browser.until(`document.querySelector('[role=status]')`, 'the answer');
    expect(await browser.text('[role=status]')).toMatch(/Nothing was brought into this plan/);
    await browser.click('[data-testid="fault-undo"]');
    await browser.settled();
    expect(await browser.has('[data-testid="page-fault"]')).toBe(false);
  });

  it('is not opened by the start page, which lists all of them', async () => {
    await browser.go(`${url}/plan/${PLAN}/rows`);
    await browser.appears('[data-testid="page-fault"]');
    await browser.go(url);
    await browser.appears(`[data-plan="${PLAN}"]`);
    expect(await browser.script('return location.pathname')).toBe('/');
    expect(await browser.has('[data-plan="demo-deep-part"]')).toBe(true);
    expect(await browser.has('[data-testid="new-plan"]')).toBe(true);
  });

  it('is put aside, and brought back; whole again it is opened by itself', async () => {
    await browser.go(`${url}/plan/${PLAN}/base/sheet`);
    await browser.click('[data-testid="fault-aside"]');
    await browser.until(`/put aside/.test(document.querySelector('[role=status]')?.textContent)`, 'the answer');
    await spoil(`record.deletedAtMs = 0;${MEND}`);
    await browser.go(`${url}/plan/${PLAN}/rows`);
    await browser.settled();
    await browser.go(url);
    await browser.until(`location.pathname === '/plan/${PLAN}/rows'`, 'the plan');
    await browser.settled();
  });
});

describe('a record that is damaged', () => {
  it('is kept, named and offered as a file; every other plan opens', async () => {
    await browser.go(`${url}/plan/demo-deep-part/aim`);
    await browser.settled();
    await spoil(`window.__whole = structuredClone(record.history); record.history = { past: [], future: [] };`);
    await browser.script('location.assign("/?choose")');
    await browser.appears(`[data-plan="${PLAN}"]`);
    expect(await browser.text(`[data-plan="${PLAN}"]`)).toMatch(
      /A plan without a name.*damaged, kept as it is.*Save as a file/s,
    );
    expect(await browser.text('[data-plan="demo-deep-part"]')).toMatch(/Copy.*Rename/s);
    await browser.go(`${url}/plan/demo-deep-part/aim`);
    await browser.settled();
    await browser.go(`${url}/plan/${PLAN}/rows`);
    await browser.appears('[data-testid="page-fault"]');
    expect(await browser.text('[data-testid="page-fault"]')).toMatch(
      /holds no record\. Everything you entered is kept/,
    );
  });
});

describe('a part that throws takes down itself alone', () => {
  afterEach(() => browser.command('Network.setBlockedURLs', { urls: [] }));
  beforeEach(async () => {
    await browser.go(`${url}/plan/demo-deep-part/aim`);
    await browser.settled();
    await browser.size(1280, 800);
  });

  it('the bench: head, cloth and tally go on', async () => {
    const files = await browser.script<string[]>(`return performance.getEntriesByType('resource').map((e) => e.name)`);
    expect(files.some((f) => f.includes('/assets/station-aim-'))).toBe(true);
    await browser.command('Network.enable', {});
    await browser.command('Network.setBlockedURLs', { urls: ['*/assets/station-hair-*.js'] });
    await browser.station(url, 'demo-deep-part', 'hair');
    await browser.appears(faultIn('The bench'));
    expect(await browser.text(faultIn('The bench'))).toMatch(/^The bench could not be shown: .+\. The rest works on/);
    expect(Number((await browser.figures()).pieces)).toBeGreaterThan(50);
    await browser.picture();
    await browser.command('Network.setBlockedURLs', { urls: [] });
    await browser.station(url, 'demo-deep-part', 'aim');
    await browser.until(`!document.querySelector('${faultIn('The bench')}')`, 'the bench of another station');
  });

  it.each([
    ['The cloth of rows', '.weave'],
    ['The head', '.stage'],
  ])('%s', async (what, place) => {
    // What is drawn on its canvas throws from now on.
    await browser.script(`
      const real = window.__save = window.__save ?? CanvasRenderingContext2D.prototype.clearRect;
      CanvasRenderingContext2D.prototype.clearRect = function (...a) {
        if (this.canvas.closest('${place}')) throw new Error('the canvas is gone');
        return real.apply(this, a);
      };`);
    await browser.station(url, 'demo-deep-part', 'rows');
    // Another size is drawn anew.
    await browser.size(1270, 800);
    await browser.appears(faultIn(what));
    expect(await browser.text(faultIn(what))).toMatch(/the canvas is gone\. The rest works on/);
    expect(await browser.has('.bench h2')).toBe(true);
    expect(Number((await browser.figures()).pieces)).toBeGreaterThan(50);
    await browser.script('CanvasRenderingContext2D.prototype.clearRect = window.__save');
    await (await browser.find(`${faultIn(what)} button`)).click();
    await browser.until(`!document.querySelector('${faultIn(what)}')`, `${what} again`);
  });
});
