/** From the tape measure to the last knot and the log, with a killed browser in the middle. */
import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { readPlanJson } from '../src/formats/plan-json.ts';
import { Browser, Key } from './browser.ts';

const url = inject('plainUrl');
let browser: Browser;
let figures: Record<string, string>;
let planPath: string;

beforeAll(async () => {
  browser = await Browser.open();
});
afterAll(async () => {
  await browser.close();
});

/** On with the space bar, over whatever comes between rows, until so many knots are behind her. */
async function hookUntil(knots: number) {
  const behind = async () => {
    const touches = await browser.storedRows<{ kind: string; knotId?: string }>('events');
    return new Set(touches.filter((e) => e.kind === 'knot' || e.kind === 'skip').map((e) => e.knotId)).size;
  };
  for (let now = await behind(); now < knots; now = await behind()) {
    const touches = (await browser.storedRows('events')).length;
    const presses = Math.min(20, knots - now);
    await browser.keys(...Array.from({ length: presses }, () => ' '));
    await browser.untilStored('events', `all.length >= ${touches + presses}`, 'every touch to be kept');
  }
}

describe('a first-time wearer', () => {
  it('begins with an empty store and a first plan', async () => {
    await browser.go(url);
    await browser.click('[data-testid="new-plan"]');
    await browser.click('[data-testid="from-nothing"]');
    await browser.settled();
    expect(await browser.text('.bench')).toContain('Your head');
    expect(await browser.text('.bench')).toContain('6 measures are estimated');
  });

  it('types her tape in mixed units, each as she wrote it', async () => {
    const tape = {
      girth: '22 1/4 in',
      frontToNape: '35,5',
      earToEarTop: '33.5 cm',
      earToEarFront: '28 1/2 fingers',
      templeToTemple: '386 mm',
    };
    await browser.write('finger', '1.02 cm');
    for (const [measure, text] of Object.entries(tape)) {
      await browser.write(`tape-${measure}`, measure === 'earToEarFront' ? '29 cm' : text);
    }
    await browser.settled();
    const bench = await browser.text('.bench');
    expect(bench).toContain('One measure is estimated');
    expect(await (await browser.byId('tape-girth')).getAttribute('value')).toBe('22 1/4 in');
    await browser.choose('finger-count', '4');
    await browser.write('finger', '6,8 cm');
    await browser.until(`/17\\.0 mm for one/.test(document.querySelector('.bench').textContent)`, 'a quarter of it');
    await browser.click('[data-part="hair"]');
    await browser.write('own-length', '7 in');
    await browser.click('[data-part="tape"]');
  });

  it('is told what she mistyped, and nothing changes', async () => {
    const before = await browser.figures();
    await browser.write('tape-napeWidth', 'about so');
    await browser.until(`document.querySelector('.bench [role=alert]')`, 'the sentence');
    expect(await browser.text('.bench [role=alert]')).toMatch(/“about so” isn’t a length.*Nothing was changed/);
    expect(await browser.figures()).toEqual(before);
    await (await browser.byId('tape-napeWidth')).sendKeys(Key.ESCAPE);
    await browser.write('tape-napeWidth', '300 cm');
    await browser.until(`document.querySelector('.bench [role=alert]')`, 'the sentence');
    expect(await browser.text('.bench [role=alert]')).toMatch(/should be from 5 to 24 cm/);
    await (await browser.byId('tape-napeWidth')).sendKeys(Key.ESCAPE);
  });

  it('has a contradictory measure named with what the rest suggest, and takes it with one tap', async () => {
    await browser.write('tape-earToEarTop', '39 cm');
    await browser.until(`document.querySelector('[data-finding="measure.contradictory"]')`, 'the finding');
    const words = await browser.finding('measure.contradictory');
    expect(words).toMatch(/Ear to ear over the top/);
    await browser.press(/^Take \d+\.\d cm for now/);
    await browser.until(`!document.querySelector('[data-finding="measure.contradictory"]')`, 'the finding to go');
    const value = await (await browser.byId('tape-earToEarTop')).getAttribute('value');
    expect(Math.abs(Number.parseFloat(value ?? '') - 33.5)).toBeLessThan(2);
  });

  it('describes her pack', async () => {
    await browser.press('Hair');
    await browser.write('pieces-per-pack', '14');
    await browser.write('product-length', '14 in');
    await browser.choose('texture', 'kinky');
    await browser.settled();
    expect(await browser.text('.bench')).toMatch(/One hooked piece: 4\.29 g/);
  });

  it('sets spacing in finger widths and sees rows, knots, packs, hours, price and weight', async () => {
    await browser.press(/^Rows & knots/);
    await browser.picture();
    const slider = await browser.appears('[data-zone="top"]');
    for (let i = 0; i < 3; i++) await slider.sendKeys(Key.ARROW_RIGHT);
    for (const zone of ['part', 'back', 'nape', 'faceEdge']) {
      const s = await browser.find(`[data-zone="${zone}"]`);
      await s.sendKeys(Key.END);
      for (let i = 0; i < 4; i++) await s.sendKeys(Key.ARROW_LEFT);
    }
    figures = await browser.figures();
    expect(Number(figures.pieces)).toBeGreaterThan(20);
    expect(Number(figures.pieces)).toBeLessThan(110);
    expect(Number(figures.packs)).toBe(
      Math.ceil((Number(figures.pieces) + Math.ceil(Number(figures.pieces) * 0.15)) / 14),
    );
    expect(figures.minutes).toMatch(/^\d+:\d\d$/);
    expect(figures.price).toBe(`€${9 * Number(figures.packs)}`);
    expect(figures.massG).toBe(String(Math.round(Number(figures.pieces) * (60 / 14))));
  });

  it('is told of a knot why it is that knot, from the cloth and from the head', async () => {
    const weave = await browser.byId('weave');
    await weave.sendKeys(Key.HOME, Key.ARROW_UP, Key.ARROW_RIGHT);
    const first = await (await browser.appears('[data-testid="knot-note"] .note'))
      .findElement({ xpath: '..' })
      .getText();
    expect(first).toMatch(/of \d+/);
    expect(first).toMatch(/fingers? above the nape line|above the hairline/);
    const centre = await browser.centre('.stage');
    await browser.drag(centre, { x: centre.x + 1, y: centre.y }, 1);
    const noteNow = async () =>
      (await browser.has('[data-testid="knot-note"]')) ? browser.text('[data-testid="knot-note"]') : '';
    // Knots lie a finger or two apart: one of so many taps meets another one.
    const taps = [-14, 14, 0, -42, 42, 28, -28].flatMap((dy) => [40, 56, 24, 70, 10, -20, -45].map((dx) => [dx, dy]));
    for (const [dx, dy] of taps) {
      await browser.driver
        .actions()
        .move({ x: Math.round(centre.x + dx), y: Math.round(centre.y + dy) })
        .click()
        .perform();
      if (!['', first].includes(await noteNow())) break;
    }
    expect(['', first]).not.toContain(await noteNow());
    const value = await (await browser.byId('weave')).getAttribute('aria-valuetext');
    expect(value).toContain(
      (await browser.text('[data-testid="knot-note"]')).match(/Knot\s+(\d+)/)?.[1] ?? 'no number',
    );
  });

  it('steps through the install with the space bar', async () => {
    await browser.press(/^Install/);
    await browser.click('[data-testid="begin-at-knots"]');
    await browser.appears('[data-testid="knot-kind"]');
    expect(await browser.text('[data-testid="knot-place"]')).toBe('1');
    await hookUntil(9);
    await browser.keys(Key.ARROW_LEFT);
    await browser.until(
      `/^${Number(figures.pieces) - 8} of/.test(document.querySelector('[data-testid=forecast]').textContent)`,
      'eight knots to be behind her',
    );
    await browser.click('[data-testid="note"]');
    await (await browser.appears('[data-testid="note-text"]')).sendKeys('left temple is tight');
    await browser.click('[data-testid="keep-note"]');
    await browser.keys('p');
    await browser.appears('[data-testid="paused"]');
  });

  it('goes on where she was after the browser is killed', async () => {
    const address = await browser.driver.getCurrentUrl();
    await browser.untilStored('events', `all.some((e) => e.kind === 'pause')`, 'the pause to be kept');
    const { profile } = browser;
    await browser.kill();
    browser = await Browser.open({ profile });
    await browser.go(address);
    await browser.appears('[data-testid="knot-kind"]');
    await browser.appears('[data-testid="paused"]');
    const forecast = await browser.text('[data-testid="forecast"]');
    expect(forecast).toMatch(new RegExp(`^${Number(figures.pieces) - 8} of ${figures.pieces} knots to come`));
    await browser.go(url);
    await browser.settled();
    expect(await browser.figures()).toEqual(figures);
    await browser.press(/^Install/);
    await browser.press('Go on with knot 9');
    await browser.appears('[data-testid="knot-kind"]');
  });

  it('finishes, and writes one line in the log', async () => {
    await browser.keys(' ');
    await browser.until(`!document.querySelector('[data-testid="paused"]')`, 'the pause to end');
    const rest = Number(figures.pieces) - 8;
    await browser.click('[data-testid="skip"]');
    await browser.script('document.activeElement.blur()');
    await hookUntil(8 + rest);
    await browser.click('[data-testid="finish"]');
    const line = await browser.appears('[data-testid="log-line"]');
    // Kept before she has seen to it.
    await browser.untilStored(
      'log',
      `all.some((e) => e.byItself === 1 && e.used.pieces === ${Number(figures.pieces) - 1})`,
      'the line',
    );
    expect(await line.getAttribute('value')).toBe('left temple is tight');
    expect(await (await browser.byId('log-pieces')).getAttribute('value')).toBe(String(Number(figures.pieces) - 1));
    await line.sendKeys(', wider there next time');
    await browser.click('[data-testid="keep-log"]');
    const entry = await (await browser.appears('[data-testid="log-entry"]')).getText();
    expect(entry).toMatch(new RegExp(`Pieces\\s+${figures.pieces} → ${Number(figures.pieces) - 1}`));
    expect(await (await browser.byId('style-line')).getAttribute('value')).toBe(
      'left temple is tight, wider there next time',
    );
  });

  it('exports plan, knots and map', async () => {
    await browser.press(/^Supply/);
    for (const what of ['export-plan', 'export-knots', 'export-map']) await browser.click(`[data-testid="${what}"]`);
    planPath = await browser.download('.plan.json');
    const read = readPlanJson(readFileSync(planPath, 'utf8'));
    expect(read.ok && read.value.tape.girth).toEqual(['22 1/4 in']);
    const csv = readFileSync(await browser.download('.knots.csv'), 'utf8')
      .trim()
      .split('\r\n');
    expect(csv).toHaveLength(Number(figures.pieces) + 1);
    const svg = readFileSync(await browser.download('.map.svg'), 'utf8');
    expect(svg.match(/<path[^>]* id=|<path id=/g)).toHaveLength(Number(figures.pieces));
  });

  it('imports the plan again beside the first and gets the same figures', async () => {
    await browser.click('[data-testid="plans"]');
    await (await browser.appears('[data-testid="import-file"]')).sendKeys(planPath);
    await browser.until(`/imported/.test(document.title)`, 'the imported plan to open');
    expect(await browser.figures()).toEqual(figures);
  });

  it('asked nothing from outside 127.0.0.1, and the page had nothing to complain about', async () => {
    const outside = (await browser.requests()).filter(
      (u) => !/^(http:\/\/127\.0\.0\.1:\d+\/|data:|blob:|chrome)/.test(u),
    );
    expect(outside).toEqual([]);
    expect(await browser.complaints()).toEqual([]);
  });
});
