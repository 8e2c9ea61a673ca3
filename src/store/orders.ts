/** Hair that is ordered: kept until it has come, and then put into the stash, once. */
import type { MeshworkDatabase, OrderRecord } from './database.ts';
import { addPacks } from './stash.ts';

export async function keepOrder(db: MeshworkDatabase, order: OrderRecord): Promise<void> {
  await db.orders.add(order);
}

/** Those on their way first. */
export async function ordersOf(db: MeshworkDatabase, planId: string): Promise<OrderRecord[]> {
  const all = await db.orders.where('planId').equals(planId).toArray();
  return all.sort((a, b) => a.hasCome - b.hasCome || b.orderedAtMs - a.orderedAtMs);
}

/** @returns whether it came now; an order that had come already adds nothing once more */
export async function orderCame(db: MeshworkDatabase, id: string, atMs: number): Promise<boolean> {
  return db.transaction('rw', db.orders, db.stash, async () => {
    const order = await db.orders.get(id);
    if (!order || order.hasCome === 1) return false;
    await db.orders.update(id, { hasCome: 1 });
    for (const { product, packs } of order.lines) await addPacks(db, order.of, product, packs, atMs);
    return true;
  });
}

export async function forgetOrder(db: MeshworkDatabase, id: string): Promise<void> {
  await db.orders.delete(id);
}
