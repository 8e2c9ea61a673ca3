import { describe, expect, it } from 'vitest';
import { seededRandom } from '../core/numerics/random.ts';
import { type Genome, Search } from '../core/search/search.ts';
import { type Evaluator, runSearch } from './run-search.ts';

const SIZES = [9, 9, 9];
const value = ([a, b, c]: Genome) => 20 - (a - 6) ** 2 - (b - 2) ** 2 - (c - 4) ** 2;
const searchOf = (seed = 3) => new Search({ sizes: SIZES, budget: 160, random: seededRandom(seed) });
const slow =
  (ms: number): Evaluator<number> =>
  async (genomes) => {
    await new Promise((r) => setTimeout(r, ms));
    return genomes.map((g) => (g[0] === 0 ? undefined : value(g)));
  };
const run = (
  search: Search,
  evaluators: Array<Evaluator<number>>,
  isStopped = () => false,
  onProgress: () => void = () => {},
) => runSearch<number>({ search, evaluators, meritOf: (score) => ({ score }), isStopped, onProgress });

describe('a search over several evaluators', () => {
  it('finds the same with one judge as with three of unlike speed', async () => {
    const [one, three] = [searchOf(), searchOf()];
    const a = await run(one, [slow(0)]);
    const b = await run(three, [slow(3), slow(0), slow(1)]);
    expect([...b.keys()]).toEqual([...a.keys()]);
    expect(three.best).toEqual(one.best);
    expect(one.best?.merit.score).toBe(20);
  });

  it('passes over what comes to nothing', async () => {
    const figures = await run(searchOf(), [slow(0)]);
    for (const key of figures.keys()) expect(key.startsWith('0,')).toBe(false);
  });

  it('stops between two batches, keeps what it has, and tells progress until then', async () => {
    let told = 0;
    const search = searchOf();
    const figures = await run(
      search,
      [slow(2), slow(2)],
      () => told >= 2,
      () => {
        told++;
      },
    );
    expect(told).toBe(2);
    expect(search.tried).toBe(32);
    expect(figures.size).toBeGreaterThan(10);
  });
});
