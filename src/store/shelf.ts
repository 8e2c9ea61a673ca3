/** Her shelf: hair and caps that are kept and used again, with their condition and the times they were worn. */
import type { CapAsWritten, ProductAsWritten } from '../model/plan.ts';
import type { MeshworkDatabase, ShelfRecord } from './database.ts';

export type ShelfHair = Extract<ShelfRecord, { kind: 'hair' }>;
export type ShelfCap = Extract<ShelfRecord, { kind: 'cap' }>;

/** Hair of the same name is one thing on the shelf: what is kept last replaces it. */
export async function keepHair(db: MeshworkDatabase, products: readonly ProductAsWritten[], atMs: number) {
  await db.shelf.bulkPut(
    products.map((product): ShelfHair => ({ id: `hair ${product.name}`, kind: 'hair', product, updatedAtMs: atMs })),
  );
}

export async function keepCap(db: MeshworkDatabase, name: string, cap: CapAsWritten, atMs: number) {
  await db.shelf.put({ id: `cap ${name}`, kind: 'cap', name, cap, updatedAtMs: atMs });
}

export async function shelfHair(db: MeshworkDatabase): Promise<ShelfHair[]> {
  const found = await db.shelf.where('kind').equals('hair').sortBy('updatedAtMs');
  return found.filter((r): r is ShelfHair => r.kind === 'hair').reverse();
}

export async function shelfCaps(db: MeshworkDatabase): Promise<ShelfCap[]> {
  const found = await db.shelf.where('kind').equals('cap').sortBy('updatedAtMs');
  return found.filter((r): r is ShelfCap => r.kind === 'cap').reverse();
}

export async function offShelf(db: MeshworkDatabase, id: string) {
  await db.shelf.delete(id);
}
