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
