/** Several ways worked out one after the other in a worker of their own, beside how it is now, until she looks at something else. */
import { useEffect, useState } from 'react';
import type { CoreClient, Outcome } from '../../workers/client.ts';
import { startClient } from './clients.ts';

export interface InTurn<N, W, F> {
  /** How it is now, on the same coarse head. */
  readonly now: N | undefined;
  readonly answers: ReadonlyArray<{ readonly way: W; readonly found: F | undefined }>;
  readonly isWorking: boolean;
}

export interface AskedInTurn<N, W, F> {
  readonly ways: readonly W[];
  readonly now: (client: CoreClient) => Promise<Outcome<N>>;
  readonly find: (client: CoreClient, way: W) => Promise<Outcome<F>>;
}

const answerOf = <T>(outcome: Outcome<T>): T | undefined => (outcome.state === 'done' ? outcome.value : undefined);

/** @param asked held while it stays the same; undefined where nothing is to be worked out */
export function useInTurn<N, W, F>(asked: AskedInTurn<N, W, F> | undefined): InTurn<N, W, F> {
  const [seen, setSeen] = useState<InTurn<N, W, F>>({ now: undefined, answers: [], isWorking: true });
  useEffect(() => {
    if (!asked) return undefined;
    const client = startClient();
    let isWanted = true;
    const work = async () => {
      setSeen({ now: undefined, answers: [], isWorking: true });
      const now = answerOf(await asked.now(client));
      if (!isWanted) return;
      setSeen((s) => ({ ...s, now }));
      for (const way of asked.ways) {
        const found = answerOf(await asked.find(client, way));
        if (!isWanted) return;
        setSeen((s) => ({ ...s, answers: [...s.answers, { way, found }] }));
      }
      setSeen((s) => ({ ...s, isWorking: false }));
    };
    void work();
    return () => {
      isWanted = false;
      client.stop();
    };
  }, [asked]);
  return seen;
}
