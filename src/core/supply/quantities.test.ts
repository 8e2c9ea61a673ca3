/** Packs, hours, weight, cover and cap size. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groundOf, NO_CAP, PLAIN_CUT, PLAIN_PRODUCT, REFERENCE_SCORES } from '../../../tests/helpers/heads.ts';
import { editSections, layBase } from '../base/base.ts';
import { DEFAULT_BASE } from '../base/choice.ts';
import { capSizeName, fitCap, girthOver } from '../cap/fit.ts';
import { hookedPiece, type Preparation } from '../hair/preparation.ts';
import type { Product } from '../hair/product.ts';
import { tapeReading } from '../head/tape.ts';
import { weigh } from '../load/weight.ts';
import { estimateTime } from '../time/estimate.ts';
import { knotSeconds } from '../time/seconds.ts';
import { takedownMinutes } from '../time/takedown.ts';
import { wholeMinutes } from '../time/whole-minutes.ts';
import { DEFAULT_CAP } from '../trade/caps.ts';
import { PACE_FACTOR, type Pace } from '../trade/pace.ts';
import { likelyAround } from '../trade/people.ts';
import { planSupply, supplyOf } from './packs.ts';

const packsFor = (knots: number, reserve: number, perPack: number, packPrice: number) => {
  const product = { ...PLAIN_PRODUCT, piecesPerPack: perPack, packPrice };
  return supplyOf(product, [{ piece: hookedPiece(product, PLAIN_CUT), knots, halves: false }], reserve);
};

describe('packs of a worked example', () => {
  const pack = (change: Partial<Product>) => ({ ...PLAIN_PRODUCT, piecesPerPack: 10, packPrice: 4, ...change });
  const whole = pack({ id: 'whole' });
  const lower = pack({ id: 'lower', lowerHalfOf: 'whole' });
  const cut = (product: Product, change: Partial<Preparation>) =>
    hookedPiece(product, { ...PLAIN_CUT, product: product.id, ...change });

  it('two twisted into one, seven in a pack: the last of a pack is finished from the next', () => {
    const odd = pack({ id: 'odd', piecesPerPack: 7, composed: 2 });
    const piece = cut(odd, {});
    // 20 of two are 40 single ones: six packs of seven, two single ones over.
    const supply = planSupply([odd], [{ piece, knots: 20, halves: false }], 0);
    expect([supply.piecesPerPack, supply.packs, supply.leftOver]).toEqual([3.5, 6, 1]);
  });

  it('one in a pack, two twisted into one: two packs a piece, and every figure is a number', () => {
    const single = pack({ id: 'single', piecesPerPack: 1, composed: 2 });
    const supply = planSupply([single], [{ piece: cut(single, {}), knots: 9, halves: false }], 0.1);
    expect([supply.packs, supply.reservePieces, supply.leftOver, supply.price]).toEqual([20, 1, 0, 80]);
    expect([...supply.packRange, ...supply.priceRange].every(Number.isFinite)).toBe(true);
  });

  it('the reserve is whole pieces, rounded up', () => {
    const supply = planSupply([whole], [{ piece: cut(whole, {}), knots: 101, halves: false }], 0.1);
    expect([supply.reservePieces, supply.packs, supply.leftOver]).toEqual([11, 12, 8]);
  });

  it('lower halves: as many as raw pieces were cut, whatever those are split into; they count in packs and in what is left', () => {
    const upper = { piece: cut(whole, { half: true, split: 2 }), knots: 40, halves: true };
    const under = { piece: cut(lower, {}), knots: 25, halves: false };
    const [ofWhole, ofLower] = planSupply([whole, lower], [upper, under], 0).lines;
    // 40 of a split in two are 20 raw pieces, so 20 lower halves lie about; five more raw pieces are cut for five more.
    expect([ofWhole.packs, ofWhole.leftOver]).toEqual([3, 10]);
    expect([ofLower.packs, ofLower.toBuy, ofLower.price, ofLower.leftOver]).toEqual([0, 0, 0, 0]);
  });

  it('lower halves of the reserve count, and those at hand come before any are cut', () => {
    const upper = { piece: cut(whole, { half: true }), knots: 20, halves: true };
    const under = { piece: cut(lower, {}), knots: 24, halves: false };
    // A fifth in reserve: 24 uppers are cut, 24 + 5 lowers wanted.
    const short = planSupply([whole, lower], [upper, under], 0.2).lines;
    expect([short[0].packs, short[1].reservePieces]).toEqual([3, 5]);
    const atHand = { ...lower, packsAtHand: 1 };
    const kept = planSupply([whole, atHand], [upper, { ...under, piece: cut(atHand, {}) }], 0.2);
    expect(kept.lines.map((l) => [l.packs, l.toBuy])).toEqual([
      [3, 3],
      [1, 0],
    ]);
    expect(kept.lines[0].leftOver).toBeGreaterThan(short[0].leftOver);
  });

  it('nothing is bought that packs at hand hold; hooked, reserve and left over add up to what the packs give', () => {
    const owned = pack({ id: 'owned', packsAtHand: 4 });
    const [line] = planSupply([owned], [{ piece: cut(owned, {}), knots: 31, halves: false }], 0.15).lines;
    expect([line.packs, line.toBuy, line.price]).toEqual([4, 0, 0]);
    expect(line.pieces + line.reservePieces + line.leftOver).toBe(40);
  });
});

describe('packs', () => {
  it('are whole, hold every knot and the reserve, and not one pack more', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 900 }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.integer({ min: 1, max: 200 }),
        (knots, reserve, perPack) => {
          const s = packsFor(knots, reserve, perPack, 7);
          const needed = knots + s.reservePieces;
          expect(s.packs * perPack).toBeGreaterThanOrEqual(needed);
          expect((s.packs - 1) * perPack).toBeLessThan(needed);
          expect(s.leftOver).toBe(s.packs * perPack - needed);
          expect(s.packRange[0]).toBeLessThanOrEqual(s.packs);
          expect(s.packRange[1]).toBeGreaterThanOrEqual(s.packs);
          expect(s.price).toBe(7 * s.packs);
        },
      ),
      { seed: 101 },
    );
  });

  it('164 knots at 48 a pack without reserve: 4 packs, 28 left over', () => {
    const s = packsFor(164, 0, 48, 11.5);
    expect([s.packs, s.leftOver, s.price]).toEqual([4, 28, 46]);
  });

  it('a reserve of a tenth of exactly 100 is 10, not 11', () => {
    expect(packsFor(100, 0.1, 10, 1).reservePieces).toBe(10);
  });
});

describe('hours', () => {
  const pieces = { loopHasToComeOff: false, secondsBefore: 0 };
  const seconds = (knot: Parameters<typeof knotSeconds>[0], pace: Pace, piece = pieces) =>
    PACE_FACTOR[pace] * knotSeconds(knot, piece, true);
  const wrap = (wraps: number) => ({ kind: 'wrap' as const, wraps, lock: false, through: 'net' as const });

  it('grow with wraps; one-leg and anchors are slower; practice is quicker', () => {
    expect(seconds(wrap(2), 'some')).toBeGreaterThan(seconds(wrap(1), 'some'));
    expect(seconds({ ...wrap(1), kind: 'oneLeg' }, 'some')).toBeGreaterThan(seconds(wrap(3), 'some'));
    expect(seconds({ ...wrap(1), kind: 'anchor' }, 'some')).toBeGreaterThan(seconds(wrap(1), 'some'));
    expect(seconds(wrap(1), 'practised') / seconds(wrap(1), 'firstTime')).toBeCloseTo(
      PACE_FACTOR.practised / PACE_FACTOR.firstTime,
      9,
    );
  });

  it('a practised worker hooks a plain knot through a net in 12 to 20 s, one-leg in 25 to 40, a beginner takes twice that (common practice, no source)', () => {
    for (const wraps of [1, 2, 3]) {
      expect(seconds(wrap(wraps), 'practised')).toBeGreaterThanOrEqual(12);
      expect(seconds(wrap(wraps), 'practised')).toBeLessThanOrEqual(20);
      expect(seconds(wrap(wraps), 'firstTime')).toBeCloseTo(2 * seconds(wrap(wraps), 'practised'), 9);
    }
    for (const through of ['net', 'hair'] as const)
      for (const loopHasToComeOff of [false, true]) {
        const s = seconds({ ...wrap(1), kind: 'oneLeg', through }, 'practised', { ...pieces, loopHasToComeOff });
        expect(s).toBeGreaterThanOrEqual(25);
        expect(s).toBeLessThanOrEqual(40);
      }
  });

  it('are the sum of what is done, with the factor by which people differ to either side', () => {
    const steps = [
      { group: 'cap', minutes: 8, waitMinutes: 0 },
      { group: 'prepare', minutes: 5, waitMinutes: 0 },
      { group: 'knots', minutes: 100, waitMinutes: 0 },
      { group: 'finish', minutes: 12, waitMinutes: 25 },
    ] as const;
    const t = estimateTime([30, 6], steps, 20);
    expect(t.totalMinutes).toBe(161);
    // Waiting is told beside it.
    expect(t.waitingMinutes).toBe(25);
    expect(t.totalMinutes).toBe(t.baseMinutes + t.capMinutes + t.prepareMinutes + t.knotMinutes + t.finishMinutes);
    expect(t.range[0]).toBeCloseTo(161 / 1.6, 9);
    expect(t.range[1]).toBeCloseTo(161 * 1.6, 9);
    expect(t.takedownMinutes).toBe(20);
  });

  it('narrow with her own pace, and never close', () => {
    const around = (knotsTimed: number) => likelyAround(100, { knotsTimed, paceSd: undefined });
    const widths = [0, 5, 20, 100, 1000].map((n) => around(n)[1] / around(n)[0]);
    for (let i = 1; i < widths.length; i++) expect(widths[i]).toBeLessThan(widths[i - 1]);
    expect(widths[4]).toBeGreaterThan(1);
  });

  it('are printed whole, and what is printed adds up to its printed sum', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { maxLength: 60 }), (minutes) => {
        const whole = wholeMinutes(minutes);
        const sum = (of: readonly number[]) => of.reduce((a, b) => a + b, 0);
        expect(sum(whole)).toBe(Math.round(sum(minutes)));
        whole.forEach((m, i) => {
          expect(Number.isInteger(m)).toBe(true);
          expect(Math.abs(m - minutes[i])).toBeLessThanOrEqual(1);
        });
      }),
      { seed: 11 },
    );
  });

  it('taking out is minutes with a cap, long without (common practice, no source)', () => {
    const knots = (through: 'net' | 'hair') => Array.from({ length: 120 }, () => ({ through }));
    expect(takedownMinutes(knots('net'), 16, true)).toBeLessThan(25);
    expect(takedownMinutes(knots('hair'), 16, false)).toBeGreaterThan(40);
  });
});

describe('cap and weight', () => {
  const ground = groundOf(REFERENCE_SCORES, 24);
  const base = layBase(ground, DEFAULT_BASE, editSections(ground, DEFAULT_BASE, { pointsMm: new Float64Array(0) }));

  it('a cap is chosen over the base, not over a bald head', () => {
    const cap = fitCap(DEFAULT_CAP, 566, 580, 360);
    expect([cap.bareSizeName, cap.sizeName]).toEqual(['medium', 'large']);
    expect([540, 560, 585, 640].map(capSizeName)).toEqual(['small', 'medium', 'large', 'extra large']);
    expect(fitCap(NO_CAP, 560, 570, 360).shareOfPull).toEqual([0, 0]);
  });

  it('a tape over an even layer reads 2π times its height more (closed form for a convex way)', () => {
    const bare = girthOver(ground.shape, ground.mesh, new Float64Array(ground.mesh.vertexCount));
    expect(Math.abs(bare - tapeReading(ground.shape, 'girth'))).toBeLessThan(0.5);
    // Only what lies on the scalp lifts it: the stretch over the temples and ears stays on skin.
    const lifted = girthOver(ground.shape, ground.mesh, new Float64Array(ground.mesh.vertexCount).fill(10));
    expect(lifted - bare).toBeLessThan(2 * Math.PI * 10 + 0.5);
    expect(lifted - bare).toBeGreaterThan(0.4 * 2 * Math.PI * 10);
  });

  it('a tape bridges what lies between two bumps', () => {
    const { mesh, mark } = ground;
    const bump = (x: number) =>
      Float64Array.from({ length: mesh.vertexCount }, (_, v) =>
        Math.abs(mesh.positionsMm[3 * v] - x) < 8 && mesh.positionsMm[3 * v + 2] < mark.occiput[2] + 40 ? 12 : 0,
      );
    const left = bump(45);
    const both = bump(-45).map((h, v) => Math.max(h, left[v]));
    const flat = new Float64Array(mesh.vertexCount);
    const girth = (h: Float64Array) => girthOver(ground.shape, mesh, h);
    expect(girth(left)).toBeGreaterThan(girth(flat));
    expect(girth(both)).toBeGreaterThan(girth(left));
  });

  it('every piece hangs on one section, and the net takes its share', () => {
    const bearing = Array.from({ length: 150 }, (_, i) => base.map.labels[(i * 17) % ground.mesh.vertexCount]);
    const load = weigh(bearing, new Float64Array(150).fill(1.4), () => false, base, fitCap(DEFAULT_CAP, 565, 580, 360));
    expect(load.massG).toBeCloseTo(210, 9);
    expect(load.sections.reduce((s, x) => s + x.pieces, 0)).toBe(150);
    for (const s of load.sections) {
      expect(s.onHairG[1]).toBeCloseTo(s.massG * 0.5, 9);
      expect(s.onHairG[0]).toBeCloseTo(s.massG * 0.1, 9);
    }
    expect(load.wetG[0]).toBeCloseTo(315, 9);
    // In a cut-out the net carries nothing.
    const bare = weigh(bearing, new Float64Array(150).fill(1.4), () => true, base, fitCap(DEFAULT_CAP, 565, 580, 360));
    for (const s of bare.sections) expect(s.onHairG).toEqual([s.massG, s.massG]);
  });
});
