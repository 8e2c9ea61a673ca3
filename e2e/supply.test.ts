/** What to buy, and whether it lasts. */
import { describe, expect, inject, it } from 'vitest';
import type { Browser } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;

withBrowser((b) => {
  browser = b;
}, url);

/** Packs, and in how many of a hundred installs they last: for every knot, and with the gaps. */
const told = () =>
  browser.script<number[][]>(
    `return [...document.querySelectorAll('[data-testid=enough] tbody tr')].map((row) =>
       [...row.children].map((cell) => Number(cell.textContent.replace(/over 99/, '99.5').replace(/under 1/, '0.5').replace(/ packs?/, ''))))`,
  );

describe('will it last', () => {
  it('tells a pack fewer, as many as planned and one more; never less with more packs, never more with the gaps', async () => {
    await browser.go(`${url}/plan/demo-shoulder-curls/supply`);
    await browser.settled();
    await browser.appears('[data-testid="enough"]');
    const rows = await told();
    const { packs } = await browser.figures();
    expect(rows.map(([n]) => n)).toEqual([Number(packs) - 1, Number(packs), Number(packs) + 1]);
    for (const [, knots, gaps] of rows) expect(gaps).toBeLessThanOrEqual(knots);
    for (let i = 1; i < rows.length; i++) {
      expect(rows[i][1]).toBeGreaterThanOrEqual(rows[i - 1][1]);
      expect(rows[i][2]).toBeGreaterThanOrEqual(rows[i - 1][2]);
    }
    // As many as are bought hold every knot more often than not.
    expect(rows[1][1]).toBeGreaterThanOrEqual(50);
  });

  it('less kept for gaps lasts longer; undo brings it back', async () => {
    const before = await told();
    await browser.write('reserve', '5');
    await browser.settled();
    const { packs } = await browser.figures();
    const after = await told();
    const same = before.find(([n]) => n === Number(packs));
    const now = after.find(([n]) => n === Number(packs));
    expect(now?.[1]).toBe(same?.[1]);
    expect(now?.[2]).toBeGreaterThanOrEqual(same?.[2] ?? 0);
    await browser.press('Undo');
    await browser.settled();
    expect(await told()).toEqual(before);
  });
});
