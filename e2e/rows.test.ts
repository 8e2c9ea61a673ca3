/** Cap, hair, rows and knots on the real screen: by finger and by keyboard. */
import { readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
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
const pieces = async () => Number((await browser.figures()).pieces);
/** One in the middle of the back: touched on the cloth. */
const aKnot = async () => {
  const weave = await browser.byId('weave');
  const rect = await weave.getRect();
  const { x, y } = { x: Math.round(rect.x + rect.width / 2), y: Math.round(rect.y + rect.height / 2) };
  await browser.driver.actions().move({ x, y }).click().perform();
};
const choice = async (value: string) => {
  await browser.click(`[data-choice="${value}"]`);
  await browser.settled();
};

describe('the cap', () => {
  it('a U is chosen, dragged longer and wider on the head, and undone', async () => {
    await station('demo-shoulder-curls/cap');
    await part('opening');
    await choice('stitchedU');
    expect(await deed()).toMatch(/stitched u/i);
    await browser.appears('[data-bead="opening-end"]');
    const from = await bead('opening-end');
    await browser.drag(from, { x: from.x + 26, y: from.y + 30 });
    await until(/^Opening \d+ mm long/, 'the longer U');
    await browser.settled();
    const long = Number(/(\d+) mm/.exec(await deed())?.[1]);
    expect(long).toBeGreaterThan(105);
    await browser.focus('[data-bead="opening-side"]');
    for (let i = 0; i < 3; i++) await browser.keys(Key.ARROW_RIGHT);
    await until(/^Opening \d+ mm wide/, 'the wider U');
    await browser.settled();
    expect(await browser.text('.bench')).toMatch(/In own hair alone/);
    expect(await browser.text('.bench')).toMatch(/pieces? close/);
    for (let i = 0; i < 5; i++) await undo();
    expect(await browser.has('[data-bead="opening-end"]')).toBe(false);
  });

  it('on a block, spacing is read in holes and in fingers of both', async () => {
    await part('kind');
    await browser.choose('filled-on', 'block');
    await browser.settled();
    await part('size');
    await browser.write('block-girth', '52 cm');
    await browser.settled();
    const table = await browser.text('[data-testid="form-spacing"]');
    expect(table).toMatch(/What to do on a block/);
    expect(table).toMatch(/\d+ mm, \d\.\d fingers/);
    const [worn, onBlock] = (/Top (\d+) mm (\d+) mm/.exec(table.replace(/\s+/g, ' ')) ?? []).slice(1).map(Number);
    expect(onBlock).toBeLessThan(worn);
    await undo();
    await undo();
  });

  it('anchors stand in the order in which they are set; a comb takes the place of some', async () => {
    await part('hold');
    const order = await browser.script<string[]>(
      `return [...document.querySelectorAll('[data-anchor]')].map((e) => e.dataset.anchor)`,
    );
    expect(order).toEqual(['nape', 'sides', 'corners', 'front']);
  });

  it('is kept as hers', async () => {
    await part('kind');
    await browser.write('cap-name', 'Dusk net');
    await browser.click('[data-testid="keep-cap"]');
    await browser.until(`/Dusk net, worn 0 times/.test(document.querySelector('.bench').textContent)`, 'the shelf');
  });
});

describe('hair', () => {
  it('one counted pack overrides its label', async () => {
    await station('demo-shoulder-curls/hair');
    const packs = (await browser.figures()).packs;
    await browser.write('counted', '30');
    await browser.settled();
    expect(Number((await browser.figures()).packs)).toBeGreaterThan(Number(packs));
    expect(await browser.has('[data-finding="hair.counted"]')).toBe(true);
    await undo();
  });

  it('strands that cling ask for another way, taken with one tap', async () => {
    await browser.choose('apart', 'clings');
    await browser.settled();
    expect(await browser.has('[data-finding="hair.clings"]')).toBe(true);
    await browser.press(/^Lay open places from back to front/);
    await browser.until(`!document.querySelector('[data-finding="hair.clings"]')`, 'the finding to go');
    await browser.settled();
    await undo();
    await undo();
  });

  it('a cut is split and its figures follow; a second cut is given to a zone', async () => {
    await part('cuts');
    expect(await browser.text('[data-testid="piece-figures"]')).toMatch(/1\.46 g/);
    await browser.click('[data-testid="add-cut"]');
    await browser.settled();
    await browser.choose('which-cut', 'cut-2');
    await browser.choose('split', '8');
    await until(/^Split in 8/, 'the split');
    await browser.settled();
    expect(await browser.text('[data-testid="piece-figures"]')).toMatch(/0\.18 g/);
    await part('zones');
    const weight = (await browser.figures()).massG;
    await browser.choose('piece-part', 'cut-2');
    await browser.settled();
    expect((await browser.figures()).massG).not.toBe(weight);
    await undo();
    await undo();
    await undo();
  });

  it('goes to the shelf, out as a table and in again; a broken table changes nothing', async () => {
    await part('shelf');
    await browser.click('[data-testid="keep-hair"]');
    await browser.until(
      `/on the shelf/.test(document.querySelector('.bench [role=status]')?.textContent)`,
      'the shelf',
    );
    await browser.click('[data-testid="export-hair"]');
    const table = readFileSync(await browser.download('hair.csv'), 'utf8');
    expect(table).toMatch(/^name,pieces_per_pack,/);
    expect(table).toMatch(/Quillow loop curl,48/);
    const give = async (name: string, text: string) => {
      const path = join(tmpdir(), name);
      writeFileSync(path, text);
      await (await browser.driver.findElement(By.css('[data-testid="import-hair"]'))).sendKeys(path);
    };
    await give('good.csv', table.replace('Quillow loop curl', 'Quillow from a table'));
    await browser.until(`/Quillow from a table/.test(document.querySelector('.bench').textContent)`, 'the new hair');
    await give('bad.csv', table.replace(',48,', ',many,'));
    await browser.until(`document.querySelector('.bench [role=alert]')`, 'the refusal');
    expect(await browser.text('.bench [role=alert]')).toMatch(
      /Line 2: “many” isn’t a number \(pieces_per_pack\).*Nothing was changed/,
    );
  });
});

describe('gaps', () => {
  const told = () => browser.text('[data-testid="for-hair"]');
  const gaps = () =>
    browser.script<string[]>(
      `return [...document.querySelectorAll('[data-zone]')].map((bead) => bead.getAttribute('aria-valuetext'))`,
    );

  it('for this hair are told with what they come to, taken with one tap, followed, and her own again after undo', async () => {
    await station('demo-shoulder-curls/rows');
    await part('gap');
    await browser.appears('[data-testid="take-for-hair"]');
    const before = await browser.figures();
    const hers = await gaps();
    expect(await told()).toMatch(/^For this hair: .*about \d+ pieces instead of \d+, \d+ packs?/);
    await browser.click('[data-testid="take-for-hair"]');
    await until(/Gaps left to the hair/, 'the deed');
    const taken = await browser.figures();
    expect(Number(taken.pieces)).toBeLessThan(Number(before.pieces));
    expect(await told()).toMatch(/^Left to the hair/);
    const forHair = await gaps();
    expect(forHair).not.toEqual(hers);
    await browser.driver.navigate().refresh();
    await browser.settled();
    expect((await browser.figures()).pieces).toBe(taken.pieces);
    expect(await gaps()).toEqual(forHair);
    await undo();
    expect(await browser.figures()).toEqual(before);
    expect(await gaps()).toEqual(hers);
  });

  it('of hair that lies as wide as people lay it take one more step where there is room, and no refusal', async () => {
    await browser.click('[data-testid="take-for-hair"]');
    await until(/Gaps left to the hair/, 'the deed');
    const taken = await pieces();
    await station('demo-shoulder-curls/supply');
    await browser.press('A quarter finger wider');
    await until(/A quarter finger wider/, 'the deed');
    expect(await browser.has('.bench [role=alert]')).toBe(false);
    expect(await pieces()).toBeLessThan(taken);
    await undo();
    await undo();
  });
});

describe('rows', () => {
  it('another scheme lays other rows; one the base can’t carry says so with two ways out', async () => {
    await station('demo-shoulder-curls/rows');
    await part('rows');
    const before = await browser.figures();
    await choice('parallel');
    expect((await browser.figures()).pieces).not.toBe(before.pieces);
    await choice('grid');
    expect(await pieces()).toBe(0);
    await part('gap');
    await browser.appears('[data-finding="rows.cannotLay"]');
    await browser.press(/^Lay rows: ear to ear/);
    await browser.until(`!document.querySelector('[data-finding="rows.cannotLay"]')`, 'the finding to go');
    await browser.settled();
    expect((await browser.figures()).pieces).toBe(before.pieces);
    for (let i = 0; i < 3; i++) await undo();
  });

  it('a curved part is dragged and its rows follow', async () => {
    await part('gap');
    const before = await pieces();
    const from = await bead('middle');
    await browser.drag(from, { x: from.x - 30, y: from.y - 4 });
    await until(/^Part/, 'the part');
    await browser.settled();
    expect(await pieces()).toBeGreaterThan(0.8 * before);
    await undo();
  });

  it('the brush makes a place fuller while the finger draws, and is wiped out', async () => {
    await part('hand');
    const before = await pieces();
    await browser.click('[data-testid="brush-0.7"]');
    const { x, y } = await browser.centre('.stage');
    await browser.drag({ x: x + 40, y: y - 60 }, { x: x + 100, y: y - 20 }, 8);
    await until(/^Fuller there/, 'the stroke');
    await browser.settled();
    const fuller = await pieces();
    expect(fuller).toBeGreaterThan(before + 3);
    await browser.press(/^Wipe out the stroke/);
    await browser.settled();
    expect(await pieces()).toBe(before);
    await undo();
    expect(await pieces()).toBe(fuller);
    await undo();
    expect(await pieces()).toBe(before);
  });

  it('a knot is moved with its bead, taken out, and put in again', async () => {
    await browser.press(/behind$/);
    await aKnot();
    await browser.click('[data-testid="tool-move"]');
    await browser.appears('[data-bead="knot"]');
    const from = await bead('knot');
    await browser.drag(from, { x: from.x + 9, y: from.y - 2 });
    await until(/^Knot moved/, 'the move');
    await browser.settled();
    expect(await browser.text('[data-testid="hand-list"]')).toMatch(/Knot moved/);
    const before = await pieces();
    await browser.click('[data-testid="knot-out"]');
    await until(/taken out$/, 'the knot to go');
    await browser.settled();
    expect(await pieces()).toBe(before - 1);
    await browser.click('[data-testid="tool-add"]');
    await browser.driver
      .actions()
      .move({ x: Math.round(from.x), y: Math.round(from.y) })
      .click()
      .perform();
    await until(/^Knot added/, 'the new knot');
    await browser.settled();
    expect(await pieces()).toBe(before);
    for (let i = 0; i < 3; i++) await undo();
  });

  it('a row is pulled on the cloth, further with the arrows, and locked', async () => {
    await part('hand');
    await aKnot();
    await browser.click('[data-testid="tool-pull"]');
    const weave = await browser.driver.findElement(By.css('[data-testid="weave"]'));
    const rect = await weave.getRect();
    const at = { x: Math.round(rect.x + rect.width / 2), y: Math.round(rect.y + rect.height / 2) };
    await browser.drag(at, { x: at.x, y: at.y - 3 }, 3);
    await until(/^Row .* pulled .* up/, 'the pull');
    await browser.settled();
    await weave.sendKeys(Key.ARROW_DOWN);
    await until(/^Row .* pulled 1 mm down/, 'the arrow');
    await browser.settled();
    expect(await browser.text('[data-testid="hand-list"]')).toMatch(/Row pulled/);
    await browser.click('[data-testid="row-lock"]');
    await until(/locked$/, 'the lock');
    await browser.settled();
    expect(await browser.text('[data-testid="hand-list"]')).toMatch(/Row locked/);
    for (let i = 0; i < 3; i++) await undo();
  });

  it('all of it by keyboard: brush, a new knot, a pull', async () => {
    await part('hand');
    const before = await pieces();
    const press = async (testId: string) => {
      await browser.focus(`[data-testid="${testId}"]`);
      await browser.keys(Key.ENTER);
    };
    await press('brush-0.7');
    await browser.focus('[data-bead="density"]');
    await browser.keys(Key.ARROW_DOWN);
    await browser.keys(Key.ENTER);
    await until(/^Fuller there/, 'the brush');
    await browser.settled();
    expect(await pieces()).toBeGreaterThan(before);
    await undo();
    await aKnot();
    await press('row-up');
    await until(/^Row .* pulled 1\.5 mm up/, 'the pull');
    await browser.settled();
    await undo();
    expect(await pieces()).toBe(before);
  });
});

describe('knots', () => {
  it('a school is switched and the chain of rules tells it', async () => {
    await part('knots');
    const weave = await browser.byId('weave');
    await weave.sendKeys(Key.END);
    const decides = (rule: string) =>
      browser.until(`document.querySelector('[data-rule]')?.dataset.rule === '${rule}'`, rule);
    await decides('kind.one-leg-part');
    await choice('backToFront');
    await (await browser.byId('weave')).sendKeys(Key.END);
    await decides('kind.back-to-front');
    await undo();
  });

  it('she chooses another knot for a whole row, and lets the rules decide again', async () => {
    await aKnot();
    await browser.choose('wish-of', 'row');
    await browser.choose('wish-wraps', '3');
    await until(/^This row: triple wrap/, 'the wish');
    await browser.settled();
    expect(await browser.text('.weave')).toMatch(/triple wrap \d+/);
    await browser.press(/^Let the rules decide everywhere/);
    await browser.settled();
    expect(await browser.text('.weave')).not.toMatch(/triple wrap/);
    await undo();
    await undo();
  });

  it('the order of work names what is to be done when, and leads to a chart for paper', async () => {
    await part('order');
    await browser.appears('[data-testid="worklist"]');
    expect(await browser.text('[data-testid="worklist"]')).toMatch(
      /Open one pack and test it[\s\S]*Look, half way[\s\S]*Trim/,
    );
    await browser.click('[data-testid="to-chart"]');
    await browser.until(`document.querySelector('.sheet[data-ready=yes] svg')`, 'the chart');
    expect(await browser.text('.sheet')).toMatch(/Where a finger finds each knot/);
    expect(
      await browser.script<number>(`return document.querySelectorAll('.sheet svg path[id]').length`),
    ).toBeGreaterThan(100);
    await browser.press('Back to the rows');
    await browser.settled();
  });

  it('changes by hand are there after a reload, with their undo', async () => {
    await part('hand');
    await aKnot();
    await browser.click('[data-testid="knot-out"]');
    await browser.settled();
    const after = await pieces();
    await browser.driver.navigate().refresh();
    await browser.settled();
    expect(await pieces()).toBe(after);
    await undo();
    expect(await pieces()).toBe(after + 1);
  });
});
