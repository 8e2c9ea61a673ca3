/** The companion at the mirror, on the real screen: the whole order of work, by knot, stretch and row, pain, hair that runs short, a helper, a photo. */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, inject, it } from 'vitest';
import { demoPlans } from '../src/demo/plans.ts';
import { readInstallJson, writeInstallJson } from '../src/formats/install-json.ts';
import type { StoredInstallEvent } from '../src/model/install-log.ts';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;

withBrowser((b) => {
  browser = b;
}, url);

/** What only this browser can be told. */
const chrome = () =>
  browser.driver as unknown as {
    setNetworkConditions(conditions: object): Promise<void>;
    deleteNetworkConditions(): Promise<void>;
    sendDevToolsCommand(name: string, told: object): Promise<void>;
  };

const half = `${url}/install/demo-install-half`;
const events = () => browser.storedRows<StoredInstallEvent>('events');
const ofHalf = async () => (await events()).filter((e) => e.sessionId === 'demo-install-half');
const told = (forecast: string) => Number(/^(\d+) of/.exec(forecast)?.[1]);
const toCome = async () => told(await browser.text('[data-testid="forecast"]'));
const closed = (dialog: string) =>
  browser.until(`!document.querySelector('[data-testid="${dialog}"]')`, `${dialog} to close`);
const more = async (testId: string) => {
  await browser.click('[data-testid="more"]');
  await browser.click(`[data-testid="${testId}"]`);
};
const setting = async (testId: string) => {
  await more(testId);
  await browser.until(`document.querySelector('[data-testid="${testId}"]').ariaPressed === 'true'`, testId);
  await browser.click('[data-testid="close-dialog"]');
  await closed('more-dialog');
};
/** At the demo's install, going on with its next knot. */
const atHalf = async () => {
  await browser.go(half);
  await browser.appears('[data-testid="knot-kind"]');
  if (await browser.has('[data-testid="paused"]')) {
    await browser.keys(' ');
    await browser.until(`!document.querySelector('[data-testid="paused"]')`, 'the pause to end');
  }
};

/** At the next knot, past a step that comes before it. */
const atKnot = async () => {
  await browser.go(half);
  await browser.appears('[data-testid="knot-kind"], [data-testid="step-what"]');
  for (;;) {
    const step = await browser.script<string | null>(
      `return document.querySelector('[data-testid="step-what"]')?.innerText ?? null`,
    );
    if (step === null) break;
    await browser.keys(' ');
    await browser.until(
      `document.querySelector('[data-testid="knot-kind"]') ||
        document.querySelector('[data-testid="step-what"]')?.innerText !== ${JSON.stringify(step)}`,
      'the next step',
    );
    await browser.appears('[data-testid="knot-kind"], [data-testid="step-what"]');
  }
  await browser.appears('[data-testid="forecast"]');
};
/** What is told to come once so many more pictures were drawn; nothing where a step is told instead. */
const shownAfter = async (pictures: number) => {
  const forecast = await browser.script<string | null>(`return (async () => {
    for (let i = 0; i < ${pictures}; i++) await new Promise(requestAnimationFrame);
    return document.querySelector('[data-testid="forecast"]')?.innerText ?? null;
  })()`);
  return forecast === null ? undefined : told(forecast);
};

describe('the order of work', () => {
  it('from own hair on: each step says what, how, why, with what, how long; the base section by section', async () => {
    await browser.station(url, 'demo-deep-part', 'cap');
    await browser.settled();
    await browser.click('[data-part="opening"]');
    await browser.click('[data-choice="cut"]');
    await browser.untilStored(
      'plans',
      `all.some((p) => p.id === 'demo-deep-part' && p.history.present.plan.cap.opening === 'cut')`,
      'a part that is cut open',
    );
    await browser.station(url, 'demo-deep-part', 'install');
    await browser.settled();
    await browser.click('[data-testid="begin"]');
    await browser.appears('[data-testid="step-what"]');
    const seen: string[] = [];
    let caution = '';
    for (let i = 0; i < 60 && !(await browser.has('[data-testid="knot-kind"]')); i++) {
      const what = await browser.text('[data-testid="step-what"]');
      seen.push(what);
      expect((await browser.text('[data-testid="step-how"]')).length).toBeGreaterThan(5);
      expect(await browser.text('[data-testid="step-why"]')).toMatch(/With: \w/);
      if (await browser.has('[data-testid="step-caution"]'))
        caution += await browser.text('[data-testid="step-caution"]');
      const touches = (await events()).length;
      await browser.keys(' ');
      await browser.untilStored('events', `all.length > ${touches}`, 'the step to be kept');
      await browser.until(
        `document.querySelector('[data-testid=knot-kind]') || document.querySelector('[data-testid=step-what]').innerText !== ${JSON.stringify(what)} || document.querySelector('[data-testid=step-number]').innerText === '${i + 2}'`,
        'the next step',
      );
    }
    expect(seen[0]).toMatch(/^Comb out/);
    expect(seen.some((s) => /^Open one pack/.test(s))).toBe(true);
    expect(seen.findIndex((s) => /^Open one pack/.test(s))).toBeLessThan(seen.findIndex((s) => /cap/i.test(s)));
    expect(seen.length).toBeGreaterThan(8);
    expect(caution).toMatch(/too tight|open it and tie it again/);
  });

  it('a step can be turned to out of order, left out, and done once more; nothing is cut before it holds', async () => {
    await browser.click('[data-testid="order"]');
    await browser.appears('[data-testid="order-1"]');
    const names = await browser.script<string[]>(
      `return [...document.querySelectorAll('[data-testid="order-dialog"] li button span:nth-child(2)')].map((s) => s.innerText)`,
    );
    const cut = names.findIndex((n) => /^(Open the net|Slit)/.test(n)) + 1;
    expect(cut).toBeGreaterThan(0);
    await browser.click(`[data-testid="order-${cut}"]`);
    await browser.click('[data-testid="turn-to"]');
    await browser.appears('[data-testid="not-yet"]');
    expect(await browser.text('[data-testid="not-yet"]')).toMatch(/^Not yet: .* still open/);
    await browser.click('[data-testid="skip"]');
    await browser.click('[data-testid="order"]');
    await browser.until(
      `/left out/.test(document.querySelector('[data-testid="order-${cut}"]').innerText)`,
      'the step to be left out',
    );
    await browser.click(`[data-testid="order-${cut}"]`);
    await browser.click('[data-testid="redo"]');
    await browser.until(
      `/net|Slit/.test(document.querySelector('[data-testid=step-what]')?.innerText)`,
      'the step again',
    );
  });

  it('rows that were passed over come up again', async () => {
    await browser.click('[data-testid="order"]');
    await browser.appears('[data-testid="order-1"]');
    const first = await browser.script<string>(
      `return [...document.querySelectorAll('[data-testid^="order-"]')].find((b) => /^\\d+\\s*Row/.test(b.innerText.replace(/\\n/g, ' ')))?.dataset.testid`,
    );
    await browser.click(`[data-testid="${first}"]`);
    await browser.click('[data-testid="turn-to"]');
    await browser.appears('[data-testid="knot-kind"]');
    expect(await browser.text('[data-testid="knot-place"]')).toBe('1');
  });
});

describe('the opened pack', () => {
  it('what is found changes the plan at once, and is refused with a sentence where it can’t be', async () => {
    await browser.station(url, 'demo-swept-coils', 'install');
    await browser.settled();
    await browser.click('[data-testid="begin"]');
    await browser.appears('[data-testid="step-what"]');
    for (let i = 0; i < 40 && !(await browser.has('[data-testid="pack-test"]')); i++) {
      const n = await browser.text('[data-testid="step-number"]');
      await browser.keys(' ');
      await browser.until(`document.querySelector('[data-testid=step-number]').innerText !== '${n}'`, 'the next step');
    }
    await browser.write('counted', '0');
    await browser.until(`/Pieces counted/.test(document.querySelector('[role=alert]')?.innerText)`, 'the refusal');
    await browser.write('counted', '9');
    await browser.until(
      `/9 counted/.test(document.querySelector('[data-testid=pack-said]')?.innerText)`,
      'the new plan',
    );
    const plan = (await events()).findLast((e) => e.kind === 'plan')?.plan;
    expect(plan?.products[0].test.counted).toBe(9);
  });
});

describe('at arm’s length', () => {
  beforeAll(atHalf);

  it('told by the row it says how many, how far apart, where to start, and takes a count; undone it is gone', async () => {
    await setting('telling-row');
    const planned = Number(await browser.text('[data-testid="run-count"]'));
    expect(planned).toBeGreaterThan(1);
    expect(await browser.text('[data-testid="run-words"]')).toMatch(/\d+ pieces, .*finger.* apart/);
    expect(await browser.text('[data-testid="run-start"]')).toMatch(/(Start at|On towards) your (left|right)/);
    const before = await toCome();
    for (let i = 0; i < 3; i++) await browser.click('[data-testid="took-more"]');
    expect(await browser.text('[data-testid="took"]')).toBe(String(planned + 3));
    await browser.script('document.activeElement.blur()');
    await browser.keys(Key.PAGE_DOWN);
    await browser.untilStored(
      'events',
      `all.some((e) => e.kind === 'run' && e.pieces === ${planned + 3} && e.knotIds.length === ${planned})`,
      'the row and its count',
    );
    await browser.keys(Key.PAGE_UP);
    await browser.until(
      `document.querySelector('[data-testid=forecast]')?.innerText.startsWith('${before} of')`,
      'the row to be taken back',
    );
    await setting('telling-stretch');
    await browser.appears('[data-testid="run-what"]');
    expect(Number(await browser.text('[data-testid="run-count"]'))).toBeLessThanOrEqual(planned);
    await setting('telling-knot');
    await browser.appears('[data-testid="knot-kind"]');
  });

  it('she who knows the moves sees them no more; the mirror that she has is spoken of', async () => {
    expect(await browser.text('main')).toMatch(/Hook under/);
    await setting('moves-no');
    expect(await browser.text('main')).not.toMatch(/Hook under/);
    await setting('moves-yes');
    await setting('mirrors-none');
    expect(await browser.text('main')).not.toMatch(/two mirrors/);
    await setting('mirrors-two');
  });

  it.each(['knot', 'row'])('all of the card is in sight on every screen it is made for, told by the %s', async (by) => {
    await setting(`telling-${by}`);
    const hidden: Record<string, string[]> = {};
    for (const [width, height] of [
      [1280, 800],
      [1180, 820],
      [820, 1180],
      [390, 844],
    ]) {
      await browser.size(width, height);
      await browser.appears('[data-testid="forecast"]');
      hidden[`${width} × ${height}`] = await browser.script<string[]>(`
        const section = document.querySelector('section[aria-label="This knot"]');
        const foot = section.getBoundingClientRect().bottom;
        return [...section.querySelectorAll('[data-testid]')]
          .filter((e) => e.getBoundingClientRect().bottom > foot + 1)
          .map((e) => e.dataset.testid);
      `);
    }
    await browser.size(1280, 800);
    await setting('telling-knot');
    expect(Object.entries(hidden).filter(([, names]) => names.length > 0)).toEqual([]);
  });

  it('speech that the device lacks is not offered, and one that would leave the machine neither', async () => {
    await browser.click('[data-testid="more"]');
    const offers = await browser.script<boolean>(`return !!document.querySelector('[data-testid^="listens-"]')`);
    const local = await browser.script<string>(`
      const Made = window.SpeechRecognition;
      return Made?.available ? Made.available({ langs: ['en-US'], processLocally: true }).catch(() => 'none') : 'none';
    `);
    expect(offers).toBe(local === 'available');
    await browser.click('[data-testid="close-dialog"]');
    await closed('more-dialog');
  });
});

describe('pain', () => {
  it('stops it: says what to loosen, and later knots of that place spare her hair; undone they don’t', async () => {
    await atHalf();
    await browser.keys('h');
    await browser.click('[data-testid="notice-pulls"]');
    expect(await browser.text('[data-testid="notice-dialog"]')).toMatch(/Loosen the last knots/);
    expect(await browser.text('[data-testid="notice-dialog"]')).toMatch(/take it out, today/);
    expect(await browser.text('[data-testid="loosen"]')).toMatch(/within two fingers/);
    const marks = demoPlans.find((p) => p.id === 'demo-shoulder-curls')?.marks.length ?? 0;
    await browser.click('[data-testid="spare"]');
    await closed('notice-dialog');
    const taken = (await ofHalf()).filter((e) => e.kind === 'plan');
    expect(taken.at(-1)?.plan?.marks.length).toBe(marks + 1);
    expect((await ofHalf()).some((e) => e.kind === 'hurt' && e.what === 'pulls' && e.at !== undefined)).toBe(true);
    // What is in is in still, under whatever name.
    const isIn = new Set((await ofHalf()).filter((e) => e.kind === 'knot').map((e) => e.knotId)).size;
    const renamed = Object.keys(taken.at(-1)?.renamed ?? {}).length;
    expect(renamed).toBeGreaterThanOrEqual(Math.floor(isIn * 0.97));
    await browser.appears('[data-testid="hurt-kept"]');
    await browser.click('[data-testid="hurt-gone"]');
    await browser.until(`!document.querySelector('[data-testid="hurt-kept"]')`, 'it to be gone');
    await more('plan-before');
    await browser.until(
      `/followed again/.test(document.querySelector('[data-testid=more-said]')?.innerText)`,
      'the undo',
    );
    await browser.click('[data-testid="close-dialog"]');
    await closed('more-dialog');
    expect((await ofHalf()).findLast((e) => e.kind === 'plan')?.plan?.marks.length).toBe(marks);
  });
});

describe('hair that runs short', () => {
  it('rows that take more warn while there is a choice; one tap takes a way on, old beside new', async () => {
    await atHalf();
    await setting('telling-row');
    for (let i = 0; i < 2; i++) {
      const rows = (await ofHalf()).filter((e) => e.kind === 'run').length;
      await browser.appears('[data-testid="run-count"]');
      for (let k = 0; k < 12; k++) await browser.click('[data-testid="took-more"]');
      await browser.click('[data-testid="next"]');
      await browser.untilStored('events', `all.filter((e) => e.kind === 'run').length > ${rows}`, 'the row');
      for (let k = 0; k < 4 && !(await browser.has('[data-testid="run-count"]')); k++) {
        const n = await browser.text('[data-testid="step-number"]');
        await browser.click('[data-testid="next"]');
        await browser.until(
          `document.querySelector('[data-testid=run-count]') || document.querySelector('[data-testid=step-number]').innerText !== '${n}'`,
          'what comes next',
        );
      }
    }
    expect(await browser.text('[data-testid="hair-short"]')).toMatch(/will likely run out .* there is still a choice/);
    await browser.click('[data-testid="ways-hair"]');
    await browser.write('pieces-left', '60');
    await browser.until(
      `/hides most stands first|enough alone/.test(document.querySelector('[data-testid=ways-state]').innerText)`,
      'the ways',
    );
    expect(await browser.text('[data-testid="ways-now"]')).toMatch(/As it is planned now\s+\d+ %/);
    const ways = await browser.script<string[]>(
      `return [...document.querySelectorAll('[data-testid^="take-"]')].map((b) => b.dataset.testid)`,
    );
    expect(ways.length).toBeGreaterThan(0);
    await browser.click(`[data-testid="${ways[0].replace('take-', 'look-')}"]`);
    await browser.until(
      `document.querySelectorAll('[data-testid="both"] figure[data-state="drawn"]').length === 2`,
      'both side by side',
    );
    const before = (await ofHalf()).length;
    await browser.click(`[data-testid="${ways[0]}"]`);
    await closed('ways-dialog');
    const taken = (await ofHalf()).slice(before).find((e) => e.kind === 'plan');
    expect(taken?.plan?.rows.hand.some((h) => h.op === 'lock')).toBe(true);
    expect(Object.keys(taken?.renamed ?? {}).length).toBeGreaterThan(80);
    await setting('telling-knot');
  });
});

describe('two tabs, two devices', () => {
  it('a helper behind her follows in a second tab, is told their own left and right, and both may press', async () => {
    await atHalf();
    const before = await toCome();
    const [hers] = await browser.driver.getAllWindowHandles();
    await browser.driver.switchTo().newWindow('tab');
    await browser.go(`${half}?for=helper`);
    await browser.appears('[data-testid="knot-kind"]');
    expect(await browser.text('main')).toMatch(/From behind|Face to face|in the middle/);
    await browser.keys(' ');
    await browser.until(
      `document.querySelector('[data-testid=forecast]').innerText.startsWith('${before - 1} of')`,
      'the helper’s knot',
    );
    const theirs = await browser.driver.getWindowHandle();
    await browser.driver.switchTo().window(hers);
    await browser.until(
      `document.querySelector('[data-testid=forecast]').innerText.startsWith('${before - 1} of')`,
      'the same knot in her tab',
    );
    await browser.keys(' ');
    await browser.driver.switchTo().window(theirs);
    await browser.until(
      `document.querySelector('[data-testid=forecast]').innerText.startsWith('${before - 2} of')`,
      'her knot in the helper’s tab',
    );
    await browser.driver.close();
    await browser.driver.switchTo().window(hers);
  });

  it('a file of another device adds what it has, once; another install or a broken file changes nothing', async () => {
    await atHalf();
    await more('export-install');
    const path = await browser.download('install.json');
    const read = readInstallJson(readFileSync(path, 'utf8'));
    expect(read.ok).toBe(true);
    if (!read.ok) return;
    const folder = mkdtempSync(join(tmpdir(), 'install-'));
    const write = (name: string, text: string) => {
      const to = join(folder, name);
      writeFileSync(to, text);
      return to;
    };
    const n = Math.max(...read.value.events.map((e) => e.n ?? 0)) + 1;
    const note: StoredInstallEvent = {
      sessionId: 'x',
      key: 'from-the-tablet',
      n,
      kind: 'note',
      atMs: 5,
      text: 'from the tablet',
    };
    const other = writeInstallJson({ session: read.value.session, events: [...read.value.events, note] });
    const told = async (file: string) => {
      await (await browser.byId('import-install')).sendKeys(file);
      const words = await browser.appears('[data-testid="more-said"]');
      return words.getText();
    };
    expect(await told(write('other.json', other))).toMatch(/^1 touches? from the other device/);
    await browser.untilStored('events', `all.filter((e) => e.key === 'from-the-tablet').length === 1`, 'the note');
    await browser.go(half);
    await browser.appears('[data-testid="knot-kind"]');
    await browser.click('[data-testid="more"]');
    expect(await told(write('again.json', other))).toMatch(/All of it was here already/);
    await browser.go(half);
    await browser.appears('[data-testid="knot-kind"]');
    await browser.click('[data-testid="more"]');
    expect(await told(write('broken.json', other.slice(0, 500)))).toMatch(/isn’t JSON.*Nothing was changed/);
    await browser.click('[data-testid="close-dialog"]');
  });
});

describe('a photo', () => {
  it('of the head as it is meant to look is measured within what is known of it, kept, and sets her guesses', async () => {
    // A white block under dark hair: what shows can be seen.
    await browser.station(url, 'demo-shoulder-curls', 'aim');
    await browser.settled();
    const answer = await fetch(`${url}/api/camera`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ plan: demoPlans[0], side: 'behind', knotsIn: 90, under: 'whiteBlock' }),
    });
    const known = JSON.parse(answer.headers.get('x-known') ?? '{}') as { taps: number[][]; truth: number };
    const path = join(mkdtempSync(join(tmpdir(), 'photo-')), 'photo.png');
    writeFileSync(path, Buffer.from(await answer.arrayBuffer()));
    await atHalf();
    await more('photo');
    await (await browser.byId('photo-file')).sendKeys(path);
    await browser.appears('[data-testid="bead-a"]');
    // By keys alone: from where the bead lies to where the crown is, half a hundredth a touch.
    const move = async (bead: string, from: readonly [number, number], to: readonly [number, number]) => {
      const element = await browser.byId(`bead-${bead}`);
      const keys = ([x, y]: readonly [number, number]) => [
        ...Array.from({ length: Math.abs(Math.round(x / 0.005)) }, () => (x < 0 ? Key.ARROW_LEFT : Key.ARROW_RIGHT)),
        ...Array.from({ length: Math.abs(Math.round(y / 0.005)) }, () => (y < 0 ? Key.ARROW_UP : Key.ARROW_DOWN)),
      ];
      for (const key of keys([to[0] - from[0], to[1] - from[1]])) await element.sendKeys(key);
    };
    const share = ([x, y]: number[]) => [x / 600, y / 750] as const;
    await move('a', [0.5, 0.2], share(known.taps[0]));
    await move('b', [0.5, 0.72], share(known.taps[1]));
    await browser.click('[data-testid="measure-photo"]');
    await browser.until(
      `/shows from behind/.test(document.querySelector('[data-testid=photo-said]').innerText)`,
      'the figure',
    );
    const said = await browser.text('[data-testid="photo-said"]');
    const [, shown] = /^(\d+) % shows from behind/.exec(said) ?? [];
    expect(Math.abs(Number(shown) / 100 - known.truth)).toBeLessThan(0.035);
    expect(await browser.has('[data-testid="photo-gaps"] path')).toBe(true);
    await browser.untilStored('photos', `all.length === 1 && all[0].image.startsWith('data:image/')`, 'the photo');
    expect((await ofHalf()).some((e) => e.kind === 'photo' && e.shown !== undefined)).toBe(true);
    await browser.click('[data-testid="ask-guesses"]');
    await browser.appears('[data-testid="guesses-found"]');
    await browser.click('[data-testid="take-guesses"]');
    await browser.until(
      `/forecast by your own hair/.test(document.querySelector('[data-testid=guesses-said]')?.innerText)`,
      'the guesses',
    );
    await browser.untilStored(
      'plans',
      `Object.keys(all.find((p) => p.id === 'demo-shoulder-curls').history.present.plan.guesses).length >= 3`,
      'the plan with her own guesses',
    );
  });

  it('of no picture at all is refused with a sentence', async () => {
    const path = join(mkdtempSync(join(tmpdir(), 'photo-')), 'photo.png');
    writeFileSync(path, 'no picture');
    await (await browser.byId('photo-file')).sendKeys(path);
    await browser.until(
      `/no photo that can be opened.*Nothing was changed/.test(document.querySelector('[data-testid=photo-dialog] [role=alert]')?.innerText)`,
      'the sentence',
    );
    await browser.click('[data-testid="close-dialog"]');
  });
});

describe('a finished install', () => {
  const rowsOpen = () =>
    browser.script<string | null>(`
      const open = [...document.querySelectorAll('[data-testid^="order-"]')].find(
        (b) => b.getAttribute('data-rows') === 'open',
      );
      return open?.dataset.testid ?? null;
    `);

  it('by the order alone, then one line; opened again next day it is at the look after a night', async () => {
    await browser.station(url, 'demo-crown-twists', 'install');
    await browser.settled();
    await browser.click('[data-testid="begin-at-knots"]');
    await browser.appears('[data-testid="knot-kind"]');
    for (;;) {
      await browser.click('[data-testid="order"]');
      await browser.appears('[data-testid="order-1"]');
      const open = await rowsOpen();
      if (!open) break;
      const touches = (await events()).length;
      await browser.click(`[data-testid="${open}"]`);
      await browser.click('[data-testid="rows-are-in"]');
      await browser.untilStored('events', `all.length > ${touches}`, 'the rows');
      await closed('order-dialog');
    }
    await browser.click('[data-testid="close-dialog"]');
    await closed('order-dialog');
    await browser.click('[data-testid="finish"]');
    await browser.appears('[data-testid="log-line"]');
    await browser.click('[data-testid="keep-log"]');
    await browser.appears('[data-testid="log-entry"]');
    await browser.station(url, 'demo-crown-twists', 'install');
    await browser.settled();
    await browser.click('[data-testid="open-again"]');
    await browser.appears('[data-testid="step-what"]');
    const left: string[] = [];
    for (let i = 0; i < 20 && (await browser.has('[data-testid="step-what"]')); i++) {
      left.push(await browser.text('[data-testid="step-what"]'));
      const touches = (await events()).length;
      await browser.keys(' ');
      await browser.untilStored('events', `all.length > ${touches}`, 'the step');
      await browser.until(
        `document.querySelector('[data-testid=step-what]')?.innerText !== ${JSON.stringify(left.at(-1))}`,
        'the next step',
      );
    }
    expect(left.at(-1)).toBe('Look again after a night');
    expect(await browser.text('[data-testid="done-words"]')).toMatch(/\d+ pieces hooked/);
  });
});

describe('told afterwards', () => {
  it('a row that was hooked knot by knot took so many; the next space is a knot, not the word that was pressed', async () => {
    await atHalf();
    await browser.click('[data-testid="more"]');
    await browser.appears('[data-testid="last-row"]');
    await browser.click('[data-testid="took-more"]');
    const took = Number(await browser.text('[data-testid="took"]'));
    await browser.click('[data-testid="keep-count"]');
    await browser.untilStored(
      'events',
      `all.some((e) => e.kind === 'count' && e.pieces === ${took} && e.knotIds.length === ${took - 1})`,
      'the count',
    );
    await browser.click('[data-testid="close-dialog"]');
    await closed('more-dialog');
    const touches = (await ofHalf()).length;
    await browser.keys(' ');
    await browser.untilStored(
      'events',
      `all.filter((e) => e.sessionId === 'demo-install-half').length > ${touches}`,
      'the knot',
    );
    expect(await browser.has('[data-testid="more-dialog"]')).toBe(false);
  });

  it('an install of another device goes on here, and brings its plan', async () => {
    const session = {
      id: 'on-the-tablet',
      planId: 'plan-of-the-tablet',
      startedAtMs: 5,
      plan: demoPlans[1],
      finished: 0 as const,
    };
    const events = [{ sessionId: 'on-the-tablet', key: 'on-the-tablet-start', n: 0, kind: 'start' as const, atMs: 5 }];
    const path = join(mkdtempSync(join(tmpdir(), 'tablet-')), 'install.json');
    writeFileSync(path, writeInstallJson({ session, events }));
    await browser.station(url, 'demo-shoulder-curls', 'install');
    await browser.settled();
    await (await browser.byId('install-file')).sendKeys(path);
    await browser.appears('[data-testid="step-what"]');
    expect(await browser.driver.getCurrentUrl()).toMatch(/install\/on-the-tablet/);
    await browser.untilStored('plans', `all.some((p) => p.id === 'plan-of-the-tablet')`, 'its plan');
  });
});

describe('a knot that sits elsewhere', () => {
  it('is moved by half a finger, and is in still; what is to come follows', async () => {
    await atHalf();
    await browser.keys(' ');
    await more('ways');
    await browser.click('[data-testid="reason-placed"]');
    await browser.click('[data-testid="row-unrolled"]');
    await browser.click('[data-testid="move-up"]');
    const before = await toCome();
    const plans = (await ofHalf()).filter((e) => e.kind === 'plan').length;
    await browser.click('[data-testid="take-elsewhere"]');
    await closed('ways-dialog');
    await browser.untilStored(
      'events',
      `all.filter((e) => e.sessionId === 'demo-install-half' && e.kind === 'plan').length > ${plans}`,
      'the new plan',
    );
    await browser.until(`document.querySelector('[data-testid=forecast]')`, 'the mirror again');
    expect(Math.abs((await toCome()) - before)).toBeLessThan(0.1 * before);
  });
});

describe('on a bad day', () => {
  it('goes on with no way to the server, and the camera says so', async () => {
    await atHalf();
    await more('photo');
    await browser.click('[data-testid="close-dialog"]');
    const before = await toCome();
    await chrome().setNetworkConditions({
      offline: true,
      latency: 0,
      download_throughput: 0,
      upload_throughput: 0,
    });
    try {
      await browser.keys(' ');
      await browser.until(
        `document.querySelector('[data-testid=forecast]')?.innerText.startsWith('${before - 1} of') || document.querySelector('[data-testid=step-what]')`,
        'the next knot',
      );
      await more('photo');
      await browser.click('[data-testid="photo-camera"]');
      await browser.until(
        `/camera doesn’t answer.*Nothing was changed/.test(document.querySelector('[data-testid=photo-dialog] [role=alert]')?.innerText)`,
        'the sentence',
      );
      await browser.click('[data-testid="close-dialog"]');
    } finally {
      await chrome().deleteNetworkConditions();
    }
  });

  it('tells every knot in words where nothing can be drawn in space', async () => {
    await chrome().sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
      source: `const get = HTMLCanvasElement.prototype.getContext;
        HTMLCanvasElement.prototype.getContext = function (kind, ...more) {
          return /webgl/.test(kind) ? null : get.call(this, kind, ...more);
        };
`,
    });
    await browser.go(half);
    await browser.appears('[data-testid="knot-kind"], [data-testid="step-what"]');
    if (await browser.has('[data-testid="step-what"]')) {
      await browser.keys(' ');
      await browser.appears('[data-testid="knot-kind"]');
    }
    expect(await browser.text('[data-testid="knot-where"]')).toMatch(/\w/);
    const before = await toCome();
    await browser.keys(' ');
    await browser.until(
      `document.querySelector('[data-testid=forecast]')?.innerText.startsWith('${before - 1} of') || document.querySelector('[data-testid=step-what]')`,
      'the next knot',
    );
    await browser.keys('h');
    await browser.click('[data-testid="notice-pulls"]');
    // The place can be said in words: a row, and where in it.
    await browser.choose('notice-place', '0');
    expect(await browser.text('[data-testid="notice-where"]')).toMatch(/\w/);
    await browser.click('[data-testid="keep-notice"]');
    await closed('notice-dialog');
  });
});

describe('nothing is lost', () => {
  it('killed fifty times at random moments: what was shown is there again', async () => {
    let seed = 51;
    const random = () => {
      seed = (1103515245 * seed + 12345) % 2147483648;
      return seed / 2147483648;
    };
    await atKnot();
    const start = await toCome();
    for (let i = 0; i < 50; i++) {
      const before = await toCome();
      const presses = 1 + Math.floor(random() * 3);
      // Knot by knot, as they were hooked here: what was counted at once before goes back at once.
      const isBack = start - before >= presses && (before < 12 || random() < 0.45);
      const { crash } = await browser.spare();
      await browser.keys(...Array.from({ length: presses }, () => (isBack ? Key.ARROW_LEFT : ' ')));
      const shown = (await shownAfter(Math.floor(random() * 6))) ?? before;
      await crash();
      await browser.size(1280, 800);
      await atKnot();
      const after = await toCome();
      // A press that was not shown any more may have been kept, or not.
      const [least, most] = isBack ? [shown, before + presses] : [before - presses, shown];
      expect([i, after >= least, after <= most]).toEqual([i, true, true]);
    }
  });
});
