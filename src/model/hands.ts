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

/** Her own pace counted in, or common practice again. */
export function setOwnPace(plan: PlanDocument, pace: PlanDocument['ownPace']): PlanChange {
  const { ownPace: _, ...rest } = plan;
  if (!pace) return { words: 'Pace of common practice', plan: rest };
  const { knots, styles } = pace;
  const words =
    knots > 0
      ? `Own pace, from ${knots} knots in ${styles} ${styles === 1 ? 'style' : 'styles'}`
      : 'Own pace, as you say it';
  return { words, plan: { ...rest, ownPace: pace } };
}

/** How sure she is of a pace that she says herself, logarithm (guess). */
const SAID_SD = 0.2;

/** A pace that she says herself: so many times what common practice tells. */
export const paceSaid = (factor: number): NonNullable<PlanDocument['ownPace']> => ({
  knots: 0,
  styles: 0,
  factor,
  byKind: {},
  byZone: {},
  tiresAnHour: 0,
  sd: SAID_SD,
});
