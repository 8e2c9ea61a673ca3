/** Several plans: copied, renamed, deleted with undo; files that can't be read; two tabs on one plan. */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, inject, it } from 'vitest';
import { shoulderCurls } from '../src/demo/plans.ts';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
const folder = mkdtempSync(join(tmpdir(), 'meshwork-files-'));
const file = (name: string, text: string) => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};
let browser: Browser;

withBrowser((b) => {
  browser = b;
}, url);

const names = () =>
  browser.script<string[]>(`return [...document.querySelectorAll('[data-plan] > button')].map((b) => b.textContent)`);
const openList = async () => {
  await browser.click('[data-testid="plans"]');
  await browser.until(`document.querySelectorAll('[data-plan]').length >= 4`, 'the plans');
};

describe('plans', () => {
  it('are copied, renamed, deleted and brought back', async () => {
    await openList();
    await browser.press(/^Copy Swept-back coils$/);
    await browser.until(`document.querySelectorAll('[data-plan]').length === 5`, 'the copy');
    expect(await names()).toContain('Swept-back coils, copy');
    await browser.press(/^Rename Swept-back coils, copy$/);
    await browser.write('rename', 'For the holidays');
    await browser.until(
      `[...document.querySelectorAll('[data-plan] > button')].some((b) => b.textContent === 'For the holidays')`,
      'the new name',
    );
    await browser.press(/^Delete For the holidays$/);
    await browser.until(`document.querySelectorAll('[data-plan]').length === 4`, 'the plan to go');
    await browser.click('[data-testid="undo-delete"]');
    await browser.until(`document.querySelectorAll('[data-plan]').length === 5`, 'the plan to come back');
    expect(await names()).toContain('For the holidays');
  });

  it.each([
    ['broken.json', '{"format": "meshwork-plan",', /broken\.json: This file isn’t JSON/],
    ['foreign.json', '{"hello": 1}', /not a Meshwork plan/],
    ['newer.json', JSON.stringify({ ...shoulderCurls, version: 12 }), /newer Meshwork \(version 12/],
    [
      'spoilt.json',
      JSON.stringify({ ...shoulderCurls, cap: { ...shoulderCurls.cap, dome: 'felt' } }),
      /cap has to be one of/,
    ],
    ['empty.json', '', /empty/],
  ])('%s gets a sentence and changes nothing', async (name, text, why) => {
    const before = await names();
    await (await browser.appears('[data-testid="import-file"]')).sendKeys(file(name, text));
    await browser.until(
      `${why.toString()}.test(document.querySelector('[data-testid=plans-trouble]')?.textContent)`,
      'the sentence',
    );
    expect(await browser.text('[data-testid="plans-trouble"]')).toMatch(/Nothing was changed\.$/);
    expect(await names()).toEqual(before);
  });

  it('opening another plan shows its own head, rows and figures', async () => {
    const before = await browser.figures();
    await browser.press(/^Twists from the crown/);
    await browser.until(`/Twists/.test(document.title)`, 'the other plan');
    expect(await browser.figures()).not.toEqual(before);
    await browser.driver.navigate().back();
    await browser.until(`/Shoulder/.test(document.title)`, 'the first plan');
    expect(await browser.figures()).toEqual(before);
  });

  it('a new plan begins with her as she is; a new head in one is offered to the other, which follows', async () => {
    await browser.go(`${url}/plan/demo-deep-part/measure`);
    await browser.settled();
    const girth = await (await browser.byId('tape-girth')).getAttribute('value');
    await openList();
    await browser.click('[data-testid="new-plan"]');
    await browser.click('[data-testid="from-nothing"]');
    await browser.until(`/\\/aim$/.test(location.pathname) && !/demo/.test(location.pathname)`, 'the new plan');
    await browser.settled();
    const [, , id] = new URL(await browser.driver.getCurrentUrl()).pathname.split('/');
    await browser.station(url, id, 'measure');
    await browser.settled();
    await browser.until(`document.querySelector('[data-testid=tape-girth]')`, 'the tape');
    expect(await (await browser.byId('tape-girth')).getAttribute('value')).toBe(girth);
    await browser.write('tape-girth', '58.5 cm');
    await browser.settled();
    await browser.untilStored('wearers', `all.some((w) => w.her.tape.girth[0] === '58.5 cm')`, 'her head');
    await browser.go(`${url}/plan/demo-deep-part/measure`);
    await browser.appears('[data-testid="follow"]');
    expect(await browser.text('[data-testid="follow"]')).toMatch(/Amara has changed since this plan was made: head/);
    await browser.press('Follow');
    await browser.until(`document.querySelector('[data-testid=tape-girth]').value === '58.5 cm'`, 'her head');
    await browser.until(`!document.querySelector('[data-testid=follow]')`, 'the offer to go');
    await browser.go(`${url}/plan/demo-swept-coils/measure`);
    await browser.appears('[data-testid="follow"]');
    await browser.press('Keep it as it was made');
    await browser.until(`!document.querySelector('[data-testid=follow]')`, 'the offer to go');
  });

  it('a new plan can begin like one of the routes, on her own head', async () => {
    await browser.go(`${url}/new`);
    await browser.until(`document.querySelectorAll('[data-like] canvas[data-drawn]').length > 2`, 'small pictures');
    await browser.click('[data-like="base-grid-brick"]');
    await browser.until(`/\\/aim$/.test(location.pathname)`, 'the new plan');
    await browser.settled();
    const [, , id] = new URL(await browser.driver.getCurrentUrl()).pathname.split('/');
    await browser.untilStored(
      'plans',
      `all.some((p) => p.id === '${id}' && p.wearer && p.history.present.plan.wearer === 'Amara' && p.history.present.plan.base.family !== 'laidFlat')`,
      'her head under the route',
    );
  });

  it('tell how far each has come, and the demo is put away and brought back', async () => {
    await browser.click('[data-testid="plans"]');
    await browser.until(
      `/half hooked, \\d+ of \\d+/.test(document.querySelector('[role=dialog]')?.innerText)`,
      'the state',
    );
    expect(await browser.text('[role=dialog]')).toMatch(/worn since \d+ \w+ \d{4}/);
    const worn = await browser.script<string>(
      `return [...document.querySelectorAll('[data-plan]')].find((p) => /worn since/.test(p.textContent)).dataset.plan`,
    );
    await browser.keys(Key.ESCAPE);
    await browser.go(`${url}/plan/${worn}/takedown`);
    await browser.appears('[data-testid="it-is-out"]');
    await browser.script(
      `const day = document.querySelector('[data-testid=out-on]');
       Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(day, '2001-01-01');
       day.dispatchEvent(new Event('input', { bubbles: true }));`,
    );
    await browser.click('[data-testid="it-is-out"]');
    await browser.until(`/can’t have come off before/.test(document.body.textContent)`, 'the refusal');
    await browser.script(
      `const day = document.querySelector('[data-testid=out-on]');
       const now = new Date();
       const two = (n) => String(n).padStart(2, '0');
       const today = now.getFullYear() + '-' + two(now.getMonth() + 1) + '-' + two(now.getDate());
       Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(day, today);
       day.dispatchEvent(new Event('input', { bubbles: true }));`,
    );
    await browser.click('[data-testid="it-is-out"]');
    await browser.until(`/It came off on .* after \\d+ days/.test(document.body.textContent)`, 'the day');
    await browser.click('[data-testid="plans"]');
    await browser.until(`/taken out \\d+ /.test(document.querySelector('[role=dialog]')?.innerText)`, 'the state');
    const mine = (await names()).length;
    await browser.appears('[data-testid="demo"]');
    await browser.press('Put the demo away');
    await browser.until(
      `!/demo/.test(location.pathname) && !document.querySelector('[role=dialog]') && document.querySelector('[data-ready=yes]')`,
      'another plan',
    );
    await browser.click('[data-testid="plans"]');
    await browser.until(`document.querySelectorAll('[data-plan]').length < ${mine}`, 'fewer plans');
    await browser.press('Bring the demo back');
    await browser.until(`document.querySelectorAll('[data-plan]').length === ${mine}`, 'all of them');
    await browser.keys(Key.ESCAPE);
  });

  it('a wearer is named anew in the plans that follow her, removed and brought back', async () => {
    await browser.click('[data-testid="plans"]');
    await browser.until(`document.querySelector('[data-wearer]')`, 'the wearers');
    await browser.press(/^Rename Amara$/);
    await browser.write('rename-wearer', 'Amara O.');
    await browser.until(
      `/Amara O\\., \\d+ plans/.test(document.querySelector('[aria-label=Wearers]')?.textContent)`,
      'her name',
    );
    await browser.untilStored(
      'plans',
      `all.some((p) => p.history.present.plan.wearer === 'Amara O.' && p.history.present.words === 'Named Amara O.')`,
      'her name in her plans',
    );
    await browser.press(/^Remove Amara O\.$/);
    await browser.until(
      `/no longer offered/.test(document.querySelector('[aria-label=Wearers]')?.textContent)`,
      'her to go',
    );
    await browser.press('Bring her back');
    await browser.until(`document.querySelector('[data-wearer]')`, 'her again');
    await browser.keys(Key.ESCAPE);
  });

  it('a plan that isn’t there says so, its chart too', async () => {
    await browser.go(`${url}/plan/nobody/rows/chart`);
    await browser.until(`/no such plan/.test(document.body.textContent)`, 'the sentence on paper');
    await browser.go(`${url}/plan/nobody/rows`);
    await browser.until(`/no such plan/.test(document.body.textContent)`, 'the sentence');
    await browser.press('Back to your plans');
    await browser.settled();
  });
});

describe('two tabs on one plan', () => {
  it('see each other’s changes and lose none', async () => {
    await browser.go(`${url}/plan/${shoulderCurls.id}/rows`);
    await browser.settled();
    const first = await browser.driver.getWindowHandle();
    await browser.driver.switchTo().newWindow('tab');
    await browser.size(1280, 800);
    await browser.go(`${url}/plan/${shoulderCurls.id}/rows`);
    await browser.settled();
    await (await browser.appears('[data-zone="top"]')).sendKeys(Key.ARROW_RIGHT);
    const changed = await browser.figures();
    await browser.driver.switchTo().window(first);
    await browser.until(`document.querySelector('[data-zone=top]').ariaValueNow === '1.25'`, 'the other tab’s change');
    expect(await browser.figures()).toEqual(changed);
    await browser.chord(Key.CONTROL, 'z');
    await browser.until(`document.querySelector('[data-zone=top]').ariaValueNow === '1'`, 'undo here');
  });

  it('a reload keeps undo', async () => {
    await (await browser.appears('[data-zone="nape"]')).sendKeys(Key.ARROW_RIGHT);
    await browser.untilStored(
      'plans',
      'all.some((r) => r.history.present.plan.spacing.fingers?.nape === 1.75)',
      'the gap to be kept',
    );
    await browser.driver.navigate().refresh();
    await browser.settled();
    expect(await browser.text('[data-testid="last-deed"]')).toBe('Nape 1¾');
    await browser.chord(Key.CONTROL, 'z');
    await browser.until(`document.querySelector('[data-zone=nape]').ariaValueNow === '1.5'`, 'undo after the reload');
  });
});
