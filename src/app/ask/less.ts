/** Ways to do with fewer packs. */
import { useMemo } from 'react';
import type { LessFigures, LessFound } from '../../core/search/index.ts';
import type { LessWay } from '../../model/less.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { inputsOf } from './fineness.ts';
import { type AskedInTurn, type InTurn, useInTurn } from './in-turn.ts';

export type LessSeen = InTurn<LessFigures, LessWay, LessFound | undefined>;
export type LessAnswer = LessSeen['answers'][number];

/** @param isAsked false where packs suffice: then nothing is worked out */
export function useLess(plan: PlanDocument, ways: readonly LessWay[], packs: number, isAsked: boolean): LessSeen {
  const asked = useMemo(
    (): AskedInTurn<LessFigures, LessWay, LessFound | undefined> | undefined =>
      isAsked
        ? {
            ways,
            now: (client) => client.call('lessFigures', inputsOf(plan)),
            find: (client, way) =>
              client.call('leastThatDoes', { steps: way.steps.map((s) => inputsOf(s.plan)), packs }),
          }
        : undefined,
    [plan, ways, packs, isAsked],
  );
  return useInTurn(asked);
}
