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

describe('a test row of her own', () => {
  const says = () =>
    browser.script<string>(`return document.querySelector('[data-testid=row-says]')?.textContent ?? ''`);

  it('says nothing until it is whole, then how close and how fast she is; what is no length is refused', async () => {
    await browser.go(`${url}/plan/demo-shoulder-curls/supply`);
    await browser.settled();
    await browser.appears('[data-testid="test-row"]');
    const { minutes } = await browser.figures();
    await browser.write('row-span', '5 cm');
    expect(await says()).toBe('');
    await browser.write('row-minutes', '6');
    await browser.settled();
    expect(await says()).toMatch(
      /^From 5 pieces.* closer than planned, some \d+ pieces? more, and each takes \d+ % longer/,
    );
    expect((await browser.figures()).minutes).not.toBe(minutes);
    await browser.write('row-span', 'a hand');
    await browser.settled();
    expect(
      await browser.script<string>(`return document.querySelector('[data-testid="test-row"]').textContent`),
    ).toMatch(/Nothing was changed/);
    await browser.press('Forget it');
    await browser.settled();
    expect(await says()).toBe('');
    expect((await browser.figures()).minutes).toBe(minutes);
  });
});

describe('colours that are mixed', () => {
  const tab = (name: string) =>
    browser.script(
      `[...document.querySelectorAll('[role=tab]')].find((t) => t.textContent === arguments[0]).focus()`,
      name,
    );
  const text = (testId: string) =>
    browser.script<string>(
      `return document.querySelector('[data-testid="' + arguments[0] + '"]')?.textContent`,
      testId,
    );
  const pieces = async (id: string) => Number(/(\d+) pieces\./.exec((await text(`colour-${id}`)) ?? '')?.[1]);

  it('one comes in with a quarter of all pieces, by keys alone, and is bought by itself', async () => {
    await browser.go(`${url}/plan/demo-shoulder-curls/hair`);
    await browser.settled();
    await tab('Colours');
    await browser.appears('[data-testid="add-colour"]');
    await browser.write('add-colour', 'copper');
    await browser.settled();
    const { pieces: all } = await browser.figures();
    await browser.appears('[data-testid="by-hand"]');
    const copper = await pieces('c1');
    expect(Math.abs(copper - Number(all) / 4)).toBeLessThan(1);
    expect((await pieces('own')) + copper).toBe(Number(all));
    expect(await text('by-hand')).toContain('1 copper');
    expect(await text('evenness')).toContain('Neighbours of one colour');
  });

  it('another share deals anew; more than all is refused with a sentence; undo brings the quarter back', async () => {
    const before = await pieces('c1');
    await browser.write('share-c1', '60');
    await browser.settled();
    const { pieces: all } = await browser.figures();
    expect(Math.abs((await pieces('c1')) - 0.6 * Number(all))).toBeLessThan(1);
    await browser.write('share-c1', '150');
    expect(await text('colour-c1')).toMatch(/leave 100 % at most.*Nothing was changed/);
    expect(Math.abs((await pieces('c1')) - 0.6 * Number(all))).toBeLessThan(1);
    await browser.press('Undo');
    await browser.settled();
    expect(await pieces('c1')).toBe(before);
  });

  it('a place has shares of its own: none at the nape', async () => {
    const before = await pieces('c1');
    await browser.script(
      `const s = document.querySelector('[data-testid="colour-place"]');
       Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(s, 'zone nape');
       s.dispatchEvent(new Event('change', { bubbles: true }))`,
    );
    await browser.settled();
    await browser.write('share-s1-c1', '0');
    await browser.settled();
    expect(await pieces('c1')).toBeLessThan(before);
  });

  it('Supply has a line for each colour, and it is there again after a reload', async () => {
    await browser.go(`${url}/plan/demo-shoulder-curls/supply`);
    await browser.settled();
    await browser.appears('[data-testid="enough"]');
    expect(await browser.script<string>(`return document.querySelector('.bench').textContent`)).toMatch(/, copper/);
  });

  it('in the midst of an install the rest is dealt from what she counts, and the mirror goes on with it', async () => {
    await browser.go(`${url}/plan/demo-shoulder-curls/install`);
    await browser.settled();
    const begin = await browser.script<boolean>(`return document.querySelector('[data-testid=begin]') !== null`);
    if (begin) await browser.press('Begin the install');
    else await browser.press('Begin again with the plan as it is now');
    await browser.appears('[data-testid="knot-colour"]');
    await browser.go(`${url}/plan/demo-shoulder-curls/install`);
    await browser.settled();
    await browser.appears('[data-testid="colours-from-here"]');
    await browser.write('left-c1', '0');
    await browser.press('Deal the rest anew');
    await browser.until(
      `document.querySelector('[data-testid="colours-from-here"] [role=status]')`,
      'the rest to be dealt',
    );
    await browser.settled();
    await browser.go(`${url}/plan/demo-shoulder-curls/hair`);
    await browser.settled();
    await tab('Colours');
    await browser.appears('[data-testid="colour-c1"]');
    expect(await pieces('c1')).toBe(0);
  });
});
