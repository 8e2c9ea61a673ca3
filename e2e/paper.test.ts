/** A plan on paper, by keys alone: what is printed, how the scalp is cut, the files. */
import { readFileSync } from 'node:fs';
import { WebIO } from '@gltf-transform/core';
import { describe, expect, inject, it } from 'vitest';
import { soundEverywhere } from './axe.ts';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
const PLAN = 'demo-shoulder-curls';
let browser: Browser;
withBrowser((b) => {
  browser = b;
}, url);

const sheets = () =>
  browser.script<string[]>(`return [...document.querySelectorAll('[data-sheet]')].map((s) => s.dataset.sheet)`);
const laid = () =>
  browser.until(
    `document.querySelector('[data-sheet]') && document.querySelector('.paper-sheets').ariaBusy === 'false'`,
    'the sheets',
  );

describe('on paper', () => {
  it('is reached from the order of work, and shows every sheet', async () => {
    await browser.station(url, PLAN, 'rows');
    await browser.settled();
    await browser.click('[data-part="order"]');
    await browser.focus('[data-testid="to-paper"]');
    await browser.keys(Key.ENTER);
    await laid();
    expect(await sheets()).toEqual(
      expect.arrayContaining(['how', 'front', 'left-back', 'back', 'rule', 'chart', 'work-1']),
    );
    expect(
      await browser.script(
        `return [...document.querySelectorAll('[data-sheet] img')].every((i) => i.complete && i.naturalWidth > 0)`,
      ),
    ).toBe(true);
  });

  it('is cut otherwise, and left out, by keys', async () => {
    await browser.tabTo(`e.dataset.choice === 'sixGores'`);
    for (const choice of ['eightGores', 'darts']) {
      await browser.keys(Key.ARROW_DOWN);
      await browser.until(`document.activeElement.dataset.choice === '${choice}'`, choice);
      await browser.keys(' ');
      await browser.until(`document.querySelector('[data-choice=${choice}]').ariaChecked === 'true'`, choice);
    }
    await browser.until(`document.querySelector('[data-sheet=whole-head]')`, 'the one piece');
    await laid();
    expect(await browser.text('[data-sheet="whole-head"]')).toMatch(/4 pages to glue/);
  });

  it('is one PDF, and drawings, and models', async () => {
    await browser.focus('[data-testid="save-pdf"]');
    await browser.keys(Key.ENTER);
    const pdf = readFileSync(await browser.download('.paper.pdf'));
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    const told = /, (\d+) pages/.exec(await browser.text('[data-testid="save-pdf"]'))?.[1];
    expect(pdf.toString('latin1').match(/\/Type \/Page\b(?!s)/g)).toHaveLength(Number(told));
    await browser.press('SVG of Whole head');
    expect(readFileSync(await browser.download('.whole-head.svg'), 'utf8')).toMatch(/width="\d+\.\d+mm"/);
    await browser.click('[data-testid="save-obj"]');
    expect(readFileSync(await browser.download('.obj'), 'utf8')).toMatch(/^# .*\n# mm/);
    await browser.click('[data-testid="save-glb"]');
    const glb = await new WebIO().readBinary(new Uint8Array(readFileSync(await browser.download('.glb'))));
    expect(
      glb
        .getRoot()
        .listMeshes()
        .map((m) => m.getName()),
    ).toContain('rows');
  });

  it('stands in its width and finds nothing wrong, by day and in the evening', async () => {
    await soundEverywhere(browser, async () => {
      await browser.go(`${url}/plan/${PLAN}/paper`);
      await laid();
    });
  });
});
