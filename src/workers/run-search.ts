/**
 * A search run over several evaluators at once. A batch is asked for, shared out, and told in the order in which it was
 * asked: the same seed finds the same plan with one worker or with many.
 */
import type { Genome, Merit, Search } from '../core/search/index.ts';

/** Judges genomes, each of them or undefined where it comes to nothing. */
export type Evaluator<T> = (genomes: readonly Genome[]) => Promise<ReadonlyArray<T | undefined>>;

export interface SearchRun<T> {
  readonly search: Search;
  readonly evaluators: ReadonlyArray<Evaluator<T>>;
  readonly meritOf: (figures: T) => Merit;
  /** After each batch. */
  readonly onProgress: (figures: ReadonlyMap<string, T>) => void;
  readonly isStopped: () => boolean;
}

/** As many as are judged before the next are chosen; fixed, so that the number of workers changes nothing. */
const BATCH = 16;
const HOPELESS: Merit = { score: Number.NEGATIVE_INFINITY };

/** @returns figures of every genome that came to something, by its key */
export async function runSearch<T>({ search, evaluators, meritOf, onProgress, isStopped }: SearchRun<T>) {
  const figures = new Map<string, T>();
  while (!search.isDone && !isStopped()) {
    const batch = search.ask(BATCH);
    if (batch.length === 0) break;
    const share = Math.ceil(batch.length / evaluators.length);
    const parts = await Promise.all(evaluators.map((evaluate, i) => evaluate(batch.slice(i * share, (i + 1) * share))));
    if (isStopped()) break;
    parts.flat().forEach((f, i) => {
      if (f !== undefined) figures.set(batch[i].join(), f);
      search.tell(batch[i], f === undefined ? HOPELESS : meritOf(f));
    });
    onProgress(figures);
  }
  return figures;
}
