/** What is told together, what the next touch does with it, and how many pieces she counted for it. */
import type { PlanResult } from '../../../core/findings/index.ts';
import type { Telling } from '../../../core/install/index.ts';
import { useTook } from './run-card.tsx';
import type { Install } from './use-install.ts';
import { useWork } from './use-work.ts';

export function useCounted(result: PlanResult, install: Install, telling: Telling) {
  const { took, of, set } = useTook();
  const work = useWork(result, install, telling, took);
  const { run } = work.held;
  return { work, took: of(run), setTook: (pieces: number) => set(run, pieces), isCounted: telling === 'row' };
}
export type Counted = ReturnType<typeof useCounted>;
