/** The first minute: the newest plan if there is one, the demo where the server offers it, else a first plan. */
import { useQuery } from '@tanstack/react-query';
import { useLiveQuery } from 'dexie-react-hooks';
import { lazy, Suspense, useRef } from 'react';
import { Navigate } from 'react-router';
import { newPlan } from '../../model/defaults.ts';
import { fillWithDemo } from '../../store/fill-demo.ts';
import { keptPlans } from '../../store/plans.ts';
import { Portrait } from '../head-view/portrait.tsx';
import { db } from '../session/database.ts';
import { useTheme } from '../session/theme.ts';
import { hasFailed } from './failed.ts';

/** Nothing where there is no server: a host of plain files, or one that sleeps. */
async function saidByServer<T>(address: string): Promise<T | undefined> {
  try {
    const answer = await fetch(address);
    return answer.ok ? await answer.json() : undefined;
  } catch {
    return undefined;
  }
}

async function firstMinute(): Promise<'filled' | 'empty'> {
  if ((await db.plans.count()) > 0) return 'filled';
  const start = await saidByServer<{ readonly demo: boolean }>('/api/start');
  const demo = start?.demo && (await saidByServer<Parameters<typeof fillWithDemo>[1]>('/api/demo'));
  if (!demo) return 'empty';
  await fillWithDemo(db, demo, Date.now());
  return 'filled';
}

const PlanList = lazy(() => import('./plan-list.tsx').then((m) => ({ default: m.PlanList })));

/** Whose head stands there before there is a plan: the average one. */
const FIRST_PLAN = newPlan('first', 'First');

export function Home() {
  useTheme();
  const first = useQuery({
    queryKey: ['first-minute'],
    queryFn: firstMinute,
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const plans = useLiveQuery(() => keptPlans(db));
  const foundEmpty = useRef(false);
  if (first.isPending || !plans)
    return (
      <main className="p-10" aria-busy="true">
        Laying things out …
      </main>
    );
  // A store that was empty is left by what she does here, not under her hands.
  if (first.data === 'empty' && plans.length === 0) foundEmpty.current = true;
  // What could not be shown last time is not opened by itself again, nor is anything where she asked for the list.
  const newest = plans.find((p) => !hasFailed(p.id));
  const isAsked = new URLSearchParams(window.location.search).has('choose');
  if (newest && newest === plans[0] && !isAsked && !foundEmpty.current)
    return <Navigate to={`/plan/${newest.id}/rows`} replace />;
  return (
    <main className="relative grid min-h-dvh grid-cols-1 md:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
      <div className="daylight" />
      <div className="flex flex-col justify-center p-[clamp(24px,6vw,96px)]">
        <h1 className="text-poster">Meshwork</h1>
        <p className="mt-6 max-w-[44ch] text-lead">
          A crochet style without cornrows, planned on your own head. Six tape measures, one pack of hair and your
          fingers; it tells where each knot goes and why, what to buy and how long it takes, and then goes through it
          with you at the mirror.
        </p>
        <p className="note mb-6 mt-3">Everything stays in this browser.</p>
        <Suspense>
          <PlanList currentId={undefined} close={() => undefined} />
        </Suspense>
      </div>
      <Portrait plan={FIRST_PLAN} />
    </main>
  );
}
