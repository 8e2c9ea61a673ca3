/** What she can do to strands that do a job of their own, and to pieces that are left over. */
import { FILL_INFO, lowerFirst, STRAND_INFO, type StrandJob } from '../core/trade/index.ts';
import { freshId } from './ids.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

type Strand = PlanDocument['strands'][number];

const jobWords = ({ job, count }: Pick<Strand, 'job' | 'count'>) =>
  `${STRAND_INFO[job].deed}: ${count} ${count === 1 ? 'piece' : 'pieces'}`;

export function addStrand(plan: PlanDocument, job: StrandJob): PlanChange {
  const strand: Strand = {
    id: freshId('j', plan.strands),
    job,
    cut: plan.pieces.top.cut,
    count: STRAND_INFO[job].usual,
  };
  return { words: jobWords(strand), plan: { ...plan, strands: [...plan.strands, strand] } };
}

export function setStrand(plan: PlanDocument, id: string, change: Partial<Pick<Strand, 'count' | 'cut'>>): PlanChange {
  const strands = plan.strands.map((s) => (s.id === id ? { ...s, ...change } : s));
  const changed = strands.find((s) => s.id === id);
  const cut = plan.cuts.find((c) => c.id === changed?.cut)?.name ?? '';
  const words = changed ? `${jobWords(changed)}, ${lowerFirst(cut)}` : 'A strand';
  return { words, plan: { ...plan, strands } };
}

export function dropStrand(plan: PlanDocument, id: string): PlanChange {
  const gone = plan.strands.find((s) => s.id === id);
  return {
    words: gone ? `None that ${STRAND_INFO[gone.job].name}` : 'A strand taken out',
    plan: { ...plan, strands: plan.strands.filter((s) => s.id !== id) },
  };
}

export function setFill(plan: PlanDocument, change: Partial<PlanDocument['fill']>): PlanChange {
  const fill = { ...plan.fill, ...change };
  const cut = plan.cuts.find((c) => c.id === fill.cut)?.name ?? '';
  const many = fill.pieces === 0 ? 'as many as there are' : `${fill.pieces} pieces`;
  const words =
    fill.where === 'none'
      ? 'What is left over is kept'
      : `What is left over ${FILL_INFO[fill.where].name}: ${many}, ${lowerFirst(cut)}`;
  return { words, plan: { ...plan, fill } };
}
