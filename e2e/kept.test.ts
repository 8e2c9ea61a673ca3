/** All of it in one file on the real screen: written, brought into another browser, asked about where both changed; keyboard only. */
import { readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, inject, it } from 'vitest';
import { demoBundle } from '../src/demo/demo.ts';
import { packInstall } from '../src/formats/link/install-link.ts';
import type { LogEntry } from '../src/model/install-log.ts';
import type { PlanRecord } from '../src/store/database.ts';
import { soundEverywhere, violations } from './axe.ts';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let desk: Browser;
let tablet: Browser;
withBrowser((b) => {
  desk = b;
}, url);
// Another browser, with nothing in it.
withBrowser((b) => {
  tablet = b;
});

const atKept = async (browser: Browser, from = url) => {
  await browser.go(`${from}/kept`);
  await browser.appears('[data-testid="kept-figures"]');
};
const said = (browser: Browser, pattern: RegExp) =>
  browser.until(`${pattern}.test(document.querySelector('[data-testid=kept-said]')?.innerText)`, `${pattern}`);
const names = async (browser: Browser) =>
  (await browser.storedRows<PlanRecord>('plans')).map((p) => p.history.present.plan.name).sort();
let file = '';

const write = async (browser: Browser) => {
  const before = new Set(list(browser));
  await browser.click('[data-testid="write-backup"]');
  await said(browser, /meshwork-[\d-]+\.zip, [\d.]+ [kM]B/);
  for (;;) {
    const fresh = list(browser).find((f) => f.endsWith('.zip') && !before.has(f));
    if (fresh) return join(browser.downloads, fresh);
    await new Promise((r) => setTimeout(r, 80));
  }
};
function list(browser: Browser): string[] {
  try {
    return readdirSync(browser.downloads);
  } catch {
    return [];
  }
}

describe('a plan handed over', () => {
  it('to a friend goes as a link without whose head it was, and is taken beside what is there', async () => {
    await desk.click('[data-testid="plans"]');
    await desk.press('Hand over Swept-back coils');
    await desk.appears('[data-testid="code"] path');
    const link = () => desk.script<string>(`return document.querySelector('[data-testid=copy-link]').dataset.link`);
    const mine = await link();
    await desk.tabTo(`e.dataset.choice === 'me'`);
    await desk.keys(Key.ARROW_DOWN);
    await desk.until(`document.activeElement.dataset.choice === 'friend'`, 'the friend in focus');
    await desk.keys(' ');
    await desk.until(`document.querySelector('[data-choice=friend]').ariaChecked === 'true'`, 'the friend');
    const given = await link();
    expect(await violations(desk, undefined, '[data-testid=hand-over]')).toEqual([]);
    expect(given).not.toBe(mine);
    const to = (address: string) => address.replace(url, inject('plainUrl'));
    await tablet.go(to(mine));
    await tablet.until(`/head and hair of Amara/.test(document.body.innerText)`, 'whose it is');
    await tablet.go('about:blank');
    await tablet.go(to(given));
    await tablet.until(`/No head is in it/.test(document.body.innerText)`, 'nobody’s');
    expect(await tablet.script(`return document.documentElement.scrollWidth`)).toBeLessThanOrEqual(1280);
    await tablet.click('[data-testid="take-plan"]');
    await tablet.settled();
    const [taken] = await tablet.storedRows<PlanRecord>('plans');
    expect(taken.history.present.plan).toMatchObject({ name: 'Swept-back coils', wearer: '', marks: [] });
    await tablet.script(
      `return new Promise((ok) => { const gone = indexedDB.deleteDatabase('meshwork'); gone.onsuccess = ok; gone.onblocked = ok; })`,
    );
  });

  it('so is an install: opened on the other device it goes on there, with its plan', async () => {
    const install = demoBundle(Date.now());
    const session = install.sessions.find((x) => x.id === 'demo-install-half');
    if (!session) throw new Error('no half install');
    const link = packInstall({ session, events: install.events.filter((e) => e.sessionId === session.id) });
    await tablet.go('about:blank');
    await tablet.go(`${inject('plainUrl')}/bring#${link}`);
    await tablet.appears('[data-testid="take-install"]');
    expect(await tablet.text('body')).toMatch(/An install is handed to you, begun on .*, with \d+ touches/);
    await tablet.focus('[data-testid="take-install"]');
    await tablet.keys(Key.ENTER);
    await tablet.until(`location.pathname === '/install/demo-install-half'`, 'the install');
    await tablet.appears('[data-testid="knot-kind"], [data-testid="step-what"]');
    expect((await tablet.storedRows<PlanRecord>('plans')).map((p) => p.id)).toContain(session.planId);
    const before = (await tablet.storedRows('events')).length;
    // Once more adds nothing.
    await tablet.go('about:blank');
    await tablet.go(`${inject('plainUrl')}/bring#${link}`);
    await tablet.click('[data-testid="take-install"]');
    await tablet.until(`location.pathname === '/install/demo-install-half'`, 'the install');
    expect((await tablet.storedRows('events')).length).toBe(before);
    await tablet.go('about:blank');
    await tablet.go(`${inject('plainUrl')}/bring#${link.slice(0, -9)}`);
    await tablet.appears('[data-testid="no-plan"]');
    expect(await tablet.text('[data-testid="no-plan"]')).toMatch(/damaged.*Nothing was changed/);
    await tablet.script(
      `return new Promise((ok) => { const gone = indexedDB.deleteDatabase('meshwork'); gone.onsuccess = ok; gone.onblocked = ok; })`,
    );
  });

  it('with a letter missing is refused with a sentence', async () => {
    await tablet.go('about:blank');
    await tablet.go(`${inject('plainUrl')}/bring#1abcdefgh`);
    await tablet.appears('[data-testid="no-plan"]');
    expect(await tablet.text('[data-testid="no-plan"]')).toMatch(/damaged.*Nothing was changed/);
  });
});

describe('a backup', () => {
  it('is written by keys alone, from the list of plans', async () => {
    await desk.go(url);
    await desk.settled();
    await desk.click('[data-testid="plans"]');
    await desk.appears('[data-testid="to-kept"]');
    await desk.tabTo(`e.dataset.testid === 'to-kept'`);
    await desk.keys(Key.ENTER);
    await desk.appears('[data-testid="kept-figures"]');
    await desk.tabTo(`e.dataset.testid === 'write-backup'`);
    file = await write(desk);
    expect(await desk.text('[data-testid="at-stake"]')).toMatch(/Last written .* Nothing has changed since/);
  });

  it('brings all of it into an empty browser', async () => {
    await tablet.go(`${inject('plainUrl')}/kept`);
    await tablet.appears('[data-testid="kept-figures"]');
    expect(await names(tablet)).toEqual([]);
    await (await tablet.byId('open-backup')).sendKeys(file);
    await tablet.appears('[data-testid="backup-found"]');
    expect(await tablet.text('[data-testid="backup-found"]')).toMatch(
      /New to this browser: 4 plans, 1 wearer, \d+ installs/,
    );
    await tablet.click('[data-testid="bring-in"]');
    await said(tablet, /Brought in: \d+ records that were not here\./);
    expect(await names(tablet)).toEqual(await names(desk));
    expect((await tablet.storedRows<LogEntry>('log')).length).toBe((await desk.storedRows<LogEntry>('log')).length);
    await tablet.go(`${inject('plainUrl')}/plan/demo-swept-coils/rows`);
    await tablet.settled();
    expect(await tablet.text('.tally')).toMatch(/Pieces/);
  });

  it('of a plan that both changed asks which, and lays both beside each other where nothing is said', async () => {
    const rename = async (browser: Browser, from: string, name: string) => {
      await browser.go(`${from}/plan/demo-shoulder-curls/aim`);
      await browser.settled();
      await browser.write('plan-name', name);
      await browser.untilStored(
        'plans',
        `all.some((p) => p.history.present.plan.name === ${JSON.stringify(name)})`,
        'the name',
      );
    };
    await rename(tablet, inject('plainUrl'), 'At the mirror');
    await atKept(tablet, inject('plainUrl'));
    const theirs = await write(tablet);
    await rename(desk, url, 'At the desk');
    await atKept(desk);
    await (await desk.byId('open-backup')).sendKeys(theirs);
    const asked = '[data-difference="plans/demo-shoulder-curls"]';
    await desk.appears(asked);
    expect(await desk.text(asked)).toMatch(/At the desk[\s\S]*called At the mirror/);
    expect(await desk.script(`return document.querySelector('${asked} [data-choice=both]').ariaChecked`)).toBe('true');
    await desk.click('[data-testid="bring-in"]');
    await said(desk, /1 beside yours/);
    expect(await names(desk)).toEqual(expect.arrayContaining(['At the desk', 'At the mirror, from the backup']));
  });

  it('that is none is refused with a sentence, and nothing is changed', async () => {
    const before = await names(desk);
    const none = join(tmpdir(), `none-${process.pid}.zip`);
    writeFileSync(none, 'no archive');
    await (await desk.byId('open-backup')).sendKeys(none);
    await desk.appears('[data-testid="kept-trouble"]');
    expect(await desk.text('[data-testid="kept-trouble"]')).toMatch(
      /no backup of Meshwork.*Nothing of yours was changed/,
    );
    expect(await names(desk)).toEqual(before);
  });

  it('stands in its width and finds nothing wrong, by day and in the evening', async () => {
    await soundEverywhere(desk, () => atKept(desk));
  });
});
