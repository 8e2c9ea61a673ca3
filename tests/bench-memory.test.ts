/** What the bench says got slower: more than noise, by a rank test, whatever the machine. */
import { describe, expect, it } from 'vitest';
import { chanceOf, type Run, slowerThan } from '../bench/memory.ts';
import { seededRandom } from '../src/core/numerics/random.ts';

const random = seededRandom(4);
const samples = (ms: number, noise = 0.05) => Array.from({ length: 15 }, () => ms * (1 + noise * (random() - 0.5)));
const run = (yardstickMs: number, figures: Readonly<Record<string, readonly number[]>>): Run => ({
  at: '2026-11-01T00:00:00Z',
  machine: 'a',
  node: '20',
  yardstickMs,
  figures: Object.entries(figures).map(([what, samplesMs]) => ({ what, samplesMs })),
});

describe('the rank sum', () => {
  it('is that of a worked example: 1.1, 2.2, 3.3 against 4.4, 5.5, 6.6 has W = 6, 15 the other way (Wilcoxon 1945, by hand)', () => {
    // Mean 10.5, variance 5.25; one-sided with the correction for steps.
    expect(chanceOf([4.4, 5.5, 6.6], [1.1, 2.2, 3.3])).toBeCloseTo(0.0404, 3);
    expect(chanceOf([1.1, 2.2, 3.3], [4.4, 5.5, 6.6])).toBeGreaterThan(0.95);
  });

  it('of samples alike finds nothing', () => {
    let found = 0;
    for (let i = 0; i < 400; i++) if (chanceOf(samples(10), samples(10)) < 0.05) found++;
    expect(found / 400).toBeLessThan(0.1);
  });
});

describe('slower', () => {
  it('is what takes half as long again, whatever the speed of the machine', () => {
    const before = run(4, { a: samples(10), b: samples(20), c: samples(5) });
    // A machine half as fast.
    const now = run(8, { a: samples(20), b: samples(60), c: samples(10) });
    expect(slowerThan(before, now)).toMatchObject([{ what: 'b', times: expect.closeTo(1.5, 1) }]);
  });
  it('is not what differs by less than its noise, nor what is new', () => {
    const before = run(4, { a: samples(10, 1), b: samples(10) });
    expect(slowerThan(before, run(4, { a: samples(12, 1), b: samples(10.4), c: samples(3) }))).toEqual([]);
  });
  it('with few repeats takes all of them', () => {
    const before = run(4, { a: [10, 11, 12] });
    expect(slowerThan(before, run(4, { a: [15, 16, 17] }))).toHaveLength(1);
    expect(slowerThan(before, run(4, { a: [11.5, 16, 17] }))).toEqual([]);
  });
});
