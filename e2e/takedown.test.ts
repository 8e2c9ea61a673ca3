/** Taking a style out on the real screen: the order from what is in, ticked and kept; what comes back; what was shed. */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { encode } from 'fast-png';
import { describe, expect, inject, it } from 'vitest';
import type { StashRecord, WearRecord } from '../src/store/database.ts';
import { violations } from './axe.ts';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;
withBrowser((b) => {
  browser = b;
}, url);

const at = async (plan: string) => {
  await browser.go(`${url}/plan/${plan}/takedown`);
  await browser.settled();
  await browser.appears('[data-testid="out-order"]');
};
const left = async () =>
  Number(/(\d+) knots? holds? to/.exec(await browser.text('[data-testid="out-left"]'))?.[1] ?? 0);

describe('the order', () => {
  it('of a plan that is not worn is told without boxes to tick', async () => {
    await at('demo-deep-part');
    expect(await browser.has('[data-testid="out-order"] [role=checkbox]')).toBe(false);
    expect(await browser.text('[data-testid="out-left"]')).toMatch(/About .* to come, likely/);
  });

  it('of a worn style is ticked row by row; nothing in own hair is missed, and what is ticked is there after a reload', async () => {
    await at('demo-swept-coils');
    const before = await left();
    expect(before).toBeGreaterThan(0);
    await browser.click('[data-out^="throughHair"] [role=checkbox]');
    await browser.untilStored('wear', `all.some((e) => e.what === 'out')`, 'the row to be out');
    await browser.until(`document.querySelector('[data-out] [role=checkbox][data-state=checked]')`, 'the tick');
    const after = await left();
    expect(after).toBeLessThan(before);
    await at('demo-swept-coils');
    await browser.until(`document.querySelector('[data-out] [role=checkbox][data-state=checked]')`, 'the tick again');
    expect(await left()).toBe(after);
    await browser.click('[data-out] [role=checkbox][data-state=checked]');
    await browser.until(
      `!document.querySelector('[data-out] [role=checkbox][data-state=checked]')`,
      'it to be in again',
    );
    const kept = (await browser.storedRows<WearRecord>('wear')).filter((e) => e.what === 'out' || e.undoes);
    expect(kept.length).toBeGreaterThanOrEqual(2);
  });

  it('a knot that is asked for is shown', async () => {
    await browser.click('[data-out^="throughHair"] [data-testid="where"]');
    await browser.click('[data-out^="throughHair"] ul button');
    await browser.appears('.told [data-testid="knot-note"], .told h3, .told button');
  });
});

describe('edges', () => {
  /** A picture of one grey, as a file. */
  const grey = (level: number) => {
    const path = join(mkdtempSync(join(tmpdir(), 'edges-')), `grey-${level}.png`);
    writeFileSync(path, encode({ width: 8, height: 8, channels: 3, data: new Uint8Array(192).fill(level) }));
    return path;
  };
  const shown = () =>
    browser.script<string[]>(`return [...document.querySelectorAll('[data-testid=edges] img')].map((i) => i.src)`);
  const photos = (count: number) =>
    browser.untilStored('wear', `all.filter((e) => e.what === 'photo').length === ${count}`, `${count} photos`);

  it('of an earlier day and of now stand beside each other, and still after a reload; she chooses which of three', async () => {
    await browser.go(`${url}/plan/demo-swept-coils/wear`);
    await browser.appears('.day[data-when=today]');
    const today = await browser.script<string>(`return document.querySelector('.day[data-when=today]').dataset.day`);
    await browser.focus('.day[data-state=checked]');
    for (const before of [1, 2]) {
      await browser.keys(Key.ARROW_LEFT);
      await browser.until(
        `document.querySelector('.day[data-state=checked]').dataset.day === '${Number(today) - before}'`,
        `${before} days before`,
      );
    }
    const earlier = (await browser.storedRows<WearRecord>('wear')).filter((e) => e.what === 'photo').length;
    await (await browser.byId('wear-photo')).sendKeys(grey(60));
    await photos(earlier + 1);
    await at('demo-swept-coils');
    await (await browser.byId('wear-photo')).sendKeys(grey(160));
    await photos(earlier + 2);
    await browser.until(`document.querySelectorAll('[data-testid=edges] img').length === 2`, 'two photos');
    const two = await shown();
    expect(new Set(two).size).toBe(2);
    await at('demo-swept-coils');
    await browser.until(`document.querySelectorAll('[data-testid=edges] img').length === 2`, 'both again');
    expect(await shown()).toEqual(two);
    await (await browser.byId('wear-photo')).sendKeys(grey(230));
    await photos(earlier + 3);
    await browser.until(`document.querySelectorAll('[data-testid=edges] select').length === 2`, 'a choice of days');
    const newest = await shown();
    const middle = await browser.script<string>(
      `return document.querySelector('[data-testid=edges-after]').options[${earlier + 1}].value`,
    );
    await browser.choose('edges-after', middle);
    await browser.until(
      `document.querySelectorAll('[data-testid=edges] img')[1].src !== ${JSON.stringify(newest[1])}`,
      'the other photo',
    );
    expect((await shown())[0]).toBe(newest[0]);
  });

  it('a file that is no picture is refused with a sentence and changes nothing', async () => {
    const path = join(mkdtempSync(join(tmpdir(), 'edges-')), 'photo.png');
    writeFileSync(path, 'no picture');
    await at('demo-swept-coils');
    await browser.until(`document.querySelectorAll('[data-testid=edges] img').length === 2`, 'the photos');
    const before = await shown();
    await (await browser.byId('wear-photo')).sendKeys(path);
    await browser.until(
      `/no photo that can be opened/.test(document.querySelector('[data-testid=edges] [role=status]').innerText)`,
      'why not',
    );
    expect(await shown()).toEqual(before);
  });
});

describe('what is left of it', () => {
  it('goes to the stash once: pieces as worn, the cap worn once more; too many are refused', async () => {
    await at('demo-swept-coils');
    const field = await browser.script<string>(
      `return document.querySelector('[data-testid^="back-"]').dataset.testid`,
    );
    await browser.write(field, '9999');
    await browser.until(`/It has to be from 0 to/.test(document.querySelector('.bench').innerText)`, 'why not');
    const worn = async () =>
      (await browser.storedRows<StashRecord>('stash')).reduce(
        (sum, l) => sum + (l.kind === 'hair' && l.product.condition === 'worn' ? l.loose : 0),
        0,
      );
    const before = await worn();
    await browser.write(field, '4');
    await browser.click('[data-testid="keep-back"]');
    await browser.appears('[data-testid="kept-back"]');
    expect(await worn()).toBe(before + 4);
    expect((await browser.storedRows<StashRecord>('stash')).some((l) => l.kind === 'cap')).toBe(true);
  });

  it('more hair than days explain is said, with whom to ask; the usual amount is not', async () => {
    await browser.click('[data-testid="tuft-0.6"]');
    expect(await browser.text('[data-testid="shed-said"]')).toMatch(/About what so many days shed/);
    await browser.click('[data-testid="tuft-2"]');
    expect(await browser.text('[data-testid="shed-said"]')).toMatch(/broken, not shed[\s\S]*doctor/);
    expect(await browser.text('[data-testid="rest"]')).toMatch(/\d+ to \d+ days/);
  });

  it('finds nothing wrong at the desk and on a phone', async () => {
    for (const [width, height] of [
      [1280, 800],
      [390, 844],
    ]) {
      await browser.size(width, height);
      await at('demo-swept-coils');
      const overflow = await browser.script<number>(
        `const b = document.querySelector('.bench-tool'); return b.scrollWidth - b.clientWidth`,
      );
      expect([width, overflow]).toEqual([width, 0]);
      expect(await violations(browser)).toEqual([]);
    }
    await browser.size(1280, 800);
  });
});
