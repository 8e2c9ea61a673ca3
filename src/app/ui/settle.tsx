import { settle } from '../../model/commands.ts';
import type { PlanSession } from '../session/plan-session.ts';
import type { StationId } from '../thread/stations.ts';

/** Ties the station's knot, or opens it again. */
export function Settle({ session, station }: { readonly session: PlanSession; readonly station: StationId }) {
  const settled = session.plan.settled.includes(station);
  return (
    <button type="button" className="word mt-4 text-note" onClick={() => session.apply(settle(session.plan, station))}>
      {settled ? 'Settled. Open it again' : 'This is settled'}
    </button>
  );
}
