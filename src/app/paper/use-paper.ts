/** The worker that draws for paper, for as long as its page is open; and what it drew. */
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import type { PatternCut } from '../../core/template/index.ts';
import type { PaperKind } from '../../formats/paper/paper.ts';
import type { PaperSize } from '../../formats/paper/tiles.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { painter } from '../ask/clients.ts';
import { inputsOf } from '../ask/fineness.ts';
import type { Laid, PaperJobs, Sheet } from './paper.worker.ts';

export interface PaperAsked {
  readonly kinds: readonly PaperKind[];
  readonly size: PaperSize;
  readonly cut: PatternCut;
}

export interface PaperSeen {
  readonly laid: Laid;
  readonly sheets: readonly Sheet[];
}

export function usePaperWorker(): () => Remote<PaperJobs> {
  const worker = useRef<{ readonly remote: Remote<PaperJobs>; readonly end: () => void }>(undefined);
  useEffect(
    () => () => {
      worker.current?.end();
      worker.current = undefined;
    },
    [],
  );
  return useCallback(() => {
    if (!worker.current) {
      const own = new Worker(new URL('./paper.worker.ts', import.meta.url), { type: 'module' });
      worker.current = { remote: wrap<PaperJobs>(own), end: () => own.terminate() };
    }
    return worker.current.remote;
  }, []);
}

export function usePaper(
  worker: () => Remote<PaperJobs>,
  plan: PlanDocument,
  result: PlanResult,
  { kinds, size, cut }: PaperAsked,
) {
  return useQuery({
    queryKey: ['paper', plan, kinds, size, cut],
    queryFn: async (): Promise<PaperSeen> => {
      const laid = { plan, result, template: await templateOf(plan, cut) };
      return { laid, sheets: await worker().sheets(laid, kinds, size) };
    },
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    networkMode: 'always',
    retry: 0,
  });
}

async function templateOf(plan: PlanDocument, cut: PatternCut) {
  const answer = await painter.call('template', { inputs: inputsOf(plan), cut });
  if (answer.state === 'done') return answer.value;
  throw new Error(answer.state === 'stale' ? 'Something newer was asked.' : answer.message);
}
