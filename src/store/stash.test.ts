/** Her stash: kept, used again, counted, reserved, ordered, forgotten; never less than none, nothing given twice. */
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { oldStore } from '../../tests/helpers/old-store.ts';
import { Planner } from '../../tests/helpers/planner.ts';
import { demoPlans } from '../demo/plans.ts';
import { START_CAP } from '../model/defaults.ts';
import full7 from '../model/fixtures/plan-7-full.json' with { type: 'json' };
import { startHistory } from '../model/history.ts';
import { usedOf } from '../model/stash.ts';
import { planInputs } from '../model/to-inputs.ts';
import { MeshworkDatabase } from './database.ts';
import { addLogEntry, correctLogEntry, loggedBy } from './installs.ts';
import { keepOrder, orderCame, ordersOf } from './orders.ts';
import {
  addPacks,
  changeHair,
  keepCap,
  keepHair,
  keepThing,
  lotsTaken,
  outOfStash,
  putBack,
  putHair,
  stashCaps,
  stashHair,
  stashThings,
} from './stash.ts';

let db: MeshworkDatabase;
beforeEach(() => {
  db = new MeshworkDatabase(`shelf-${Math.random()}`);
});
afterEach(() => {
  db.close();
});

const [first, second] = demoPlans.flatMap((p) => p.products);

it('keeps hair with its condition and the times worn, the newest first', async () => {
  await keepHair(db, undefined, [first], 1);
  await keepHair(db, undefined, [{ ...second, condition: 'worn', timesWorn: 2 }], 2);
  const kept = await stashHair(db, undefined);
  expect(kept.map((k) => k.product.name)).toEqual([second.name, first.name]);
  expect(kept[0].product).toMatchObject({ condition: 'worn', timesWorn: 2 });
});

it('hair of the same name is one thing: what is kept last replaces it', async () => {
  await keepHair(db, undefined, [first], 1);
  await keepHair(db, undefined, [{ ...first, packsAtHand: 3 }], 2);
  const kept = await stashHair(db, undefined);
  expect(kept).toHaveLength(1);
  expect(kept[0].product.packsAtHand).toBe(3);
});

it('what a plan says is at hand never takes from a lot that holds more', async () => {
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 5 }, loose: 12 }], 1);
  await keepHair(db, undefined, [{ ...first, packsAtHand: 2 }], 2);
  const [lot] = await stashHair(db, undefined);
  expect([lot.product.packsAtHand, lot.loose]).toEqual([5, 12]);
});

it('two lines of a table that are the same hair are summed, and what they replaced can be put back', async () => {
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 9 }, loose: 1 }], 1);
  const table = [
    { product: { ...first, packsAtHand: 2 }, loose: 3 },
    { product: { ...first, packsAtHand: 1 }, loose: 4 },
    { product: second, loose: 0 },
  ];
  const before = await putHair(db, undefined, table, 2);
  const counts = async () =>
    (await stashHair(db, undefined)).map((l) => [l.product.name, l.product.packsAtHand, l.loose]).sort();
  expect(await counts()).toEqual(
    [
      [first.name, 3, 7],
      [second.name, second.packsAtHand, 0],
    ].sort(),
  );
  await putBack(db, before);
  expect(await counts()).toEqual([[first.name, 9, 1]]);
});

it('caps and hair do not mix, and each can be forgotten', async () => {
  await keepHair(db, undefined, [first], 1);
  await keepCap(db, undefined, 'Dusk net', { ...START_CAP, timesWorn: 4 }, 2);
  expect((await stashCaps(db, undefined)).map((c) => [c.name, c.cap.timesWorn])).toEqual([['Dusk net', 4]]);
  await outOfStash(db, (await stashCaps(db, undefined))[0].id);
  expect(await stashCaps(db, undefined)).toEqual([]);
  expect(await stashHair(db, undefined)).toHaveLength(1);
});

it('each wearer has her own; what was kept before there were wearers is on every shelf', async () => {
  await keepHair(db, undefined, [first], 1);
  await keepHair(db, 'zola', [{ ...first, packsAtHand: 2 }], 2);
  await keepHair(db, 'ada', [{ ...second, packsAtHand: 7 }], 3);
  await keepCap(db, 'ada', 'Dusk net', START_CAP, 4);
  expect((await stashHair(db, 'zola')).map((k) => [k.of, k.product.packsAtHand])).toEqual([
    ['zola', 2],
    [undefined, first.packsAtHand],
  ]);
  expect((await stashHair(db, 'ada')).map((k) => k.product.packsAtHand)).toEqual([7, first.packsAtHand]);
  expect(await stashCaps(db, 'zola')).toEqual([]);
  expect(await stashCaps(db, 'ada')).toHaveLength(1);
  expect(await stashHair(db, undefined)).toHaveLength(1);
});

it('what a store called its shelf is its stash: nothing is lost', async () => {
  const name = await oldStore(8, {
    shelf: [
      { id: 'hair Old', kind: 'hair', product: first, updatedAtMs: 3 },
      { id: 'cap Dusk net', kind: 'cap', name: 'Dusk net', cap: START_CAP, updatedAtMs: 4 },
    ],
  });
  const opened = new MeshworkDatabase(name);
  expect((await stashHair(opened, undefined)).map((l) => [l.product.name, l.loose])).toEqual([[first.name, 0]]);
  expect(await stashCaps(opened, undefined)).toHaveLength(1);
  opened.close();
});

it('a lot worn once more is another lot, added to what lies there', async () => {
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 1 }, loose: 4 }], 1);
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 2, condition: 'worn' }, loose: 9 }], 1);
  const [lot] = (await stashHair(db, undefined)).filter((l) => l.product.condition === 'new');
  await changeHair(db, lot.id, { product: { condition: 'worn' } }, 2);
  const left = await stashHair(db, undefined);
  expect(left.map((l) => [l.product.condition, l.product.packsAtHand, l.loose])).toEqual([['worn', 3, 13]]);
});

const oldPlan = { ...full7, products: full7.products.map((p, i) => (i === 0 ? { ...p, packsAtHand: 3 } : p)) };
const plan = (id: string, packsAtHand: number) => ({
  ...demoPlans[0],
  id,
  name: id,
  products: [{ ...first, packsAtHand }],
});
const record = (id: string, packs: number) => ({
  id,
  revision: 1,
  updatedAtMs: 1,
  deletedAtMs: 0,
  history: startHistory(plan(id, packs)),
});

it('what plans take is reserved once: who comes second gets what is left, and a worn or deleted plan takes nothing', async () => {
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 5 }, loose: 0 }], 1);
  await db.plans.bulkAdd([record('a', 3), record('b', 4), { ...record('c', 5), deletedAtMs: 9 }, record('d', 5)]);
  await db.sessions.add({ id: 's', planId: 'd', startedAtMs: 1, plan: plan('d', 5), finished: 1 });
  const [lot] = await lotsTaken(db, undefined);
  expect(lot.taken.map((t) => [t.name, t.packs, t.granted])).toEqual([
    ['a', 3, 3],
    ['b', 4, 2],
  ]);
  expect(lot.free).toBe(0);
});

it('a plan that is hooked once more takes hair again, until it is finished', async () => {
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 5 }, loose: 0 }], 1);
  await db.plans.add(record('a', 3));
  const session = (id: string, startedAtMs: number, finished: 0 | 1) => ({
    id,
    planId: 'a',
    startedAtMs,
    plan: plan('a', 3),
    finished,
  });
  await db.sessions.bulkAdd([session('new', 9, 0), session('old', 1, 1)]);
  expect((await lotsTaken(db, undefined))[0].taken).toHaveLength(1);
  await db.sessions.update('new', { finished: 1 });
  expect((await lotsTaken(db, undefined))[0].taken).toEqual([]);
});

it('plans of an older version take what they took; one that can’t be read keeps nobody from the stash', async () => {
  await putHair(db, undefined, [{ product: { ...oldPlan.products[0], packsAtHand: 8 } as never, loose: 0 }], 1);
  const old = { ...record('a', 0), history: { past: [], present: { words: 'x', plan: oldPlan }, future: [] } };
  const broken = {
    ...record('b', 0),
    history: { past: [], present: { words: 'x', plan: { version: 10 } }, future: [] },
  };
  await db.plans.bulkAdd([old as never, broken as never, { ...record('c', 0), history: undefined } as never]);
  const [lot] = await lotsTaken(db, undefined);
  expect(lot.taken.map((t) => t.packs)).toEqual([3]);
});

it('a logged install takes what was used and brings back what is left; both or neither', async () => {
  const own = plan('a', 3);
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 3 }, loose: 0 }], 1);
  const result = new Planner().plan(planInputs(own, 24));
  const perPack = own.products[0].piecesPerPack;
  const used = usedOf(own, result, { pieces: result.supply.pieces, packs: result.supply.packs });
  const figures = { knots: 1, pieces: result.supply.pieces, packs: result.supply.packs, minutes: 1, price: 1 };
  const entry = { id: 'l', planId: 'a', planName: 'a', atMs: 5, line: '', planned: figures, used: figures };
  await addLogEntry(db, entry, used);
  const [lot] = await stashHair(db, undefined);
  expect([lot.product.packsAtHand, lot.loose]).toEqual([0, result.supply.packs * perPack - result.supply.pieces]);
  expect((await db.log.get('l'))?.back).toEqual([
    { name: `${first.name}, ${first.colours[0]}`, packs: 0, pieces: lot.loose },
  ]);
  // The line is there already: nothing is taken a second time.
  await expect(addLogEntry(db, entry, used)).rejects.toThrow();
  expect((await stashHair(db, undefined))[0].loose).toBe(lot.loose);
});

it('a line that is put right moves only the difference: what came or went meanwhile stays', async () => {
  const own = plan('a', 3);
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 3 }, loose: 0 }], 1);
  const result = new Planner().plan(planInputs(own, 24));
  const perPack = own.products[0].piecesPerPack;
  const figures = (pieces: number) => ({ knots: 1, pieces, packs: Math.ceil(pieces / perPack), minutes: 1, price: 1 });
  const used = (pieces: number) => usedOf(own, result, figures(pieces));
  const { pieces } = result.supply;
  const entry = {
    id: 'l',
    planId: 'a',
    planName: 'a',
    atMs: 5,
    line: '',
    planned: figures(pieces),
    used: figures(pieces),
  };
  await addLogEntry(db, { ...entry, byItself: 1 }, used(pieces));
  const counted = async () => {
    const [lot] = await stashHair(db, undefined);
    return lot.product.packsAtHand * perPack + lot.loose;
  };
  const before = await counted();
  // A pack came meanwhile.
  await addPacks(db, undefined, first, 1, 6);
  await correctLogEntry(db, 'l', { line: 'three fewer', used: figures(pieces - 3) }, used(pieces - 3), undefined, 7);
  expect(await counted()).toBe(before + perPack + 3);
  await correctLogEntry(db, 'l', { line: 'as told', used: figures(pieces) }, used(pieces), undefined, 8);
  expect(await counted()).toBe(before + perPack);
  expect(await db.log.get('l')).toMatchObject({ line: 'as told', used: figures(pieces) });
  expect((await db.log.get('l'))?.byItself).toBeUndefined();
  await expect(correctLogEntry(db, 'none', entry, [], undefined, 9)).rejects.toThrow(/no longer/);
});

it('the log of a wearer says what her installs took', async () => {
  await db.plans.bulkAdd([
    { ...record('a', 0), wearer: { id: 'zola', revision: 1 } },
    { ...record('b', 0), wearer: { id: 'zola', revision: 1 } },
    { ...record('c', 0), wearer: { id: 'ada', revision: 1 } },
  ]);
  const figures = (pieces: number) => ({ knots: 1, pieces, packs: 1, minutes: 1, price: 1 });
  const entry = (id: string, planId: string, planned: number, used: number) => ({
    id,
    planId,
    planName: planId,
    atMs: 1,
    line: '',
    planned: figures(planned),
    used: figures(used),
  });
  await addLogEntry(db, entry('1', 'a', 100, 110));
  await addLogEntry(db, entry('2', 'b', 200, 205));
  await addLogEntry(db, entry('3', 'c', 100, 300));
  expect(await loggedBy(db, 'a')).toEqual({ installs: 2, usedOverPlanned: 1.063 });
  expect(await loggedBy(db, 'nobody')).toBeUndefined();
});

it('an order that has come is in the stash, once', async () => {
  const order = {
    id: 'o',
    planId: 'a',
    seller: 'Heron Row Hair',
    orderedAtMs: 1,
    arrives: '2026-12-05',
    total: 30,
    currency: '€',
    lines: [{ product: { ...first, packsAtHand: 0 }, packs: 2 }],
    hasCome: 0 as const,
  };
  await keepOrder(db, order);
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 1 }, loose: 7 }], 1);
  expect(await orderCame(db, 'o', 2)).toBe(true);
  expect(await orderCame(db, 'o', 3)).toBe(false);
  const [lot] = await stashHair(db, undefined);
  expect([lot.product.packsAtHand, lot.loose]).toEqual([3, 7]);
  expect((await ordersOf(db, 'a')).map((o) => o.hasCome)).toEqual([1]);
});

it('pieces cut in half are a lot of their own, that no plan takes as packs', async () => {
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 2 }, loose: 6 }], 1);
  await putHair(db, undefined, [{ product: { ...first, packsAtHand: 0 }, loose: 11, cut: 'lower' }], 1);
  await db.plans.add(record('a', 2));
  const lots = await lotsTaken(db, undefined);
  expect(new Map(lots.map((l) => [l.cut, [l.loose, l.taken.length]]))).toEqual(
    new Map([
      ['lower', [11, 0]],
      [undefined, [6, 1]],
    ]),
  );
  const [halves] = lots.filter((l) => l.cut === 'lower');
  await changeHair(db, halves.id, { cut: 'whole' }, 2);
  expect((await stashHair(db, undefined)).map((l) => [l.product.packsAtHand, l.loose])).toEqual([[2, 17]]);
});

it('things are counted by name', async () => {
  await keepThing(db, undefined, { name: 'latch hook', count: 1, inBag: 1, bagPrice: 3 }, 1);
  await keepThing(db, undefined, { name: 'latch hook', count: 2, inBag: 1, bagPrice: 3.2 }, 2);
  expect((await stashThings(db, undefined)).map((t) => [t.count, t.bagPrice])).toEqual([[2, 3.2]]);
});
