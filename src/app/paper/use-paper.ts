/** The worker that draws for paper, for as long as its page is open; and what it drew. */
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import type { Remote } from 'comlink';
import type { PlanResult } from '../../core/findings/index.ts';
import type { PaperTemplate } from '../../core/plan/index.ts';
import type { PatternCut } from '../../core/template/index.ts';
import type { PaperKind } from '../../formats/paper/paper.ts';
import type { PaperSize } from '../../formats/paper/tiles.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { painter } from '../ask/clients.ts';
import { inputsOf } from '../ask/fineness.ts';
import { useOwnWorker } from '../session/own-worker.ts';
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

const start = () => new Worker(new URL('./paper.worker.ts', import.meta.url), { type: 'module' });

export const usePaperWorker = () => useOwnWorker<PaperJobs>(start).remote;

/** What is asked of a plan is worked out once; another paper or another choice lays out what is there already. */
const ONCE = {
  staleTime: Number.POSITIVE_INFINITY,
  placeholderData: keepPreviousData,
  networkMode: 'always',
  retry: 0,
} as const;

export function usePaper(
  worker: () => Remote<PaperJobs>,
  plan: PlanDocument,
  result: PlanResult,
  { kinds, size, cut }: PaperAsked,
) {
  const template = useQuery({ queryKey: ['template', plan, cut], queryFn: () => templateOf(plan, cut), ...ONCE });
  const sheets = useQuery({
    queryKey: ['sheets', plan, template.data, kinds, size],
    queryFn: async (): Promise<PaperSeen> => {
      const laid = { plan, result, template: template.data as PaperTemplate };
      return { laid, sheets: await worker().sheets(laid, kinds, size) };
    },
    enabled: template.data !== undefined && !template.isPlaceholderData,
    ...ONCE,
  });
  return {
    data: sheets.data,
    isOld: template.isPlaceholderData || sheets.isPlaceholderData,
    isFetching: template.isFetching || sheets.isFetching,
    error: template.error ?? sheets.error,
  };
}

async function templateOf(plan: PlanDocument, cut: PatternCut) {
  const answer = await painter.call('template', { inputs: inputsOf(plan), cut });
  if (answer.state === 'done') return answer.value;
  throw new Error(answer.state === 'stale' ? 'Something newer was asked.' : answer.message);
}
