/** Install: begin, go on, what is to come. */
import { dequal } from 'dequal';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { foldInstall, type InstallState } from '../../../core/install/index.ts';
import { isOffHead, isWorn } from '../../../core/trade/index.ts';
import { dealAll } from '../../../model/colours.ts';
import type { InstallSession } from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { openSession, sessionEvents, startSession } from '../../../store/installs.ts';
import { storageSentence } from '../../../store/plans.ts';
import { db, newId } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { day } from '../../ui/format.ts';
import { ColoursFromHere } from './colours-from-here.tsx';

export function InstallBench({ session, result }: BenchProps) {
  const { plan } = session;
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string>();
  const open = useLiveQuery(async () => {
    const found = await openSession(db, plan.id);
    return found ? { session: found, state: foldInstall(await sessionEvents(db, found.id)) } : null;
  }, [plan.id]);
  const begin = async () => {
    const now = session.history.present.plan;
    // Of a new install no piece is in.
    const deed = dealAll(now);
    if (Object.keys(now.colours.hooked).length > 0) session.apply(deed);
    const started: InstallSession = {
      id: newId(),
      planId: plan.id,
      startedAtMs: Date.now(),
      plan: deed.plan,
      finished: 0,
      ...(result ? { knots: result.knots.length } : {}),
    };
    try {
      await startSession(db, started);
      navigate(`/install/${started.id}`);
    } catch (error) {
      setTrouble(storageSentence(error));
    }
  };
  return (
    <>
      <h2>At the mirror</h2>
      {open ? (
        <GoOn open={open} held={session} now={session.history.present.plan} onBegin={begin} />
      ) : (
        <>
          <p className="mt-3">
            Knot by knot in the order of work, in large type, with the space bar, the arrows or one touch. Every knot is
            kept at once.
          </p>
          <button type="button" className="button primary mt-4" disabled={!result} onClick={begin} data-testid="begin">
            Begin the install
          </button>
        </>
      )}
      {trouble && (
        <p role="alert" className="mt-2 text-madder">
          {trouble}
        </p>
      )}
      <h3 className="mt-6 text-title">Before you begin</h3>
      <ul className="mt-2 list-none text-small">
        {beforeIt(plan).map((line) => (
          <li key={line} className="line py-1.5">
            {line}
          </li>
        ))}
      </ul>
    </>
  );
}

/** Off a head there is no hair to ready and no skin that lifts. */
function beforeIt({ cap, madeFor }: PlanDocument): string[] {
  const off = isOffHead(cap);
  return [
    ...(isWorn(madeFor) ? ['Hair clean, detangled and dry, scalp oiled before it disappears under the net.'] : []),
    'Hook two pieces and look before you open the rest of the hair.',
    'Keep the latch shut when the hook goes back through.',
    off
      ? 'After each knot: it doesn’t slide at a light tug, and the net doesn’t pucker.'
      : 'After each knot: it doesn’t slide at a light tug, and the skin doesn’t lift.',
    ...(off ? [] : ['Pain, bumps or a headache mean too tight: take it out. Never load sore edges.']),
  ];
}

/** An install that is not finished, as it stands. */
interface Open {
  readonly session: InstallSession;
  readonly state: InstallState;
}

function GoOn(props: {
  readonly open: Open;
  readonly held: PlanSession;
  readonly now: PlanDocument;
  readonly onBegin: () => void;
}) {
  const { session, state } = props.open;
  return (
    <>
      <p className="mt-3">
        Begun on {day(session.startedAtMs)}. {state.done.length} knots behind you
        {state.paused ? ', paused' : ''}.
      </p>
      {!dequal(session.plan, props.now) && (
        <p className="note mt-1">
          The plan has changed since. The install goes on with the plan as it was, so that no knot moves under your
          hands.
        </p>
      )}
      <Link className="button primary mt-4" to={`/install/${session.id}`} data-testid="go-on">
        Go on with knot {state.done.length + 1}
      </Link>
      {session.plan.colours.more.length > 0 && <ColoursFromHere install={session} state={state} held={props.held} />}
      <button type="button" className="word mt-2 text-note" onClick={props.onBegin}>
        Begin again with the plan as it is now
      </button>
    </>
  );
}
