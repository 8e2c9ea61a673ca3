/** Her stash: hair, caps and things that are kept and used again, with their condition. Shelves of Hair and Cap are views of it. */
import { afterInstall, allot, type Claim, type LeftAfter } from '../core/supply/index.ts';
import { lotKey } from '../model/lot-key.ts';
import type { CapAsWritten, ProductAsWritten } from '../model/plan.ts';
import { claimsOf, type UsedOf } from '../model/stash.ts';
import type { MeshworkDatabase, StashRecord } from './database.ts';
import { hairId, idOf, type Of } from './stash-id.ts';

export type StashHair = Extract<StashRecord, { kind: 'hair' }>;
export type StashCap = Extract<StashRecord, { kind: 'cap' }>;
export type StashThing = Extract<StashRecord, { kind: 'thing' }>;

const whose = (of: Of) => (of ? { of } : {});

/** Hair of the same name, colour, length and condition is one lot: what is kept last replaces it, loose pieces stay as counted. */
export async function keepHair(db: MeshworkDatabase, of: Of, products: readonly ProductAsWritten[], atMs: number) {
  await db.transaction('rw', db.stash, async () => {
    for (const product of products) {
      const id = hairId(of, product);
      const before = (await db.stash.get(id)) as StashHair | undefined;
      await db.stash.put({ id, kind: 'hair', product, loose: before?.loose ?? 0, updatedAtMs: atMs, ...whose(of) });
    }
  });
}

/** Lots out of a table: packs and loose pieces as they stand there. */
export async function putHair(
  db: MeshworkDatabase,
  of: Of,
  lots: ReadonlyArray<Pick<StashHair, 'product' | 'loose' | 'cut'>>,
  atMs: number,
) {
  await db.stash.bulkPut(
    lots.map(
      ({ product, loose, cut }): StashHair => ({
        id: hairId(of, product, cut),
        ...(cut ? { cut } : {}),
        kind: 'hair',
        product,
        loose,
        updatedAtMs: atMs,
        ...whose(of),
      }),
    ),
  );
}

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
    const there = (await db.stash.get(key)) as StashHair | undefined;
    await db.stash.delete(id);
    await db.stash.put({
      ...next,
      id: key,
      loose: next.loose + (there?.loose ?? 0),
      product: { ...product, packsAtHand: product.packsAtHand + (there?.product.packsAtHand ?? 0) },
    });
  });
}

export async function keepCap(db: MeshworkDatabase, of: Of, name: string, cap: CapAsWritten, atMs: number) {
  await db.stash.put({ id: idOf(of, 'cap', name), kind: 'cap', name, cap, updatedAtMs: atMs, ...whose(of) });
}

/** How many of a thing there are, how many come in a bag, and what a bag costs. */
export async function keepThing(
  db: MeshworkDatabase,
  of: Of,
  thing: Pick<StashThing, 'name' | 'count' | 'inBag' | 'bagPrice'>,
  atMs: number,
) {
  await db.stash.put({ id: idOf(of, 'thing', thing.name), kind: 'thing', ...thing, updatedAtMs: atMs, ...whose(of) });
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
  /** Packs that plans count on, the oldest plan first, and how many of them are there. */
  readonly taken: ReadonlyArray<{
    readonly plan: string;
    readonly name: string;
    readonly packs: number;
    readonly granted: number;
  }>;
  readonly free: number;
}

/** Lots with what plans take of them: those that are kept, of hers, and not yet in her hair. */
export async function lotsTaken(db: MeshworkDatabase, of: Of): Promise<LotTaken[]> {
  const lots = await stashHair(db, of);
  const plans = (await db.plans.where('deletedAtMs').equals(0).toArray()).filter((p) => p.wearer?.id === of);
  const worn = new Set((await db.sessions.where('finished').equals(1).toArray()).map((s) => s.planId));
  const waiting = plans.filter((p) => !worn.has(p.id)).sort((a, b) => (a.id < b.id ? -1 : 1));
  const claims = new Map<string, Array<Claim & { readonly name: string }>>();
  for (const record of waiting) {
    const { plan } = record.history.present;
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

/** After an install: what was used is gone, what is left has come back. @returns what came back, lot by lot */
export async function takeUsed(
  db: MeshworkDatabase,
  of: Of,
  used: readonly UsedOf[],
  atMs: number,
): Promise<Array<LeftAfter & { readonly name: string }>> {
  return db.transaction('rw', db.stash, async () => {
    const left = [];
    for (const { product, ...install } of used) {
      const id = hairId(of, product);
      const lot = (await db.stash.get(id)) as StashHair | undefined;
      const before = { packs: lot?.product.packsAtHand ?? 0, loose: lot?.loose ?? 0 };
      // Packs at hand that nobody had put into the stash were there all the same.
      const packs = Math.max(before.packs, lot ? 0 : install.atHand);
      const after = afterInstall({ ...before, packs }, install);
      left.push({ ...after, name: `${product.name}, ${product.colours[0]}` });
      if (!lot && after.lot.packs === 0 && after.lot.loose === 0) continue;
      await db.stash.put({
        id,
        kind: 'hair',
        product: { ...(lot?.product ?? product), packsAtHand: after.lot.packs },
        loose: after.lot.loose,
        updatedAtMs: atMs,
        ...whose(of),
      });
    }
    return left;
  });
}
