/** The plan that this one is held against, worked out and looked at like it. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect } from 'react';
import { type History, planBefore } from '../../model/history.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { openRecord } from '../../store/plans.ts';
import { db } from '../session/database.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { type Against, type OtherPlan, useView } from '../view/view-store.ts';
import { useAsk } from './ask.ts';
import { painter } from './clients.ts';
import { headInputsOf, inputsOf } from './fineness.ts';

/** Works it out for the stage and the bench; gone when whoever asks for it is. */
export function useAgainst(session: PlanSession): OtherPlan | undefined {
  const against = useView((v) => v.check.against);
  const other = useView((v) => v.other);
  const setOther = useView((v) => v.setOther);
  const plan = useOther(session, against);
  const inputs = plan && inputsOf(plan);
  const { answer: result } = useAsk(painter, 'plan', inputs);
  const { answer: look } = useAsk(painter, 'look', inputs && { inputs });
  const { answer: scene } = useAsk(painter, 'sceneOf', plan && headInputsOf(plan));
  const isThere = result?.isCurrent && look?.isCurrent && scene?.isCurrent;
  const [laid, looked, drawn] = isThere ? [result.value, look.value, scene.value] : [];
  useEffect(() => {
    if (plan && laid && looked && drawn) setOther({ plan, result: laid, look: looked, scene: drawn });
    return () => setOther(undefined);
  }, [plan, laid, looked, drawn, setOther]);
  return other;
}

function useOther(session: PlanSession, against: Against | undefined): PlanDocument | undefined {
  const id = against?.kind === 'plan' ? against.id : undefined;
  const record = useLiveQuery(async () => (id === undefined ? undefined : await db.plans.get(id)), [id]);
  if (against?.kind === 'before') {
    return before(session.history, against.steps);
  }
  if (against?.kind === 'found') return against.plan;
  if (!record || record.id !== id) return undefined;
  return opened(record);
}

/** The same document for the same state, so that it is worked out once. */
const earlier = new WeakMap<History, Map<number, PlanDocument | undefined>>();
function before(history: History, steps: number): PlanDocument | undefined {
  const known = earlier.get(history) ?? new Map<number, PlanDocument | undefined>();
  earlier.set(history, known);
  if (!known.has(steps)) known.set(steps, planBefore(history, steps));
  return known.get(steps);
}

const documents = new WeakMap<object, PlanDocument>();
function opened(record: Parameters<typeof openRecord>[0]): PlanDocument | undefined {
  const known = documents.get(record);
  if (known) return known;
  const read = openRecord(record);
  if (!read.ok) return undefined;
  documents.set(record, read.history.present.plan);
  return read.history.present.plan;
}
