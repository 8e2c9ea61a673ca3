/** Whether packs last, against the closed form, jStat and many dealt installs. */
import fc from 'fast-check';
import jstat from 'jstat';
import { describe, expect, it } from 'vitest';
import { PLAIN_CUT, PLAIN_PRODUCT } from '../../../tests/helpers/heads.ts';
import { hookedPiece } from '../hair/preparation.ts';
import { seededRandom } from '../numerics/index.ts';
import { SURENESSES } from '../trade/index.ts';
import {
  ANY_HANDS,
  COUNT_SPREAD,
  chanceOfEnough,
  countFactor,
  countRange,
  countSd,
  enoughNear,
  handsAfter,
  handsLogged,
} from './enough.ts';
import { planSupply } from './packs.ts';

const plan = fc.record({
  knots: fc.integer({ min: 4, max: 900 }),
  perPack: fc.integer({ min: 3, max: 240 }),
  packs: fc.integer({ min: 1, max: 30 }),
});

describe('packs that last', () => {
  it('four of five installs lie within the range that is told: a tenth for many knots, more for few', () => {
    const [low, high] = countRange(10_000);
    expect(high - 1).toBeCloseTo(COUNT_SPREAD, 2);
    expect(1 - low).toBeCloseTo(COUNT_SPREAD, 2);
    expect(countRange(20)[1]).toBeGreaterThan(high + 0.01);
  });

  it('the chance is that of the normal distribution (jStat), and grows with every pack', () => {
    fc.assert(
      fc.property(plan, ({ knots, perPack, packs }) => {
        const taken = knots / perPack;
        const closed = jstat.normal.cdf(packs * perPack, knots, knots * countSd(knots));
        const chance = chanceOfEnough(packs, taken, knots);
        expect(chance).toBeCloseTo(closed, 6);
        expect(chanceOfEnough(packs + 1, taken, knots)).toBeGreaterThanOrEqual(chance);
        expect(chanceOfEnough(packs, taken * 1.15, knots)).toBeLessThanOrEqual(chance);
      }),
      { seed: 12 },
    );
  });

  it('is what comes out of ten thousand dealt installs, hands and single knots apart', () => {
    const random = seededRandom(5);
    // Box and Muller’s way to normal values.
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const [knots, perPack] = [204, 48];
    const hands = Math.sqrt(countSd(1e12) ** 2);
    const installs = Array.from(
      { length: 10_000 },
      () => knots * (1 + hands * normal()) + 0.25 * Math.sqrt(knots) * normal(),
    );
    for (const packs of [4, 5]) {
      const lasted = installs.filter((used) => used <= packs * perPack).length / installs.length;
      expect(chanceOfEnough(packs, knots / perPack, knots)).toBeCloseTo(lasted, 1.7);
    }
  });

  it('to be surer takes as many packs or more; half of the time those of the plan', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 800 }), fc.double({ min: 0, max: 0.4, noNaN: true }), (knots, reserve) => {
        const demand = { piece: hookedPiece(PLAIN_PRODUCT, PLAIN_CUT), knots, halves: false };
        const { lines } = planSupply([PLAIN_PRODUCT], [demand], reserve);
        const [{ packs, packsToBeSure, enough, packRange }] = lines;
        expect(packsToBeSure).toHaveLength(SURENESSES.length);
        expect([...packsToBeSure].sort((a, b) => a - b)).toEqual(packsToBeSure);
        expect(packsToBeSure[0]).toBe(packs);
        expect(packRange[0]).toBeLessThanOrEqual(packs);
        expect(packRange[1]).toBeGreaterThanOrEqual(packs);
        for (const e of enough) {
          expect(e.withReserve).toBeLessThanOrEqual(e.forKnots);
          expect(e.forKnots).toBeGreaterThanOrEqual(0);
          expect(e.forKnots).toBeLessThanOrEqual(1);
        }
        // As many as are bought hold the plan itself at least half of the time.
        expect(enough.find((e) => e.packs === packs)?.forKnots ?? 1).toBeGreaterThanOrEqual(0.5);
      }),
      { seed: 13 },
    );
  });

  it('says nothing upside down for nothing at all', () => {
    expect(countFactor(0, 0.95)).toBe(1);
    expect(chanceOfEnough(3, 0, 0)).toBe(1);
    expect(enoughNear(1, { taken: 0.4, kept: 0.1, knots: 20 }).map((e) => e.packs)).toEqual([1, 2]);
  });
});

describe('a test row', () => {
  const rows = fc.record({
    pieces: fc.integer({ min: 2, max: 40 }),
    pitchMm: fc.double({ min: 6, max: 40, noNaN: true }),
    closer: fc.double({ min: 0.7, max: 1.4, noNaN: true }),
  });

  it('lies between what is known of others and what was measured, and makes it surer', () => {
    fc.assert(
      fc.property(rows, ({ pieces, pitchMm, closer }) => {
        const { factor, sd } = handsAfter({ pieces, spanMm: ((pieces - 1) * pitchMm) / closer }, pitchMm);
        expect(factor).toBeGreaterThanOrEqual(Math.min(1, closer) - 1e-9);
        expect(factor).toBeLessThanOrEqual(Math.max(1, closer) + 1e-9);
        expect(sd).toBeLessThan(ANY_HANDS.sd);
      }),
      { seed: 14, endOnFailure: true },
    );
  });

  it('is the posterior that comes out of a grid over all hands', () => {
    const [pieces, hers] = [5, 1.2];
    const { factor, sd } = handsAfter({ pieces, spanMm: (4 * 20) / hers }, 20);
    const grid = Array.from({ length: 4001 }, (_, i) => 0.5 + i / 4000);
    const weights = grid.map(
      (h) => jstat.normal.pdf(h, 1, ANY_HANDS.sd) * jstat.normal.pdf(hers, h, 0.25 / Math.sqrt(pieces - 1)),
    );
    const all = weights.reduce((a, b) => a + b, 0);
    const mean = grid.reduce((sum, h, i) => sum + h * weights[i], 0) / all;
    const spread = grid.reduce((sum, h, i) => sum + (h - mean) ** 2 * weights[i], 0) / all;
    expect(factor).toBeCloseTo(mean, 4);
    expect(sd).toBeCloseTo(Math.sqrt(spread), 4);
  });

  it('hands that place closer need more packs to be sure, and the same packs last less often', () => {
    const closer = handsAfter({ pieces: 12, spanMm: 180 }, 20);
    expect(closer.factor).toBeGreaterThan(1.05);
    expect(chanceOfEnough(5, 4.6, 200, closer)).toBeLessThan(chanceOfEnough(5, 4.6, 200));
    const demand = { piece: hookedPiece(PLAIN_PRODUCT, PLAIN_CUT), knots: 300, halves: false };
    const [plain] = planSupply([PLAIN_PRODUCT], [demand], 0.15).lines;
    const [hers] = planSupply([PLAIN_PRODUCT], [demand], 0.15, closer).lines;
    hers.packsToBeSure.forEach((packs, i) => {
      expect(packs).toBeGreaterThanOrEqual(plain.packsToBeSure[i]);
    });
    expect(hers.packs).toBe(plain.packs);
  });

  it('of one piece or of no length says nothing', () => {
    expect(handsAfter({ pieces: 1, spanMm: 40 }, 20)).toBe(ANY_HANDS);
    expect(handsAfter({ pieces: 5, spanMm: 0 }, 20)).toBe(ANY_HANDS);
  });
});

describe('her log', () => {
  it('weighs as the posterior does that is summed up over every factor there may be', () => {
    for (const [installs, ratio] of [
      [1, 1.1],
      [3, 0.93],
      [12, 1.25],
    ] as const) {
      // Bayes' rule on a grid: the prior of anybody's hands, times how likely each install would be.
      const grid = Array.from({ length: 4001 }, (_, i) => 0.4 + (1.4 * i) / 4000);
      const bell = (x: number, mean: number, sd: number) => Math.exp(-0.5 * ((x - mean) / sd) ** 2);
      const weight = grid.map((f) => bell(f, ANY_HANDS.factor, ANY_HANDS.sd) * bell(ratio, f, 0.06) ** installs);
      const all = weight.reduce((a, b) => a + b, 0);
      const mean = grid.reduce((sum, f, i) => sum + f * weight[i], 0) / all;
      const sd = Math.sqrt(grid.reduce((sum, f, i) => sum + (f - mean) ** 2 * weight[i], 0) / all);
      const hers = handsLogged({ installs, usedOverPlanned: ratio });
      expect(hers.factor).toBeCloseTo(mean, 4);
      expect(hers.sd).toBeCloseTo(sd, 4);
    }
  });

  it('and a test row come to the same whichever is known first', () => {
    const log = { installs: 4, usedOverPlanned: 1.08 };
    const row = { pieces: 9, spanMm: 150 };
    const rowThenLog = handsLogged(log, handsAfter(row, 20));
    const logThenRow = handsAfter(row, 20, handsLogged(log));
    expect(rowThenLog.factor).toBeCloseTo(logThenRow.factor, 12);
    expect(rowThenLog.sd).toBeCloseTo(logThenRow.sd, 12);
  });

  it('makes surer with every install', () => {
    const sds = [1, 2, 5, 20].map((installs) => handsLogged({ installs, usedOverPlanned: 1 }).sd);
    for (let i = 1; i < sds.length; i++) expect(sds[i]).toBeLessThan(sds[i - 1]);
    expect(sds[0]).toBeLessThan(ANY_HANDS.sd);
  });
});
