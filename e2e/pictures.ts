/** Makes the pictures in docs/screenshots from the demo data. Run by `npm run pictures` after a build. */
import { mkdirSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { createServer } from '../src/server/app.ts';
import { Browser, Key } from './browser.ts';

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

const PICTURES: readonly Picture[] = [
  { name: 'rows', path: `${curls}/rows`, before: aKnot },
  { name: 'rows-dark', path: `${curls}/rows`, dark: true, before: aKnot },
  { name: 'aim', path: `${curls}/aim` },
  { name: 'measure', path: '/plan/demo-deep-part/measure' },
  { name: 'base', path: `${curls}/base` },
  { name: 'cap', path: `${curls}/cap` },
  { name: 'hair', path: '/plan/demo-deep-part/hair' },
  { name: 'check', path: '/plan/demo-crown-twists/check', dark: true },
  { name: 'supply', path: `${curls}/supply` },
  { name: 'log', path: '/plan/demo-swept-coils/log' },
  { name: 'practice', path: '/plan/demo-deep-part/practice' },
  { name: 'top', path: `${curls}/rows`, before: (b) => b.press('from the top') },
  { name: 'plans', path: `${curls}/rows`, before: (b) => b.click('[data-testid="plans"]') },
  {
    name: 'install',
    path: '/install/demo-install-half',
    size: [820, 1180],
    before: (b) => b.click('[data-testid="next"]'),
  },
  { name: 'install-dark', path: '/install/demo-install-half', size: [1280, 800], dark: true },
  { name: 'tablet', path: '/plan/demo-swept-coils/rows', size: [820, 1180] },
  { name: 'phone', path: `${curls}/supply`, size: [390, 844] },
];

const folder = new URL('../docs/screenshots/', import.meta.url);
mkdirSync(folder, { recursive: true });
const wanted = process.argv.slice(2);
const server = createServer({
  dist: `${process.cwd()}/dist`,
  demo: true,
  now: () => Date.UTC(2026, 10, 20, 12),
}).listen(0, '127.0.0.1');
await new Promise((resolve) => server.once('listening', resolve));
const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
for (const dark of [false, true]) {
  const browser = await Browser.open({ dark });
  await browser.go(url);
  await browser.settled();
  for (const p of PICTURES) {
    if ((p.dark ?? false) !== dark || (wanted.length > 0 && !wanted.includes(p.name))) continue;
    await browser.size(...(p.size ?? [1280, 800]));
    await browser.go(url + p.path);
    await browser.until(`document.querySelector('[data-ready=yes], [data-testid=knot-kind]')`, 'the plan');
    await browser.until(`document.querySelector('[data-picture=ready], [data-testid=knot-kind]')`, 'the picture');
    await p.before?.(browser);
    // Rest: the head is drawn once more at twice the resolution.
    await new Promise((r) => setTimeout(r, 2200));
    writeFileSync(new URL(`${p.name}.png`, folder), Buffer.from(await browser.driver.takeScreenshot(), 'base64'));
    process.stdout.write(`${p.name}.png\n`);
  }
  await browser.close();
}
server.close();
