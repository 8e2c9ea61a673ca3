/** The log on the real screen: styles searched and sorted, two on linked heads, the next plan, hands that learn; from the last knot on by keys alone. */
import { describe, expect, inject, it } from 'vitest';
import type { LogEntry } from '../src/model/install-log.ts';
import type { PlanDocument } from '../src/model/plan.ts';
import type { DeedsRecord, PlanRecord } from '../src/store/database.ts';
import { soundEverywhere } from './axe.ts';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;
withBrowser((b) => {
  browser = b;
}, url);

const atLog = async (plan = 'demo-swept-coils') => {
  await browser.go(`${url}/plan/${plan}/log`);
  await browser.settled();
  await browser.appears('[data-testid="logbook"][data-folding="0"] [data-style]');
};
const names = () =>
  browser.script<string[]>(`return [...document.querySelectorAll('[data-style]')].map((r) => r.dataset.style)`);
const plans = () => browser.storedRows<PlanRecord>('plans');
const plan = async (id: string): Promise<PlanDocument> =>
  (await plans()).find((p) => p.id === id)?.history.present.plan as PlanDocument;

describe('all styles', () => {
  it('are read row by row once, and shown with their figures', async () => {
    await atLog();
    expect(await names()).toEqual(['demo-log-1', 'demo-log-past-3', 'demo-log-past-2', 'demo-log-past-1']);
    const styles = await browser.storedRows<DeedsRecord>('deeds');
    expect(styles.length).toBeGreaterThanOrEqual(4);
    for (const s of styles) expect(s.rows.reduce((n, r) => n + r.timedKnots, 0)).toBeGreaterThan(20);
    expect(await browser.script(`return document.querySelectorAll('[data-testid=multiples] figure').length`)).toBe(5);
  });

  it('are searched by what she wrote, and sorted by any figure', async () => {
    await browser.write('log-search', 'mixed');
    await browser.until(`document.querySelectorAll('[data-style]').length === 1`, 'one style');
    expect(await names()).toEqual(['demo-log-past-2']);
    await browser.write('log-search', 'nothing of the kind');
    await browser.until(`/speaks of/.test(document.querySelector('.log-table').textContent)`, 'to be told of none');
    await browser.write('log-search', '');
    await browser.until(`document.querySelectorAll('[data-style]').length === 4`, 'all styles');
    await browser.click('[data-testid="sort-days"]');
    await browser.until(`/days worn/.test(document.querySelector('th[aria-sort]').textContent)`, 'the order');
    const days = () =>
      browser.script<number[]>(
        `return [...document.querySelectorAll('[data-style] td:nth-of-type(2)')].map((c) => Number(c.textContent))`,
      );
    const sorted = [...(await days())].sort((a, b) => b - a);
    expect([sorted, [...sorted].reverse()]).toContainEqual(await days());
  });

  it('two of them stand on heads that turn as one', async () => {
    await browser.click('[data-style="demo-log-past-2"] .tickbox');
    await browser.click('[data-style="demo-log-past-3"] .tickbox');
    await browser.click('[data-testid="compare-both"]');
    await browser.until(`document.querySelectorAll('.compare canvas[data-picture=ready]').length === 3`, 'three heads');
    expect(await browser.text('.compare')).toMatch(/Shoulder curls[\s\S]*Swept-back coils/);
    await browser.click('[data-testid="compare-back"]');
    await browser.appears('[data-testid="log-search"]');
  });
});

describe('one style', () => {
  it('is shown row by row; what she would change is kept, and can be put right', async () => {
    await atLog();
    await browser.click('[data-style="demo-log-past-1"] .style-name');
    await browser.until(`/Twists/.test(document.querySelector('[data-testid=log-entry]').textContent)`, 'the style');
    await browser.click('[data-testid="row-by-row"] summary');
    expect(await browser.text('[data-testid="row-by-row"]')).toMatch(/→/);
    await browser.click('[data-testid="wish-shorter"]');
    await browser.untilStored('log', `all.some((e) => e.wishes?.includes('shorter'))`, 'the wish');
    const line = await browser.appears('[data-testid="style-line"]');
    await line.sendKeys(' Too heavy.', Key.TAB);
    await browser.untilStored('log', `all.some((e) => e.wishes?.includes('tooHeavy'))`, 'what the line says');
    await browser.choose('style-enough', '0.9');
    await browser.untilStored('log', `all.some((e) => e.id === 'demo-log-past-1' && e.enough === 0.9)`, 'the hair');
    const [entry] = (await browser.storedRows<LogEntry>('log')).filter((e) => e.id === 'demo-log-past-1');
    expect(entry.line).toMatch(/neck hurt.*Too heavy\.$/);
    expect(entry.wishes).toEqual(['lessBehind', 'tooLong', 'shorter', 'tooHeavy']);
  });
});

describe('next time', () => {
  it('each change tells its effect; one tap takes it into a plan of its own, with undo there', async () => {
    await atLog();
    const before = await plan('demo-swept-coils');
    await browser.click('[data-part="next"]');
    await browser.appears('[data-testid="proposal-wish-lessNape"]');
    await browser.until(
      `![...document.querySelectorAll('.proposals li')].some((l) => /Working it out/.test(l.textContent))`,
      'all effects',
    );
    const told = await browser.text('.proposals');
    expect(told).toMatch(/You said: wider at the nape/);
    expect(told).toMatch(/fewer|less|shorter/);
    await browser.click('[data-testid="take-wish-lessNape"]');
    await browser.appears('[data-testid="next-plan"]');
    await browser.until(`!document.querySelector('[data-testid=take-wish-lessNape]')`, 'it to be taken');
    await browser.click('[data-testid="take-pace"]');
    await browser.until(`!document.querySelector('[data-testid=take-pace]')`, 'the second one');
    await browser.click('[data-testid="next-plan"]');
    await browser.until(`/, next/.test(document.title)`, 'the next plan');
    await browser.settled();
    const id = await browser.script<string>(`return location.pathname.split('/')[2]`);
    const next = await plan(id);
    expect(next.spacing.fingers.nape).toBeGreaterThan(1.5);
    expect(next.ownPace?.knots).toBeGreaterThan(300);
    await browser.chord(Key.CONTROL, 'z');
    await browser.untilStored('plans', `all.some((p) => p.id === '${id}' && !p.history.present.plan.ownPace)`, 'undo');
    // The style that it follows is as it was.
    expect(await plan('demo-swept-coils')).toEqual(before);
  });
});

describe('hands', () => {
  const quantity = (name: string) => browser.text(`[data-quantity="${name}"]`);

  it('tell what they come from and how sure it is; this plan counts them in, and says what that changed', async () => {
    await atLog();
    await browser.click('[data-part="hands"]');
    await browser.appears('[data-testid="pace-learned"]');
    expect(await quantity('pace')).toMatch(/From \d+ knots in 4 styles[\s\S]*\d+ s \d+–\d+/);
    expect(await quantity('spacing')).toMatch(/From \d+ rows in 3 styles[\s\S]*On your right/);
    const before = await browser.figures();
    await browser.click('[data-testid="use-pace"]');
    await browser.settled();
    expect(await quantity('pace')).toMatch(/counts it in: .* common practice would tell/);
    expect((await browser.figures()).minutes).not.toBe(before.minutes);
    await browser.click('[data-testid="drop-pace"]');
    await browser.settled();
    expect(await browser.figures()).toEqual(before);
  });

  it('are left out, forgotten, or said by herself, one by one', async () => {
    await browser.click('[data-testid="off-spacing"]');
    await browser.until(
      `/Left out/.test(document.querySelector('[data-quantity=spacing]').textContent)`,
      'it to be left out',
    );
    await browser.click('[data-testid="off-spacing"]');
    await browser.appears('[data-testid="spacing-learned"]');
    await browser.click('[data-testid="forget-spacing"]');
    await browser.until(
      `/Forgotten/.test(document.querySelector('[data-quantity=spacing]').textContent)`,
      'it to be forgotten',
    );
    expect(await quantity('pace')).toMatch(/knots in/);
    await browser.click('[data-testid="forget-spacing"]');
    await browser.appears('[data-testid="spacing-learned"]');
    await browser.write('own-pace', '12');
    await browser.until(`/from 0.2 to 5/.test(document.querySelector('[data-quantity=pace]').textContent)`, 'why not');
    await browser.write('own-pace', '1.5');
    await browser.until(`/1.5 times/.test(document.querySelector('[data-quantity=pace]').textContent)`, 'her own');
    await browser.click('[data-testid="use-pace"]');
    await browser.untilStored(
      'plans',
      `all.some((p) => p.history.present.plan.ownPace?.factor === 1.5)`,
      'it in the plan',
    );
    await browser.chord(Key.CONTROL, 'z');
    await browser.settled();
  });
});

describe('from the last knot to the next plan, by keys alone', () => {
  it('hooks, finishes, writes a line, and takes a change over', async () => {
    await browser.go(`${url}/plan/demo-crown-twists/install`);
    await browser.settled();
    await browser.tabTo(`e.dataset.testid === 'begin-at-knots'`);
    await browser.keys(Key.ENTER);
    await browser.appears('[data-testid="knot-kind"]');
    const id = await browser.script<string>(`return location.pathname.split('/').at(-1)`);
    const touches = async () =>
      (await browser.storedRows<{ sessionId: string; kind: string }>('events')).filter((e) => e.sessionId === id)
        .length;
    while (!(await browser.has('[data-testid="finish"]'))) {
      const before = await touches();
      await browser.keys(...Array.from({ length: 10 }, () => ' '));
      await browser.untilStored('events', `all.filter((e) => e.sessionId === '${id}').length > ${before}`, 'a touch');
    }
    await browser.tabTo(`e.dataset.testid === 'finish'`);
    await browser.keys(Key.ENTER);
    await browser.appears('[data-testid="log-line"]');
    await browser.tabTo(`e.dataset.testid === 'log-line'`);
    await browser.keys('Less at the back.');
    await browser.tabTo(`e.dataset.testid === 'keep-log'`);
    await browser.keys(Key.ENTER);
    await browser.until(`!document.querySelector('[data-testid=keep-log]')`, 'the line to be kept');
    await browser.until(
      `document.querySelector('[data-testid=style-line]')?.value === 'Less at the back.'`,
      'the newest style',
    );
    await browser.tabTo(`e.dataset.part === 'style'`);
    await browser.keys(Key.ARROW_RIGHT);
    await browser.appears('[data-testid="proposal-wish-lessBehind"]');
    await browser.tabTo(`e.dataset.testid === 'take-wish-lessBehind'`);
    await browser.keys(Key.ENTER);
    await browser.appears('[data-testid="next-plan"]');
    await browser.tabTo(`e.dataset.testid === 'next-plan'`);
    await browser.keys(Key.ENTER);
    await browser.until(`/Twists from the crown, no cap, next/.test(document.title)`, 'the next plan');
    await browser.settled();
  });
});

describe('for everybody', () => {
  it.each(['style', 'next', 'hands'])('%s finds nothing wrong, by day and in the evening, on a phone', async (part) => {
    await soundEverywhere(browser, async () => {
      await atLog();
      await browser.click(`[data-part="${part}"]`);
      if (part === 'hands') await browser.appears('[data-testid="pace-learned"]');
    });
  });
});
