/** What axe finds wrong with a page. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Browser } from './browser.ts';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Violation {
  readonly id: string;
  readonly nodes: ReadonlyArray<{ readonly html: string; readonly failureSummary: string }>;
}

/** All that WCAG 2.2 AA asks for, and what axe holds for good practice. */
export const ALL = { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'] };
/** What a theme changes: the rest is the same page. */
export const CONTRAST = { runOnly: { type: 'rule', values: ['color-contrast'] } };

/** What a size changes: colours are the same. */
export const SIZED = { ...ALL, rules: { 'color-contrast': { enabled: false } } };

async function run(browser: Browser, options: object, within: string): Promise<string[]> {
  const found = await browser.driver.executeAsyncScript<Violation[]>(
    `const done = arguments[arguments.length - 1];
     window.axe.run(arguments[1], arguments[0]).then((r) => done(r.violations));`,
    options,
    within,
  );
  return found.flatMap((v) =>
    v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 140)} | ${n.failureSummary.slice(0, 200)}`),
  );
}

/** The page at rest: what moves is not where it will be. */
export async function violations(browser: Browser, options: object = ALL, within = 'html'): Promise<string[]> {
  if (!(await browser.script<boolean>('return Boolean(window.axe)'))) await browser.script(axe);
  await browser.rests();
  return run(browser, options, within);
}

/** By day and in the evening at a desk, and on a phone: the bench, or a page without one, stands in its width, and axe finds nothing. @param open the page, at rest */
export async function soundEverywhere(browser: Browser, open: () => Promise<void>): Promise<void> {
  for (const [isDark, width, height] of [
    [false, 1280, 800],
    [true, 1280, 800],
    [false, 390, 844],
  ] as const) {
    await browser.theme(isDark);
    await browser.size(width, height);
    await open();
    const overflow = await browser.script<number>(
      `const b = document.querySelector('.bench-tool') ?? document.documentElement; return b.scrollWidth - b.clientWidth`,
    );
    if (overflow !== 0) throw new Error(`${overflow} px too wide at ${width}`);
    const found = await violations(browser);
    if (found.length > 0) throw new Error(found.join('\n'));
  }
  await browser.theme(false);
  await browser.size(1280, 800);
}
