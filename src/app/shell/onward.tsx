/** The end of a bench: what is still only assumed there, and one word onwards, which ties the station's knot. */
import { Link } from 'react-router';
import { assumedAt, nextStation, type OnTheWay } from '../../model/assumed.ts';
import { settle } from '../../model/commands.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { CHOICES, type StationId } from '../thread/stations.ts';

const WORDS: Readonly<Record<OnTheWay, string>> = {
  aim: 'On to the aim',
  measure: 'On to the head',
  base: 'On to the base',
  cap: 'On to the cap',
  hair: 'On to the hair',
  rows: 'On to rows and knots',
  check: 'See how it will look',
  supply: 'On to what it takes',
  install: 'On to the mirror',
};

export function Onward({ session, station }: { readonly session: PlanSession; readonly station: StationId }) {
  const { plan } = session;
  const next = nextStation(station, plan);
  if (!next) return null;
  const isSettled = plan.settled.includes(station);
  const assumed = isSettled ? undefined : assumedAt(station, plan);
  return (
    <footer className="onward" data-testid="onward">
      {assumed && (
        <p className="note">
          <b className="font-strong">Still assumed:</b> {assumed}
        </p>
      )}
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <Link
          className="word font-strong"
          to={`/plan/${plan.id}/${next}`}
          onClick={() => {
            if (CHOICES.includes(station) && !isSettled) session.apply(settle(plan, station));
          }}
        >
          {WORDS[next]}
        </Link>
        {isSettled && (
          <button type="button" className="word text-note" onClick={() => session.apply(settle(plan, station))}>
            Settled. Open it again
          </button>
        )}
      </div>
    </footer>
  );
}
