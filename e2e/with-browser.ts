/** One browser for the tests of a file or a block: opened before them, closed after them. */
import { afterAll, beforeAll } from 'vitest';
import { Browser, type BrowserOptions } from './browser.ts';

/** @param url where it starts, if anywhere; the plan there is worked out and its head drawn before the first test. */
export function withBrowser(take: (browser: Browser) => void, url?: string, options?: BrowserOptions) {
  let browser: Browser | undefined;
  beforeAll(async () => {
    browser = await Browser.open(options);
    take(browser);
    if (url === undefined) return;
    await browser.go(url);
    await browser.settled();
    await browser.picture();
  });
  afterAll(async () => {
    await browser?.close();
  });
}
