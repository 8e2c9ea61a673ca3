/** When it is done: mixed as Bayes' rule says, and right about as often as it says. */
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics/index.ts';
import { forecastInstall, knotsBy } from './forecast.ts';

const planned = Array.from({ length: 200 }, (_, i) => 20 + 15 * (i % 3));
const nothing = { done: [], timed: [], piecesUsed: 0 };
const done = (n: number) => Array.from({ length: n }, (_, i) => ({ knotId: `k${i}`, skipped: false }));
const hooked = (n: number, factor: number) => ({
  done: done(n),
  piecesUsed: n,
  timed: Array.from({ length: n }, (_, knot) => ({ knot, seconds: factor * planned[knot] })),
});

describe('forecast', () => {
  it('takes the plan’s seconds, and people’s range, until her own pace is known', () => {
    const told = planned.reduce((a, b) => a + b, 0);
    const forecast = forecastInstall(nothing, planned, 220);
    expect(forecast).toMatchObject({ knotsToCome: 200, secondsToCome: told, piecesOver: 20, fromOwnPace: false });
    expect(forecast.secondsRange[0]).toBeCloseTo(told / 1.6, 6);
    expect(forecast.secondsRange[1]).toBeCloseTo(told * 1.6, 6);
    expect(forecastInstall(hooked(4, 2), planned, 220).fromOwnPace).toBe(false);
  });

  it('comes to her pace knot by knot, and gets surer', () => {
    const ratio = (n: number) => {
      const { secondsToCome, secondsRange } = forecastInstall(hooked(n, 1.5), planned, 220);
      const told = planned.slice(n).reduce((a, b) => a + b, 0);
      return { pace: secondsToCome / told, width: secondsRange[1] / secondsRange[0] };
    };
    const [few, some, many] = [ratio(6), ratio(30), ratio(120)];
    expect(few.pace).toBeGreaterThan(1.1);
    expect(few.pace).toBeLessThan(some.pace);
    expect(some.pace).toBeLessThan(many.pace);
    expect(many.width).toBeLessThan(few.width);
    expect(few.width).toBeLessThan(1.6 ** 2);
  });

  it('says for how many it does not last, and an empty place saves a piece', () => {
    expect(forecastInstall(nothing, planned, 190).piecesOver).toBe(-10);
    const skipped = { ...nothing, done: [{ knotId: 'a', skipped: true }] };
    expect(forecastInstall(skipped, planned, 200).piecesOver).toBe(1);
  });
});

describe('of a thousand simulated installs', () => {
  const random = seededRandom(15);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const people = Math.log(1.6) / 1.2816;
  const install = () => {
    const factor = Math.exp(people * normal());
    const drift = Math.exp(0.08 * normal());
    return (until: number) => ({
      before: planned.slice(0, until).map((s) => s * factor * Math.exp(0.35 * normal() - 0.35 ** 2 / 2)),
      after: planned.slice(until).map((s) => s * factor * drift * Math.exp(0.35 * normal() - 0.35 ** 2 / 2)),
    });
  };
  const stateAfter = (seconds: readonly number[]) => ({
    done: done(seconds.length),
    piecesUsed: seconds.length,
    timed: seconds.map((s, knot) => ({ knot, seconds: s })),
  });

  it.each([0, 8, 20, 60, 140])('four in five end within the range that is told after %i knots', (until) => {
    let within = 0;
    for (let i = 0; i < 1000; i++) {
      const { before, after } = install()(until);
      const took = after.reduce((a, b) => a + b, 0);
      const [low, high] = forecastInstall(stateAfter(before), planned, 220).secondsRange;
      if (low <= took && took <= high) within++;
    }
    expect(within).toBeGreaterThan(750);
    expect(within).toBeLessThan(850);
  });

  it('and so do as many as are in when the evening ends', () => {
    let within = 0;
    for (let i = 0; i < 1000; i++) {
      const { before, after } = install()(40);
      let clock = 0;
      let knots = 40;
      for (const s of after) {
        clock += s;
        if (clock <= 1500) knots++;
      }
      const { range } = knotsBy(stateAfter(before), planned, 1500);
      if (range[0] <= knots && knots <= range[1]) within++;
    }
    expect(within).toBeGreaterThan(750);
    // Whole knots, and chance that is smaller over a part of the way than over all of it.
    expect(within).toBeLessThan(900);
  });
});
