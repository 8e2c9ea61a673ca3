/** What kind of cap, and caps that are kept. */

import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { DOME_INFO, DOMES, isWorn, WIG_HOLDS } from '../../../core/trade/index.ts';
import { keepCap, outOfStash, stashCaps } from '../../../store/stash.ts';
import { db } from '../../session/database.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { useWearerOf } from '../../session/use-wearer-of.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Choice, Several } from '../../ui/choice.tsx';
import { TextField } from '../../ui/field.tsx';
import { Fields } from '../../ui/fields.tsx';
import { ON_A_FORM, READY_ROWS, TIMES_WORN, WIG, WORN } from './fields.ts';
import { useCap } from './use-cap.ts';

export function KindTab({ session, result }: BenchProps) {
  const { cap, change } = useCap(session);
  const capped = cap.dome !== 'none';
  const worn = isWorn(session.plan.madeFor);
  return (
    <>
      <Choice
        label="Cap"
        value={cap.dome}
        // A wig for nobody's base is hooked on a net.
        options={DOMES.filter((d) => worn || d !== 'none').map((value) => ({ value, ...DOME_INFO[value] }))}
        onChange={(dome) => change({ dome })}
      />
      {capped && (
        <>
          {result && cap.dome === 'openTop' && (
            <p className="note mt-1">About {result.cap.knotsToCloseTop} knots round its rim draw it shut.</p>
          )}
          <Fields record={cap} of={worn ? WORN : ON_A_FORM} set={change} />
          {cap.wig && <WigFields session={session} />}
          <Fields record={cap} of={READY_ROWS} set={change} />
          <Shelf session={session} />
        </>
      )}
      {worn && (
        <p className="note mt-3">
          For it: it shares the pull, keeps added fibre off your own hair, gives places to hook, and makes takedown
          fast. Against it: warmth, one more thing to hide.
        </p>
      )}
    </>
  );
}

function WigFields({ session }: { readonly session: PlanSession }) {
  const { cap, change } = useCap(session);
  return (
    <>
      <Several
        label="What holds it"
        values={cap.wigHolds}
        options={WIG_HOLDS.map((h) => [h, h] as const)}
        onChange={(wigHolds) => change({ wigHolds }, `Held by ${wigHolds.join(', ') || 'nothing'}`)}
      />
      {isWorn(session.plan.madeFor) && <Fields record={cap} of={WIG} set={change} />}
    </>
  );
}

/** Caps that are hers: taken from the shelf, kept on it, with the times worn. */
function Shelf({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { cap, change } = useCap(session);
  const [name, setName] = useState('My cap');
  const of = useWearerOf(plan.id);
  const kept = useLiveQuery(() => stashCaps(db, of), [of]) ?? [];
  return (
    <section className="mt-4">
      <h3 className="text-title">Your caps</h3>
      <Fields record={cap} of={TIMES_WORN} set={change} />
      <TextField
        label="Its name"
        value={name}
        testId="cap-name"
        onCommit={(text) => {
          if (text.trim() === '') return 'A cap needs a name to be found by.';
          setName(text.trim());
          return undefined;
        }}
      />
      <button
        type="button"
        className="button mt-2"
        data-testid="keep-cap"
        onClick={() => void keepCap(db, of, name, plan.cap, Date.now())}
      >
        Keep it as yours
      </button>
      <ul className="mt-2">
        {kept.map((k) => (
          <li key={k.id} className="line flex items-center justify-between gap-2">
            <button type="button" className="word" onClick={() => change(k.cap, `${k.name} taken`)}>
              {k.name}, worn {k.cap.timesWorn} times
            </button>
            <button
              type="button"
              className="word text-note"
              aria-label={`forget ${k.name}`}
              onClick={() => void outOfStash(db, k.id)}
            >
              forget
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
