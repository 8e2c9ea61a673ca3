/** Hair that is ordered: kept until it has come, and then put into the stash, once. */
import type { MeshworkDatabase, OrderRecord } from './database.ts';
import type { StashHair } from './stash.ts';
import { hairId } from './stash-id.ts';

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
    for (const { product, packs } of order.lines) {
      const key = hairId(order.of, product);
      const there = (await db.stash.get(key)) as StashHair | undefined;
      await db.stash.put({
        id: key,
        kind: 'hair',
        product: { ...(there?.product ?? product), packsAtHand: (there?.product.packsAtHand ?? 0) + packs },
        loose: there?.loose ?? 0,
        updatedAtMs: atMs,
        ...(order.of ? { of: order.of } : {}),
      });
    }
    return true;
  });
}

export async function forgetOrder(db: MeshworkDatabase, id: string): Promise<void> {
  await db.orders.delete(id);
}
