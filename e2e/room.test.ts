/** The room she works in: what has how much of the screen, what the stage shows, and how she left it. */
import { describe, expect, inject, it } from 'vitest';
import { type Browser, Key } from './browser.ts';
import { onPlan } from './on-plan.ts';
import { withBrowser } from './with-browser.ts';

const url = inject('demoUrl');
let browser: Browser;

withBrowser((b) => {
  browser = b;
}, url);

const { station, undo } = onPlan(() => browser, url);

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

const box = (css: string) =>
  browser.script<Box>(
    `const { x, y, width, height } = document.querySelector(arguments[0]).getBoundingClientRect(); return { x, y, width, height };`,
    css,
  );

const SIZES = [
  [1280, 800],
  [1180, 820],
  [820, 1180],
  [390, 844],
] as const;

const sized = async (width: number, height: number) => {
  await browser.size(width, height);
  await browser.until(`innerWidth === ${width}`, 'the size');
};

/** Dark pixels in boxes of the screen, words and threads hidden: hair and head are darker than the room by day. */
async function darkIn(boxes: readonly Box[]): Promise<number[]> {
  await browser.script(
    `const s = document.createElement('style'); s.id = 'hush'; s.nonce = document.querySelector('meta[name=style-nonce]').content; s.textContent = '.told, .leader, .handle { visibility: hidden !important }'; document.head.append(s)`,
  );
  const png = await browser.driver.takeScreenshot();
  await browser.script(`document.getElementById('hush').remove()`);
  return browser.script<number[]>(
    `return new Promise((done) => {
      const image = new Image();
      image.onload = () => {
        const canvas = document.createElement('canvas');
        canvas.width = image.width; canvas.height = image.height;
        const ctx = canvas.getContext('2d', { willReadFrequently: true });
        ctx.drawImage(image, 0, 0);
        const k = image.width / innerWidth;
        done(arguments[1].map(({ x, y, width, height }) => {
          const { data } = ctx.getImageData(Math.round(k * x), Math.round(k * y), Math.max(1, Math.round(k * width)), Math.max(1, Math.round(k * height)));
          let dark = 0;
          for (let i = 0; i < data.length; i += 4) if (data[i] + data[i + 1] + data[i + 2] < 420) dark++;
          return dark;
        }));
      };
      image.src = 'data:image/png;base64,' + arguments[0];
    })`,
    png,
    boxes,
  );
}

const hairDrawn = async () => {
  await browser.looked();
  await browser.until(`Number(document.querySelector('[data-picture]').dataset.triangles) > 60000`, 'the hair');
  await browser.until(`document.querySelector('[data-picture]').dataset.drawn === 'rest'`, 'the picture at rest');
};

describe.each(SIZES)('at %i × %i', (width, height) => {
  it('thread, stage, weave, bench and tally have their room', async () => {
    await sized(width, height);
    for (const place of ['aim', 'measure', 'check', 'rows']) {
      await station(`demo-deep-part/${place}`);
      const [thread, stage, weave, bench, tally] = await Promise.all(
        ['.thread', '.stage', '.weave', '.bench', '.tally'].map(box),
      );
      expect(thread.height, place).toBeLessThanOrEqual(70);
      expect(weave.height, place).toBe(place !== 'rows' ? 48 : width > 560 && width < 900 ? 136 : 172);
      expect(tally.width, place).toBe(width);
      if (width > 560) expect(tally.y + tally.height, place).toBeLessThanOrEqual(height + 0.5);
      if (width > 900) {
        expect(bench.width, place).toBeGreaterThanOrEqual(340);
        expect(bench.width, place).toBeLessThanOrEqual(360);
        expect(bench.height, place).toBeGreaterThanOrEqual(600);
        if (place === 'aim' || place === 'check') expect(stage.height, place).toBeGreaterThanOrEqual(560);
      } else {
        expect(stage.height, place).toBeGreaterThanOrEqual(400);
        if (width > 560) expect(bench.height, place).toBeGreaterThanOrEqual(480);
        expect(bench.y, place).toBeGreaterThanOrEqual(weave.y + weave.height - 0.5);
      }
    }
  });

  // On a phone it stands below the stage.
  if (width > 560)
    it('all that is told of a knot stands on the stage', async () => {
      await sized(width, height);
      await station('demo-shoulder-curls/rows');
      await (await browser.byId('weave')).sendKeys(Key.END);
      const told = await browser.appears('.told p + p');
      const foot = await browser.script<number>(
        `return arguments[0].parentElement.lastElementChild.getBoundingClientRect().bottom`,
        told,
      );
      expect(foot).toBeLessThanOrEqual((await box('.strip')).y);
      await browser.keys(Key.ESCAPE);
    });

  it('no word lies over hair or head', async () => {
    await sized(width, height);
    for (const [place, layer] of [
      ['check', 'hair'],
      ['check', 'light'],
      ['rows', 'rows'],
    ]) {
      await station(`demo-shoulder-curls/${place}`);
      await browser.script(`document.querySelector('[data-testid=layer-${layer}]').click()`);
      if (layer === 'hair') await hairDrawn();
      else {
        await browser.looked();
        await browser.until(
          `Number(document.querySelector('[data-picture]').dataset.triangles) < 60000 && document.querySelector('[data-picture]').dataset.drawn === 'rest'`,
          'the head without hair',
        );
      }
      if (place === 'check') await browser.until(`document.querySelector('.told button, .told p')`, 'what is told');
      await browser.script(`scrollTo(0, 0)`);
      const words = await browser.script<Box[]>(
        `const out = [];
         for (const e of document.querySelectorAll('.told *')) {
           if (e.children.length > 0 && e.tagName !== 'P' || !e.textContent.trim() || e.closest('.sr-only')) continue;
           const range = document.createRange(); range.selectNodeContents(e);
           for (const { x, y, width, height } of range.getClientRects()) if (width > 2) out.push({ x, y, width, height });
         }
         return out;`,
      );
      // On a phone there is no hint, and what is told stands below.
      if (place === 'check' || width > 560) expect(words.length, `${place} ${layer}`).toBeGreaterThan(0);
      expect(Math.max(0, ...(await darkIn(words))), `${place} ${layer}`).toBe(0);
    }
    await browser.script(`document.querySelector('[data-testid=layer-rows]').click()`);
  });
});

describe('at the desk', () => {
  it('six tape measures stand in one view, also while a finding is there', async () => {
    await sized(1280, 800);
    await station('demo-deep-part/measure');
    const lines = await browser.script<Box[]>(
      `return [...document.querySelectorAll('.measure-line')].map((e) => { const { x, y, width, height } = e.getBoundingClientRect(); return { x, y, width, height }; })`,
    );
    const tool = await box('.bench-tool');
    expect(lines).toHaveLength(6);
    expect(lines[0].y).toBeGreaterThanOrEqual(tool.y);
    expect(lines[5].y + lines[5].height).toBeLessThanOrEqual(tool.y + tool.height);
  });

  it.each(['10 cm', '40 cm', '90 cm'])('all of the hair is in the picture when it is %s long', async (length) => {
    await sized(1280, 800);
    await station('demo-deep-part/hair');
    await browser.click('[data-part="packs"]');
    await browser.write('product-length', length);
    await browser.settled();
    await station('demo-deep-part/check');
    await browser.script(`document.querySelector('[data-testid=layer-hair]').click()`);
    for (const side of ['front', 'left', 'behind']) {
      await browser.press(new RegExp(`^look from ${side}`));
      await hairDrawn();
      const { x, y, width, height } = await box('.picture');
      const edges = [
        { x, y, width, height: 3 },
        { x, y, width: 3, height },
        { x: x + width - 4, y, width: 3, height },
        // Short hair ends above the foot of the picture, where the bust goes on.
        ...(length === '10 cm' ? [] : [{ x, y: y + height - 4, width, height: 3 }]),
      ];
      expect(await darkIn(edges), side).toEqual(edges.map(() => 0));
    }
    await station('demo-deep-part/hair');
    await undo();
  });

  it('goes closer with the wheel and with keys, and a word takes her back to the whole', async () => {
    await station('demo-shoulder-curls/check');
    await browser.script(`document.querySelector('[data-testid=layer-rows]').click()`);
    const lines = () => browser.script<string>(`return document.querySelectorAll('.picture canvas')[1].toDataURL()`);
    await browser.press(/^look from left/);
    const whole = await lines();
    await browser.script(
      `document.querySelector('.picture').dispatchEvent(new WheelEvent('wheel', { deltaY: -240, clientX: 500, clientY: 300, bubbles: true, cancelable: true }))`,
    );
    await browser.appears('[data-testid="whole"]');
    expect(await lines()).not.toBe(whole);
    await browser.click('[data-testid="whole"]');
    await browser.until(`!document.querySelector('[data-testid=whole]')`, 'the whole');
    expect(await lines()).toBe(whole);
    await browser.focus('.picture');
    await browser.keys('+', '+');
    await browser.appears('[data-testid="whole"]');
    await browser.keys('0');
    await browser.until(`!document.querySelector('[data-testid=whole]')`, 'the whole');
  });

  it('what the stage shows is hers for each station, and stays so', async () => {
    await station('demo-shoulder-curls/aim');
    const pressed = () =>
      browser.script<string>(`return document.querySelector('.strip [aria-pressed=true][data-testid]').dataset.testid`);
    expect(await pressed()).toBe('layer-hair');
    await browser.click('[data-testid="layer-base"]');
    await station('demo-shoulder-curls/base');
    expect(await pressed()).toBe('layer-base');
    await browser.click('[data-testid="layer-light"]');
    await station('demo-shoulder-curls/aim');
    expect(await pressed()).toBe('layer-base');
    await browser.untilStored('settings', `all.some((s) => s.key === 'room' && /light/.test(s.value))`, 'the room');
    await browser.go(`${url}/plan/demo-shoulder-curls/base`);
    await browser.settled();
    await browser.until(`document.querySelector('.strip [data-testid=layer-light][aria-pressed=true]')`, 'the layer');
    await browser.click('[data-testid="layer-base"]');
  });

  it('the cloth opens on a touch and on a key, and stays as she left it', async () => {
    const high = (px: number) =>
      browser.until(`document.querySelector('.weave').offsetHeight === ${px}`, `${px} px of cloth`);
    await station('demo-shoulder-curls/cap');
    await high(48);
    await browser.click('[data-testid="weave"]');
    await high(172);
    await station('demo-shoulder-curls/supply');
    await high(48);
    await (await browser.byId('weave')).sendKeys(Key.END);
    await high(172);
    await browser.click('[data-testid="fold"]');
    await high(48);
    await station('demo-shoulder-curls/cap');
    await high(172);
    await browser.click('[data-testid="fold"]');
  });
});

describe.each(SIZES)('at the mirror, %i × %i', (width, height) => {
  it('all of the card is in sight', async () => {
    await sized(width, height);
    await browser.go(`${url}/install/demo-install-half`);
    await browser.appears('[data-testid="knot-kind"]');
    const cut = () =>
      browser.script<number>(
        `const c = document.querySelector('section[aria-label="This knot"]'); return c.scrollHeight - c.clientHeight`,
      );
    for (let i = 0; i < 3; i++) {
      expect(await cut(), `step ${i}`).toBeLessThanOrEqual(0);
      await browser.click('[data-testid="next"]');
    }
    // The drawings of the hands are large enough to follow.
    const drawing = await box('section[aria-label="This knot"] ol svg');
    if (width > 1000) expect(drawing.width).toBeGreaterThanOrEqual(160);
    for (let i = 0; i < 2; i++) await browser.click('[data-testid="back"]');
  });
});
