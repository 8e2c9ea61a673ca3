/** The search against exhaustive enumeration, and against DIRECT (ml-direct; Jones, Perttunen and Stuckman 1993) on the same problem. */
import fc from 'fast-check';
import direct from 'ml-direct';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics/random.ts';
import { meritOfUse, stopsHelping, type UseAim, type UseFigures } from './best-use.ts';
import { type Genome, type Merit, Search } from './search.ts';

const SIZES = [6, 5, 7, 4, 3];

/** A hilly problem with a ridge and several tops; seeded, so that each run is another one. */
function problem(seed: number) {
  const random = seededRandom(seed);
  const top = SIZES.map((s) => random() * (s - 1));
  const [a, b, c] = [random(), random(), random()];
  return (x: readonly number[]) => {
    const off = x.reduce((sum, v, i) => sum + ((v - top[i]) / SIZES[i]) ** 2, 0);
    return 1 / (1 + 3 * off) + 0.06 * a * Math.cos(2.1 * x[0] + b) * Math.cos(1.7 * x[2] + c);
  };
}

function run(search: Search, value: (g: Genome) => Merit, batch = 16) {
  while (!search.isDone) for (const g of search.ask(batch)) search.tell(g, value(g));
  return search;
}

const whole = SIZES.reduce((n, s) => n * s, 1);

describe('a search', () => {
  it('tries every combination once where they fit the budget, and finds the best of them', () => {
    const f = problem(3);
    const seen = new Set<string>();
    const search = run(new Search({ sizes: SIZES, budget: whole, random: seededRandom(1) }), (g) => {
      expect(seen.has(g.join())).toBe(false);
      seen.add(g.join());
      return { score: f(g) };
    });
    expect(seen.size).toBe(whole);
    const best = Math.max(...[...seen].map((k) => f(k.split(',').map(Number))));
    expect(search.best?.merit.score).toBe(best);
  });

  it('with an eighth of the tries is never worse than 1 % from the optimum, on forty problems', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const f = problem(seed);
      const all = run(new Search({ sizes: SIZES, budget: whole, random: seededRandom(1) }), (g) => ({ score: f(g) }));
      const few = run(
        new Search({ sizes: SIZES, budget: Math.floor(whole / 8), random: seededRandom(seed), exhaustive: false }),
        (g) => ({ score: f(g) }),
      );
      const [optimum, found] = [all, few].map((s) => s.best?.merit.score ?? 0);
      expect(found).toBeGreaterThan(optimum - 0.01 * Math.abs(optimum));
    }
  });

  it('finds what DIRECT finds, with no more tries (ml-direct, rounded to whole steps)', () => {
    for (const seed of [2, 5, 9, 14]) {
      const f = problem(seed);
      let asked = 0;
      const seen = new Set<string>();
      const lib = direct(
        (x) => {
          const g = x.map(Math.round);
          if (!seen.has(g.join())) asked++;
          seen.add(g.join());
          return -f(g);
        },
        SIZES.map(() => 0),
        SIZES.map((s) => s - 1),
        { iterations: 14 },
      );
      const mine = run(
        new Search({ sizes: SIZES, budget: Math.min(asked, whole - 1), random: seededRandom(seed), exhaustive: false }),
        (g) => ({ score: f(g) }),
      );
      expect(mine.best?.merit.score).toBeGreaterThan(-lib.minFunctionValue - 0.01);
    }
  });

  it('goes the same way for the same seed, whatever order the evaluators answer in', () => {
    const f = problem(8);
    const ways = [1, 2].map(() => {
      const order: string[] = [];
      run(new Search({ sizes: SIZES, budget: 200, random: seededRandom(77) }), (g) => {
        order.push(g.join());
        return { score: f(g) };
      });
      return order;
    });
    expect(ways[0]).toEqual(ways[1]);
    const other: string[] = [];
    run(new Search({ sizes: SIZES, budget: 200, random: seededRandom(78) }), (g) => {
      other.push(g.join());
      return { score: f(g) };
    });
    expect(other).not.toEqual(ways[0]);
  });

  it('starts where she stands, and tells a rising trade-off without dominated points', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), (seed) => {
        const random = seededRandom(seed);
        const now = SIZES.map((s) => Math.floor(random() * s));
        const search = new Search({ sizes: SIZES, budget: 90, random, starts: [now] });
        const first = search.ask(4);
        expect(first[0]).toEqual(now);
        const value = (g: Genome): Merit => ({
          score: g[0],
          ...(g[3] === 0 ? {} : { trade: { cost: g[1], gain: g[2] + 0.1 * g[1] } }),
        });
        for (const g of first) search.tell(g, value(g));
        run(search, value);
        const curve = search.tradeOff;
        for (let i = 1; i < curve.length; i++) {
          expect(curve[i].cost).toBeGreaterThan(curve[i - 1].cost);
          expect(curve[i].gain).toBeGreaterThan(curve[i - 1].gain);
        }
        expect(curve.every((p) => p.genome[3] !== 0)).toBe(true);
      }),
      { numRuns: 20 },
    );
  });
});

describe('what is better', () => {
  const plan = (f: Partial<UseFigures>): UseFigures => ({
    hidden: 0.9,
    range: [0.9, 0.9],
    thicknessMm: 20,
    thinZones: [],
    packs: 4,
    massG: 250,
    minutes: 240,
    price: 40,
    pieces: 200,
    ...f,
  });
  const limits = { packs: 5, minutes: 300, massG: 300 };
  const hiding = (low: number, f: Partial<UseFigures> = {}) => ({ hidden: low, range: [low, low] as const, ...f });
  const score = (f: Partial<UseFigures>, aim: UseAim = { kind: 'cover' }) =>
    meritOfUse(plan(f), limits, aim, 'enough').score;

  it('more cover within the limits; anything beyond a limit is worse than anything within', () => {
    expect(score(hiding(0.93))).toBeGreaterThan(score({}));
    for (const beyond of [{ packs: 6 }, { minutes: 301 }, { massG: 301 }])
      expect(score(hiding(1, beyond))).toBeLessThan(score(hiding(0.3)));
    expect(score({ massG: 320 })).toBeGreaterThan(score({ massG: 400 }));
  });
  it('by the lower end of what the guesses leave open, not by their middle', () => {
    expect(score({ hidden: 0.97, range: [0.7, 0.99] })).toBeLessThan(score({ hidden: 0.92, range: [0.8, 0.95] }));
  });
  it('most cover is most cover: weight decides only between as much of it, to the point', () => {
    expect(score(hiding(0.93, { massG: 290 }))).toBeGreaterThan(score(hiding(0.9, { massG: 100 })));
    expect(score(hiding(0.902, { massG: 100 }))).toBeGreaterThan(score(hiding(0.904, { massG: 200 })));
  });
  it('a finger-thin layer, one too big, or a zone that stays bare is worse than any plan within her aim', () => {
    for (const off of [{ thicknessMm: 2 }, { thicknessMm: 110 }, { thinZones: ['back' as const, 'top' as const] }])
      expect(score(hiding(0.98, off))).toBeLessThan(score(hiding(0.8)));
  });
  it('to one who wants it light a lighter plan, to one who wants cover the covered one', () => {
    const [light, full] = [hiding(0.88, { massG: 180 }), hiding(0.93, { massG: 290 })];
    expect(score(light, { kind: 'balance', enough: 0 })).toBeGreaterThan(score(full, { kind: 'balance', enough: 0 }));
    expect(score(full, { kind: 'balance', enough: 1 })).toBeGreaterThan(score(light, { kind: 'balance', enough: 1 }));
  });
  it('for the least hair: fewer packs, then fewer grams, only where it hides enough', () => {
    const least = (f: Partial<UseFigures>) =>
      meritOfUse(plan(f), limits, { kind: 'leastHair', hidden: 0.9 }, 'enough').score;
    expect(least({ packs: 3 })).toBeGreaterThan(least({ packs: 4 }));
    expect(least({ massG: 200 })).toBeGreaterThan(least({ massG: 250 }));
    expect(least(hiding(0.8, { packs: 1 }))).toBeLessThan(least({ packs: 5 }));
    expect(least(hiding(0.8))).toBeLessThan(least(hiding(0.85)));
  });
  it('beyond the packs it still has its place on the curve, beyond hours or load not', () => {
    const trade = (f: Partial<UseFigures>) => meritOfUse(plan(f), limits, { kind: 'cover' }, 'enough').trade;
    expect(trade({ packs: 9 })).toEqual({ cost: 9, gain: 0.9 });
    expect(trade({ minutes: 400 })).toBeUndefined();
  });
  it('another pack stops helping where it hides less than a point more', () => {
    const curve = [
      { packs: 2, hidden: 0.7 },
      { packs: 3, hidden: 0.85 },
      { packs: 5, hidden: 0.88 },
      { packs: 6, hidden: 0.885 },
    ];
    expect(stopsHelping(curve)).toBe(5);
    expect(stopsHelping(curve.slice(0, 3))).toBeUndefined();
    expect(stopsHelping([])).toBeUndefined();
  });
});
