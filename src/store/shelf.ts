/** Her shelf: hair and caps that are kept and used again, with their condition and the times they were worn. */
import type { CapAsWritten, ProductAsWritten } from '../model/plan.ts';
import type { MeshworkDatabase, ShelfRecord } from './database.ts';

export type ShelfHair = Extract<ShelfRecord, { kind: 'hair' }>;
export type ShelfCap = Extract<ShelfRecord, { kind: 'cap' }>;

/** Whose shelf: a wearer's id; of a plan that is nobody's, everybody's. */
type Of = string | undefined;

const idOf = (of: Of, kind: ShelfRecord['kind'], name: string) => [...(of ? [of] : []), kind, name].join(' ');
const whose = (of: Of) => (of ? { of } : {});

/** Hair of the same name is one thing on a shelf: what is kept last replaces it. */
export async function keepHair(db: MeshworkDatabase, of: Of, products: readonly ProductAsWritten[], atMs: number) {
  await db.shelf.bulkPut(
    products.map(
      (product): ShelfHair => ({
        id: idOf(of, 'hair', product.name),
        kind: 'hair',
        product,
        updatedAtMs: atMs,
        ...whose(of),
      }),
    ),
  );
}

export async function keepCap(db: MeshworkDatabase, of: Of, name: string, cap: CapAsWritten, atMs: number) {
  await db.shelf.put({ id: idOf(of, 'cap', name), kind: 'cap', name, cap, updatedAtMs: atMs, ...whose(of) });
}

export async function shelfHair(db: MeshworkDatabase, of: Of): Promise<ShelfHair[]> {
  return (await shelf(db, of)).filter((r): r is ShelfHair => r.kind === 'hair');
}

export async function shelfCaps(db: MeshworkDatabase, of: Of): Promise<ShelfCap[]> {
  return (await shelf(db, of)).filter((r): r is ShelfCap => r.kind === 'cap');
}

/** What is hers and what is everybody's, the newest first. */
async function shelf(db: MeshworkDatabase, of: Of): Promise<ShelfRecord[]> {
  const all = await db.shelf.toArray();
  return all.filter((r) => r.of === undefined || r.of === of).sort((a, b) => b.updatedAtMs - a.updatedAtMs);
}

export async function offShelf(db: MeshworkDatabase, id: string) {
  await db.shelf.delete(id);
}
