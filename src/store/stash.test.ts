/** Her shelf: kept, used again, replaced by name, forgotten. */
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { demoPlans } from '../demo/plans.ts';
import { START_CAP } from '../model/defaults.ts';
import { MeshworkDatabase } from './database.ts';
import { keepCap, keepHair, outOfStash, stashCaps, stashHair } from './stash.ts';

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
