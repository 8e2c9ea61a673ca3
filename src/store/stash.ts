/** Her stash: hair, caps and things that are kept and used again, with their condition. Shelves of Hair and Cap are views of it. */
import { afterInstall, allot, type Claim, type LeftAfter, type Lot } from '../core/supply/index.ts';
import { lotKey } from '../model/lot-key.ts';
import type { CapAsWritten, ProductAsWritten } from '../model/plan.ts';
import { claimsOf, type UsedOf } from '../model/stash.ts';
import type { MeshworkDatabase, StashRecord } from './database.ts';
import { planIn } from './find-wearers.ts';
import { hairId, idOf, type Of } from './stash-id.ts';

export type StashHair = Extract<StashRecord, { kind: 'hair' }>;
export type StashCap = Extract<StashRecord, { kind: 'cap' }>;
export type StashThing = Extract<StashRecord, { kind: 'thing' }>;

type Cut = StashHair['cut'];

/** A lot holds what it is counted to hold. @param keepEmpty also where it never was and holds nothing */
async function recount(
  db: MeshworkDatabase,
  { of, product, cut }: { readonly of: Of; readonly product: ProductAsWritten; readonly cut?: Cut },
  atMs: number,
  count: (before: Lot, isThere: boolean) => Lot,
  keepEmpty = false,
): Promise<void> {
  const id = hairId(of, product, cut);
  const there = (await db.stash.get(id)) as StashHair | undefined;
  const { packs, loose } = count(
    { packs: there?.product.packsAtHand ?? 0, loose: there?.loose ?? 0 },
    there !== undefined,
  );
  if (!there && !keepEmpty && packs === 0 && loose === 0) return;
  await db.stash.put({
    id,
    kind: 'hair',
    product: { ...(there?.product ?? product), packsAtHand: packs },
    loose,
    updatedAtMs: atMs,
    ...(cut ? { cut } : {}),
    ...(of ? { of } : {}),
  });
}

/**
 * Hair of the same name, colour, length and condition is one lot. A plan's packs at hand are what it takes of a lot: they make one
 * that is not there yet, and never take from one that holds more.
 */
export async function keepHair(db: MeshworkDatabase, of: Of, products: readonly ProductAsWritten[], atMs: number) {
  await db.transaction('rw', db.stash, async () => {
    for (const product of products) {
      const id = hairId(of, product);
      const there = (await db.stash.get(id)) as StashHair | undefined;
      const packsAtHand = Math.max(product.packsAtHand, there?.product.packsAtHand ?? 0);
      await db.stash.put({
        id,
        kind: 'hair',
        product: { ...product, packsAtHand },
        loose: there?.loose ?? 0,
        updatedAtMs: atMs,
        ...(of ? { of } : {}),
      });
    }
  });
}

/** How lots were before: to undo what took their place. */
export interface StashBefore {
  readonly ids: readonly string[];
  readonly records: readonly StashRecord[];
}

/** Lots out of a table, as they stand there; of two lines of the same hair the sum. */
export async function putHair(
  db: MeshworkDatabase,
  of: Of,
  lots: ReadonlyArray<Pick<StashHair, 'product' | 'loose' | 'cut'>>,
  atMs: number,
): Promise<StashBefore> {
  const ids = [...new Set(lots.map(({ product, cut }) => hairId(of, product, cut)))];
  return db.transaction('rw', db.stash, async () => {
    const records = (await db.stash.bulkGet(ids)).filter((r): r is StashRecord => r !== undefined);
    await db.stash.bulkDelete(ids);
    for (const { product, loose, cut } of lots)
      await recount(
        db,
        { of, product, cut },
        atMs,
        (before) => ({ packs: before.packs + product.packsAtHand, loose: before.loose + loose }),
        true,
      );
    return { ids, records };
  });
}

export async function putBack(db: MeshworkDatabase, { ids, records }: StashBefore) {
  await db.transaction('rw', db.stash, async () => {
    await db.stash.bulkDelete([...ids]);
    await db.stash.bulkPut([...records]);
  });
}

/** Packs that have come are added to what lies there. */
export const addPacks = (db: MeshworkDatabase, of: Of, product: ProductAsWritten, packs: number, atMs: number) =>
  recount(db, { of, product }, atMs, (before) => ({ ...before, packs: before.packs + packs }));

/** Pieces that are out of their pack, or out of hair. */
export const addLoose = (db: MeshworkDatabase, of: Of, product: ProductAsWritten, loose: number, atMs: number) =>
  recount(db, { of, product }, atMs, (before) => ({ ...before, loose: before.loose + loose }));

/** A lot counted anew, or worn once more: where it is another lot now it goes there, added to what lies there. */
export async function changeHair(
  db: MeshworkDatabase,
  id: string,
  change: {
    readonly product?: Partial<ProductAsWritten>;
    readonly loose?: number;
    readonly cut?: 'whole' | 'upper' | 'lower';
  },
  atMs: number,
) {
  await db.transaction('rw', db.stash, async () => {
    const lot = (await db.stash.get(id)) as StashHair | undefined;
    if (lot?.kind !== 'hair') return;
    const product = { ...lot.product, ...change.product };
    const { cut: was, ...rest } = lot;
    const cut = change.cut === undefined ? was : change.cut === 'whole' ? undefined : change.cut;
    const next: StashHair = {
      ...rest,
      ...(cut ? { cut } : {}),
      product,
      loose: change.loose ?? lot.loose,
      updatedAtMs: atMs,
    };
    const key = hairId(lot.of, product, cut);
    if (key === id) return void (await db.stash.put(next));
    await db.stash.delete(id);
    const there = (await db.stash.get(key)) as StashHair | undefined;
    await db.stash.put({
      ...next,
      id: key,
      loose: next.loose + (there?.loose ?? 0),
      product: { ...product, packsAtHand: product.packsAtHand + (there?.product.packsAtHand ?? 0) },
    });
  });
}

export async function keepCap(db: MeshworkDatabase, of: Of, name: string, cap: CapAsWritten, atMs: number) {
  await db.stash.put({ id: idOf(of, 'cap', name), kind: 'cap', name, cap, updatedAtMs: atMs, ...(of ? { of } : {}) });
}

/** How many of a thing there are, how many come in a bag, and what a bag costs. */
export async function keepThing(
  db: MeshworkDatabase,
  of: Of,
  thing: Pick<StashThing, 'name' | 'count' | 'inBag' | 'bagPrice'>,
  atMs: number,
) {
  await db.stash.put({
    id: idOf(of, 'thing', thing.name),
    kind: 'thing',
    ...thing,
    updatedAtMs: atMs,
    ...(of ? { of } : {}),
  });
}

export const stashHair = (db: MeshworkDatabase, of: Of) => ofKind(db, of, 'hair') as Promise<StashHair[]>;
export const stashCaps = (db: MeshworkDatabase, of: Of) => ofKind(db, of, 'cap') as Promise<StashCap[]>;
export const stashThings = (db: MeshworkDatabase, of: Of) => ofKind(db, of, 'thing') as Promise<StashThing[]>;

/** What is hers and what is everybody's, the newest first. */
async function ofKind(db: MeshworkDatabase, of: Of, kind: StashRecord['kind']): Promise<StashRecord[]> {
  const all = await db.stash.where('kind').equals(kind).toArray();
  return all.filter((r) => r.of === undefined || r.of === of).sort((a, b) => b.updatedAtMs - a.updatedAtMs);
}

export async function outOfStash(db: MeshworkDatabase, id: string) {
  await db.stash.delete(id);
}

/** Put back as it was: what was taken out by mistake. */
export async function backIntoStash(db: MeshworkDatabase, record: StashRecord) {
  await db.stash.put(record);
}

export interface LotTaken extends StashHair {
  /** Packs that plans count on, in their order, and how many of them are there. */
  readonly taken: ReadonlyArray<{
    readonly plan: string;
    readonly name: string;
    readonly packs: number;
    readonly granted: number;
  }>;
  readonly free: number;
}

/**
 * Lots with what plans take of them: those that are kept, of hers, and not yet in her hair. Who comes first is always the same;
 * a plan that can't be read takes nothing, and keeps nobody from her stash.
 */
export async function lotsTaken(db: MeshworkDatabase, of: Of): Promise<LotTaken[]> {
  const lots = await stashHair(db, of);
  const plans = (await db.plans.where('deletedAtMs').equals(0).toArray()).filter((p) => p.wearer?.id === of);
  // The newest install of a plan says: one that is hooked once more takes hair again.
  const isWorn = new Map((await db.sessions.orderBy('startedAtMs').toArray()).map((s) => [s.planId, s.finished === 1]));
  const waiting = plans.filter((p) => !isWorn.get(p.id)).sort((a, b) => (a.id < b.id ? -1 : 1));
  const claims = new Map<string, Array<Claim & { readonly name: string }>>();
  for (const record of waiting) {
    const plan = planIn(record);
    if (!plan) continue;
    for (const { key, packs } of claimsOf(plan))
      claims.set(key, [...(claims.get(key) ?? []), { plan: plan.id, name: plan.name, packs }]);
  }
  return lots.map((lot) => {
    // Plans take packs; what was cut is no pack any more.
    const asked = lot.cut ? [] : (claims.get(lotKey(lot.product)) ?? []);
    const { plans: granted, free } = allot({ packs: lot.product.packsAtHand }, asked);
    return { ...lot, taken: granted.map((g, i) => ({ ...g, name: asked[i].name })), free };
  });
}

/** Of such hair, what lies there; hair that does not is left out. */
export async function lotsOf(db: MeshworkDatabase, of: Of, products: readonly ProductAsWritten[]) {
  const lots = await db.stash.bulkGet(products.map((p) => hairId(of, p)));
  return products.flatMap((product, i) => {
    const lot = lots[i];
    return lot?.kind === 'hair' ? [{ product, lot: { packs: lot.product.packsAtHand, loose: lot.loose } }] : [];
  });
}

/** After an install: what was used is gone, what is left has come back. @returns what came back, lot by lot */
export async function takeUsed(db: MeshworkDatabase, of: Of, used: readonly UsedOf[], atMs: number): Promise<LeftOf[]> {
  return db.transaction('rw', db.stash, async () => {
    const left: LeftOf[] = [];
    for (const { product, ...install } of used)
      await recount(db, { of, product }, atMs, (there, isThere) => {
        // Packs at hand that nobody had put into the stash were there all the same.
        const before = isThere ? there : { ...there, packs: install.atHand };
        const after = afterInstall(before, install);
        left.push({ ...after, before, id: hairId(of, product), name: nameOf(product) });
        return after.lot;
      });
    return left;
  });
}

/** What an install left of a lot, and the lot before it. */
export interface LeftOf extends LeftAfter {
  readonly before: Lot;
  readonly id: string;
  readonly name: string;
}

const nameOf = (product: ProductAsWritten) => `${product.name}, ${product.colours[0]}`;

/** An install that was told otherwise before: only the difference moves, so that what came or went meanwhile stays. */
export async function takeOtherwise(
  db: MeshworkDatabase,
  of: Of,
  taken: ReadonlyArray<{ readonly id: string; readonly before: Lot; readonly after: Lot }>,
  used: readonly UsedOf[],
  atMs: number,
): Promise<LeftOf[]> {
  return db.transaction('rw', db.stash, async () => {
    const left: LeftOf[] = [];
    for (const { product, ...install } of used) {
      const id = hairId(of, product);
      const was = taken.find((t) => t.id === id);
      if (!was) continue;
      const now = afterInstall(was.before, install);
      await recount(db, { of, product }, atMs, (there) => ({
        packs: Math.max(0, there.packs + now.lot.packs - was.after.packs),
        loose: Math.max(0, there.loose + now.lot.loose - was.after.loose),
      }));
      left.push({ ...now, before: was.before, id, name: nameOf(product) });
    }
    return left;
  });
}
