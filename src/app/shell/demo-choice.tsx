/** The demo is put away and brought back; nothing of hers is touched. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { bringBackDemo, demoState, putAwayDemo } from '../../store/fill-demo.ts';
import { storageSentence } from '../../store/plans.ts';
import { db } from '../session/database.ts';

export function DemoChoice({ close }: { readonly close: () => void }) {
  const navigate = useNavigate();
  const state = useLiveQuery(() => demoState(db));
  const [why, setWhy] = useState<string>();
  const attempt = (work: () => Promise<void>) => {
    setWhy(undefined);
    work().catch((error) => setWhy(storageSentence(error)));
  };
  const bringBack = async () => {
    const demo = await fetch('/api/demo').catch(() => undefined);
    if (state === 'none' && !demo?.ok) return setWhy('The demo comes from the server, which does not answer just now.');
    await bringBackDemo(db, async () => demo?.json(), Date.now());
  };
  const putAway = async () => {
    await putAwayDemo(db);
    close();
    navigate('/');
  };
  if (!state) return null;
  return (
    <div>
      <button
        type="button"
        className="word"
        data-testid="demo"
        onClick={() => attempt(state === 'out' ? putAway : bringBack)}
      >
        {state === 'out' ? 'Put the demo away' : 'Bring the demo back'}
      </button>
      {why && (
        <p role="alert" className="note text-madder">
          {why}
        </p>
      )}
    </div>
  );
}
