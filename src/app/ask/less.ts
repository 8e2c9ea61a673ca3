/** Ways to do with fewer packs: each worked out in a worker of its own, one after the other, until she looks at something else. */
import { useEffect, useState } from 'react';
import type { LessFigures, LessFound } from '../../core/search/index.ts';
import type { LessWay } from '../../model/less.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { startClient } from './clients.ts';
import { inputsOf } from './fineness.ts';

export interface LessAnswer {
  readonly way: LessWay;
  readonly found: LessFound | undefined;
}

export interface LessSeen {
  /** The plan as it is, on the same coarse head. */
  readonly now: LessFigures | undefined;
  readonly answers: readonly LessAnswer[];
  readonly isWorking: boolean;
}

const NOTHING: LessSeen = { now: undefined, answers: [], isWorking: true };

/** @param isAsked false where packs suffice: then nothing is worked out */
export function useLess(plan: PlanDocument, ways: readonly LessWay[], packs: number, isAsked: boolean): LessSeen {
  const [seen, setSeen] = useState(NOTHING);
  useEffect(() => {
    if (!isAsked) return undefined;
    const client = startClient();
    let isWanted = true;
    const work = async () => {
      setSeen(NOTHING);
      const now = await client.call('lessFigures', inputsOf(plan));
      if (!isWanted) return;
      setSeen((s) => ({ ...s, now: now.state === 'done' ? now.value : undefined }));
      for (const way of ways) {
        const found = await client.call('leastThatDoes', { steps: way.steps.map((s) => inputsOf(s.plan)), packs });
        if (!isWanted) return;
        const answer = { way, found: found.state === 'done' ? found.value : undefined };
        setSeen((s) => ({ ...s, answers: [...s.answers, answer] }));
      }
      setSeen((s) => ({ ...s, isWorking: false }));
    };
    void work();
    return () => {
      isWanted = false;
      client.stop();
    };
  }, [plan, ways, packs, isAsked]);
  return seen;
}
