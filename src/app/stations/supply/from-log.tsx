/** What her own installs say of how many pieces she takes: counted in where she wishes. */
import { useLiveQuery } from 'dexie-react-hooks';
import type { PlanResult } from '../../../core/findings/index.ts';
import { setLogged } from '../../../model/hands.ts';
import { loggedBy } from '../../../store/installs.ts';
import { db } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';

export function FromLog({ session, result }: { readonly session: PlanSession; readonly result: PlanResult }) {
  const { plan } = session;
  const found = useLiveQuery(() => loggedBy(db, plan.id), [plan.id]);
  const { logged } = plan;
  if (!logged && !found) return null;
  const isNew = found && (logged?.installs !== found.installs || logged.usedOverPlanned !== found.usedOverPlanned);
  const factor = result.ownRow?.hands.factor;
  return (
    <section className="mt-4" data-testid="from-log">
      {logged && (
        <p className="text-small">
          {saysOf(logged)} Counted in: {factor === undefined ? '' : `${percentOf(factor)} is expected.`}{' '}
          <button type="button" className="word" onClick={() => session.apply(setLogged(plan, undefined))}>
            Leave it out
          </button>
        </p>
      )}
      {isNew && (
        <p className="text-small">
          {logged ? 'There is more in it by now. ' : ''}
          {saysOf(found)}{' '}
          <button
            type="button"
            className="word"
            data-testid="count-log"
            onClick={() => session.apply(setLogged(plan, found))}
          >
            Count that in
          </button>
        </p>
      )}
    </section>
  );
}

const saysOf = ({ installs, usedOverPlanned }: { readonly installs: number; readonly usedOverPlanned: number }) =>
  `Your log: ${installs === 1 ? 'one install' : `${installs} installs`} took ${percentOf(usedOverPlanned)}.`;

/** "4 % more pieces than planned". */
function percentOf(factor: number): string {
  const by = Math.round(100 * (factor - 1));
  if (by === 0) return 'as many pieces as planned';
  return `${Math.abs(by)} % ${by > 0 ? 'more' : 'fewer'} pieces than planned`;
}
