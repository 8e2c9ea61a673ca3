/** What is asked of the buying program: what is wanted, what is at hand, what is on its way, what can't be had. */
import { expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { fullShop } from '../../tests/helpers/shop.ts';
import { shoulderCurls } from '../demo/plans.ts';
import { type AtHandAndOnSale, buyingAsked, isOnItsWay, setAside } from './buying.ts';
import type { PlanDocument } from './plan.ts';
import { planInputs } from './to-inputs.ts';

const planner = new Planner();
const [curl] = shoulderCurls.products;
const asked = (plan: PlanDocument, change: Partial<AtHandAndOnSale> = {}) =>
  buyingAsked(plan, planner.plan(planInputs(plan, 24)), {
    catalogue: fullShop(),
    lots: [],
    orders: [],
    today: '2026-12-01',
    ...change,
  });
const atHand = (packsAtHand: number): PlanDocument => ({ ...shoulderCurls, products: [{ ...curl, packsAtHand }] });

it('packs at hand are not wanted again', () => {
  const [none] = asked(shoulderCurls).needs;
  const [two] = asked(atHand(2)).needs;
  expect(none.pieces.map((n, i) => n - two.pieces[i])).toEqual([96, 96, 96]);
  expect(asked(atHand(20)).needs).toEqual([]);
});

it('of a colour that can’t be had any more nothing is wanted from a shop', () => {
  const mixed: PlanDocument = {
    ...shoulderCurls,
    colours: { ...shoulderCurls.colours, more: [{ id: 'c1', name: 'copper', packsAtHand: 1 }], shares: { c1: 0.4 } },
  };
  const wanted = (plan: PlanDocument) => asked(plan).needs.map((n) => n.kind.colour);
  expect(wanted(mixed)).toEqual(['black', 'copper']);
  expect(wanted({ ...mixed, colours: { ...mixed.colours, noMore: ['c1'] } })).toEqual(['black']);
});

it('what is on its way asks nothing more, and is there when it comes', () => {
  const order = { id: 'o1', arrives: '2026-12-04', lines: [{ product: { ...curl, id: 'x' }, packs: 3 }] };
  const { offers, sellers } = asked(shoulderCurls, { orders: [order] });
  const seller = sellers.find((s) => isOnItsWay(s.id));
  expect(seller).toMatchObject({ days: 3, delivery: 0 });
  expect(offers.filter((o) => o.seller === seller?.id)).toMatchObject([
    { price: 0, stock: 3, kind: { colour: 'black' } },
  ]);
  const late = asked(shoulderCurls, { orders: [{ ...order, arrives: '2026-11-20' }] });
  expect(late.sellers.find((s) => isOnItsWay(s.id))?.days).toBe(0);
});

it('only the very hair of the plan is set aside; worn and cut hair is not offered', () => {
  const lots = [
    { id: 'a', product: { ...curl, packsAtHand: 2 }, free: 2, loose: 5 },
    { id: 'b', product: { ...curl, colours: ['off black'], packsAtHand: 4 }, free: 4, loose: 0 },
    { id: 'c', product: { ...curl, condition: 'worn' as const }, free: 3, loose: 9 },
    { id: 'd', product: curl, free: 0, loose: 9, cut: 'lower' as const },
  ];
  const stash = asked(shoulderCurls, { lots }).offers.filter((o) => o.seller === 'stash');
  expect(stash.map((o) => [o.kind.colour, o.stock, o.kind.piecesPerPack])).toEqual([
    ['black', 2, 48],
    ['black', 1, 5],
    ['off black', 4, 48],
  ]);
  const lines = stash.map((o) => ({ offer: o.id, packs: o.stock }));
  expect(setAside(shoulderCurls, lines, lots)?.plan.products[0].packsAtHand).toBe(2);
  expect(setAside(shoulderCurls, lines.slice(1), lots)).toBeUndefined();
});
