/** Days of a worn style in the store: nothing lost, a renewal once in the record and once out of the stash. */
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { foldWear } from '../core/wear/index.ts';
import { newPlan } from '../model/defaults.ts';
import type { LogEntry } from '../model/install-log.ts';
import { keepAfterWear } from './after-wear.ts';
import { MeshworkDatabase } from './database.ts';
import { addEvents, addLogEntry, addRenewal, startSession } from './installs.ts';
import { mergeInstall } from './merge-install.ts';
import { putHair, stashCaps, stashHair } from './stash.ts';
import { addWear, wearEvents, wearingOf } from './wear.ts';

let db: MeshworkDatabase;
let name = 0;
beforeEach(() => {
  db = new MeshworkDatabase(`wear-${name++}`);
});
afterEach(() => db.delete());

const plan = newPlan('p', 'A plan');
const begin = async () => {
  await startSession(db, { id: 's', planId: 'p', startedAtMs: 1000, plan, finished: 0 });
  await addEvents(db, [
    { sessionId: 's', key: 'a', n: 1, kind: 'knot', atMs: 2000, knotId: 'k1' },
    { sessionId: 's', key: 'b', n: 2, kind: 'finish', atMs: 3000 },
  ]);
};
const note = (key: string, day: string) => ({ key, sessionId: 's', atMs: 1, day, what: 'fuzz' as const });

it('worn since it was finished first; a look after a night or a renewal changes nothing of that', async () => {
  expect(await wearingOf(db, 'p')).toBeUndefined();
  await begin();
  expect(await wearingOf(db, 'p')).toMatchObject({ sinceMs: 3000, isRenewing: false });
  await addEvents(db, [
    { sessionId: 's', key: 'c', n: 3, kind: 'again', atMs: 90_000 },
    { sessionId: 's', key: 'd', n: 4, kind: 'finish', atMs: 91_000 },
    { sessionId: 's', key: 'e', n: 5, kind: 'renew', atMs: 200_000, knotIds: ['k1'] },
  ]);
  expect(await wearingOf(db, 'p')).toMatchObject({ sinceMs: 3000, isRenewing: true });
});

it('a note and its photo are kept together or not at all', async () => {
  await begin();
  await addWear(db, note('n1', '2026-12-01'));
  const photo = { id: 'ph', sessionId: 's', takenAtMs: 1, side: 'behind' as const, image: 'data:,', knotsIn: 0 };
  await addWear(db, { ...note('n2', '2026-12-02'), what: 'photo', photoId: 'ph' }, photo);
  // The key is taken: neither is kept.
  await expect(addWear(db, note('n1', '2026-12-03'), { ...photo, id: 'other' })).rejects.toThrow();
  expect(await db.photos.count()).toBe(1);
  expect(foldWear(await wearEvents(db, 's')).map((n) => n.key)).toEqual(['n1', 'n2']);
});

it('a renewal stands once in the record, and takes its pieces out of what lies in the stash, once', async () => {
  await begin();
  const [product] = plan.products;
  await putHair(db, undefined, [{ product: { ...product, packsAtHand: 2 }, loose: 3 }], 1);
  const figures = { knots: 1, pieces: 1, packs: 1, minutes: 1, price: 1 };
  const entry: LogEntry = {
    id: 'l',
    planId: 'p',
    sessionId: 's',
    planName: 'P',
    atMs: 4000,
    line: '',
    planned: figures,
    used: figures,
  };
  await addLogEntry(db, entry);
  const used = [{ product, atHand: 0, bought: 9, piecesPerPack: 10, piecesUsed: 8 }];
  for (let i = 0; i < 2; i++) await addRenewal(db, 'l', { atMs: 5000, pieces: 8 }, used);
  expect((await db.log.get('l'))?.renewed).toEqual([{ atMs: 5000, pieces: 8 }]);
  const [lot] = await db.stash.toArray();
  expect(lot).toMatchObject({ loose: 5, product: { packsAtHand: 1 } });
  // Hair that no one put there is not invented.
  await addRenewal(db, 'l', { atMs: 6000, pieces: 1 }, [{ ...used[0], product: { ...product, name: 'Another' } }]);
  expect(await db.stash.count()).toBe(1);
});

it('what is worth keeping goes back as worn, and the cap once more worn, once', async () => {
  await begin();
  const [product] = plan.products;
  await putHair(db, undefined, [{ product: { ...product, packsAtHand: 2 }, loose: 0 }], 1);
  const kept = { hair: [{ product, pieces: 12 }], cap: { name: 'A cap', cap: plan.cap } };
  for (let i = 0; i < 2; i++) await keepAfterWear(db, 's', kept, undefined, 7);
  const lots = await stashHair(db, undefined);
  expect(lots.map((l) => [l.product.condition, l.product.packsAtHand, l.loose]).sort()).toEqual([
    ['new', 2, 0],
    ['worn', 0, 12],
  ]);
  expect((await stashCaps(db, undefined)).map((c) => c.cap.timesWorn)).toEqual([plan.cap.timesWorn + 1]);
});

it('comes with an install from another device, each note once, none of hers lost', async () => {
  await begin();
  await addWear(db, note('here', '2026-12-01'));
  const session = await db.sessions.get('s');
  if (!session) throw new Error('the install is gone');
  const theirs = [note('here', '2026-12-01'), note('there', '2026-12-02')].map(({ sessionId: _, ...n }) => n);
  expect(await mergeInstall(db, session, [], theirs)).toBe(1);
  expect(await mergeInstall(db, session, [], theirs)).toBe(0);
  expect(foldWear(await wearEvents(db, 's')).map((n) => n.key)).toEqual(['here', 'there']);
});
