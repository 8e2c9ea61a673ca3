/** Strands with a job of their own, each a step at its place: a puff is braced first, a top closed with the cap, a tie wrapped last. */
import { cutInWords } from '../hair/index.ts';
import { STRAND_INFO, type StrandJob } from '../trade/index.ts';
import type { WorkContext, WorklistStep } from './work-step.ts';

export function strandSteps(g: WorkContext, job: StrandJob): WorklistStep[] {
  return g.strands.flatMap((s): WorklistStep[] => {
    const cut = g.cuts.find((c) => c.id === s.cut);
    if (s.job !== job || !cut) return [];
    const info = STRAND_INFO[job];
    return [
      {
        kind: 'strand',
        what: `${info.deed} with ${s.count === 1 ? 'one piece' : `${s.count} pieces`}`,
        how: `${info.how} ${cut.name} (${cutInWords(cut)}).`,
        minutes: s.count * info.minutes,
      },
    ];
  });
}
