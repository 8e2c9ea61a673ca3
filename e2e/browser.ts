/** The real interface in headless Chromium, driven as a wearer would. */
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By, Key, logging, type WebDriver, type WebElement } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-dev-shm-usage',
  '--use-gl=angle',
  '--use-angle=swiftshader',
  '--enable-unsafe-swiftshader',
  '--disable-gpu-compositing',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-quic',
  '--force-device-scale-factor=1',
  '--hide-scrollbars',
];

/** A page that lives for seconds never earns back what the last compiler takes; what is computed is the same. */
const SHORT_LIVED = '--js-flags=--no-turbofan';

/** Divisions of the heads that tests work on, unless they say otherwise: a third of the vertices of the fine one. */
export const COARSE = 24;
export const FINE = 40;

export interface BrowserOptions {
  readonly width?: number;
  readonly height?: number;
  readonly dark?: boolean;
  /** Pixels of the screen to one of the page: half of them do for what is clicked, all for pictures. */
  readonly scale?: number;
  /** Divisions of heads: coarse ones do for what is clicked, fine ones for pictures and figures. */
  readonly fineness?: number;
  /** With every compiler a browser has, as it runs elsewhere. */
  readonly allCompilers?: boolean;
  /** A profile folder of an earlier browser, to come back to. */
  readonly profile?: string;
}

/** Longer than any machine takes; shorter by hand, to find what fails. */
const WAIT_MS = Number(process.env.MESHWORK_WAIT_MS ?? 400_000);

export class Browser {
  readonly downloads: string;

  private constructor(
    readonly driver: WebDriver,
    readonly profile: string,
    private readonly scale: number,
  ) {
    this.downloads = join(profile, 'downloads');
  }

  static async open(options: BrowserOptions = {}): Promise<Browser> {
    const { width = 1280, height = 800, dark = false } = options;
    const profile = options.profile ?? mkdtempSync(join(tmpdir(), 'meshwork-e2e-'));
    const settings = new chrome.Options();
    settings.setBinaryPath('/usr/bin/chromium');
    settings.addArguments(...FLAGS, `--window-size=${width},${height}`, `--user-data-dir=${profile}`);
    if (!options.allCompilers) settings.addArguments(SHORT_LIVED);
    settings.setUserPreferences({
      'download.default_directory': join(profile, 'downloads'),
      'download.prompt_for_download': false,
    });
    const prefs = new logging.Preferences();
    prefs.setLevel(logging.Type.PERFORMANCE, logging.Level.ALL);
    prefs.setLevel(logging.Type.BROWSER, logging.Level.ALL);
    settings.setLoggingPrefs(prefs);
    const driver = await new Builder()
      .forBrowser('chrome')
      .setChromeOptions(settings)
      .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
      .build();
    const browser = new Browser(driver, profile, options.scale ?? 0.5);
    await browser.size(width, height);
    // Before any page of ours runs; a blank page has no store.
    await browser.command('Page.addScriptToEvaluateOnNewDocument', {
      source: `try { localStorage.setItem('meshwork-fineness', '${options.fineness ?? COARSE}'); } catch {}`,
    });
    await driver.manage().setTimeouts({ script: WAIT_MS });
    await browser.theme(dark);
    return browser;
  }

  async theme(dark: boolean) {
    await this.command('Emulation.setEmulatedMedia', {
      features: [{ name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' }],
    });
  }

  /** Nothing turns and no transition runs: beads lie where they will stay. */
  async rests() {
    await this.until(
      `!document.querySelector('[data-moving=yes]') && document.getAnimations().every((a) => a.playState !== 'running')`,
      'the page to rest',
    );
  }

  command(name: string, params: object): Promise<unknown> {
    return (
      this.driver as unknown as { sendAndGetDevToolsCommand(n: string, p: object): Promise<unknown> }
    ).sendAndGetDevToolsCommand(name, params);
  }

  async size(width: number, height: number) {
    await this.command('Emulation.setDeviceMetricsOverride', {
      width,
      height,
      deviceScaleFactor: this.scale,
      mobile: false,
    });
  }

  async go(url: string) {
    await this.driver.get(url);
  }

  /** To a station of a plan: along the thread where that plan is open, so that what is worked out is kept; else by its address. */
  async station(url: string, plan: string, station: string) {
    const link = `.thread a[href="/plan/${plan}/${station}"]`;
    if (await this.has(link)) await this.script('document.querySelector(arguments[0]).click()', link);
    else await this.go(`${url}/plan/${plan}/${station}`);
    await this.until(`location.pathname === '/plan/${plan}/${station}'`, station);
  }

  script<T>(body: string, ...args: unknown[]): Promise<T> {
    return this.driver.executeScript<T>(body, ...args);
  }

  /** Waits until the script gives something true. */
  async until<T>(body: string, what: string, ms = WAIT_MS): Promise<T> {
    const end = Date.now() + ms;
    for (;;) {
      const value = await this.script<T>(`return (${body})`);
      if (value) return value;
      if (Date.now() > end) throw new Error(`waited ${ms} ms in vain for ${what}`);
      await new Promise((r) => setTimeout(r, 60));
    }
  }

  /** All that a table of the store holds. */
  async storedRows<T>(store: string): Promise<T[]> {
    return this.script<T[]>(
      `return new Promise((done) => {
        const asked = indexedDB.open('meshwork');
        asked.onsuccess = () => {
          const got = asked.result.transaction(arguments[0]).objectStore(arguments[0]).getAll();
          got.onsuccess = () => {
            asked.result.close();
            done(got.result);
          };
        };
      })`,
      store,
    );
  }

  /** What the browser's store holds is such that `test` of its records, called `all`, is true. */
  async untilStored(store: string, test: string, what: string) {
    await this.until(
      `new Promise((done) => {
        const asked = indexedDB.open('meshwork');
        asked.onsuccess = () => {
          const got = asked.result.transaction('${store}').objectStore('${store}').getAll();
          got.onsuccess = () => {
            const all = got.result;
            asked.result.close();
            done(${test});
          };
        };
      })`,
      what,
    );
  }

  /** The plan on the screen is worked out. */
  async settled() {
    await this.until("document.querySelector('[data-ready=yes]')", 'the plan to be worked out');
  }

  async picture() {
    await this.until("document.querySelector('[data-picture=ready]')", 'the picture of the head');
  }

  find(css: string): Promise<WebElement> {
    return this.driver.findElement(By.css(css)) as unknown as Promise<WebElement>;
  }

  /** As soon as it is there. */
  byId(testId: string): Promise<WebElement> {
    return this.appears(`[data-testid="${testId}"]`);
  }

  async has(css: string): Promise<boolean> {
    return (await this.driver.findElements(By.css(css))).length > 0;
  }

  async appears(css: string): Promise<WebElement> {
    await this.until(`document.querySelector(${JSON.stringify(css)})`, css);
    return this.find(css);
  }

  async text(css: string): Promise<string> {
    return (await this.find(css)).getText();
  }

  /** What moves away under the pointer or is made anew meanwhile is found once more, as a hand does. */
  private async clicked(find: () => Promise<WebElement>) {
    const end = Date.now() + WAIT_MS;
    for (;;) {
      const element = await find();
      try {
        await element.click();
        return;
      } catch (error) {
        const moved = error instanceof Error && /Stale|Intercepted|NotInteractable/.test(error.name);
        if (!moved || Date.now() > end) throw error;
      }
      await new Promise((r) => setTimeout(r, 60));
    }
  }

  /** Clicks it as soon as it is there and may be clicked. */
  async click(css: string) {
    const selector = JSON.stringify(css);
    await this.clicked(() =>
      this.until<WebElement>(
        `(e => e && !e.disabled && e)(document.querySelector(${selector}))`,
        `${css} to be clicked`,
      ),
    );
  }

  /** Clicks the first button or link that reads so. */
  async press(words: string | RegExp) {
    const test = words instanceof RegExp ? words.toString() : `/^${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}/`;
    await this.clicked(async () => {
      const element = await this.until<WebElement>(
        `[...document.querySelectorAll('button, a')].find((b) => !b.disabled && ${test}.test(b.textContent.trim()) && (b.getClientRects().length > 0 || b.closest('.finding')))`,
        `a button that reads ${words}`,
      );
      // A finding is a line that opens, and what is in it comes into its place with the next picture.
      await this.script(
        `const f = arguments[0].closest('.finding');
         if (!f || f.open) return;
         f.open = true;
         return new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => { arguments[0].scrollIntoView({ block: 'center' }); done(); })));`,
        element,
      );
      return element;
    });
  }

  /** Keys go to it, as soon as it is there. */
  async focus(css: string) {
    await this.script('arguments[0].focus()', await this.appears(css));
  }

  /** All that a finding says: it is a line that opens. */
  async finding(code: string): Promise<string> {
    const element = await this.appears(`[data-finding="${code}"]`);
    await this.script('arguments[0].open = true', element);
    return element.getText();
  }

  /** Writes into a field and leaves it; one that is made anew meanwhile is found once more. */
  async write(testId: string, value: string) {
    const end = Date.now() + WAIT_MS;
    for (;;) {
      const field = await this.appears(`[data-testid="${testId}"]`);
      try {
        await this.script('arguments[0].scrollIntoView({ block: "center" })', field);
        await field.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.DELETE, value, Key.ENTER);
        return;
      } catch (error) {
        const moved = error instanceof Error && /Stale|NotInteractable/.test(error.name);
        if (!moved || Date.now() > end) throw error;
      }
      await new Promise((r) => setTimeout(r, 60));
    }
  }

  async choose(testId: string, value: string) {
    const select = await this.appears(`[data-testid="${testId}"]`);
    await this.script('arguments[0].scrollIntoView({ block: "center" })', select);
    await (await select.findElement(By.css(`option[value="${value}"]`))).click();
  }

  async keys(...keys: string[]) {
    await this.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  }

  /** With the Tab key, to the first element e that passes the test. */
  async tabTo(test: string, most = 120) {
    for (let i = 0; i < most; i++) {
      await this.keys(Key.TAB);
      if (await this.script<boolean>(`const e = document.activeElement; return Boolean(e && (${test}))`)) return;
    }
    throw new Error(`no focus on ${test} after ${most} tabs`);
  }

  /** Keys held together, the last one pressed while the others are down. */
  async chord(...keys: string[]) {
    const actions = this.driver.actions();
    for (const key of keys) actions.keyDown(key);
    for (const key of [...keys].reverse()) actions.keyUp(key);
    await actions.perform();
  }

  async drag(from: { x: number; y: number }, to: { x: number; y: number }, steps = 6, release = true) {
    await this.until(`!document.querySelector('[data-pen=loading]')`, 'the pen in hand');
    const actions = this.driver
      .actions({ async: true })
      .move({ x: Math.round(from.x), y: Math.round(from.y), duration: 0 })
      .press();
    for (let i = 1; i <= steps; i++) {
      actions.move({
        x: Math.round(from.x + ((to.x - from.x) * i) / steps),
        y: Math.round(from.y + ((to.y - from.y) * i) / steps),
        duration: 30,
      });
    }
    if (release) actions.release();
    await actions.perform();
  }

  async centre(css: string): Promise<{ x: number; y: number }> {
    return this.script(
      'const r = document.querySelector(arguments[0]).getBoundingClientRect(); return { x: r.x + r.width / 2, y: r.y + r.height / 2 };',
      css,
    );
  }

  /** How it looks is worked out too. */
  async looked() {
    await this.settled();
    await this.until("document.querySelector('[data-looked=yes]')", 'the look to be worked out');
  }

  /** The seven figures of the tally as they stand on the screen. */
  async figures(): Promise<Record<string, string>> {
    await this.looked();
    return this.script(
      `return Object.fromEntries([...document.querySelectorAll('[data-testid^="figure-"]')].map((e) => [e.dataset.testid.slice(7), e.textContent]))`,
    );
  }

  /** The newest download with this ending, once it is complete. */
  async download(ending: string): Promise<string> {
    const end = Date.now() + WAIT_MS;
    while (Date.now() < end) {
      const name = safeList(this.downloads).find((f) => f.endsWith(ending));
      if (name) return join(this.downloads, name);
      await new Promise((r) => setTimeout(r, 80));
    }
    throw new Error(`no download ending in ${ending}`);
  }

  /** Every address that was asked for, from the network log. */
  async requests(): Promise<string[]> {
    const entries = await this.driver.manage().logs().get(logging.Type.PERFORMANCE);
    return entries.flatMap((e) => {
      const { message } = JSON.parse(e.message);
      return message.method === 'Network.requestWillBeSent' ? [message.params.request.url as string] : [];
    });
  }

  /** What the page complained about, GPU chatter left out. */
  async complaints(): Promise<string[]> {
    const entries = await this.driver.manage().logs().get(logging.Type.BROWSER);
    return entries
      .filter((e) => e.level.value >= logging.Level.WARNING.value && !/GPU stall|GL Driver/.test(e.message))
      .map((e) => e.message);
  }

  async close() {
    await this.driver.quit();
    rmSync(this.profile, { recursive: true, force: true });
  }

  /** A window to go on in once what runs in this one is ended, in the midst of whatever it does. */
  async spare(): Promise<{ crash: () => Promise<void> }> {
    const here = await this.driver.getWindowHandle();
    await this.driver.switchTo().newWindow('window');
    const spare = await this.driver.getWindowHandle();
    await this.driver.switchTo().window(here);
    return {
      crash: async () => {
        await this.command('Page.crash', {}).catch(() => undefined);
        await this.driver.close();
        await this.driver.switchTo().window(spare);
      },
    };
  }

  /** Ends the browser the hard way, as a dying machine would: by its processes, which carry our profile folder. */
  async kill() {
    for (const pid of readdirSync('/proc').filter((n) => /^\d+$/.test(n))) {
      try {
        if (readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(this.profile)) process.kill(Number(pid), 'SIGKILL');
      } catch {
        // It ended meanwhile.
      }
    }
    await this.driver.quit().catch(() => undefined);
  }
}

function safeList(folder: string): string[] {
  try {
    return readdirSync(folder);
  } catch {
    return [];
  }
}

export { By, Key };
