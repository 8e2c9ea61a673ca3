/** Changes of the cap as deeds. */
import { setCap } from '../../../model/cap-and-hair.ts';
import type { CapAsWritten } from '../../../model/plan.ts';
import type { PlanSession } from '../../session/plan-session.ts';

export const useCap = (session: PlanSession) => {
  const { plan } = session;
  return {
    cap: plan.cap,
    change: (change: Partial<CapAsWritten>, words?: string) => session.apply(setCap(plan, change, words)),
  };
};
