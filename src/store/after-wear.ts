/** What of a style comes back to the stash once it is out. */
import type { CapAsWritten, ProductAsWritten } from '../model/plan.ts';
import type { MeshworkDatabase } from './database.ts';
import { addLoose, keepCap } from './stash.ts';

export interface KeptAfter {
  readonly hair: ReadonlyArray<{ readonly product: ProductAsWritten; readonly pieces: number }>;
  readonly cap: { readonly name: string; readonly cap: CapAsWritten } | undefined;
}

/** Pieces as worn hair, the cap worn once more: all or nothing, and once. */
export async function keepAfterWear(
  db: MeshworkDatabase,
  sessionId: string,
  { hair, cap }: KeptAfter,
  of: string | undefined,
  atMs: number,
): Promise<void> {
  await db.transaction('rw', db.sessions, db.stash, async () => {
    const session = await db.sessions.get(sessionId);
    if (!session || session.keptAtMs !== undefined) return;
    for (const { product, pieces } of hair) {
      if (pieces === 0) continue;
      const worn = { ...product, condition: 'worn' as const, timesWorn: product.timesWorn + 1 };
      await addLoose(db, of, worn, pieces, atMs);
    }
    if (cap) await keepCap(db, of, cap.name, { ...cap.cap, timesWorn: cap.cap.timesWorn + 1 }, atMs);
    await db.sessions.update(sessionId, { keptAtMs: atMs });
  });
}
