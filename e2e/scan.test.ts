/** A head from a scan, by keys alone: the sample opened, mended, held against her tape, taken, taken back; and files that are none. */
import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, inject, it } from 'vitest';
import { demoScan } from '../src/demo/scan.ts';
import { scanStl } from '../src/demo/scan-stl.ts';
import type { PlanRecord } from '../src/store/database.ts';
import { ballGltf } from '../tests/helpers/glb.ts';
import { soundEverywhere } from './axe.ts';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
const PLAN = 'demo-shoulder-curls';
let browser: Browser;
withBrowser((b) => {
  browser = b;
}, url);

const kept = async () =>
  (await browser.storedRows<PlanRecord>('plans')).find((p) => p.id === PLAN)?.history.present.plan;
const file = (name: string, bytes: string | Uint8Array) => {
  const path = join(tmpdir(), `${process.pid}-${name}`);
  writeFileSync(path, bytes);
  return path;
};
const rests = () => browser.until(`document.querySelector('[data-testid=scan-rests]')`, 'the scan to rest');
const measured = async () => {
  await browser.appears('[data-testid="scan-held"]');
  await rests();
};
const girth = () => browser.text('[data-testid="scan-held"] tbody tr:first-child td');
const openSample = async () => {
  await browser.go(`${url}/plan/${PLAN}/scan`);
  await browser.focus('[data-testid="sample-scan"]');
  await browser.keys(Key.ENTER);
  await measured();
};

describe('a scan', () => {
  it('is reached from the tape; the sample is cleaned, set upright and measured', async () => {
    await browser.station(url, PLAN, 'measure');
    await browser.settled();
    await browser.focus('[data-testid="to-scan"]');
    await browser.keys(Key.ENTER);
    await browser.focus('[data-testid="sample-scan"]');
    await browser.keys(Key.ENTER);
    await measured();
    expect(await browser.text('body')).toMatch(/1 loose piece left out/);
    expect(await browser.script(`return document.querySelector('[data-testid=scan-up]').value`)).toBe('+z');
    expect(await browser.text('[data-testid="scan-found"]')).toMatch(
      /^Holes on one side, over .* filled from the other/,
    );
    expect(await girth()).toMatch(/^5[67]\.\d cm$/);
    expect(await browser.text('[data-testid="scan-verdict"]')).toMatch(/\./);
  });

  it('its marks are moved by arrows, and the tapes follow', async () => {
    await browser.focus('[data-bead="mark-frontHairline"]');
    const before = await browser.text('[data-testid="scan-held"]');
    for (let i = 0; i < 4; i++) {
      await browser.keys(Key.ARROW_DOWN);
      await rests();
    }
    await browser.until(
      `document.querySelector('[data-testid=scan-held]').innerText !== ${JSON.stringify(before)}`,
      'other figures',
    );
  });

  it('hair under it is taken off, and more than there can be is refused', async () => {
    const before = Number.parseFloat(await girth());
    await browser.write('scan-hair', '5');
    await browser.until(
      `parseFloat(document.querySelector('[data-testid=scan-held] tbody td').innerText) < ${before - 2}`,
      'a smaller head',
    );
    await browser.write('scan-hair', '300');
    await browser.until(`/From 0 to 30 mm/.test(document.body.innerText)`, 'the sentence');
  });

  it('the brush is set down by keys where the cross is, and taken back', async () => {
    await browser.press('Press down');
    const before = await girth();
    await browser.focus('.scan-stage');
    for (let i = 0; i < 3; i++) {
      await browser.keys(Key.ENTER);
      await rests();
    }
    await browser.until(
      `!document.evaluate("//button[starts-with(., 'Last stroke')]", document).iterateNext().disabled`,
      'strokes',
    );
    for (let i = 0; i < 3; i++) {
      await browser.press('Last stroke back');
      await rests();
    }
    expect(await girth()).toBe(before);
    await browser.press('Turn it');
  });

  it('a reload loses neither the file nor what was set of it, and a file that is none leaves it open', async () => {
    await browser.write('scan-hair', '4');
    await rests();
    const before = await browser.text('[data-testid="scan-held"]');
    await browser.go(`${url}/plan/${PLAN}/scan`);
    await measured();
    expect(await browser.text('[data-testid="scan-held"]')).toBe(before);
    expect(await browser.script(`return document.querySelector('[data-testid=scan-hair]').value`)).toBe('4');
    await (await browser.byId('open-scan')).sendKeys(file('none.stl', 'no solid'));
    await browser.appears('[data-testid="scan-trouble"]');
    expect(await browser.text('[data-testid="scan-held"]')).toBe(before);
    await browser.press('As guessed again');
    await browser.until(
      `document.querySelector('[data-testid=scan-held]').innerText !== ${JSON.stringify(before)}`,
      'the mark that she moved back in its place',
    );
  });

  it('in a pose that is none it says so, and is right again when that is mended', async () => {
    await browser.choose('scan-unit', 'm');
    await browser.appears('[data-testid="scan-stands-wrong"]');
    expect(await browser.text('[data-testid="scan-stands-wrong"]')).toMatch(/is no head|No head is found/);
    await browser.choose('scan-unit', 'mm');
    await measured();
  });

  it('is taken for its shape: every station runs on it; one undo brings the head back', async () => {
    const before = await kept();
    await browser.focus('[data-testid="take-shape"]');
    await browser.keys(Key.ENTER);
    await browser.appears('[data-testid="has-scan"]');
    await browser.settled();
    const scanned = await kept();
    expect(scanned?.scan?.relief).toMatch(/^[0-9a-f]{1722}$/);
    expect(Number((await browser.figures()).pieces)).toBeGreaterThan(100);
    await browser.station(url, PLAN, 'rows');
    await browser.settled();
    await browser.chord(Key.CONTROL, 'z');
    await browser.until(`!/shape of/.test(document.querySelector('.tally')?.innerText ?? '')`, 'the undo');
    await browser.untilStored(
      'plans',
      `!all.find((p) => p.id === '${PLAN}').history.present.plan.scan`,
      'the head as it was',
    );
    expect((await kept())?.tape).toEqual(before?.tape);
  });

  it('or for its measures alone', async () => {
    await openSample();
    await browser.focus('[data-testid="take-measures"]');
    await browser.keys(Key.ENTER);
    await browser.appears('[data-testid="to-scan"]');
    await browser.untilStored(
      'plans',
      `/cm$/.test(all.find((p) => p.id === '${PLAN}').history.present.plan.tape.napeWidth[0])`,
      'the measures',
    );
    expect(await kept()).not.toHaveProperty('scan');
  });
});

describe('files', () => {
  it('that are none are refused with a sentence, and nothing is changed', async () => {
    await browser.go(`${url}/plan/${PLAN}/scan`);
    const before = await kept();
    for (const [name, bytes] of [
      ['a.stl', 'no solid'],
      ['b.glb', 'glTF'],
      ['c.txt', 'words'],
    ]) {
      await (await browser.byId('open-scan')).sendKeys(file(name, bytes));
      await browser.until(
        `document.querySelector('[data-testid=scan-trouble]')?.innerText.includes('${name}')`,
        `a sentence about ${name}`,
      );
      expect(await browser.text('[data-testid="scan-trouble"]')).toMatch(/Nothing was changed\./);
    }
    expect(await kept()).toEqual(before);
  });

  it('that hold all that is theirs as text are opened: nothing is fetched', async () => {
    await (await browser.byId('open-scan')).sendKeys(file('ball.gltf', await ballGltf(16, 0.09)));
    await browser.until(`/ball\\.gltf: /.test(document.querySelector('.scan-page').innerText)`, 'its name');
    await measured();
    expect((await browser.complaints()).filter((c) => /Content Security Policy/.test(c))).toEqual([]);
  });

  it('of her own, in another unit and pose, are opened; a large one can be stopped', async () => {
    const path = file('own.stl', scanStl(demoScan({ unitMm: 25.4, zUp: false, turnDeg: -70, stepMm: 4, hairMm: 0 })));
    await (await browser.byId('open-scan')).sendKeys(path);
    await measured();
    expect(
      await browser.script(
        `return ['unit', 'up'].map((w) => document.querySelector('[data-testid=scan-' + w + ']').value)`,
      ),
    ).toEqual(['in', '+y']);
    const stopped = browser.script<string>(
      `return new Promise((done) => {
        const seen = new MutationObserver(() => {
          const stop = [...document.querySelectorAll('[data-testid=scan-doing] button')][0];
          if (!stop) return;
          seen.disconnect();
          stop.click();
          done('stopped');
        });
        seen.observe(document.body, { childList: true, subtree: true });
        document.querySelector('[data-testid=sample-scan]').click();
      })`,
    );
    expect(await stopped).toBe('stopped');
    await rests();
    expect(await browser.has('[data-testid="scan-held"]')).toBe(false);
  });
});

it('stands in its width and finds nothing wrong, by day and in the evening', async () => {
  await soundEverywhere(browser, openSample);
});
