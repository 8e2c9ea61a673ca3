/** The run in hand, and how many pieces she counts for it. */
import { useEffect, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { Telling } from '../../../core/install/index.ts';
import { useTook } from './run-card.tsx';
import type { Install } from './use-install.ts';
import { useWork } from './use-work.ts';

/** What is told together, what the next touch does with it, and what she counted for it. */
export function useCounted(result: PlanResult, install: Install, telling: Telling) {
  const [told, setTold] = useState<number>();
  const work = useWork(result, install, telling, told);
  const [took, setTook, said] = useTook(work.held.run);
  useEffect(() => setTold(said), [said]);
  return { work, took, setTook, isCounted: telling === 'row' };
}
export type Counted = ReturnType<typeof useCounted>;
