/** Dragging on the head and on the bench: the plan follows, undo leads back, nothing stutters. */
import { describe, expect, inject, it } from 'vitest';
import { type Browser, Key } from './browser.ts';
import { onPlan } from './on-plan.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;

withBrowser((b) => {
  browser = b;
}, url);

const { deed, undo } = onPlan(() => browser, url);

describe('the part', () => {
  it('is dragged on the head; the tally shows what it did; undo and redo', async () => {
    const before = await browser.figures();
    const from = await browser.centre('[data-bead="end"]');
    await browser.drag(from, { x: from.x - 4, y: from.y + 70 }, 6, false);
    await browser.until(
      `/until you let go/.test(document.querySelector('[data-testid=last-deed]').textContent)`,
      'the draft',
    );
    await browser.driver.actions().release().perform();
    const after = await browser.figures();
    expect(after.pieces).not.toBe(before.pieces);
    expect(await deed()).toMatch(/^Part (moved|\d+ mm longer|bent)|^Part \d+/);
    const cell = await browser.text('[data-figure="pieces"]');
    expect(cell.replace(/\s+/g, ' ')).toContain(`${before.pieces} ${after.pieces}`);
    await undo();
    await browser.until(
      `document.querySelector('[data-testid=figure-pieces]').textContent === ${JSON.stringify(before.pieces)}`,
      'undo',
    );
    expect(await browser.figures()).toEqual(before);
    await browser.chord(Key.CONTROL, Key.SHIFT, 'z');
    await browser.until(
      `document.querySelector('[data-testid=figure-pieces]').textContent === ${JSON.stringify(after.pieces)}`,
      'redo',
    );
    expect(await browser.figures()).toEqual(after);
    await undo();
    await browser.settled();
  });

  it('a drag that is broken off changes nothing', async () => {
    const before = await browser.figures();
    const words = await deed();
    const from = await browser.centre('[data-bead="end"]');
    await browser.drag(from, { x: from.x + 20, y: from.y + 30 }, 4, false);
    await browser.keys(Key.ESCAPE);
    await browser.driver.actions().release().perform();
    await browser.settled();
    expect(await browser.figures()).toEqual(before);
    expect(await deed()).toBe(words);
  });

  it('moves by keyboard too', async () => {
    // Its front end lies round the head: the focus turns it into view.
    await browser.focus('[data-bead="front"]');
    await browser.keys(Key.ARROW_RIGHT);
    await browser.keys(Key.ARROW_RIGHT);
    await browser.settled();
    expect(await deed()).toMatch(/^Part moved \d mm right/);
    await undo();
    await undo();
    await browser.settled();
  });

  it('is gone when she wants none, and rows close up', async () => {
    await browser.press('none, swept back');
    await browser.settled();
    expect(await browser.has('[data-bead]')).toBe(false);
    expect(await deed()).toBe('No part, swept back');
    await undo();
    await browser.settled();
  });
});

describe('the cloth', () => {
  it('is drawn: rows and knots lie on it', async () => {
    const drawn = await browser.script<number>(`
      const canvas = document.querySelector('.weave canvas');
      const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
      return data.filter((v, i) => i % 4 === 3 && v > 0).length / (data.length / 4);`);
    expect(drawn).toBeGreaterThan(0.01);
  });
});

describe('a spacing bead', () => {
  it('is dragged: the whole plan follows, the picture is not drawn again, and it is kept once', async () => {
    const before = await browser.figures();
    await browser.script(`
      window.draws = 0; window.updates = 0;
      for (const call of ['drawElements', 'drawArrays']) {
        const draw = WebGL2RenderingContext.prototype[call];
        WebGL2RenderingContext.prototype[call] = function (...args) { window.draws++; return draw.apply(this, args); };
      }
      new MutationObserver(() => window.updates++).observe(document.querySelector('[data-testid=figure-pieces]'), { childList: true, characterData: true, subtree: true });
    `);
    // A turn is drawn, once more at rest, and from then on nothing has to be.
    await browser.press(/^look from left/);
    await browser.until(`window.draws > 0 && document.querySelector('[data-drawn=rest]')`, 'the picture at rest');
    await browser.script('window.draws = 0');
    const at = await browser.script<{ x: number; y: number }>(
      `const e = document.querySelector('[data-zone=back]'); e.scrollIntoView({ block: 'center' }); const r = e.getBoundingClientRect(); return { x: r.x, y: r.y };`,
    );
    await browser.drag(at, { x: at.x + 50, y: at.y }, 12);
    await browser.until(`/^Back \\d/.test(document.querySelector('[data-testid=last-deed]').textContent)`, 'the deed');
    const after = await browser.figures();
    expect(Number(after.pieces)).toBeLessThan(Number(before.pieces));
    expect(await browser.script<number>('return window.updates')).toBeGreaterThanOrEqual(2);
    expect(await browser.script<number>('return window.draws')).toBe(0);
    expect(await deed()).toMatch(/^Back \d/);
    await undo();
    await browser.settled();
    expect(await browser.figures()).toEqual(before);
  });

  it('says its value in fingers to those who hear the screen', async () => {
    const slider = await browser.find('[data-zone="nape"]');
    expect(await slider.getAttribute('aria-valuetext')).toBe('1½ fingers');
    await slider.sendKeys(Key.ARROW_UP);
    await browser.settled();
    expect(await (await browser.find('[data-zone="nape"]')).getAttribute('aria-valuetext')).toBe('1¾ fingers');
    await undo();
    await browser.settled();
  });

  it('can be said the other way', async () => {
    const before = await browser.figures();
    await browser.click('[data-testid="said"]');
    expect(Number((await browser.figures()).pieces)).toBeLessThan(Number(before.pieces));
    await undo();
    await browser.settled();
  });
});

describe('the head', () => {
  it('turns with a finger and with words, also seen in a mirror', async () => {
    const view = () =>
      browser.script<string>(`return document.querySelectorAll('.stage canvas')[1].toDataURL().slice(-400)`);
    const first = await view();
    const centre = await browser.centre('.stage');
    await browser.drag({ x: centre.x + 180, y: centre.y + 120 }, { x: centre.x + 20, y: centre.y + 120 }, 4);
    expect(await view()).not.toBe(first);
    await browser.press(/behind$/);
    const behind = await view();
    await browser.press('in a mirror');
    expect(await view()).not.toBe(behind);
    await browser.press('in a mirror');
    expect(await view()).toBe(behind);
    await browser.press(/^look from top/);
    expect(await view()).not.toBe(behind);
  });

  it('the fix of the finding is one tap', async () => {
    await browser.press(/^Hook (it|all \d+) through the net only/);
    await browser.until(`!document.querySelector('[data-finding="tender.throughHair"]')`, 'the finding to go');
    await browser.settled();
    expect(await deed()).toBe('Tender and thin places: through the net only');
    await undo();
    await browser.settled();
  });

  it('every figure opens into its working', async () => {
    for (const figure of ['pieces', 'packs', 'leftOver', 'minutes', 'price', 'massG', 'cover']) {
      await browser.click(`[data-figure="${figure}"]`);
      const working = await (await browser.appears('[role=dialog]')).getText();
      expect(working.length).toBeGreaterThan(60);
      await browser.keys(Key.ESCAPE);
      await browser.until(`!document.querySelector('[role=dialog]')`, 'the working to close');
    }
  });

  it('plays the install', async () => {
    await browser.press('Play the install');
    await browser.until(`Number(document.querySelector('[data-testid=weave]').ariaValueNow) > 3`, 'some knots');
    await browser.press('Stop');
    const at = await (await browser.byId('weave')).getAttribute('aria-valuenow');
    await new Promise((r) => setTimeout(r, 300));
    expect(await (await browser.byId('weave')).getAttribute('aria-valuenow')).toBe(at);
  });
});
