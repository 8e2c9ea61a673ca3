/** What to buy for a plan, from all that is known: the shop, the stash, what is on its way. */
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { wrap } from 'comlink';
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import type { Bought, BuyingAsked } from '../../core/buying/index.ts';
import type { Plan } from '../../core/plan/index.ts';
import { buyingAsked } from '../../model/buying.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { ordersOf } from '../../store/orders.ts';
import { type LotTaken, lotsTaken } from '../../store/stash.ts';
import type { BuyingJobs } from '../../workers/buying.worker.ts';
import { db } from '../session/database.ts';
import { today } from '../session/today.ts';
import { useWearerOf } from '../session/use-wearer-of.ts';
import { type ShopSeen, useShop } from './shop.ts';

export interface Buying {
  readonly shop: ShopSeen;
  /** Undefined until shop and stash are there. */
  readonly asked: BuyingAsked | undefined;
  readonly lots: readonly LotTaken[];
  /** Undefined while it is worked out, or where nothing is wanted. */
  readonly bought: Bought | undefined;
  /** What is shown is of an earlier question. */
  readonly isWorking: boolean;
  readonly failed: string | undefined;
  readonly again: () => void;
}

const NO_LOTS: readonly LotTaken[] = [];

export function useBuying(plan: PlanDocument, result: Pick<Plan, 'supply'>): Buying {
  const shop = useShop();
  const of = useWearerOf(plan.id);
  const lots = useLiveQuery(() => lotsTaken(db, of), [of]);
  const orders = useLiveQuery(() => ordersOf(db, plan.id), [plan.id]);
  const { catalogue } = shop;
  const asked = useMemo(() => {
    if (!catalogue || !lots || !orders) return undefined;
    const coming = orders.filter((o) => o.hasCome === 0);
    return buyingAsked(plan, result, { catalogue, lots, orders: coming, today: today() });
  }, [plan, result, catalogue, lots, orders]);
  const isWanted = asked !== undefined && asked.needs.length > 0;
  const { data, isPlaceholderData, isFetching, error, refetch } = useQuery({
    queryKey: ['buy', asked],
    queryFn: () => solved(asked as BuyingAsked),
    enabled: isWanted,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    networkMode: 'always',
    retry: 0,
  });
  return {
    shop,
    asked,
    lots: lots ?? NO_LOTS,
    bought: isWanted ? data : undefined,
    isWorking: isPlaceholderData || isFetching,
    failed: error?.message,
    again: () => void refetch(),
  };
}

interface Solver {
  readonly ask: (asked: BuyingAsked) => Promise<Bought>;
}

let solver: Solver | undefined;

/** A worker that can't be fetched, or dies, answers nobody: whoever waits is told, and next time another one is started. */
function startSolver(): Solver {
  const worker = new Worker(new URL('../../workers/buying.worker.ts', import.meta.url), { type: 'module' });
  const jobs = wrap<BuyingJobs>(worker);
  const gone = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => {
      solver = undefined;
      worker.terminate();
      reject(new Error('What works it out could not be loaded. Is Meshwork still running?'));
    });
  });
  gone.catch(() => undefined);
  const answer = async (asked: BuyingAsked) => {
    const result = await jobs.buy(asked);
    if (result.state === 'failed') throw new Error(result.message);
    return result.value;
  };
  return { ask: (asked) => Promise.race([answer(asked), gone]) };
}

function solved(asked: BuyingAsked): Promise<Bought> {
  solver ??= startSolver();
  return solver.ask(asked);
}
