/** Two styles on heads that turn as one: each as it was followed last, with what is different between them. */
import { useEffect, useState } from 'react';
import { planOf } from '../../../model/install-log.ts';
import type { KeptStyle } from '../../../model/logged.ts';
import { sessionEvents } from '../../../store/install-events.ts';
import type { CoreClient } from '../../../workers/client.ts';
import { startClient } from '../../ask/clients.ts';
import { headInputsOf, inputsOf } from '../../ask/fineness.ts';
import { CompareStage } from '../../head-view/compare.tsx';
import { db } from '../../session/database.ts';
import { day } from '../../ui/format.ts';
import type { OtherPlan } from '../../view/view-store.ts';

export function ComparedStyles(props: { readonly two: readonly KeptStyle[]; readonly onBack: () => void }) {
  const [first, second] = props.two;
  const { found, why } = useWorkedOut(first, second);
  const name = ({ entry }: KeptStyle) => `${entry.planName}, ${day(entry.atMs)}`;
  return (
    <section className="logbook-compared" data-testid="compared-styles">
      <button type="button" className="word" onClick={props.onBack} data-testid="compare-back">
        Back to all styles
      </button>
      {why && <p role="alert">{why}</p>}
      {!why && !found && <p aria-busy="true">Working both out …</p>}
      {found && <CompareStage {...found[1]} other={found[0]} names={[name(first), name(second)]} />}
    </section>
  );
}

type Both = readonly [OtherPlan, OtherPlan];

/** The plans that they followed last, worked out and looked at in a worker of their own, one after the other. */
function useWorkedOut(first: KeptStyle, second: KeptStyle) {
  const [told, setTold] = useState<{ readonly found?: Both; readonly why?: string }>({});
  useEffect(() => {
    const client = startClient();
    let isWanted = true;
    setTold({});
    const work = async () => {
      const one = await workOut(client, first);
      const two = one && (await workOut(client, second));
      if (!isWanted) return;
      const isGone = !first.session || !second.session;
      if (one && two) setTold({ found: [one, two] });
      else if (isGone) setTold({ why: 'The install of one of them is no longer kept: only its line is.' });
      else setTold({ why: 'One of them could not be worked out. Nothing was changed.' });
    };
    void work();
    return () => {
      isWanted = false;
      client.stop();
    };
  }, [first, second]);
  return told;
}

async function workOut(client: CoreClient, { entry }: KeptStyle): Promise<OtherPlan | undefined> {
  const session = entry.sessionId ? await db.sessions.get(entry.sessionId) : undefined;
  if (!session) return undefined;
  const plan = planOf(session, await sessionEvents(db, session.id));
  const inputs = inputsOf(plan);
  const result = await client.call('plan', inputs);
  const look = await client.call('look', { inputs });
  const scene = await client.call('sceneOf', headInputsOf(plan));
  if (result.state !== 'done' || look.state !== 'done' || scene.state !== 'done') return undefined;
  return { plan, result: result.value, look: look.value, scene: scene.value };
}
