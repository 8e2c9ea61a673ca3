/** What a test does at any station of a plan: go there, read the last deed, take it back, open a part of the bench. */
import { type Browser, Key } from './browser.ts';

/** @param browser the one that is open when a test runs */
export function onPlan(browser: () => Browser, url: string) {
  return {
    deed: () => browser().text('[data-testid="last-deed"]'),
    undo: async () => {
      await browser().script('document.activeElement?.blur()');
      await browser().chord(Key.CONTROL, 'z');
      await browser().settled();
    },
    /** The deed is done, and what comes of it is worked out. */
    until: async (pattern: RegExp, what: string) => {
      await browser().until(`${pattern}.test(document.querySelector('[data-testid=last-deed]').textContent)`, what);
      await browser().settled();
    },
    station: async (path: string) => {
      const [plan, station] = path.split('/');
      await browser().station(url, plan, station);
      await browser().settled();
      await browser().picture();
    },
    part: (id: string) => browser().click(`[data-part="${id}"]`),
    bead: (name: string) => browser().centre(`[data-bead="${name}"]`),
  };
}
