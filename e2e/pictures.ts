/** Makes the pictures in docs/screenshots from the demo data. Run by `npm run pictures` after a build. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { Browser, FINE, Key } from './browser.ts';
import { serve } from './serve.ts';

interface Picture {
  readonly name: string;
  readonly path: string;
  readonly size?: readonly [number, number];
  readonly dark?: boolean;
  /** What stands there once it can be looked at; a plan with its picture where nothing is said. */
  readonly ready?: string;
  readonly before?: (browser: Browser) => Promise<void>;
}

const curls = '/plan/demo-shoulder-curls';
const aKnot = async (browser: Browser) => {
  const weave = await browser.byId('weave');
  await weave.sendKeys(Key.END);
  for (let i = 0; i < 6; i++) await weave.sendKeys(Key.ARROW_LEFT);
  await browser.script('document.activeElement.blur()');
};

/** A head of hair is drawn once more at rest, which takes its time without a graphics card. */
const hairDrawn = async (browser: Browser) => {
  await browser.until(`Number(document.querySelector('[data-picture]').dataset.triangles) > 60000`, 'the hair');
  await new Promise((r) => setTimeout(r, 2500));
};

const PICTURES: readonly Picture[] = [
  { name: 'rows', path: `${curls}/rows`, before: aKnot },
  { name: 'aim', path: `${curls}/aim` },
  { name: 'measure', path: '/plan/demo-deep-part/measure' },
  {
    name: 'base',
    path: `${curls}/base`,
    before: async (b) => {
      await b.click('[data-part="sections"]');
      await b.click('[data-section="b2"]');
      await b.script('document.activeElement.blur()');
    },
  },
  {
    name: 'check',
    path: `${curls}/check`,
    before: async (b) => {
      await b.looked();
      await b.press(/^look from front/);
      await hairDrawn(b);
    },
  },
  {
    name: 'cover-dark',
    path: '/plan/demo-deep-part/check',
    dark: true,
    before: async (b) => {
      await b.looked();
      await b.click('[data-testid="layer-light"]');
      await b.script('document.activeElement.blur()');
    },
  },
  {
    name: 'supply',
    path: `${curls}/supply`,
    before: async (b) => {
      await b.click('[data-part="shop"]');
      await b.appears('[data-testid="basket"]');
    },
  },
  {
    name: 'install',
    path: '/install/demo-install-half',
    before: async (b) => {
      await b.click('[data-testid="next"]');
      await b.appears('canvas[data-drawn="head"]');
    },
  },
  {
    name: 'wear',
    path: '/plan/demo-swept-coils/wear',
    before: async (b) => void (await b.appears('[data-testid="days"]')),
  },
  {
    name: 'log',
    path: '/plan/demo-swept-coils/log',
    before: async (b) => {
      await b.appears('[data-testid="logbook"][data-folding="0"] [data-style]');
      await b.click('[data-part="hands"]');
      await b.appears('[data-testid="pace-learned"]');
      await b.script('document.activeElement.blur()');
    },
  },
  {
    name: 'practice',
    path: '/plan/demo-deep-part/practice',
    before: async (b) => {
      await b.script(`document.querySelectorAll('[data-knot]')[2].click()`);
      await b.focus('[data-testid="rope-time"]');
      await b.keys(Key.END);
      for (let i = 0; i < 6; i++) await b.keys(Key.ARROW_LEFT);
      await b.script('document.activeElement.blur()');
    },
  },
  {
    name: 'takedown',
    path: '/plan/demo-swept-coils/takedown',
    dark: true,
    before: async (b) => void (await b.appears('[data-testid="out-order"]')),
  },
  {
    name: 'cap',
    path: `${curls}/cap`,
    before: async (b) => {
      await b.click('[data-part="opening"]');
      await b.click('[data-choice="stitchedU"]');
      await b.settled();
      await b.script('document.activeElement.blur()');
    },
  },
  {
    name: 'hair',
    path: '/plan/demo-deep-part/hair',
    before: async (b) => {
      await b.click('[data-part="cuts"]');
      await b.choose('split', '4');
      await b.settled();
      await b.script('document.activeElement.blur()');
    },
  },
  {
    name: 'tablet',
    path: '/install/demo-install-half',
    size: [820, 1180],
    dark: true,
    before: async (b) => {
      await b.click('[data-testid="next"]');
      await b.click('[data-testid="order"]');
      await b.press(/Look, half way/);
      await b.click('[data-testid="turn-to"]');
      await b.appears('canvas[data-drawn="hair"]');
    },
  },
  {
    name: 'scan',
    path: `${curls}/scan`,
    ready: '[data-testid="sample-scan"]',
    before: async (b) => {
      await b.click('[data-testid="sample-scan"]');
      await b.appears('[data-testid="scan-held"]');
      await b.appears('[data-picture="ready"]');
    },
  },
  {
    name: 'paper',
    path: `${curls}/paper`,
    ready: '[data-sheet]',
  },
  {
    name: 'kept',
    path: '/kept',
    dark: true,
    ready: '[data-testid="kept-figures"]',
  },
  {
    name: 'phone',
    path: `${curls}/supply`,
    size: [390, 844],
    dark: true,
    before: async (b) => {
      await b.click('[data-part="when"]');
      await b.click('[data-testid="plan-evenings"]');
      const laid = await b.appears('[data-testid="evenings"]');
      await b.script('arguments[0].scrollIntoView()', laid);
    },
  },
];

/** Or what a station has in its place. */
async function planDrawn(browser: Browser) {
  await browser.until(`document.querySelector('[data-ready=yes], [data-testid=knot-kind]')`, 'the plan');
  await browser.until(
    `document.querySelector('[data-picture=ready], [data-testid=knot-kind], .sheet, .logbook, .rope-stage')`,
    'the picture',
  );
}

const folder = new URL('../docs/screenshots/', import.meta.url);
mkdirSync(folder, { recursive: true });
const wanted = process.argv.slice(2);
const { url, stop } = await serve(true);
for (const dark of [false, true]) {
  const browser = await Browser.open({ dark, scale: 1, fineness: FINE });
  await browser.go(url);
  await browser.settled();
  for (const p of PICTURES) {
    if ((p.dark ?? false) !== dark || (wanted.length > 0 && !wanted.includes(p.name))) continue;
    await browser.size(...(p.size ?? [1280, 800]));
    await browser.go(url + p.path);
    if (p.ready) await browser.appears(p.ready);
    else await planDrawn(browser);
    await p.before?.(browser);
    // Rest: the head is drawn once more at twice the resolution.
    await browser.until(`!document.querySelector('[data-drawn=moving]')`, 'the picture at rest');
    await new Promise((r) => setTimeout(r, 600));
    writeFileSync(new URL(`${p.name}.png`, folder), Buffer.from(await browser.driver.takeScreenshot(), 'base64'));
    process.stdout.write(`${p.name}.png\n`);
  }
  await browser.close();
}
stop();
