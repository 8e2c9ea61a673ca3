/** What is known of her hands: a test row, and what her log says. */
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

/** What her log says is counted in, or no more. */
export function setLogged(plan: PlanDocument, logged: PlanDocument['logged']): PlanChange {
  const { logged: _, ...rest } = plan;
  if (!logged) return { words: 'The log not counted in', plan: rest };
  const { installs } = logged;
  return {
    words: `${installs} ${installs === 1 ? 'install' : 'installs'} of the log counted in`,
    plan: { ...rest, logged },
  };
}

/** A trial of her own, or none any more. */
export function setTestRow(plan: PlanDocument, row: PlanDocument['testRow']): PlanChange {
  const { testRow: _, ...rest } = plan;
  if (!row) return { words: 'Test row forgotten', plan: rest };
  return {
    words: `Test row: ${row.pieces} pieces, ${row.span}, ${row.minutes} min`,
    plan: { ...rest, testRow: row },
  };
}
