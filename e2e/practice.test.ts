/** Practice on the real screen: a knot played back and forth, a test row, questions that come back; by keys, on a phone. */
import { describe, expect, inject, it } from 'vitest';
import type { PracticeRecord } from '../src/store/database.ts';
import { soundEverywhere } from './axe.ts';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;
withBrowser((b) => {
  browser = b;
}, url);

const at = async (part?: string) => {
  await browser.go(`${url}/plan/demo-deep-part/practice`);
  await browser.settled();
  await browser.appears('[data-part="knots"]');
  if (part) await browser.click(`[data-part="${part}"]`);
};
const kept = () => browser.storedRows<PracticeRecord>('practice');
const move = () => browser.script<string>(`return document.querySelector('[data-testid=rope]').dataset.move`);
const time = () => browser.script<number>(`return Number(document.querySelector('[data-testid=rope]').dataset.time)`);

/** What is drawn, once it is drawn as it should be. */
const drawn = async () => {
  await browser.until(
    `document.querySelector('.rope-picture canvas').dataset.drawn === document.querySelector('[data-testid=rope]').dataset.look`,
    'the knot to be drawn',
  );
  return browser.script<string>(`return document.querySelector('.rope-picture canvas').toDataURL()`);
};

describe('a knot', () => {
  it('moves with its time, back and forth by keys, move by move', async () => {
    await at();
    await browser.appears('[data-testid="rope"]');
    expect(await move()).toBe('under');
    const first = await drawn();
    await browser.click('[data-testid="rope-on"]');
    expect(await move()).toBe('out');
    expect(await browser.text('[data-testid="rope-words"]')).toMatch(/Loop out/);
    const second = await drawn();
    expect(second).not.toBe(first);
    await browser.focus('[data-testid="rope-time"]');
    await browser.keys(Key.END);
    expect(await time()).toBe(1);
    await browser.keys(Key.ARROW_LEFT, Key.ARROW_LEFT);
    expect(await time()).toBeCloseTo(0.98, 6);
    await browser.keys(Key.HOME);
    expect(await move()).toBe('under');
  });

  it('plays by itself until it is done, and stops when it is told', async () => {
    await browser.focus('[data-testid="rope"]');
    await browser.keys(' ');
    await browser.until(`Number(document.querySelector('[data-testid=rope]').dataset.time) > 0.01`, 'it to move');
    await browser.keys(' ');
    await browser.until(`document.querySelector('[data-testid=rope-play]').textContent === 'Play'`, 'it to stop');
    const stopped = await time();
    await drawn();
    expect(await time()).toBe(stopped);
  });

  it('is seen from above, in a mirror, and as a left hand does it; a mirror and the left hand are as before', async () => {
    await browser.focus('[data-testid="rope-time"]');
    await browser.keys(Key.END);
    const plain = await drawn();
    await browser.click('[data-testid="rope-above"]');
    expect(await drawn()).not.toBe(plain);
    await browser.click('[data-testid="rope-above"]');
    await browser.click('[data-testid="rope-mirror"]');
    const mirrored = await drawn();
    expect(mirrored).not.toBe(plain);
    await browser.click('[data-testid="rope-left"]');
    expect(await drawn()).toBe(plain);
    await browser.click('[data-testid="rope-mirror"]');
    expect(await drawn()).toBe(mirrored);
    await browser.click('[data-testid="rope-left"]');
  });

  it('of one leg lets the other fall over it; a locked one is locked', async () => {
    const kinds = await browser.script<string[]>(
      `return [...document.querySelectorAll('[data-knot]')].map((k) => k.textContent)`,
    );
    const press = (words: RegExp) =>
      browser.script(`document.querySelectorAll('[data-knot]')[${kinds.findIndex((k) => words.test(k))}].click()`);
    for (const [words, last] of [
      [/One-leg/, 'fall'],
      [/locked/, 'lock'],
    ] as const) {
      await press(words);
      await browser.focus('[data-testid="rope-time"]');
      await browser.keys(Key.END);
      expect(await move()).toBe(last);
    }
  });
});

describe('a test row', () => {
  it('is timed by touches, measured, kept, told in seconds and evenness, and says something of her hands', async () => {
    await at('row');
    await browser.focus('[data-testid="row-tap"]');
    for (let i = 0; i < 6; i++) await browser.keys(' ');
    await browser.appears('[data-testid="row-measure"]');
    await browser.write('gap-0', 'a hand');
    await browser.until(
      `/isn’t a length/.test(document.querySelector('[data-testid=row-measure]').textContent)`,
      'why not',
    );
    await browser.write('gap-0', '19 mm');
    await browser.write('gap-1', '21 mm');
    await browser.click('[data-testid="row-keep"]');
    await browser.appears('[data-testid="rows-so-far"]');
    expect(await browser.text('[data-testid="rows-so-far"]')).toMatch(/\d+ %/);
    const [row] = (await kept()).filter((r) => r.kind === 'row');
    expect(row.kind === 'row' && [row.row.seconds.length, row.row.gapsMm]).toEqual([5, [19, 21]]);
    await at('row');
    await browser.appears('[data-testid="rows-so-far"]');
  });
});

describe('questions', () => {
  it('are asked on her own head, say why, are kept, and come back later', async () => {
    await at('questions');
    const asked: string[] = [];
    while (!(await browser.has('[data-testid="nothing-due"]'))) {
      await browser.appears('[data-testid="question"]');
      const id = await browser.script<string>(
        `return document.querySelector('[data-testid=question]').dataset.question`,
      );
      expect(asked).not.toContain(id);
      asked.push(id);
      await browser.click('[data-testid="option"][data-right="yes"]');
      expect(await browser.text('[data-testid="verdict"]')).toMatch(/^Yes\./);
      const answers = asked.length;
      await browser.untilStored(
        'practice',
        `all.filter((r) => r.kind === 'answer').length === ${answers}`,
        'the answer',
      );
      await browser.click('[data-testid="next-question"]');
      await browser.until(
        `document.querySelector('[data-testid=nothing-due]') || document.querySelector('[data-testid=question]')?.dataset.question !== '${id}'`,
        'the next one',
      );
    }
    expect(asked.length).toBeGreaterThan(4);
    expect(new Set(asked).size).toBe(asked.length);
    await at('questions');
    await browser.appears('[data-testid="nothing-due"]');
  });
});

describe('for everybody', () => {
  it.each(['knots', 'row', 'questions'])('%s finds nothing wrong, by day and in the evening, on a phone', (part) =>
    soundEverywhere(browser, () => at(part)),
  );
});
