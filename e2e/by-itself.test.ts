/** Meshwork on a host of plain files, then with no host at all; a newer one that waits for her word; browsers that lack something. */
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { Browser } from './browser.ts';
import { type Served, serve } from './serve.ts';
import { type StaticHost, staticHost } from './static-host.ts';
import { withBrowser } from './with-browser.ts';

const dist = `${process.cwd()}/dist`;

describe('without its server', () => {
  let browser: Browser;
  let host: StaticHost;
  let url = '';
  let plan = '';
  beforeAll(async () => {
    host = await staticHost(dist);
    url = host.url;
  });
  afterAll(() => host.close());
  withBrowser((b) => {
    browser = b;
  });

  it('a host of plain files does: a first plan is made there', async () => {
    await browser.go(url);
    await browser.click('[data-testid="new-plan"]');
    await browser.click('[data-testid="from-nothing"]');
    await browser.settled();
    plan = await browser.script<string>(`return location.pathname.split('/')[2]`);
    expect(Number((await browser.figures()).pieces)).toBeGreaterThan(50);
  });

  it('and can be installed: what a browser asks for is there', async () => {
    const manifest = await browser.command('Page.getAppManifest', {});
    const { errors, data } = manifest as { errors: unknown[]; data: string };
    expect(errors).toEqual([]);
    const { name, start_url, display, icons } = JSON.parse(data);
    expect([name, start_url, display]).toEqual(['Meshwork', '/', 'standalone']);
    const sizes = await browser.script<number[]>(
      `return Promise.all(arguments[0].map(async (src) => (await createImageBitmap(await (await fetch(src)).blob())).width))`,
      icons.filter((i: { type: string }) => i.type === 'image/png').map((i: { src: string }) => i.src),
    );
    expect(sizes).toEqual([192, 512, 512]);
    const { installabilityErrors } = (await browser.command('Page.getInstallabilityErrors', {})) as {
      installabilityErrors: Array<{ errorId: string }>;
    };
    // Others are of the browser and its window, not of what is served.
    const ours = installabilityErrors
      .map((e) => e.errorId)
      .filter((id) => /manifest|icon|start-url|service-worker/.test(id));
    expect(ours).toEqual([]);
  });

  it('and is kept by the browser, to the last file', async () => {
    await browser.until(
      `navigator.serviceWorker.getRegistration().then((r) => r?.active?.state === 'activated')`,
      'the service worker',
    );
    const kept = await browser.script<string[]>(
      `return caches.keys().then(async (names) => (await Promise.all(names.map(async (n) => (await (await caches.open(n)).keys()).map((r) => new URL(r.url).pathname)))).flat())`,
    );
    for (const name of ['index.html', 'head-picture', 'core.worker', 'highs', '.wasm', '.woff2', 'station-log', 'kept'])
      expect(
        kept.some((k) => k.includes(name)),
        name,
      ).toBe(true);
  });

  it('with the host gone it opens at any address, works out a plan, and says which stand-ins are not there', async () => {
    host.close();
    await browser.go(`${url}/plan/${plan}/rows`);
    await browser.settled();
    await browser.picture();
    const before = (await browser.figures()).pieces;
    expect(Number(before)).toBeGreaterThan(50);
    await browser.station(url, plan, 'supply');
    await browser.settled();
    await browser.click('[data-part="shop"]');
    await browser.until(
      `/The shop doesn’t answer/.test(document.querySelector('[data-testid="shop-state"]')?.innerText)`,
      'the sentence about the shop',
    );
    await browser.go(`${url}/kept`);
    await browser.appears('[data-testid="write-backup"]');
    await browser.go(`${url}/new`);
    await browser.appears('[data-testid="from-nothing"]');
  });

  describe('a newer one', () => {
    let next: StaticHost;
    const port = () => Number(new URL(url).port);
    afterAll(() => next?.close());
    const looksForNewer = () =>
      browser.script(`return navigator.serviceWorker.getRegistration().then((r) => r.update()).catch(() => undefined)`);

    it('is told, and not taken by itself', async () => {
      next = await staticHost(dist, (path, text) => (path === '/sw.js' ? `${text}\n// the next one` : text), port());
      await browser.go(`${url}/plan/${plan}/rows`);
      await browser.settled();
      await browser.click('[data-testid="plans"]');
      await browser.press('Close');
      await looksForNewer();
      await browser.appears('[data-testid="newer"]');
      expect(
        await browser.script(`return navigator.serviceWorker.getRegistration().then((r) => Boolean(r.waiting))`),
      ).toBe(true);
    });

    it('waits while an install is open in another tab', async () => {
      const first = await browser.driver.getWindowHandle();
      await browser.driver.switchTo().newWindow('tab');
      const second = await browser.driver.getWindowHandle();
      await browser.go(`${url}/plan/${plan}/install`);
      await browser.settled();
      await browser.click('[data-testid="begin"]');
      await browser.appears('[data-testid="step-what"]');
      await browser.until(`navigator.locks.query().then((l) => l.held.length > 0)`, 'the lock');
      expect(await browser.has('[data-testid="newer"]')).toBe(false);
      await browser.driver.switchTo().window(first);
      await browser.click('[data-testid="take-newer"]');
      await browser.until(
        `/install is open/.test(document.querySelector('[data-testid="newer"]')?.innerText)`,
        'the word about the install',
      );
      expect(
        await browser.script(`return navigator.serviceWorker.getRegistration().then((r) => Boolean(r.waiting))`),
      ).toBe(true);
      await browser.driver.switchTo().window(second);
      await browser.driver.close();
      await browser.driver.switchTo().window(first);
    });

    it('is taken when she says so, and her plan is as it was', async () => {
      await browser.script('window.isOld = true');
      await browser.click('[data-testid="take-newer"]');
      await browser.until('!window.isOld', 'the page begun anew');
      await browser.settled();
      expect(
        await browser.script(`return navigator.serviceWorker.getRegistration().then((r) => Boolean(r.waiting))`),
      ).toBe(false);
      expect(await browser.script('return location.pathname')).toBe(`/plan/${plan}/rows`);
    });
  });
});

describe('with its own server, which signs every page anew', () => {
  let browser: Browser;
  let own: Served;
  withBrowser((b) => {
    browser = b;
  });
  beforeAll(async () => {
    own = await serve(true);
  });
  afterAll(() => own.stop());

  it('what is kept opens when that is gone, and breaks none of its own rules', async () => {
    await browser.go(own.url);
    await browser.settled();
    await browser.until(
      `navigator.serviceWorker.getRegistration().then((r) => r?.active?.state === 'activated')`,
      'the service worker',
    );
    await browser.complaints();
    own.stop();
    await browser.go(`${own.url}/plan/demo-shoulder-curls/rows`);
    await browser.settled();
    await browser.picture();
    await browser.click('[data-testid="plans"]');
    await browser.appears('[role="dialog"]');
    expect((await browser.complaints()).filter((c) => /Content Security Policy/.test(c))).toEqual([]);
  });
});

describe('a browser that lacks something', () => {
  const url = inject('demoUrl');
  let browser: Browser;
  withBrowser((b) => {
    browser = b;
  });
  const without = (source: string) => browser.command('Page.addScriptToEvaluateOnNewDocument', { source });

  it('without WebGL draws the head plainly, and says what is missing', async () => {
    await without(`const get = HTMLCanvasElement.prototype.getContext;
      HTMLCanvasElement.prototype.getContext = function (kind, ...more) {
        return /webgl/.test(kind) ? null : get.call(this, kind, ...more);
      };`);
    await browser.go(url);
    await browser.settled();
    await browser.go(`${url}/plan/demo-shoulder-curls/rows`);
    await browser.settled();
    await browser.appears('[data-picture="plain"]');
    await browser.until(`document.querySelector('[data-picture]').dataset.drawn === 'rest'`, 'the picture at rest');
    const covered = await browser.script<number>(`const c = document.querySelector('[data-picture]');
      const d = c.getContext('2d').getImageData(0, 0, c.width, c.height).data;
      let n = 0;
      for (let i = 3; i < d.length; i += 4) if (d[i] > 0) n++;
      return n / (d.length / 4);`);
    expect(covered).toBeGreaterThan(0.1);
    expect(covered).toBeLessThan(0.8);
    expect(await browser.text('[data-testid="plain-picture"]')).toMatch(/no WebGL.*hair is not drawn/);
  });

  it('without WebAssembly works out all but what to buy, and says so', async () => {
    await browser.go(url);
    await browser.settled();
    // Workers have globals of their own: the one that buys is told before it begins.
    await without(`const Whole = Worker;
      window.Worker = function (address, options) {
        if (!/buying/.test(address)) return new Whole(address, options);
        const text = 'import ' + JSON.stringify(String(new URL(address, location.href))) + '; delete self.WebAssembly;';
        return new Whole(URL.createObjectURL(new Blob([text], { type: 'text/javascript' })), { type: 'module' });
      };`);
    await browser.command('Page.setBypassCSP', { enabled: true });
    await browser.go(`${url}/plan/demo-shoulder-curls/supply`);
    await browser.settled();
    await browser.click('[data-part="shop"]');
    await browser.until(
      `/no WebAssembly/.test([...document.querySelectorAll('[role=alert]')].map((a) => a.innerText).join())`,
      'the sentence about the solver',
    );
    expect(Number((await browser.figures()).pieces)).toBeGreaterThan(50);
  });
});
