/** What an install may ask for beyond rows and a piece, said on the real screen. */
import { describe, expect, inject, it } from 'vitest';
import { type Browser, Key } from './browser.ts';
import { onPlan } from './on-plan.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;

withBrowser((b) => {
  browser = b;
}, url);

const { until, undo, station, part } = onPlan(() => browser, url);
/** A deed is on the screen, however long the machine takes for it. */
const isDeed = (words: string) => until(new RegExp(`^${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`), words);
const pieces = async () => Number((await browser.figures()).pieces);
const choice = async (value: string) => {
  await browser.click(`[data-choice="${value}"]`);
  await browser.settled();
};

describe('a row along the border', () => {
  it('is said, counted and timed, in its own piece; the rest stays; undone it is gone', async () => {
    await station('demo-shoulder-curls/rows');
    await part('rows');
    const before = await pieces();
    await choice('front');
    await isDeed('Row along the border: along the front');
    const told = await browser.text('[data-testid="border-figures"]');
    expect(told).toMatch(/^\d+ knots, \d+ % of all, \d+ min/);
    const count = Number(/^\d+/.exec(told)?.[0]);
    expect(await pieces()).toBeGreaterThan(before);
    expect(await pieces()).toBeLessThan(before + count);
    await browser.write('border-fingers', '0.5');
    await browser.settled();
    expect(Number(/^\d+/.exec(await browser.text('[data-testid="border-figures"]'))?.[0])).toBeGreaterThan(count);
    await browser.choose('border-when', 'first');
    await browser.settled();
    await part('order');
    await browser.until(
      `/The row along the border, from ear to ear/.test(document.querySelector('.bench').innerText)`,
      'the order',
    );
    const order = await browser.text('.bench');
    expect(order.indexOf('The row along the border')).toBeLessThan(order.indexOf('Row 1'));
    for (let i = 0; i < 3; i++) await undo();
    expect(await pieces()).toBe(before);
  });

  it('out of its limits is refused with a sentence', async () => {
    await part('rows');
    await choice('round');
    await browser.write('border-fingers', '40');
    expect(await browser.text('.bench [role="alert"]')).toMatch(/spacing along the border can be at most/i);
    await undo();
  });
});

describe('a wig for nobody’s base', () => {
  it('is said in Aim, sized by a size; base, own hair and marks are no longer asked, and nothing of them is counted', async () => {
    await station('demo-shoulder-curls/aim');
    const before = await browser.figures();
    await choice('head');
    await isDeed('For a head, not for me');
    await station('demo-shoulder-curls/measure');
    await browser.until(`/The head it is for/.test(document.querySelector('.bench').innerText)`, 'the head it is for');
    await choice('size');
    await isDeed('Sized by a size');
    await browser.choose('head-size', 'extraLarge');
    await isDeed('Head: extra large');
    const parts = await browser.script<string[]>(
      `return [...document.querySelectorAll('[data-part]')].map((p) => p.dataset.part)`,
    );
    expect(parts).toEqual(['hairline']);
    await station('demo-shoulder-curls/base');
    await browser.appears('[data-testid="no-base"]');
    expect(await browser.text('[data-testid="no-base"]')).toMatch(/Nothing is sectioned or tied/);
    const now = await browser.figures();
    expect(now.minutes).not.toBe(before.minutes);
    await browser.press(/^Say what it will be worn over/);
    await isDeed('What it will be worn over is given');
    expect(await browser.has('[data-testid="no-base"]')).toBe(false);
    await undo();
  });

  it('no station speaks of a scalp, a skin or own hair that is not under it', async () => {
    const spoken: Record<string, string> = {};
    for (const path of ['cap', 'hair', 'check', 'supply', 'install', 'takedown']) {
      await station(`demo-shoulder-curls/${path}`);
      if (path === 'check') await part('load');
      await browser.until("document.querySelector('.bench').innerText.length > 100", `words at ${path}`);
      spoken[path] = await browser.text('.bench');
    }
    for (const [path, words] of Object.entries(spoken)) {
      expect(words.length, path).toBeGreaterThan(40);
      expect(words, path).not.toMatch(/scalp|the skin|your own hair|over the base|the anchors/i);
    }
    expect(spoken.check).toMatch(/What bears it is judged once you say what it will be worn over/);
    expect(spoken.takedown).toMatch(/the net stays whole/);
  });

  it('is filled in the hand, has a U that comes open, combs round it and one where she sets it', async () => {
    await station('demo-shoulder-curls/cap');
    await browser.choose('filled-on', 'hand');
    await isDeed('Filled in the hand');
    await part('opening');
    await choice('openU');
    await isDeed('Opening: a U that comes open');
    await part('hold');
    await browser.press(/^round the opening/);
    await isDeed('Combs round the opening');
    await browser.click('[data-testid="set-comb"]');
    await (await browser.appears('[data-bead="comb"]')).sendKeys(Key.ENTER);
    await isDeed('A comb set on the head');
    expect(await browser.text('[aria-label="Combs at places of your own"]')).toMatch(/Comb 1/);
    await station('demo-shoulder-curls/rows');
    await part('order');
    await browser.until(`/Take the cap over your hand/.test(document.querySelector('.bench').innerText)`, 'the order');
    expect(await browser.text('.bench')).toMatch(/What will hold it: combs round the opening, at 1 place of your own/);
    for (let i = 0; i < 7; i++) await undo();
    await station('demo-shoulder-curls/measure');
    expect(await browser.text('.bench')).toMatch(/Your head/);
  });
});

describe('into the base itself', () => {
  it('ties and plaits carry pieces: counted, told, chosen on the head, in the order; undone they are gone', async () => {
    await station('demo-crown-twists/rows');
    await part('rows');
    const before = await pieces();
    await browser.choose('add-into', 'root');
    await isDeed('Pieces into tied roots');
    const told = () => browser.text('[data-testid="into-b1"]');
    expect(await told()).toMatch(/24 pieces in 12 sections, up to [\d.]+ g in one/);
    expect(await pieces()).not.toBe(before);
    await browser.write('into-pieces', '1');
    await isDeed('Into tied roots: 1 in each');
    expect(await told()).toMatch(/12 pieces in 12 sections/);
    await browser.click('[data-testid="into-sections-b1"] summary');
    await browser.press(/^Choose ties on the head/);
    await browser.click('[data-bead="tie-b3"]');
    await isDeed('Into tied roots: 11 of the sections');
    expect(await told()).toMatch(/11 pieces in 11 sections/);
    await browser.choose('add-into', 'beside');
    await isDeed('Pieces beside a plait or twist');
    await part('order');
    await browser.until(`/Into tied roots/.test(document.querySelector('.bench').innerText)`, 'the order');
    const order = await browser.text('.bench');
    expect(order.indexOf('Into tied roots')).toBeLessThan(order.search(/Rows? 1\b/));
    expect(order).toMatch(/Beside a plait or twist: \d+ of them/);
    for (let i = 0; i < 4; i++) await undo();
    expect(await pieces()).toBe(before);
  });

  it('where there is nothing to go into it says why, and one tap takes it out', async () => {
    await part('rows');
    await browser.choose('add-into', 'round');
    await isDeed('Pieces round a coil or puff');
    expect(await browser.text('[data-testid="into-b1"]')).toMatch(/No section is coiled where it is tied/);
    await browser.press(/^take out/);
    await isDeed('No pieces round a coil or puff');
    expect(await browser.has('[data-testid="into-b1"]')).toBe(false);
    for (let i = 0; i < 2; i++) await undo();
  });

  it('more than a finger’s count is refused with a sentence', async () => {
    await browser.choose('add-into', 'root');
    await browser.settled();
    await browser.write('into-pieces', '40');
    expect(await browser.text('.bench [role="alert"]')).toMatch(/pieces in each tied root can be at most/i);
    await undo();
  });
});

describe('more than one part', () => {
  it('a second one to flip to: laid, dragged by its bead, flipped in Check; then one that is only worn', async () => {
    await station('demo-deep-part/rows');
    await part('gap');
    const before = await pieces();
    await choice('two');
    await until(/^Second part: /, 'the second part');
    expect(await pieces()).not.toBe(before);
    await browser.press(/^look from top/);
    await (await browser.appears('[data-bead="second-front"]')).sendKeys(Key.ARROW_LEFT);
    await until(/^Second part moved \d+ mm/, 'the second part moved');
    await part('order');
    await browser.until(`/Draw both parts on the net/.test(document.querySelector('.bench').innerText)`, 'the order');
    await station('demo-deep-part/check');
    await browser.looked();
    await browser.choose('pose', 'flipped');
    await browser.looked();
    expect(await browser.text('.bench')).toMatch(/flipped to the second part/);
    await station('demo-deep-part/rows');
    await part('gap');
    await choice('worn');
    await isDeed('The part only when worn');
    await part('order');
    await browser.until(`/Comb the part in/.test(document.querySelector('.bench').innerText)`, 'the order');
    for (let i = 0; i < 3; i++) await undo();
    expect(await pieces()).toBe(before);
  });

  it('lines of the base stay free', async () => {
    await station('demo-crown-twists/rows');
    await part('rows');
    await choice('free');
    await isDeed('Lines stay free');
    await undo();
  });
});

describe('one place otherwise', () => {
  it('is chosen by name, told what differs, and said in the reasons of its knots', async () => {
    await part('knots');
    await browser.choose('add-place', 'zone nape');
    await isDeed('Its own way: nape');
    await browser.settled();
    await browser.choose('place-through', 'everywhere');
    await browser.settled();
    await browser.choose('place-pass', 'windows');
    await browser.settled();
    expect(await browser.text('[data-testid="place-s1"]')).toMatch(/Hair with net everywhere; Windows/);
    const knots = Number(/(\d+) knots/.exec(await browser.text('[data-testid="place-s1"]'))?.[1]);
    expect(knots).toBeGreaterThan(5);
    await part('order');
    await browser.until(`/Look at the windows/.test(document.querySelector('.bench').innerText)`, 'the order');
    await part('knots');
  });

  it('gives way again, and everything is as it was', async () => {
    await browser.click('[aria-label="Nape: as the rest again"]');
    await browser.settled();
    expect(await browser.has('[data-testid="place-s1"]')).toBe(false);
    for (let i = 0; i < 4; i++) await undo();
  });

  it('is painted on the head, twice', async () => {
    await browser.click('[data-testid="paint-place"]');
    const middle = await browser.centre('.stage');
    await browser.drag({ x: middle.x + 40, y: middle.y - 60 }, { x: middle.x + 100, y: middle.y - 20 }, 8);
    await isDeed('Place painted');
    await browser.settled();
    const count = async () => Number(/(\d+) knots?/.exec(await browser.text('[data-testid="place-s1"]'))?.[1]);
    const first = await count();
    expect(first).toBeGreaterThan(1);
    await browser.drag({ x: middle.x, y: middle.y + 10 }, { x: middle.x + 70, y: middle.y + 30 }, 8);
    await browser.until(
      `Number(/(\\d+) knots?/.exec(document.querySelector('[data-testid="place-s1"]').innerText)[1]) > ${first}`,
      'the place to grow',
    );
    await undo();
    expect(await count()).toBe(first);
    await undo();
    expect(await browser.has('[data-testid="place-s1"]')).toBe(false);
  });
});

describe('rows that were there', () => {
  it('are drawn with a finger, copied, mirrored, and told where an end lies', async () => {
    await station('demo-swept-coils/base');
    await part('way');
    await browser.choose('family', 'found');
    await browser.settled();
    await browser.click('[data-testid="draw-row"]');
    const middle = await browser.centre('.stage');
    await browser.drag({ x: middle.x - 20, y: middle.y - 120 }, { x: middle.x, y: middle.y + 20 }, 8);
    await isDeed('Row entered');
    await browser.settled();
    await browser.press('Row 1');
    await browser.press('Copy to the left');
    await isDeed('Row 1 copied to the left');
    await browser.settled();
    await browser.choose('found-end', 'wrapped');
    await browser.settled();
    expect(await browser.text('[data-testid="found-row1"]')).toMatch(/end wrapped round and pinned/);
    await browser.click('[data-testid="mirror-rows"]');
    await until(/rows? mirrored$/, 'the deed');
    await browser.settled();
    expect(await browser.has('[data-testid="found-row3"]')).toBe(true);
    await browser.press('Take it out');
    await isDeed('Row 1 taken out');
    await browser.settled();
  });

  it('ready-made ones of a cap over them: each on or off', async () => {
    await station('demo-swept-coils/cap');
    await part('kind');
    await browser.choose('own-rows', 'back');
    await browser.settled();
    await station('demo-swept-coils/rows');
    await part('rows');
    await choice('found');
    await choice('both');
    const before = await pieces();
    const first = '[data-testid="lines-there"] button';
    expect(await (await browser.appears(first)).getAttribute('aria-checked')).toBe('true');
    await browser.click(first);
    await until(/: off$/, 'the deed');
    await browser.settled();
    expect(await (await browser.find(first)).getAttribute('aria-checked')).toBe('false');
    expect(await pieces()).not.toBe(before);
    await undo();
    expect(await pieces()).toBe(before);
  });
});

describe('stages', () => {
  it('two dressings, half opened before, hair tied down: each in the order, waiting apart', async () => {
    await station('demo-swept-coils/hair');
    await part('cuts');
    await browser.choose('opened', 'halfBefore');
    await browser.choose('dressed', 'set');
    await browser.choose('dressed-again', 'plaited');
    await browser.settled();
    await station('demo-swept-coils/rows');
    await part('order');
    await browser.appears('[data-testid="set-minutes"]');
    await browser.write('set-minutes', '20');
    await isDeed('Tied down for 20 minutes');
    await browser.settled();
    const order = await browser.text('[data-testid="worklist"]');
    expect(order).toMatch(/Open the rest of whole pieces/);
    expect(order).toMatch(/plaited to the ends/);
    expect(order).toMatch(/Then 20 min waiting/);
    expect(order).toMatch(/Have ready: a smooth scarf/);
    expect(order.indexOf('set on rollers')).toBeLessThan(order.indexOf('plaited to the ends'));
    for (let i = 0; i < 4; i++) await undo();
  });

  it('a strand with a job is counted, told, and taken out again', async () => {
    const before = await pieces();
    await browser.choose('add-strand', 'wrapTie');
    await browser.settled();
    expect(await pieces()).toBe(before + 1);
    expect(await browser.text('[data-testid="worklist"]')).toMatch(/Wrap the tie with one piece/);
    await browser.write('strand-count-wrapTie', '3');
    await browser.settled();
    expect(await pieces()).toBe(before + 3);
    await browser.click('[aria-label="None that wraps a tie"]');
    await browser.settled();
    expect(await pieces()).toBe(before);
  });
});
