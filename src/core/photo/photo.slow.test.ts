/** What a photo shows, against photos of which it is known, a library of images, and tables of colours. */
import { converter } from 'culori';
import { describe, expect, it } from 'vitest';
import { type PhotoWish, photoOf } from '../../demo/camera.ts';
import { demoPlans } from '../../demo/plans.ts';
import { headInputs, planInputs } from '../../model/to-inputs.ts';
import { guessesFromPhoto } from '../plan/ask/guesses-from-photo.ts';
import { capOutside, look, planGraph, plan as planStage } from '../plan/index.ts';
import { labInto } from './lab.ts';
import { measurePhoto, type PhotoAsked } from './measure.ts';
import { layHead, placesOf, scalpMask } from './region.ts';

const labOf = (rgb: readonly number[]) => {
  const out = [0, 0, 0];
  labInto(rgb, 0, out, 0);
  return out;
};

describe('CIELAB', () => {
  it.each([
    // B. Lindbloom's calculator, sRGB under D65 (from memory).
    ['red', [255, 0, 0], [53.24, 80.09, 67.2]],
    ['green', [0, 255, 0], [87.73, -86.18, 83.18]],
    ['blue', [0, 0, 255], [32.3, 79.19, -107.86]],
    ['white', [255, 255, 255], [100, 0, 0]],
    ['black', [0, 0, 0], [0, 0, 0]],
    ['middle grey', [119, 119, 119], [50.03, 0, 0]],
  ] as const)('of %s is as published', (_, rgb, lab) => {
    labOf(rgb).forEach((v, i) => {
      expect(Math.abs(v - lab[i])).toBeLessThan(0.1);
    });
  });

  it('agrees with culori over the cube of colours', () => {
    const lab65 = converter('lab65');
    for (let r = 0; r < 256; r += 17)
      for (let g = 0; g < 256; g += 51)
        for (let b = 0; b < 256; b += 51) {
          const theirs = lab65({ mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 });
          const ours = labOf([r, g, b]);
          expect(Math.abs(ours[0] - theirs.l)).toBeLessThan(0.15);
          expect(Math.abs(ours[1] - theirs.a)).toBeLessThan(0.3);
          expect(Math.abs(ours[2] - theirs.b)).toBeLessThan(0.3);
        }
  });
});

const graph = planGraph();
const [plan] = demoPlans;
const inputs = planInputs(plan, 32);
const cap = capOutside(headInputs(plan, 32));

function taken(wish: PhotoWish) {
  const photo = photoOf(graph, plan, cap, wish, 32);
  const places = placesOf('crownNape', wish.side, graph.ask({ inputs }).of(planStage).head.landmarks);
  const laid = layHead(wish.side, places, photo.taps);
  const mask = scalpMask(cap, wish.side, laid, photo.width, photo.height);
  return { photo, mask };
}

const asked = ({ photo, mask }: ReturnType<typeof taken>, more: Partial<PhotoAsked> = {}): PhotoAsked => ({
  ...photo,
  mask,
  ...more,
});

describe('against the truth of the stand-in', () => {
  it.each<[string, PhotoWish]>([
    ['from behind, half in', { side: 'behind', knotsIn: 90, under: 'whiteBlock' }],
    ['from behind, a few in', { side: 'behind', knotsIn: 40, under: 'whiteBlock' }],
    ['a head that leans', { side: 'behind', knotsIn: 90, tilt: 0.2, under: 'whiteBlock' }],
    ['light from one side', { side: 'behind', knotsIn: 90, lightFall: 0.6, under: 'whiteBlock', contrast: 0.5 }],
    ['colours that are near', { side: 'behind', knotsIn: 90, under: 'whiteBlock', contrast: 0.2, grain: 2 }],
    ['grainy', { side: 'behind', knotsIn: 90, grain: 12, under: 'whiteBlock' }],
    ['from her left', { side: 'left', knotsIn: 110, under: 'whiteBlock' }],
    ['from her right', { side: 'right', knotsIn: 110, under: 'whiteBlock', seed: 3 }],
    ['all in', { side: 'behind', under: 'whiteBlock' }],
  ])('%s: within three points', (_, wish) => {
    const shot = taken(wish);
    const found = measurePhoto(asked(shot));
    expect(found.state).toBe('measured');
    if (found.state !== 'measured') return;
    expect(Math.abs(found.shown - shot.photo.truth)).toBeLessThan(0.03);
    expect(found.range[0]).toBeLessThanOrEqual(shot.photo.truth);
    expect(found.range[1]).toBeGreaterThanOrEqual(shot.photo.truth);
  });

  it('says that it can’t tell where no eye could: black on a black net, and two colours that are one', () => {
    for (const wish of [{ contrast: 0 }, { contrast: 0.5 }, { under: 'darkBlock', contrast: 0.3 }] as const) {
      const shot = taken({ side: 'behind', knotsIn: 90, ...wish });
      expect(measurePhoto(asked(shot)).state).toBe('cantTell');
    }
  });

  it('a place tapped as hair and one as a gap do for more than a guess, and tell none where there is none', () => {
    const half = taken({ side: 'behind', knotsIn: 90, under: 'whiteBlock', contrast: 0.3 });
    const tap = (isGap: boolean): [number, number] => {
      const { width, pixels } = half.photo;
      const wanted = isGap ? Math.max : Math.min;
      let best = -1;
      for (let i = 0; i < half.mask.length; i++) {
        if (!half.mask[i] || i % width < width * 0.4 || i % width > width * 0.6) continue;
        if (best < 0 || wanted(pixels[4 * i], pixels[4 * best]) === pixels[4 * i]) best = i;
      }
      return [best % width, Math.floor(best / width)];
    };
    const found = measurePhoto(asked(half, { hair: tap(false), gap: tap(true) }));
    expect(found.state).toBe('measured');
    const whole = taken({ side: 'behind', under: 'worn', grain: 1 });
    // A gap tapped elsewhere, on the wall beside the head, say: nothing on the head is of that colour.
    expect(measurePhoto(asked(whole)).state).toBe('cantTell');
  });

  it('a general library of images parts the same pixels by its threshold of Otsu', async () => {
    const { Image } = await import('image-js');
    const { photo, mask } = taken({ side: 'behind', knotsIn: 90, under: 'whiteBlock', lightFall: 0 });
    const image = new Image(photo.width, photo.height, { data: photo.pixels, colorModel: 'RGBA' });
    const theirs = image.grey().threshold({ algorithm: 'otsu' });
    let [gap, all] = [0, 0];
    for (let i = 0; i < mask.length; i++) {
      if (!mask[i]) continue;
      all++;
      gap += theirs.getBitByIndex(i);
    }
    const ours = measurePhoto(asked({ photo, mask }));
    expect(ours.state === 'measured' && Math.abs(ours.shown - gap / all)).toBeLessThan(0.03);
  });

  it('outlines lie round what shows: closed, inside the head, the larger the first', () => {
    const { photo, mask } = taken({ side: 'behind', knotsIn: 90, under: 'whiteBlock' });
    const found = measurePhoto(asked({ photo, mask }));
    const gaps = found.state === 'measured' ? found.gaps : [];
    expect(gaps.length).toBeGreaterThan(2);
    gaps.forEach(({ outline, share, centre }, i) => {
      if (i > 0) expect(share).toBeLessThanOrEqual(gaps[i - 1].share);
      expect(mask[Math.round(centre[1]) * photo.width + Math.round(centre[0])] >= 0).toBe(true);
      for (let k = 0; k < outline.length; k += 2) {
        const next = (k + 2) % outline.length;
        const step = Math.abs(outline[k] - outline[next]) + Math.abs(outline[k + 1] - outline[next + 1]);
        expect(step).toBe(1);
      }
    });
  });

  it('the head is found where it is, pixel for pixel nearly, however it leans', () => {
    for (const tilt of [0, -0.15, 0.3]) {
      const { photo, mask } = taken({ side: 'behind', tilt });
      let [both, either] = [0, 0];
      for (let i = 0; i < mask.length; i++) {
        both += mask[i] & photo.scalp[i];
        either += mask[i] | photo.scalp[i];
      }
      expect(both / either).toBeGreaterThan(0.98);
    }
  });

  it('two taps on one place are refused with a sentence', () => {
    const places = placesOf('crownNape', 'behind', graph.ask({ inputs }).of(planStage).head.landmarks);
    expect(() =>
      layHead('behind', places, [
        [100, 100],
        [104, 103],
      ]),
    ).toThrow(/tap them apart/);
  });
});

describe('guesses from a photo', () => {
  it('of a plan whose guesses were others come near to what they were, and forecast what was seen', () => {
    const wide = { ...inputs.guesses, ribbonWidthMm: inputs.guesses.ribbonWidthMm * 1.25 };
    const shown = graph.ask({ inputs, guesses: wide, knotsIn: 90 }).of(look).seen.behind;
    const found = guessesFromPhoto(
      graph,
      { inputs, knotsIn: 90 },
      { side: 'behind', shown, range: [shown - 0.03, shown + 0.03] },
    );
    expect(found.beyond).toBeUndefined();
    expect(Math.abs(found.after - shown)).toBeLessThan(0.02);
    expect(Math.abs(found.before - shown)).toBeGreaterThan(Math.abs(found.after - shown));
    expect(found.guesses.ribbonWidthMm).toBeGreaterThan(inputs.guesses.ribbonWidthMm);
    for (const g of ['ribbonWidthMm', 'opacity'] as const) {
      expect(found.range[g][0]).toBeLessThanOrEqual(found.guesses[g]);
      expect(found.range[g][1]).toBeGreaterThanOrEqual(found.guesses[g]);
    }
  });

  it('says so where no guess can show so much', () => {
    const found = guessesFromPhoto(graph, { inputs }, { side: 'behind', shown: 0.9, range: [0.85, 0.95] });
    expect(found.beyond).toBe('more');
  });
});
