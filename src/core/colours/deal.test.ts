/** Colours dealt: the bound of balanced words, neighbours against a shuffle, scarce colours, speed is benched. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics/index.ts';
import { dealColours } from './deal.ts';
import { evenness, neighboursOf, type Place } from './neighbours.ts';

/** Bricks on a dome: rows a gap apart, every other one set off by half a pitch. */
function bricks(count: number): Place[] {
  const perRow = 18;
  return Array.from({ length: count }, (_, i) => {
    const [row, at] = [Math.floor(i / perRow), i % perRow];
    return { xMm: 10 * (at + (row % 2) / 2), yMm: 14 * row, zMm: 0.02 * (at - 9) ** 2 };
  });
}

const even = (count: number, shares: readonly number[]) =>
  Float64Array.from({ length: count * shares.length }, (_, i) => shares[i % shares.length]);
const NO_END = [Infinity, Infinity, Infinity, Infinity];
const countsOf = (colour: Uint8Array, n: number) =>
  Array.from({ length: n }, (_, c) => colour.reduce((sum, at) => sum + Number(at === c), 0));

const weights = fc.array(fc.double({ min: 0.02, max: 1, noNaN: true }), { minLength: 2, maxLength: 4 });
const normed = (raw: readonly number[]) => {
  const sum = raw.reduce((a, b) => a + b, 0);
  return raw.map((w) => w / sum);
};

describe('dealt colours', () => {
  it('keep every beginning of the work within one piece of its share, whatever the shares (Tijdeman 1980)', () => {
    fc.assert(
      fc.property(weights, fc.integer({ min: 1, max: 300 }), (raw, count) => {
        const shares = even(count, normed(raw));
        const { colour, missing } = dealColours({ places: bricks(count), colours: raw.length, shares, most: NO_END });
        expect(missing).toBe(0);
        if (count > 0)
          expect(evenness(neighboursOf(bricks(count)), colour, shares)?.furthestOff).toBeLessThan(1 + 1e-6);
      }),
      { seed: 41, numRuns: 60, endOnFailure: true },
    );
  });

  /** Shares that change from stretch to stretch of the work. */
  const byStretch = (zones: ReadonlyArray<readonly number[]>, count: number) => {
    const all = zones.map((z) => normed([...z, 0, 0, 0].slice(0, 4)));
    return Float64Array.from({ length: 4 * count }, (_, i) => all[Math.floor(((i >> 2) * all.length) / count)][i % 4]);
  };
  const walked = (length: readonly [number, number]) => {
    const [minLength, maxLength] = length;
    const mix = fc.array(fc.double({ min: 0.02, max: 1, noNaN: true }), { minLength, maxLength });
    return fc.tuple(fc.array(mix, { minLength: 2, maxLength: 5 }), fc.integer({ min: 20, max: 240 }));
  };
  const off = (zones: ReadonlyArray<readonly number[]>, count: number) => {
    const shares = byStretch(zones, count);
    const { colour } = dealColours({ places: bricks(count), colours: 4, shares, most: NO_END });
    for (let i = 0; i < count; i++) expect(shares[4 * i + colour[i]]).toBeGreaterThan(0);
    return evenness(neighboursOf(bricks(count)), colour, shares)?.furthestOff;
  };

  it('do so too where shares change from place to place', () => {
    fc.assert(
      fc.property(walked([4, 4]), ([zones, count]) => {
        expect(off(zones, count)).toBeLessThan(1 + 1e-6);
      }),
      { seed: 42, numRuns: 40, endOnFailure: true },
    );
  });

  it('where a colour ends it is dealt no further, and what that leaves over is less than another piece', () => {
    fc.assert(
      fc.property(walked([1, 4]), ([zones, count]) => {
        expect(off(zones, count)).toBeLessThan(2);
      }),
      { seed: 45, numRuns: 60, endOnFailure: true },
    );
  });

  it.each([[[0.5, 0.5]], [[0.75, 0.25]], [[0.4, 0.35, 0.25]], [[0.4, 0.3, 0.2, 0.1]]])(
    'lie no more in clumps than shuffled ones: %j',
    (mix) => {
      const count = 216;
      const places = bricks(count);
      const near = neighboursOf(places);
      const shares = even(count, mix);
      const { colour } = dealColours({ places, colours: mix.length, shares, most: NO_END });
      const random = seededRandom(9);
      const shuffled = Array.from({ length: 40 }, () => {
        const deck = colour.slice();
        for (let i = count - 1; i > 0; i--) {
          const j = Math.floor(random() * (i + 1));
          [deck[i], deck[j]] = [deck[j], deck[i]];
        }
        return evenness(near, deck, shares)?.alike ?? 0;
      });
      const mean = shuffled.reduce((a, b) => a + b, 0) / shuffled.length;
      const told = evenness(near, colour, shares);
      expect(told?.alike).toBeLessThan(mean);
      // What is told of chance is what shuffling gives.
      expect(told?.byChance).toBeCloseTo(mean, 1.6);
    },
  );

  it('spread a colour that is short over the whole work: it never runs out before the last tenth (common practice, no source)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 260 }), fc.double({ min: 0.2, max: 0.8, noNaN: true }), (count, share) => {
        const most = Math.max(12, Math.floor(0.6 * share * count));
        const asked = even(count, [1 - share, share]);
        const { colour, missing } = dealColours({
          places: bricks(count),
          colours: 2,
          shares: asked,
          most: [Infinity, most],
        });
        expect(missing).toBe(0);
        expect(countsOf(colour, 2)[1]).toBe(most);
        expect(colour.lastIndexOf(1)).toBeGreaterThanOrEqual(Math.floor(0.9 * count) - 1);
      }),
      { seed: 43, numRuns: 40, endOnFailure: true },
    );
  });

  it('never take more of a colour than there is while there is hair for every piece', () => {
    fc.assert(
      fc.property(weights, fc.integer({ min: 30, max: 200 }), fc.integer({ min: 0, max: 30 }), (raw, count, spare) => {
        const n = raw.length;
        const some = normed(raw.map((w, i) => w + i)).map((w) => Math.floor(w * count));
        some[0] += count - some.reduce((a, b) => a + b, 0) + spare;
        const { colour, missing } = dealColours({
          places: bricks(count),
          colours: n,
          shares: even(count, normed(raw)),
          most: some,
        });
        expect(missing).toBe(0);
        countsOf(colour, n).forEach((taken, c) => {
          expect(taken).toBeLessThanOrEqual(some[c]);
        });
      }),
      { seed: 44, numRuns: 60, endOnFailure: true },
    );
  });

  it('say how many pieces no hair is left for', () => {
    const { missing } = dealColours({
      places: bricks(50),
      colours: 2,
      shares: even(50, [0.5, 0.5]),
      most: [20, 18],
    });
    expect(missing).toBe(12);
  });

  it('a colour asked for nowhere is dealt nowhere, and one asked for alone is dealt alone', () => {
    const { colour } = dealColours({ places: bricks(40), colours: 3, shares: even(40, [0, 1, 0]), most: NO_END });
    expect(countsOf(colour, 3)).toEqual([0, 40, 0]);
    expect(dealColours({ places: [], colours: 2, shares: new Float64Array(0), most: NO_END }).colour).toHaveLength(0);
  });
});
