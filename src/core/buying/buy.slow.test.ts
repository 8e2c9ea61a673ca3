/** Buying, against every way that there is in small cases, and against a second solver library in larger ones. */
import fc from 'fast-check';
import solver from 'javascript-lp-solver';
import { beforeAll, describe, expect, it } from 'vitest';
import { highsSolver } from './highs.ts';
import { type Bought, type BuyingAsked, buy, type HairKind, type Offer, type Purchase, type Solve } from './index.ts';
import type { Seller } from './offer.ts';
import { type Model, modelOf, programOf } from './program.ts';

let solve: Solve;
beforeAll(async () => {
  solve = await highsSolver();
});

const curl: HairKind = {
  name: 'Quillow',
  colour: 'black',
  lengthMm: 330,
  texture: 'looseCurl',
  fibre: 'plain',
  loop: 'thread',
  piecesPerPack: 48,
  packMassG: 70,
};
const near: Seller = { id: 'near', name: 'Near', days: 2, delivery: 4.9, freeFrom: 50 };
const far: Seller = { id: 'far', name: 'Far', days: 6, delivery: 2.5 };
const offer = (
  id: string,
  seller: Seller,
  price: number,
  change: Partial<Offer> = {},
  kind: Partial<HairKind> = {},
): Offer => ({
  id,
  seller: seller.id,
  price,
  stock: 9,
  ...change,
  kind: { ...curl, ...kind },
});
const asked = (change: Partial<BuyingAsked> = {}, wish: Partial<BuyingAsked['wish']> = {}): BuyingAsked => ({
  needs: [{ id: 'a', kind: curl, pieces: [190, 235, 260] }],
  offers: [offer('n', near, 11.5), offer('f', far, 10, { stock: 3 })],
  sellers: [near, far],
  wish: { aim: 'cheapest', sure: 1, colourWithin: 0, longerCutDown: false, ...wish },
  ...change,
});
const bought = (b: Bought): Purchase => {
  if (!b.can) throw new Error('It can be bought.');
  return b.purchase;
};

describe('the cheapest', () => {
  it('is from one seller where delivery of a second would eat what it saves', () => {
    // 235 pieces: 5 packs. All near: 57.50, delivery free. 3 far, 2 near: 30 + 23 + 2.50 + 4.90 = 60.40.
    const purchase = bought(buy(asked(), solve));
    expect([purchase.total, purchase.days, purchase.lines.map((l) => [l.offer, l.packs])]).toEqual([
      57.5,
      2,
      [['n', 5]],
    ]);
    expect(purchase.given).toEqual([{ need: 'a', wanted: 235, pieces: 240 }]);
  });

  it('takes a bundle where it is less, even with a pack more than is needed', () => {
    const offers = [offer('n', near, 11.5, { multi: { packs: 6, price: 51 } })];
    const purchase = bought(buy(asked({ offers }), solve));
    expect([purchase.total, purchase.lines[0].packs, purchase.lines[0].bundles]).toEqual([51, 6, 1]);
  });

  it('reaches the sum from which delivery is free only where that pays', () => {
    const seller = { ...near, freeFrom: 60 };
    // 57.50 and 4.90 are 62.40; a sixth pack makes 69 with free delivery.
    expect(bought(buy(asked({ sellers: [seller], offers: [offer('n', seller, 11.5)] }), solve)).total).toBe(62.4);
    const dear = { ...seller, delivery: 15 };
    expect(bought(buy(asked({ sellers: [dear], offers: [offer('n', dear, 11.5)] }), solve)).total).toBe(69);
  });

  it('lets what lies in the stash go first', () => {
    const stash: Seller = { id: 'stash', name: 'your stash', days: 0, delivery: 0 };
    const offers = [offer('s', stash, 0, { stock: 2 }), offer('n', near, 11.5)];
    const purchase = bought(buy(asked({ offers, sellers: [stash, near] }), solve));
    expect(purchase.lines.map((l) => [l.offer, l.packs])).toEqual([
      ['s', 2],
      ['n', 3],
    ]);
  });
});

describe('what may stand in', () => {
  it('a neighbour colour, where she allows so much; the very one where that matters most', () => {
    const offers = [offer('n', near, 11.5), offer('o', near, 7, {}, { colour: 'off black' })];
    const within = (colourWithin: number, aim: 'cheapest' | 'closest' = 'cheapest') =>
      bought(buy(asked({ offers }, { colourWithin, aim }), solve)).lines.map((l) => l.offer);
    expect(within(0)).toEqual(['n']);
    expect(within(6)).toEqual(['o']);
    expect(within(6, 'closest')).toEqual(['n']);
  });

  it('longer hair cut down where she will, shorter never; thicker pieces split, thinner taken together', () => {
    const longer = [offer('l', near, 9, {}, { lengthMm: 450, packMassG: 95 })];
    expect(buy(asked({ offers: longer }), solve).can).toBe(false);
    expect(bought(buy(asked({ offers: longer }, { longerCutDown: true }), solve)).lines[0].packs).toBe(5);
    const shorter = [offer('k', near, 3, {}, { lengthMm: 250 })];
    expect(buy(asked({ offers: shorter }, { longerCutDown: true }), solve).can).toBe(false);
    const thick = [offer('t', near, 9, {}, { piecesPerPack: 24, packMassG: 70 })];
    expect(bought(buy(asked({ offers: thick }), solve)).lines[0]).toMatchObject({ packs: 5 });
    const thin = [offer('d', near, 9, { stock: 30 }, { piecesPerPack: 96, packMassG: 70 })];
    expect(bought(buy(asked({ offers: thin }), solve)).lines[0].for[0]).toMatchObject({
      packs: 5,
      fit: { split: 0.5 },
    });
  });

  it('no other texture, fibre or loop', () => {
    for (const kind of [{ texture: 'coil' }, { fibre: 'human' }, { loop: 'ring' }] as const)
      expect(buy(asked({ offers: [offer('x', near, 1, {}, kind)] }), solve).can).toBe(false);
  });
});

describe('where it can’t be done', () => {
  it('money: what more would do it', () => {
    const b = buy(asked({}, { budget: 50 }), solve);
    expect(b).toMatchObject({ can: false, short: [], ways: [{ give: 'money', amount: 7.5 }, { give: 'sure' }] });
  });

  it('a day: how much later; a colour: how far; hair: who has how much of it', () => {
    const onlyFar = asked({ offers: [offer('f', far, 10)] }, { withinDays: 3 });
    expect(buy(onlyFar, solve)).toMatchObject({ can: false, ways: [{ give: 'time', amount: 3 }] });
    const other = asked({
      offers: [offer('n', near, 11.5, { stock: 2 }), offer('o', near, 7, {}, { colour: 'off black' })],
    });
    const b = buy(other, solve);
    expect(b).toMatchObject({ can: false, short: [{ need: 'a', wanted: 235, most: 96 }], ways: [{ give: 'colour' }] });
  });

  it('nothing that is given up alone helps: said, with how much there is', () => {
    expect(buy(asked({ offers: [] }), solve)).toEqual({
      can: false,
      short: [{ need: 'a', wanted: 235, most: 0 }],
      ways: [],
    });
    expect(() => buy(asked({ needs: [] }), solve)).toThrow(RangeError);
  });
});

const kinds = fc.record({
  colour: fc.constantFrom('black', 'off black', 'copper'),
  piecesPerPack: fc.constantFrom(24, 48),
  lengthMm: fc.constantFrom(330, 450),
});
const small = fc
  .record({
    offers: fc.array(
      fc.record({
        seller: fc.constantFrom('near', 'far'),
        price: fc.integer({ min: 1, max: 20 }),
        stock: fc.integer({ min: 0, max: 4 }),
        multi: fc.option(fc.record({ packs: fc.integer({ min: 2, max: 3 }), price: fc.integer({ min: 2, max: 40 }) }), {
          nil: undefined,
        }),
        kind: kinds,
      }),
      { minLength: 1, maxLength: 4 },
    ),
    wants: fc.array(fc.integer({ min: 1, max: 160 }), { minLength: 1, maxLength: 2 }),
    colourWithin: fc.constantFrom(0, 8),
    longerCutDown: fc.boolean(),
  })
  .map(({ offers, wants, ...wish }) =>
    asked(
      {
        needs: wants.map((n, i) => ({
          id: `n${i}`,
          kind: i === 0 ? curl : { ...curl, colour: 'off black' },
          pieces: [n, n, n],
        })),
        offers: offers.map(({ seller, price, stock, multi, kind }, i) =>
          offer(`o${i}`, seller === 'near' ? near : far, price, { stock, ...(multi ? { multi } : {}) }, kind),
        ),
      },
      wish,
    ),
  );

/** Every number of packs of every offer, given to needs in every way. */
function cheapestByTrying(a: BuyingAsked): number | undefined {
  const { choices, wanted } = programOf(a);
  let least: number | undefined;
  const taken: number[] = new Array(choices.length).fill(0);
  const priceOf = ({ price, multi }: Offer, packs: number, stock: number): number => {
    let best = packs * price;
    for (let m = 0; multi && m * multi.packs <= stock; m++)
      best = Math.min(best, m * multi.price + Math.max(0, packs - m * multi.packs) * price);
    return best;
  };
  const total = (): number | undefined => {
    for (const [n, pieces] of wanted.entries())
      if (choices.reduce((s, c, i) => s + (c.need === n ? taken[i] * c.fit.piecesAPack : 0), 0) < pieces - 1e-9)
        return undefined;
    let cost = 0;
    for (const seller of a.sellers) {
      let goods = 0;
      let any = false;
      for (const [k, o] of a.offers.entries()) {
        if (o.seller !== seller.id) continue;
        const packs = choices.reduce((s, c, i) => s + (c.offer === k ? taken[i] : 0), 0);
        if (packs > o.stock) return undefined;
        if (packs > 0) any = true;
        goods += priceOf(o, packs, o.stock);
      }
      if (any) cost += goods + (seller.freeFrom !== undefined && goods >= seller.freeFrom ? 0 : seller.delivery);
    }
    return cost;
  };
  const walk = (i: number) => {
    if (i === choices.length) {
      const cost = total();
      if (cost !== undefined && (least === undefined || cost < least)) least = cost;
      return;
    }
    for (taken[i] = 0; taken[i] <= a.offers[choices[i].offer].stock; taken[i]++) walk(i + 1);
    taken[i] = 0;
  };
  walk(0);
  return least;
}

describe('against every way there is', () => {
  it('no small purchase is cheaper', () => {
    fc.assert(
      fc.property(small, (a) => {
        // With free delivery within reach more than is needed may be bought; that is tried by itself above.
        const plain = { ...a, sellers: a.sellers.map(({ freeFrom: _, ...s }) => s) };
        const b = buy(plain, solve);
        const least = cheapestByTrying(plain);
        if (least === undefined) expect(b.can).toBe(false);
        else expect(bought(b).total).toBeCloseTo(least, 6);
      }),
      { numRuns: 60, endOnFailure: true },
    );
  });
});

/** The second library takes the same numbers as a record. */
function bySecondSolver({ objective, rows, whole, free }: Model): number | undefined {
  const variables: Record<string, Record<string, number>> = {};
  const of = (name: string) => (variables[name] ??= {});
  const add = (name: string, row: string, times: number) => {
    of(name)[row] = (of(name)[row] ?? 0) + times;
  };
  for (const t of objective) add(t.of, 'goal', t.times);
  const constraints: Record<string, { min?: number; max?: number }> = {};
  for (const r of rows) {
    for (const t of r.terms) add(t.of, r.name, t.times);
    constraints[r.name] = r.sense === '<=' ? { max: r.than } : { min: r.than };
  }
  for (const v of whole) {
    add(v.name, `most ${v.name}`, 1);
    constraints[`most ${v.name}`] = { max: v.most };
  }
  for (const v of free) of(v);
  const ints = Object.fromEntries(whole.map((v) => [v.name, 1 as const]));
  const said = solver.Solve({ optimize: 'goal', opType: 'min', constraints, variables, ints } as never) as unknown as {
    feasible: boolean;
    result: number;
  };
  return said.feasible ? said.result : undefined;
}

describe('against a second library', () => {
  const larger = fc
    .record({
      offers: fc.array(
        fc.record({
          seller: fc.constantFrom('near', 'far'),
          price: fc.integer({ min: 5, max: 20 }),
          stock: fc.integer({ min: 1, max: 9 }),
          kind: kinds,
        }),
        { minLength: 8, maxLength: 14 },
      ),
      wants: fc.array(fc.integer({ min: 60, max: 300 }), { minLength: 2, maxLength: 3 }),
    })
    .map(({ offers, wants }) =>
      asked(
        {
          needs: wants.map((n, i) => ({
            id: `n${i}`,
            kind: { ...curl, colour: ['black', 'copper', 'off black'][i] },
            pieces: [n, n, n],
          })),
          offers: offers.map(({ seller, price, stock, kind }, i) =>
            offer(`o${i}`, seller === 'near' ? near : far, price, { stock }, kind),
          ),
        },
        { colourWithin: 8, longerCutDown: true },
      ),
    );

  it('the least cost is the same', () => {
    fc.assert(
      fc.property(larger, (a) => {
        const model = modelOf(programOf(a), 'cost');
        const second = bySecondSolver(model);
        const b = buy(a, solve);
        expect(b.can).toBe(second !== undefined);
        if (!b.can || second === undefined) return;
        // Ties are broken by less than a cent.
        expect(Math.abs(100 * b.purchase.total - second)).toBeLessThan(2);
      }),
      { numRuns: 25, endOnFailure: true },
    );
  });
});
