/** The shop, by TanStack Query: what it says now, or what it said last where it does not answer; and orders to it. */
import { useQuery } from '@tanstack/react-query';
import { type Catalogue, type OrderAnswer, type OrderAsked, readAnswer, readCatalogue } from '../../model/shop.ts';
import { db } from '../session/database.ts';

/** Longer than this nobody waits for a shop, ms. */
const PATIENCE_MS = 8000;
/** For so long what it said is as good as new, ms. */
const FRESH_MS = 60_000;
const KEPT = 'shop, as it was last';

async function askShop(): Promise<Catalogue> {
  const response = await fetch('/api/shop/catalogue', { signal: AbortSignal.timeout(PATIENCE_MS) });
  if (!response.ok) throw new Error(`It answered with ${response.status}.`);
  const read = readCatalogue(await response.json());
  if (!read.ok) throw new Error(`What it said makes no sense: ${read.why}`);
  // A full disk keeps nobody from shopping.
  await db.settings.put({ key: KEPT, value: JSON.stringify(read.value) }).catch(() => undefined);
  return read.value;
}

async function knownBefore(): Promise<Catalogue | null> {
  const kept = await db.settings.get(KEPT);
  if (!kept) return null;
  try {
    const read = readCatalogue(JSON.parse(kept.value));
    return read.ok ? read.value : null;
  } catch {
    return null;
  }
}

export interface ShopSeen {
  readonly catalogue: Catalogue | undefined;
  /** As it is now, as it was when it last answered, still asked, or never seen. */
  readonly state: 'now' | 'before' | 'asking' | 'never';
  readonly askAgain: () => void;
}

export function useShop(): ShopSeen {
  const now = useQuery({ queryKey: ['shop'], queryFn: askShop, staleTime: FRESH_MS, retry: 1, networkMode: 'always' });
  const before = useQuery({
    queryKey: ['shop before'],
    queryFn: knownBefore,
    enabled: now.isError,
    networkMode: 'always',
    staleTime: 0,
  });
  const askAgain = () => void now.refetch();
  if (now.data && !now.isError) return { catalogue: now.data, state: 'now', askAgain };
  const kept = now.data ?? before.data ?? undefined;
  if (now.isPending || (now.isError && before.isPending)) return { catalogue: kept, state: 'asking', askAgain };
  return { catalogue: kept, state: kept ? 'before' : 'never', askAgain };
}

/** @returns what the seller says; undefined where there was no answer that makes sense */
export async function placeOrder(order: OrderAsked): Promise<OrderAnswer | undefined> {
  try {
    const response = await fetch('/api/shop/orders', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(order),
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    const read = readAnswer(await response.json());
    return read.ok ? read.value : undefined;
  } catch {
    return undefined;
  }
}
