import { useLiveQuery } from 'dexie-react-hooks';
import { db } from './database.ts';

/** Id of the wearer that a plan is for; undefined where it is nobody's. */
export function useWearerOf(planId: string): string | undefined {
  return useLiveQuery(async () => (await db.plans.get(planId))?.wearer?.id, [planId]);
}
