/** Taking a style out on the real screen: the order from what is in, ticked and kept; what comes back; what was shed. */
import { describe, expect, inject, it } from 'vitest';
import type { StashRecord, WearRecord } from '../src/store/database.ts';
import { violations } from './axe.ts';
import type { Browser } from './browser.ts';
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
