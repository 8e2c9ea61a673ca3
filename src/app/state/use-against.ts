/** The plan that this one is held against, worked out and looked at like it. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import type { Look } from '../../core/pipeline/look-result.ts';
import type { PlanResult } from '../../core/pipeline/result.ts';
import type { HeadScene } from '../../core/pipeline/scene.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { headInputs, planInputs } from '../../model/to-inputs.ts';
import { openRecord } from '../../store/plans.ts';
import { painter } from './clients.ts';
import { db } from './database.ts';
import type { PlanSession } from './plan-session.ts';
import { type Against, useView } from './view-store.ts';

export interface OtherPlan {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly look: Look;
  readonly scene: HeadScene;
}

export function useAgainst(session: PlanSession, wanted: boolean): OtherPlan | undefined {
  const against = useView((v) => v.check.against);
  const plan = useOther(session, wanted ? against : undefined);
  const [other, setOther] = useState<OtherPlan>();
  useEffect(() => {
    if (!plan) return;
    let abandoned = false;
    const work = async () => {
      const inputs = planInputs(plan);
      const result = await painter.call('plan', inputs);
      const look = await painter.call('look', { inputs });
      const scene = await painter.call('sceneOf', headInputs(plan));
      if (abandoned || result.state !== 'done' || look.state !== 'done' || scene.state !== 'done') return;
      setOther({ plan, result: result.value, look: look.value, scene: scene.value });
    };
    void work();
    return () => {
      abandoned = true;
    };
  }, [plan]);
  return plan && other?.plan === plan ? other : undefined;
}

function useOther(session: PlanSession, against: Against | undefined): PlanDocument | undefined {
  const id = against?.kind === 'plan' ? against.id : undefined;
  const record = useLiveQuery(async () => (id === undefined ? undefined : await db.plans.get(id)), [id]);
  if (against?.kind === 'before') {
    const { past } = session.history;
    return past[Math.max(0, past.length - against.steps)]?.plan;
  }
  if (!record || record.id !== id) return undefined;
  return opened(record);
}

/** The same document for the same record, so that it is worked out once. */
const documents = new WeakMap<object, PlanDocument>();
function opened(record: Parameters<typeof openRecord>[0]): PlanDocument | undefined {
  const known = documents.get(record);
  if (known) return known;
  const read = openRecord(record);
  if (!read.ok) return undefined;
  documents.set(record, read.history.present.plan);
  return read.history.present.plan;
}
