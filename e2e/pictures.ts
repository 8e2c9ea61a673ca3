/** Makes the pictures in docs/screenshots from the demo data. Run by `npm run pictures` after a build. */
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { basePlans } from '../src/demo/bases.ts';
import { installPlans } from '../src/demo/installs.ts';
import { shoulderCurls } from '../src/demo/plans.ts';
import { routePlans } from '../src/demo/routes.ts';
import { startHistory } from '../src/model/history.ts';
import type { PlanDocument } from '../src/model/plan.ts';
import { createServer } from '../src/server/app.ts';
import { Browser, FINE, Key } from './browser.ts';

interface Picture {
  readonly name: string;
  readonly path: string;
  readonly size?: readonly [number, number];
  readonly dark?: boolean;
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

/** Each row scheme as an example lays it. */
const SCHEME_PLANS = [
  shoulderCurls,
  ...[
    'route-parallel-curved',
    'route-rings-to-crown',
    'route-straight-back',
    'base-puff',
    'route-along-the-rows',
    'route-ready-made-rows',
    'base-grid-brick',
    'base-threaded',
    'route-windows',
    'route-fringe',
    'route-loose-bulk',
  ].map((id) => [...basePlans, ...routePlans].find((p) => p.id === id) as PlanDocument),
];

/** What can be said of an install beside rows and a piece. */
const INSTALL_PLANS = [
  'install-border-in-front',
  'install-border-all-round',
  'install-hairline-without-a-cap',
  'install-schools-by-place',
  'install-found-and-drawn',
  'install-ready-rows-over-own',
  'install-strands-at-a-puff',
  'install-odd-pieces-where-thin',
  'install-into-tied-roots',
  'install-beside-and-through-twists',
  'install-two-parts',
  'install-wig-for-a-size',
].map((id) => installPlans.find((p) => p.id === id) as PlanDocument);

const SHEETS: readonly Sheet[] = [
  {
    name: 'installs',
    station: 'rows',
    plans: INSTALL_PLANS,
    columns: 4,
    cell: 'height:206px;background-size:430px auto;background-position:60% 0',
    turn: /^look from left/,
  },
  {
    name: 'base-families',
    station: 'base',
    plans: basePlans,
    columns: 5,
    cell: 'height:166px;background-size:340px auto;background-position:62% 20%',
  },
  {
    name: 'row-schemes',
    station: 'rows',
    plans: SCHEME_PLANS,
    columns: 4,
    cell: 'height:232px;background-size:430px auto;background-position:66% 20%',
  },
];

const folder = new URL('../docs/screenshots/', import.meta.url);
mkdirSync(folder, { recursive: true });
const wanted = process.argv.slice(2);
const server = createServer({
  dist: `${process.cwd()}/dist`,
  demo: true,
  now: () => Date.now(),
}).listen(0, '127.0.0.1');
await new Promise((resolve) => server.once('listening', resolve));
const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
for (const dark of [false, true]) {
  const browser = await Browser.open({ dark, scale: 1, fineness: FINE });
  await browser.go(url);
  await browser.settled();
  for (const p of PICTURES) {
    if ((p.dark ?? false) !== dark || (wanted.length > 0 && !wanted.includes(p.name))) continue;
    await browser.size(...(p.size ?? [1280, 800]));
    await browser.go(url + p.path);
    await browser.until(`document.querySelector('[data-ready=yes], [data-testid=knot-kind]')`, 'the plan');
    await browser.until(
      `document.querySelector('[data-picture=ready], [data-testid=knot-kind], .sheet, .logbook, .rope-stage')`,
      'the picture',
    );
    await p.before?.(browser);
    // Rest: the head is drawn once more at twice the resolution.
    await browser.until(`!document.querySelector('[data-drawn=moving]')`, 'the picture at rest');
    await new Promise((r) => setTimeout(r, 600));
    writeFileSync(new URL(`${p.name}.png`, folder), Buffer.from(await browser.driver.takeScreenshot(), 'base64'));
    process.stdout.write(`${p.name}.png\n`);
  }
  for (const s of dark ? [] : SHEETS) if (wanted.length === 0 || wanted.includes(s.name)) await sheet(browser, s);
  await browser.close();
}
server.close();

interface Sheet {
  readonly name: string;
  readonly station: string;
  readonly plans: readonly PlanDocument[];
  readonly columns: number;
  /** Height of a cell, and how its picture lies in it. */
  readonly cell: string;
  readonly turn?: RegExp;
}

/** The stages of several plans, put together on a page of their own. */
async function sheet(browser: Browser, { name, station, plans, columns, cell, turn }: Sheet) {
  await browser.size(1280, 800);
  const shots: Array<{ name: string; png: string }> = [];
  for (const plan of plans) {
    await browser.go(url);
    await browser.settled();
    await browser.script(
      `return new Promise((ok, no) => { const open = indexedDB.open('meshwork'); open.onsuccess = () => { const tx = open.result.transaction('plans', 'readwrite'); tx.objectStore('plans').put(arguments[0]); tx.oncomplete = () => { open.result.close(); ok(); }; tx.onerror = no; }; })`,
      { id: plan.id, revision: 1, updatedAtMs: 1, deletedAtMs: 0, history: startHistory(plan) },
    );
    await browser.go(`${url}/plan/${plan.id}/${station}`);
    await browser.settled();
    await browser.picture();
    if (turn) await browser.press(turn);
    await new Promise((r) => setTimeout(r, 1800));
    const stage = await browser.find('.stage');
    shots.push({ name: plan.name, png: await stage.takeScreenshot() });
  }
  const cells = shots.map(
    ({ name: title, png }) =>
      `<figure><div style="background-image:url(data:image/png;base64,${png})"></div><figcaption>${title}</figcaption></figure>`,
  );
  const page = join(mkdtempSync(join(tmpdir(), 'meshwork-sheet-')), 'sheet.html');
  writeFileSync(
    page,
    `<!doctype html><meta charset="utf-8"><style>body{margin:0;padding:20px 24px;background:#ece7da;color:#1b2450;font:12px system-ui;display:grid;grid-template-columns:repeat(${columns},1fr);gap:8px 10px}figure{margin:0}figure div{${cell};background-repeat:no-repeat}figcaption{text-align:center}</style>${cells.join('')}`,
  );
  await browser.go(`file://${page}`);
  await new Promise((r) => setTimeout(r, 800));
  writeFileSync(new URL(`${name}.png`, folder), Buffer.from(await browser.driver.takeScreenshot(), 'base64'));
  process.stdout.write(`${name}.png\n`);
}
