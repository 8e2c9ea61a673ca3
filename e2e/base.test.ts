/** Her head and her base on the real screen: tape, hairline, brush, lines, cuts, ties, tails; by finger and by keyboard. */
import { describe, expect, inject, it } from 'vitest';
import { type Browser, By, Key } from './browser.ts';
import { onPlan } from './on-plan.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;

withBrowser((b) => {
  browser = b;
}, url);

const { deed, undo, until, station, part, bead } = onPlan(() => browser, url);
const sections = () =>
  browser.script<string[]>(`return [...document.querySelectorAll('[data-section]')].map((e) => e.dataset.section)`);

describe('the tape', () => {
  it('takes a second and a third reading, shows their mean and spread, and draws where the tape runs', async () => {
    await station('demo-deep-part/measure');
    expect(await browser.has('[data-testid="tape-frontToNape-2"]')).toBe(false);
    await browser.click('[data-testid="tape-frontToNape"]');
    await browser.write('tape-frontToNape-2', '37.1 cm');
    await browser.settled();
    await browser.write('tape-frontToNape-3', '36.8 cm');
    await browser.settled();
    expect(await browser.text('[data-testid="note-frontToNape"]')).toMatch(/Mean of 3: 36\.8 cm, spread 0\.3 cm/);
    expect(await browser.text('[data-testid="note-frontToNape"]')).toMatch(/A slip below \d\.\d cm can’t be seen here/);
    await browser.until(
      `/more makes about [+−]/.test(document.querySelector('[data-testid=note-frontToNape]').textContent)`,
      'what it does to the plan',
    );
    expect(await deed()).toMatch(/^Front to nape 36\.5 cm, 37\.1 cm, 36\.8 cm/);
    await undo();
    await undo();
  });

  it('a contradictory one can be taken either way', async () => {
    expect(await browser.has('[data-finding="measure.contradictory"]')).toBe(true);
    await browser.press(/^Keep 38\.5 cm/);
    await browser.until(`!document.querySelector('[data-finding="measure.contradictory"]')`, 'the finding to go');
    expect(await deed()).toBe('Ear to ear over the top kept');
    await undo();
    await browser.press(/^Take \d+\.\d cm for now/);
    await browser.until(`!document.querySelector('[data-finding="measure.contradictory"]')`, 'the finding to go');
    await undo();
    expect(await browser.has('[data-finding="measure.contradictory"]')).toBe(true);
  });
});

describe('the hairline', () => {
  it('is dragged at its beads, mirrored or not, and undone', async () => {
    await station('demo-shoulder-curls/measure');
    const before = await browser.figures();
    await part('hairline');
    await browser.press(/front$/);
    await browser.appears('[data-bead="hairline-temple-left"]');
    const from = await bead('hairline-front-middle');
    await browser.drag(from, { x: from.x, y: from.y - 26 });
    await until(/^Middle of the front \d/, 'the deed');
    expect(await deed()).toMatch(/mm higher$/);
    await browser.settled();
    expect(await browser.figures()).not.toEqual(before);
    await undo();
    expect(await browser.figures()).toEqual(before);
    await browser.press('both sides alike');
    await browser.focus('[data-bead="hairline-temple-left"]');
    await browser.keys(Key.ARROW_UP, Key.ARROW_UP, Key.ARROW_UP);
    await until(/^Temple, left 6 mm higher/, 'the temple');
    await undo();
    await undo();
    await undo();
    await undo();
    expect(await browser.figures()).toEqual(before);
  });
});

describe('marks', () => {
  it('a spot is painted with the brush, wiped out and undone; knots follow', async () => {
    await station('demo-shoulder-curls/measure');
    await part('marks');
    await browser.choose('mark-kind', 'noGo');
    await browser.choose('brush-width', 'wide');
    await browser.press(/behind$/);
    await browser.click('[data-testid="brush-paint"]');
    const before = await browser.figures();
    const { x, y } = await browser.centre('.stage');
    await browser.drag({ x: x + 10, y: y - 90 }, { x: x + 130, y: y - 70 }, 8);
    await browser.drag({ x: x + 10, y: y - 30 }, { x: x + 130, y: y - 20 }, 8);
    await until(/^No-go marked/, 'the mark');
    const after = await browser.figures();
    expect(Number(after.pieces)).toBeLessThan(Number(before.pieces));
    await browser.click('[data-testid="brush-erase"]');
    await browser.drag({ x: x, y: y - 92 }, { x: x + 140, y: y - 66 }, 10);
    await until(/^No-go wiped out/, 'the wiping');
    await undo();
    await undo();
    await undo();
    expect(await browser.figures()).toEqual(before);
  });

  it('by keyboard: the brush is a bead, arrows move it, Enter paints', async () => {
    await browser.choose('mark-kind', 'tender');
    await browser.click('[data-testid="brush-paint"]');
    await browser.focus('[data-bead="brush"]');
    await browser.keys(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_DOWN, Key.ENTER);
    await until(/^Tender marked/, 'the mark');
    await undo();
  });

  it('own hair is told by region and by the girth of a ponytail', async () => {
    await part('hair');
    await browser.write('ponytail', '6 cm');
    await until(/^Ponytail 6 cm/, 'the ponytail');
    await browser.settled();
    expect(await browser.text('.bench')).toMatch(/By your ponytail: about \d+ thousand hairs, \d+ g, thin/);
    await browser.script(`document.querySelectorAll('.bench details').forEach((d) => { d.open = true; })`);
    await browser.write('own-length-nape', '9 cm');
    await until(/^nape: 9 cm/, 'the nape');
    await undo();
    await undo();
  });
});

describe('the way', () => {
  it('is advised for her hair, with reasons and a runner-up, and laid with one tap', async () => {
    await station('demo-shoulder-curls/base');
    await browser.until(`document.querySelector('[data-testid=advice]')`, 'the advice');
    const advice = await browser.text('[data-testid="advice"]');
    expect(advice).toMatch(/^For you: Four and four\. Thick hair gets about eight/);
    expect(await browser.script<number>(`return document.querySelectorAll('[data-school]').length`)).toBe(2);
    await browser.press('What every way says');
    expect(await browser.script<number>(`return document.querySelectorAll('[data-school]').length`)).toBe(15);
    expect(advice).toMatch(/It is what you have/);
    await browser.write('behind', '2');
    await browser.settled();
    await browser.press('Lay it');
    expect(await deed()).toBe('Tied sections');
    await undo();
    await undo();
  });

  it('every family is laid on her head and tells its sections', async () => {
    for (const [family, least] of [
      ['threaded', 30],
      ['grid', 40],
      ['flatTwists', 8],
      ['puff', 2],
      ['halfUp', 5],
      ['found', 8],
    ] as const) {
      await part('way');
      await browser.choose('family', family);
      await browser.settled();
      await part('sections');
      expect((await sections()).length).toBeGreaterThanOrEqual(least);
      await undo();
    }
  });
});

describe('sections', () => {
  it('a section is tapped on the head and told with its figures', async () => {
    await station('demo-shoulder-curls/base');
    await part('sections');
    await browser.press(/behind$/);
    const { x, y } = await browser.centre('.stage');
    await browser.driver
      .actions()
      .move({ x: Math.round(x + 60), y: Math.round(y - 60) })
      .click()
      .perform();
    const detail = await (await browser.appears('[data-testid="section-detail"]')).getText();
    for (const words of ['Hair it needs', 'May carry', 'bands', 'mm thick']) expect(detail).toContain(words);
  });

  it('a line is dragged and swung, locked, and even bites leave it', async () => {
    await browser.script(`document.querySelector('[data-section="b2"][aria-pressed="false"]')?.click()`);
    await browser.choose('line', 'b2|b3');
    await browser.appears('[data-bead="line-middle"]');
    const from = await bead('line-middle');
    await browser.drag(from, { x: from.x + 34, y: from.y });
    await until(/^Line moved/, 'the line');
    await browser.settled();
    expect(await browser.text('.bench')).toMatch(/most uneven ([4-9]\d|1\d\d) % off/);
    await browser.focus('[data-bead="line-end"]');
    await browser.keys(Key.ARROW_RIGHT);
    await browser.settled();
    await browser.press('Lock this line');
    await browser.until(`!document.querySelector('[data-bead="line-middle"]')`, 'the beads to go');
    await undo();
    await browser.click('[data-testid="even"]');
    await until(/^Even bites/, 'even bites');
    await browser.settled();
    expect(await browser.text('.bench')).toMatch(/most uneven [0-3] % off/);
    await undo();
    await undo();
    await undo();
  });

  it('is cut with a stroke and merged again; what can’t be is refused with its reason', async () => {
    await browser.script('document.activeElement?.blur()');
    const before = await sections();
    await browser.script(`document.querySelector('[data-section="b2"][aria-pressed="false"]')?.click()`);
    await browser.click('[data-testid="cut"]');
    const { x, y } = await browser.centre('.stage');
    // Across the back, slightly slanted.
    await browser.drag({ x: x - 40, y: y + 10 }, { x: x + 220, y: y + 16 }, 10);
    await until(/^Section cut/, 'the cut');
    await browser.settled();
    expect((await sections()).length).toBe(before.length + 1);
    await browser.choose('merge', 'b2-2');
    await until(/^Sections merged/, 'the merge');
    await browser.settled();
    expect(await sections()).toEqual(before);
    await undo();
    await undo();
    await browser.click('[data-testid="cut"]');
    await browser.drag({ x: x + 60, y: y + 10 }, { x: x + 62, y: y + 12 }, 2);
    await browser.until(`document.querySelector('[data-testid=refusal]')`, 'the refusal');
    expect(await browser.text('[data-testid="refusal"]')).toMatch(/needs a stroke.*Nothing was changed/);
    expect(await sections()).toEqual(before);
  });

  it('a tie is dragged, and kept inside its section', async () => {
    await part('way');
    await part('sections');
    await browser.script(`document.querySelector('[data-section="b2"][aria-pressed="false"]')?.click()`);
    await browser.appears('[data-bead="tie"]');
    const from = await bead('tie');
    await browser.drag(from, { x: from.x + 6, y: from.y - 40 });
    await until(/^Tie moved/, 'the tie');
    await browser.settled();
    const next = await bead('tie');
    await browser.drag(next, { x: next.x - 130, y: next.y });
    await browser.until(`document.querySelector('[data-testid=refusal]')`, 'the refusal');
    expect(await browser.text('[data-testid="refusal"]')).toMatch(/inside its own section/);
    await undo();
  });

  it('all of it by keyboard: choose, cut, merge, move a line', async () => {
    await browser.focus('[data-section="b1"]');
    await browser.keys(Key.ENTER);
    await browser.focus('[data-testid="cut-across"]');
    await browser.keys(Key.ENTER);
    await until(/^Section cut/, 'the cut');
    await undo();
    const lines = await browser.driver.findElement(By.css('[data-testid="line"]'));
    await lines.sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN);
    await browser.focus('[data-bead="line-middle"]');
    for (const key of [Key.ARROW_RIGHT, Key.ARROW_DOWN]) await browser.keys(key);
    await until(/^Line moved/, 'the line');
    await browser.settled();
    await undo();
  });
});

describe('tails', () => {
  it('are parked, their bumps seen; flatten shows before and after, and one tap takes it', async () => {
    await station('demo-shoulder-curls/base');
    await part('tails');
    await browser.choose('park-all', 'wrapped');
    await until(/^All tails wrapped/, 'the parking');
    await browser.settled();
    const high = Number(/Highest bump\s+(\d+)/.exec(await browser.text('.bench'))?.[1]);
    expect(high).toBeGreaterThan(20);
    await browser.click('[data-testid="flatten"]');
    await browser.until(`document.querySelector('[data-testid=flattened]')`, 'the proposal');
    const [, before, after] = /(\d+) → (\d+) mm/.exec(await browser.text('[data-testid="flattened"]')) ?? [];
    expect(Number(before)).toBe(high);
    expect(Number(after)).toBeLessThan(high);
    await browser.press('Lay them so');
    await until(/^Flattened to \d+ mm/, 'the deed');
    await browser.settled();
    expect(Number(/Highest bump\s+(\d+)/.exec(await browser.text('.bench'))?.[1])).toBe(Number(after));
    await undo();
    await undo();
  });

  it('one tail is led elsewhere at its end', async () => {
    await browser.press(/behind$/);
    const { x, y } = await browser.centre('.stage');
    await browser.driver
      .actions()
      .move({ x: Math.round(x + 90), y: Math.round(y - 70) })
      .click()
      .perform();
    await browser.choose('park', 'sewn');
    await browser.settled();
    const from = await bead('tail-end');
    await browser.drag(from, { x: from.x + 24, y: from.y - 50 });
    await until(/^Tail of .* led elsewhere/, 'the tail');
    await undo();
    await undo();
  });
});

describe('the order of work', () => {
  it('is a list with minutes and things to have ready, and a sheet for paper', async () => {
    await part('work');
    const work = await browser.text('[data-testid="work"]');
    expect(work).toMatch(/Comb out, moisturise/);
    expect(await browser.text('.bench')).toMatch(/28 small rubber bands/);
    await browser.click('[data-testid="sheet"]');
    await browser.until(`document.querySelector('.sheet[data-ready=yes]')`, 'the sheet');
    const sheet = await browser.text('.sheet');
    expect(sheet).toMatch(/In this order/);
    expect(sheet).toMatch(/Have ready/);
    expect(await browser.has('.sheet svg path')).toBe(true);
    await browser.press('Back to the base');
    await browser.settled();
  });

  it('is all there again after a reload, with its undo', async () => {
    await part('way');
    await browser.choose('family', 'flatTwists');
    await browser.settled();
    await browser.go(`${url}/plan/demo-shoulder-curls/base`);
    await browser.settled();
    expect(await browser.text('.bench h2')).toBe('Flat twists');
    await undo();
    expect(await browser.text('.bench h2')).toBe('Tied sections');
  });

  it('the page had nothing to complain about', async () => {
    expect(await browser.complaints()).toEqual([]);
  });
});
