/** What benches and their tabs are handed. */
import type { PlanResult } from '../../core/findings/index.ts';
import type { Checked } from '../ask/checked.ts';
import type { PlanSession } from '../session/plan-session.ts';

export interface BenchProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
}

/** A bench that shows its station's finding right under its heading. */
export type WithFinding = BenchProps & { readonly finding: React.ReactNode };

export interface CheckProps {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly checked: Checked;
}

/** A tab that is shown once there is a plan. */
export interface LaidProps extends BenchProps {
  readonly result: PlanResult;
}
