/** The plan that a worn style was hooked by, which may have changed on the way or since, and what of it is in. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useMemo } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { foldInstall } from '../../../core/install/index.ts';
import { planOf } from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import type { Wearing } from '../../../store/wear.ts';
import { useResult } from '../../ask/plan.ts';
import { db } from '../../session/database.ts';

export interface Followed {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly pieces: number;
  /** Knots that are in; all of the plan where the install knows some by other names, so that none is missed. */
  readonly isIn: ReadonlySet<string>;
}

export function useFollowed({ session }: Wearing): Followed | undefined {
  const done = useLiveQuery(async () => {
    const events = await sessionEvents(db, session.id);
    const hooked = foldInstall(events).done.filter((d) => !d.skipped);
    return { plan: planOf(session, events), ids: hooked.map((d) => d.knotId) };
  }, [session]);
  const { answer } = useResult(done?.plan);
  const result = answer?.value;
  return useMemo(() => {
    if (!done || !result) return undefined;
    const all = new Set(result.knots.map((k) => k.id));
    const isIn = done.ids.every((id) => all.has(id)) ? new Set(done.ids) : all;
    return { plan: done.plan, result, pieces: done.ids.length, isIn };
  }, [done, result]);
}
