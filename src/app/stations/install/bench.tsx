/** Install: begin, go on, what is to come. */
import { dequal } from 'dequal';
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { foldInstall, type InstallState, nextNumber } from '../../../core/install/index.ts';
import { isOffHead, isWorn } from '../../../core/trade/index.ts';
import { dealAll } from '../../../model/colours.ts';
import { type InstallSession, planOf, type StoredInstallEvent } from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import { addEvents, openSession, startSession, type WornInstall, wornInstall } from '../../../store/installs.ts';
import { storageSentence } from '../../../store/plans.ts';
import { db, newId } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { day } from '../../ui/format.ts';
import { ColoursFromHere } from './colours-from-here.tsx';
import { FromDevice } from './from-device.tsx';

export function InstallBench({ session, result }: BenchProps) {
  const { plan } = session;
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string>();
  const open = useLiveQuery(async () => {
    const found = await openSession(db, plan.id);
    if (!found) return null;
    const events = await sessionEvents(db, found.id);
    return { session: found, events, state: foldInstall(events) };
  }, [plan.id]);
  const worn = useLiveQuery(async () => (await wornInstall(db, plan.id)) ?? null, [plan.id]);
  const begin = async (from: 'own hair' | 'first knot') => {
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
      const first = from === 'first knot' ? result?.knots[0] : undefined;
      if (first) await addEvents(db, [{ ...touch(started.id, 1), kind: 'turn', knotId: first.id }]);
      navigate(`/install/${started.id}`);
    } catch (error) {
      setTrouble(storageSentence(error));
    }
  };
  return (
    <>
      <h2>At the mirror</h2>
      {open ? (
        <GoOn open={open} held={session} now={session.history.present.plan} onBegin={() => begin('own hair')} />
      ) : (
        <>
          <p className="mt-3">
            From your own hair to the last touch in the order of work, in large type, with the space bar, the arrows, a
            pedal or one touch. Every touch is kept at once.
          </p>
          <button
            type="button"
            className="button primary mt-4"
            disabled={!result}
            onClick={() => begin('own hair')}
            data-testid="begin"
          >
            Begin the install
          </button>
          <button
            type="button"
            className="word mt-2"
            disabled={!result}
            onClick={() => begin('first knot')}
            data-testid="begin-at-knots"
          >
            {isOffHead(plan.cap)
              ? 'The cap is on already: begin with the first knot'
              : 'Base and cap are on already: begin with the first knot'}
          </button>
          {worn && <OpenAgain worn={worn} />}
        </>
      )}
      {trouble && (
        <p role="alert" className="mt-2 text-madder">
          {trouble}
        </p>
      )}
      <FromDevice />
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

/** A finished style may be opened again next day: for a look after a night, a gap, a trim. */
function OpenAgain({ worn }: { readonly worn: WornInstall }) {
  const navigate = useNavigate();
  const { session, finishedAtMs } = worn;
  if (session.takenOutAtMs !== undefined) return null;
  const open = async () => {
    const events = await sessionEvents(db, session.id);
    await addEvents(db, [{ ...touch(session.id, nextNumber(events)), kind: 'again' }]);
    navigate(`/install/${session.id}`);
  };
  return (
    <p className="mt-4">
      Finished on {day(finishedAtMs)}, and worn.{' '}
      <button type="button" className="word" onClick={open} data-testid="open-again">
        Open it again
      </button>
    </p>
  );
}

const touch = (sessionId: string, n: number) => ({ sessionId, key: newId(), n, atMs: Date.now() });

/** An install that is not finished, as it stands. */
interface Open {
  readonly session: InstallSession;
  readonly events: readonly StoredInstallEvent[];
  readonly state: InstallState;
}

function GoOn(props: {
  readonly open: Open;
  readonly held: PlanSession;
  readonly now: PlanDocument;
  readonly onBegin: () => void;
}) {
  const { session, events, state } = props.open;
  const plan = planOf(session, events);
  return (
    <>
      <p className="mt-3">
        Begun on {day(session.startedAtMs)}. {state.done.length} knots
        {state.steps.size > 0 && ` and ${state.steps.size} other steps`} behind you
        {state.paused ? ', paused' : ''}.
      </p>
      {!dequal(plan, props.now) && (
        <p className="note mt-1">
          The plan has changed since. The install goes on with the plan as it was, so that no knot moves under your
          hands.
        </p>
      )}
      <Link className="button primary mt-4" to={`/install/${session.id}`} data-testid="go-on">
        {state.done.length > 0 ? `Go on with knot ${state.done.length + 1}` : 'Go on'}
      </Link>
      {plan.colours.more.length > 0 && <ColoursFromHere install={session} {...{ events, state }} held={props.held} />}
      <button type="button" className="word mt-2 text-note" onClick={props.onBegin}>
        Begin again with the plan as it is now
      </button>
    </>
  );
}
