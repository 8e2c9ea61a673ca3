/** The first five minutes: only the one word onwards, from an empty store to an install that can begin. */
import { expect, inject, it } from 'vitest';
import { type Browser, Key } from './browser.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('plainUrl');
let browser: Browser;

withBrowser((b) => {
  browser = b;
});

const WAY = ['measure', 'base', 'cap', 'hair', 'rows', 'check', 'supply', 'install'];
const here = () => browser.script<string>(`return document.querySelector('.screen').dataset.station`);
const onwards = () => browser.appears('[data-testid="onward"] a');

it('leads a first-timer from station to station, by keys alone, and says what is only assumed', async () => {
  await browser.go(url);
  await browser.click('[data-testid="new-plan"]');
  await browser.click('[data-testid="from-nothing"]');
  await browser.settled();
  const assumed: string[] = [];
  for (const [i, station] of WAY.entries()) {
    expect(await here()).toBe(station);
    await browser.settled();
    if (i === WAY.length - 1) break;
    assumed.push(await browser.text('[data-testid="onward"]'));
    await (await onwards()).sendKeys(Key.ENTER);
    await browser.until(`document.querySelector('.screen').dataset.station === '${WAY[i + 1]}'`, WAY[i + 1]);
  }
  expect(assumed[0]).toMatch(/Still assumed: 6 of 6 measures are estimated/);
  expect(assumed[3]).toMatch(/A pack that is an example/);
  expect(assumed[5]).not.toMatch(/Still assumed/);
  expect(Number((await browser.figures()).pieces)).toBeGreaterThan(50);
  await browser.click('[data-testid="begin"]');
  // The order of work begins with her own hair.
  await browser.appears('[data-testid="step-what"]');
  expect(await browser.text('[data-testid="step-what"]')).toMatch(/^Comb out/);
});

it('ties the knot of a station behind her, and can open it again', async () => {
  await browser.driver.navigate().back();
  await browser.until(`document.querySelector('.screen')`, 'the plan');
  await browser.settled();
  const plan = await browser.script<string>(`return location.pathname.split('/')[2]`);
  await browser.station(url, plan, 'hair');
  await browser.settled();
  expect(await browser.text('[data-testid="onward"]')).toMatch(/On to rows and knots\s*Settled\. Open it again/);
  await browser.press(/^Settled\. Open it again/);
  await browser.settled();
  expect(await browser.text('[data-testid="onward"]')).toMatch(/Still assumed: A pack that is an example/);
});
