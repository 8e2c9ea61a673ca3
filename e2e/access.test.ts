/** WCAG 2.2 AA by axe in every station and both themes; the job by keyboard alone; large text, narrow windows. */
import { beforeAll, describe, expect, inject, it } from 'vitest';
import { STATIONS } from '../src/app/thread/stations.ts';
import { ALL, CONTRAST, SIZED, violations } from './axe.ts';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;
withBrowser((b) => {
  browser = b;
}, url);

/** What is drawn in place of the head in some stations. */
const NO_HEAD: Readonly<Record<string, string>> = { log: '[data-testid="logbook"]', practice: '[data-testid="rope"]' };
const drawn = (station: string) => (NO_HEAD[station] ? browser.appears(NO_HEAD[station]) : browser.picture());

/** What is done in a part of a station before it is looked at, and after. */
const INTO: Readonly<Record<string, () => Promise<unknown>>> = {
  sections: () => browser.click('[data-section="b2"]'),
  knots: async () => (await browser.byId('weave')).sendKeys(Key.END),
  marks: () => browser.click('[data-testid="brush-paint"]'),
  hand: () => browser.click('[data-testid="brush-0.7"]'),
  colours: async () => {
    await browser.write('add-colour', 'copper');
    await browser.settled();
    await browser.appears('[data-testid="by-hand"]');
  },
  shop: () => browser.appears('[data-testid="bought"]'),
  less: () =>
    browser.until(`!/worked out …/.test(document.querySelector('[data-testid=less-state]').textContent)`, 'all ways'),
  have: async () => {
    await browser.click('[data-testid="lot"]');
    await browser.appears('[data-testid="lot-packs"]');
  },
  when: async () => {
    await browser.click('[data-testid="plan-evenings"]');
    await browser.click('[data-testid="evenings"] summary');
  },
};
const OUT_OF: Readonly<Record<string, () => Promise<unknown>>> = {
  colours: async () => {
    await browser.press('Undo');
    await browser.settled();
  },
  when: async () => {
    await browser.press('Undo');
    await browser.settled();
  },
};

describe.each([
  ['light', ALL],
  ['dark', CONTRAST],
] as const)('axe, %s', (theme, options) => {
  beforeAll(() => browser.theme(theme === 'dark'));

  it.each(STATIONS.map(([id]) => id))('finds nothing in %s', async (station) => {
    await browser.station(url, 'demo-deep-part', station);
    await browser.settled();
    await drawn(station);
    await browser.until(`document.querySelector('.bench h2')`, 'the bench');
    if (station === 'rows') await (await browser.byId('weave')).sendKeys(Key.END);
    expect(await violations(browser, options)).toEqual([]);
  });

  it('finds nothing in the parts of Measure, Base, Cap, Hair, Rows, Check and Supply, a section told, and the sheets', async () => {
    for (const [station, parts] of [
      ['measure', ['hairline', 'hair', 'marks']],
      ['base', ['sections', 'tails', 'work']],
      ['cap', ['size', 'opening', 'hold']],
      ['hair', ['cuts', 'zones', 'colours', 'shelf']],
      ['rows', ['rows', 'hand', 'knots', 'order']],
      ['check', ['size', 'load', 'whatIf', 'best', 'guesses']],
      ['supply', ['shop', 'have', 'less', 'when']],
    ] as const) {
      await browser.station(url, 'demo-deep-part', station);
      await browser.settled();
      for (const part of parts) {
        await browser.click(`[data-part="${part}"]`);
        await INTO[part]?.();
        expect(await violations(browser, options), part).toEqual([]);
        await OUT_OF[part]?.();
      }
    }
    for (const sheet of ['base/sheet', 'rows/chart', 'supply/list']) {
      await browser.go(`${url}/plan/demo-deep-part/${sheet}`);
      await browser.until(`document.querySelector('.sheet[data-ready=yes]')`, 'the sheet');
      expect(await violations(browser, options), sheet).toEqual([]);
    }
    await browser.go(`${url}/plan/demo-deep-part/rows`);
    await browser.settled();
  });

  it('finds nothing in the list of plans, in a working, and in the install', async () => {
    await browser.click('[data-testid="plans"]');
    await browser.appears('[role=dialog]');
    expect(await violations(browser, options)).toEqual([]);
    await browser.keys(Key.ESCAPE);
    await browser.click('[data-figure="packs"]');
    await browser.appears('[role=dialog]');
    expect(await violations(browser, options)).toEqual([]);
    await browser.go(`${url}/install/demo-install-half`);
    await browser.appears('[data-testid="knot-kind"]');
    expect(await violations(browser, options)).toEqual([]);
    // What lies over the mirror.
    const sheets = [
      ['order', 'order-dialog', undefined],
      ['hurts', 'notice-dialog', 'notice-pulls'],
      ['sees', 'notice-dialog', 'notice-gap'],
      ['more', 'more-dialog', undefined],
      ['more', 'ways-dialog', 'ways'],
      ['more', 'photo-dialog', 'photo'],
    ] as const;
    for (const [word, dialog, then] of sheets) {
      await browser.click(`[data-testid="${word}"]`);
      if (then) await browser.click(`[data-testid="${then}"]`);
      await browser.appears(`[data-testid="${dialog}"]`);
      expect(await violations(browser, options), dialog).toEqual([]);
      await browser.click('[data-testid="close-dialog"]');
      await browser.until(`!document.querySelector('[data-testid="${dialog}"]')`, `${dialog} to close`);
    }
    // A step of the order.
    await browser.click('[data-testid="order"]');
    await browser.click('[data-testid="order-2"]');
    await browser.click('[data-testid="redo"]');
    await browser.appears('[data-testid="step-what"]');
    expect(await violations(browser, options), 'a step').toEqual([]);
    await browser.click('[data-testid="next"]');
    await browser.appears('[data-testid="knot-kind"]');
  });
});

describe('axe, by daylight', () => {
  beforeAll(() => browser.theme(false));

  it('finds nothing in any layer of any station', async () => {
    for (const [station] of STATIONS.filter(([id]) => !NO_HEAD[id])) {
      await browser.station(url, 'demo-deep-part', station);
      await browser.settled();
      await browser.picture();
      const layers = await browser.script<string[]>(
        `return [...document.querySelectorAll('[data-testid^=layer-]')].map((l) => l.dataset.testid)`,
      );
      expect(layers, station).toHaveLength(4);
      for (const layer of layers) {
        await browser.click(`[data-testid="${layer}"]`);
        await browser.until(`document.querySelector('[data-testid=${layer}]').ariaPressed === 'true'`, layer);
        expect(await violations(browser, ALL, '.stage'), `${layer} in ${station}`).toEqual([]);
      }
    }
  });

  /** 1280 px at 200 % are 640 CSS px. */
  it.each([
    [1180, 820],
    [820, 1180],
    [640, 400],
    [390, 844],
  ])('finds nothing at %i × %i', async (width, height) => {
    await browser.size(width, height);
    for (const [station] of STATIONS) {
      await browser.station(url, 'demo-deep-part', station);
      await browser.settled();
      await browser.until(`document.querySelector('.bench h2')`, 'the bench');
      expect(await violations(browser, SIZED), station).toEqual([]);
    }
    await browser.go(`${url}/install/demo-install-half`);
    await browser.appears('[data-testid="knot-kind"]');
    expect(await violations(browser, SIZED)).toEqual([]);
    await browser.go(`${url}/new`);
    await browser.until(`document.querySelectorAll('[data-like]').length > 10`, 'what a plan can be like');
    expect(await violations(browser, SIZED)).toEqual([]);
    await browser.size(1280, 800);
  });

  it('finds nothing in words that open', async () => {
    await browser.go(`${url}/plan/demo-deep-part/rows`);
    await browser.settled();
    await browser.click('[data-part="order"]');
    await browser.click('.bench .term');
    await browser.appears('[data-radix-popper-content-wrapper]');
    expect(await violations(browser, ALL, 'body')).toEqual([]);
    await browser.keys(Key.ESCAPE);
  });
});

describe('by keyboard alone', () => {
  let browser: Browser;
  withBrowser((b) => {
    browser = b;
  }, url);

  /** Tabs on until what has the focus matches. */
  const tabTo = (test: string, most?: number) => browser.tabTo(test, most);

  it('plans: station, spacing, part, finding, undo', async () => {
    await tabTo(`e.textContent.startsWith('Hair')`);
    await browser.keys(Key.ENTER);
    await browser.until(`/Hair/.test(document.title)`, 'the station');
    await tabTo(`e.textContent.startsWith('Rows')`);
    await browser.keys(Key.ENTER);
    await browser.until(`document.querySelector('[data-zone=top]')`, 'the bench');
    await browser.settled();
    const before = await browser.figures();
    await tabTo(`e.dataset.zone === 'top'`);
    await browser.keys(Key.ARROW_RIGHT);
    await browser.settled();
    expect(await browser.figures()).not.toEqual(before);
    await tabTo(`e.matches('.finding > summary')`);
    await browser.keys(Key.ENTER);
    await tabTo(`/through the net only/.test(e.textContent) && e.className.includes('button')`);
    await browser.keys(Key.ENTER);
    await browser.until(`!document.querySelector('[data-finding]')`, 'the mend');
    await browser.chord(Key.CONTROL, 'z');
    await browser.chord(Key.CONTROL, 'z');
    await browser.until(`document.querySelector('[data-zone=top]').ariaValueNow === '1'`, 'undo');
    await tabTo(`e.dataset.bead === 'end'`, 200);
    await browser.keys(Key.ARROW_DOWN);
    await browser.until(
      `/^Part/.test(document.querySelector('[data-testid=last-deed]').textContent)`,
      'the part to move',
    );
    await browser.chord(Key.CONTROL, 'z');
  });

  it('looks round: the head turns, the weave tells its knots', async () => {
    await tabTo(`e.className.includes('picture')`);
    await browser.keys(Key.ARROW_LEFT, Key.ARROW_UP);
    await tabTo(`e.dataset.testid === 'weave'`);
    await browser.keys(Key.END);
    expect(await (await browser.byId('weave')).getAttribute('aria-valuetext')).toMatch(/^Knot \d+, One-leg knot/);
    await browser.keys(Key.ESCAPE);
  });

  it('checks: pictures, parts by arrows, a place asked about, hair looked for and stopped', async () => {
    await tabTo(`e.textContent.startsWith('Check')`);
    await browser.keys(Key.ENTER);
    await browser.until(`document.querySelector('[data-testid=seen]')`, 'the look');
    await tabTo(`e.dataset.testid === 'layer-light'`);
    await browser.keys(Key.ENTER);
    expect(await browser.script(`return document.activeElement.ariaPressed`)).toBe('true');
    await tabTo(`e.dataset.testid === 'ask'`);
    await browser.keys(Key.ENTER);
    await browser.appears('[data-testid="why"]');
    await browser.focus('[data-part=look]');
    for (const id of ['size', 'load', 'whatIf', 'best']) {
      await browser.keys(Key.ARROW_RIGHT);
      await browser.until(`document.activeElement.dataset.part === '${id}'`, id);
    }
    await browser.until(`document.querySelector('[data-testid=use-start]')`, 'the best use');
    await tabTo(`e.dataset.testid === 'use-start'`);
    await browser.keys(Key.ENTER);
    await tabTo(`e.dataset.testid === 'use-stop'`);
    await browser.keys(Key.ENTER);
    await browser.until(`document.querySelector('[data-testid=use-outcome][data-state=stopped]')`, 'the end of it');
  });

  it('installs: begins, steps, goes back, leaves', async () => {
    await tabTo(`e.textContent.startsWith('Install')`);
    await browser.keys(Key.ENTER);
    await browser.until(`document.querySelector('[data-testid="go-on"]')`, 'the install');
    await tabTo(`e.dataset.testid === 'go-on'`);
    await browser.keys(Key.ENTER);
    await browser.appears('[data-testid="knot-kind"]');
    const place = await browser.text('[data-testid="forecast"]');
    await browser.keys(' ');
    await browser.keys(' ');
    await browser.until(
      `document.querySelector('[data-testid=forecast]').innerText !== ${JSON.stringify(place)}`,
      'the next knot',
    );
    await browser.keys(Key.ARROW_LEFT);
    await tabTo(`e.dataset.testid === 'leave'`);
    await browser.keys(Key.ENTER);
    await browser.until(`/Install/.test(document.title)`, 'the station again');
  });
});

describe('large text and narrow windows', () => {
  let browser: Browser;
  withBrowser((b) => {
    browser = b;
  }, url);

  /** 1280 px at 200 % are 640 CSS px; a tablet upright; a phone. */
  it.each([
    [640, 400],
    [820, 1180],
    [1180, 820],
    [390, 844],
  ])('at %i × %i nothing is cut off sideways', async (width, height) => {
    await browser.size(width, height);
    const stations = width < 600 ? ['supply', 'install', 'log'] : ['measure', 'rows', 'check', 'supply', 'log'];
    for (const station of stations) {
      await browser.station(url, 'demo-shoulder-curls', station);
      await browser.settled();
      await browser.until(`document.querySelector('.bench h2')`, 'the bench');
      expect(await browser.script<number>('return document.documentElement.scrollWidth'), station).toBeLessThanOrEqual(
        width,
      );
      const cut = await browser.script<string[]>(`
        return [...document.querySelectorAll('.bench *, .tally *')].filter((e) => { const r = e.getBoundingClientRect(); return r.width > 1 && (r.right > ${width} + 1 || r.left < -1) && !e.closest('.sr-only') && getComputedStyle(e).visibility !== 'hidden'; }).map((e) => e.outerHTML.slice(0, 90));
      `);
      expect(cut, station).toEqual([]);
    }
    await browser.go(`${url}/install/demo-install-half`);
    await browser.appears('[data-testid="knot-kind"]');
    expect(await browser.script<number>('return document.documentElement.scrollWidth')).toBeLessThanOrEqual(width);
  });
});
