import { describe, expect, it } from 'vitest';
import { plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { deepPartStraight, shoulderCurls } from '../../demo/plans.ts';
import { readPlan } from '../../model/read-plan.ts';
import { planInputs } from '../../model/to-inputs.ts';
import { seededRandom } from '../numerics/random.ts';
import type { PlanInputs } from '../plan/inputs.ts';
import { meritOfUse } from './best-use.ts';
import { evaluateUses, figuresOfUse } from './evaluate.ts';
import { Search } from './search.ts';
import { planWithUse, proposals, searchSpace } from './use.ts';

const fingersOf = (of: PlanInputs) => atelier.spacing(of).fingers;
const ALL = { split: true, half: true, open: true };
const atelier = new Planner();
const inputs = plainInputs();
const bare = atelier.look({ inputs }).patches;
/** What a proposal says of itself that it changes. */
const changed = (s: typeof space, genome: readonly number[]) =>
  proposals(s, genome, 'line').filter((p) => p.was !== p.now);
const space = searchSpace(inputs, fingersOf(inputs), ALL, bare);

describe('what a search may change', () => {
  it('of the plan as it is nothing, and says so', () => {
    expect(planWithUse(inputs, space, space.now)).toEqual(inputs);
    expect(changed(space, space.now)).toEqual([]);
  });

  it('gives the same plan to a document as to inputs, and one that can be read', () => {
    for (const plan of [deepPartStraight, shoulderCurls]) {
      const from = planInputs(plan, 12);
      const s = searchSpace(from, fingersOf(from), ALL, atelier.look({ inputs: from }).patches);
      const random = seededRandom(4);
      for (let i = 0; i < 12; i++) {
        const genome = s.sizes.map((n) => Math.floor(random() * n));
        const document = planWithUse(plan, s, genome);
        const read = readPlan(JSON.parse(JSON.stringify(document)));
        expect(read.ok ? '' : read.why).toBe('');
        expect(planInputs(document, 12)).toEqual(planWithUse(from, s, genome));
        const isChanged = genome.join() !== s.now.join();
        expect(changed(s, genome).length > 0).toBe(isChanged);
      }
    }
  });

  it('keeps what she did by hand, her locks, her part, mixed zones and other products', () => {
    const other = { ...inputs.products[0], id: 'other' };
    const cut = { ...inputs.cuts[0], id: 'hers', product: 'other' };
    const hers = {
      ...inputs,
      products: [...inputs.products, other],
      cuts: [...inputs.cuts, cut],
      pieces: {
        ...inputs.pieces,
        nape: { cut: 'hers' },
        top: { cut: 'whole', mixed: { cut: 'hers', every: 3 as const } },
      },
      rows: { ...inputs.rows, hand: [{ id: 'h1', op: 'add' as const, at: [170, 20] as const }] },
    };
    const s = searchSpace(hers, fingersOf(hers), ALL, bare);
    const last = planWithUse(
      hers,
      s,
      s.sizes.map((n) => n - 1),
    );
    expect(last.rows.hand).toEqual(hers.rows.hand);
    expect(last.part).toEqual(hers.part);
    expect(last.pieces.nape).toEqual({ cut: 'hers' });
    expect(last.pieces.top).toEqual(hers.pieces.top);
    expect(last.pieces.back.cut).not.toBe('whole');
  });

  it('does only what is allowed, and leaves closed what clings', () => {
    const none = searchSpace(inputs, fingersOf(inputs), { split: false, half: false, open: false }, bare);
    expect(none.cuts.front).toHaveLength(1);
    expect(none.openings).toHaveLength(1);
    const clings = {
      ...inputs,
      products: [{ ...inputs.products[0], test: { ...inputs.products[0].test, apart: 'clings' as const } }],
    };
    expect(searchSpace(clings, fingersOf(clings), ALL, bare).openings).toHaveLength(1);
    // A strand is the least that can be hooked.
    const two = { ...inputs, products: [{ ...inputs.products[0], strandsPerPiece: 2 }] };
    expect(Math.max(...searchSpace(two, fingersOf(two), ALL, bare).cuts.front.map((c) => c.split))).toBe(2);
  });
});

describe('judged on a coarse head', () => {
  it('a candidate hides within two points of what the fine head says, with as many packs, give or take one', () => {
    const from = planInputs(shoulderCurls);
    const itself = searchSpace(from, fingersOf(from), ALL, []);
    const [coarse] = evaluateUses({ inputs: from, space: itself, genomes: [itself.now] });
    const fine = figuresOfUse(atelier.graph, from);
    expect(Math.abs((coarse?.hidden ?? 0) - fine.hidden)).toBeLessThan(0.02);
    expect(Math.abs((coarse?.packs ?? 0) - fine.packs)).toBeLessThanOrEqual(1);
  });

  it('a small search of real plans finds the best of all of them', () => {
    const few = searchSpace(inputs, fingersOf(inputs), { split: true, half: false, open: false }, []);
    // Two zones and one cut: every one of them can be tried.
    const sizes = few.sizes.map((n, i) => ([1, 2, 5].includes(i) ? n : 1));
    const held = few.now.map((v, i) => (sizes[i] === 1 ? v : 0));
    const at = (g: readonly number[]) => g.map((v, i) => (sizes[i] === 1 ? held[i] : v));
    const limits = { packs: 4, minutes: 400, massG: 400 };
    const cache = new Map<string, number>();
    const score = (g: readonly number[]) => {
      const key = g.join();
      const known = cache.get(key);
      if (known !== undefined) return known;
      const [f] = evaluateUses({ inputs, space: few, genomes: [at(g)] });
      const s = f ? meritOfUse(f, limits, { kind: 'cover' }, 'enough').score : Number.NEGATIVE_INFINITY;
      cache.set(key, s);
      return s;
    };
    const run = (budget: number, exhaustive: boolean) => {
      const search = new Search({ sizes, budget, random: seededRandom(6), exhaustive });
      while (!search.isDone) for (const g of search.ask(16)) search.tell(g, { score: score(g) });
      return search.best?.merit.score ?? Number.NEGATIVE_INFINITY;
    };
    const all = run(100_000, true);
    const half = run(Math.ceil(sizes.reduce((n, s) => n * s, 1) / 2), false);
    expect(half).toBeGreaterThan(all - 0.02);
  });

  it('what can’t be laid comes to nothing', () => {
    const rods = { ...inputs, rows: { ...inputs.rows, scheme: 'rods' as const } };
    expect(evaluateUses({ inputs: rods, space, genomes: [space.now] })).toEqual([undefined]);
  });
});
