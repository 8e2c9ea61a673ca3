/** Nothing that she entered is lost: a full disk, a reload in the middle, quick fingers, a second thought. */
import { describe, expect, inject, it } from 'vitest';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;

withBrowser((b) => {
  browser = b;
}, url);

/** The store refuses every write, as a browser does whose disk is full. */
const fillDisk = () =>
  browser.script(`
    window.kept = { put: IDBObjectStore.prototype.put, add: IDBObjectStore.prototype.add };
    const full = () => { throw new DOMException('full', 'QuotaExceededError'); };
    IDBObjectStore.prototype.put = full; IDBObjectStore.prototype.add = full;
  `);
const freeDisk = () => browser.script('Object.assign(IDBObjectStore.prototype, window.kept)');

/** How many records a store holds. */
const stored = async (store: string) => {
  await browser.untilStored(store, '(window.counted = all.length) >= 0', 'the store to be read');
  return browser.script<number>('return window.counted');
};

describe('a full disk', () => {
  it('is said; the change stays on the screen, is tried again, and is there after a reload', async () => {
    await (await browser.appears('[data-zone="top"]')).sendKeys(Key.HOME);
    await browser.settled();
    await browser.untilStored(
      'plans',
      'all.some((r) => r.history.present.plan.spacing.fingers?.top === 0.5)',
      'the first gap to be kept',
    );
    await fillDisk();
    await (await browser.find('[data-zone="top"]')).sendKeys(Key.END);
    await browser.until(
      `/disk is full: nothing was lost/.test(document.querySelector('.stub')?.textContent)`,
      'the sentence',
    );
    expect(await (await browser.find('[data-zone="top"]')).getAttribute('aria-valuenow')).toBe('4');
    await freeDisk();
    await browser.press('Try again');
    await browser.until(`document.querySelector('[data-testid=last-deed]')`, 'the trouble to end');
    await browser.driver.navigate().refresh();
    await browser.settled();
    expect(await (await browser.appears('[data-zone="top"]')).getAttribute('aria-valuenow')).toBe('4');
    await browser.chord(Key.CONTROL, 'z');
    await browser.until(`document.querySelector('[data-zone=top]').ariaValueNow === '0.5'`, 'undo over the reload');
  });

  it('in the install is said too, and the knots are kept once there is room', async () => {
    await browser.go(`${url}/install/demo-install-half`);
    await browser.appears('[data-testid="knot-kind"]');
    const events = await stored('events');
    await browser.keys(' ');
    await browser.until(`!document.querySelector('[data-testid="paused"]')`, 'the pause to end');
    const before = Number((await browser.text('[data-testid="forecast"]')).match(/^\d+/)?.[0]);
    await fillDisk();
    await browser.keys(' ');
    await browser.until(`document.querySelector('main [role=alert]')`, 'the sentence');
    await freeDisk();
    await browser.keys(' ');
    await browser.until(`!document.querySelector('main [role=alert]')`, 'the trouble to end');
    await browser.untilStored('events', `all.length >= ${events + 3}`, 'the pause and two knots to be kept');
    await browser.driver.navigate().refresh();
    await browser.appears('[data-testid="forecast"]');
    expect(Number((await browser.text('[data-testid="forecast"]')).match(/^\d+/)?.[0])).toBe(before - 2);
  });
});

/** Past what comes between two rows. */
async function atKnots() {
  await browser.appears('[data-testid="knot-place"], [data-testid="step-what"]');
  if (await browser.has('[data-testid="step-what"]')) await browser.keys(' ');
  await browser.appears('[data-testid="forecast"]');
}

describe('quick fingers', () => {
  interface Touch {
    readonly sessionId: string;
    readonly kind: string;
    readonly knotId?: string;
  }
  const touches = async () =>
    (await browser.storedRows<Touch>('events')).filter((e) => e.sessionId === 'demo-install-half');

  it('do each thing once, however fast the presses come', async () => {
    const before = (await touches()).length;
    await browser.keys(...Array.from({ length: 12 }, () => ' '));
    await browser.untilStored(
      'events',
      `all.filter((e) => e.sessionId === 'demo-install-half').length >= ${before + 12}`,
      'twelve touches',
    );
    const twelve = (await touches()).slice(before);
    // Knots, and what comes between rows; none of them twice.
    expect(twelve.map((e) => e.kind).filter((kind) => kind !== 'knot' && kind !== 'step')).toEqual([]);
    const knots = (await touches()).filter((e) => e.kind === 'knot').map((e) => e.knotId);
    expect(new Set(knots).size).toBe(knots.length);
    await browser.keys(...Array.from({ length: 5 }, () => Key.ARROW_LEFT));
    await browser.untilStored(
      'events',
      `all.filter((e) => e.sessionId === 'demo-install-half').length >= ${before + 17}`,
      'five back',
    );
    const card = () => browser.text('[data-testid="knot-place"], [data-testid="step-what"]');
    const shown = await card();
    await browser.driver.navigate().refresh();
    await browser.appears('[data-testid="knot-place"], [data-testid="step-what"]');
    expect(await card()).toBe(shown);
  });
});

describe('second thoughts', () => {
  it('a plan with a very long name fits, and its name can be taken back', async () => {
    await browser.go(`${url}/plan/demo-swept-coils/aim`);
    await browser.settled();
    const name = `For my cousin’s wedding, ${'very '.repeat(16)}long`;
    await browser.write('plan-name', name);
    await browser.until(`document.title.startsWith('For my cousin')`, 'the name');
    expect(await browser.script<number>('return document.documentElement.scrollWidth')).toBeLessThanOrEqual(1280);
    await browser.script('document.activeElement.blur()');
    await browser.chord(Key.CONTROL, 'z');
    await browser.until(`document.title.startsWith('Swept-back coils')`, 'the old name');
  });

  it('an empty name is refused with a sentence', async () => {
    await browser.write('plan-name', ' ');
    await browser.until(`document.querySelector('.bench [role=alert]')`, 'the sentence');
    expect(await browser.text('.bench [role=alert]')).toMatch(/name is missing.*Nothing was changed/);
  });

  it('a changed plan does not move knots under her hands: the install keeps the plan it began with', async () => {
    await browser.go(`${url}/install/demo-install-half`);
    await atKnots();
    const total = (await browser.text('[data-testid="forecast"]')).match(/of (\d+) knots/)?.[1];
    await browser.go(`${url}/plan/demo-shoulder-curls/install`);
    await browser.settled();
    await browser.until(`/has changed since/.test(document.querySelector('.bench').textContent)`, 'the warning');
    expect((await browser.figures()).pieces).not.toBe(total);
    await browser.press(/^Go on with knot/);
    await atKnots();
    expect(await browser.text('[data-testid="forecast"]')).toContain(`of ${total} knots`);
  });
});
