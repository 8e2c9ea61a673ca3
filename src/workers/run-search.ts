/**
 * A search run over several judges at once. A batch is asked for, shared out, and told in the order in which it was
 * asked: the same seed finds the same plan with one worker or with many.
 */
import type { Genome, Judgement, Search } from '../core/search/index.ts';

/** Judges genomes, each of them or undefined where it comes to nothing. */
export type Judge<T> = (genomes: readonly Genome[]) => Promise<ReadonlyArray<T | undefined>>;

export interface SearchRun<T> {
  readonly search: Search;
  readonly judges: ReadonlyArray<Judge<T>>;
  readonly judgementOf: (figures: T) => Judgement;
  /** After each batch. */
  readonly onProgress: (figures: ReadonlyMap<string, T>) => void;
  readonly isStopped: () => boolean;
}

/** As many as are judged before the next are chosen; fixed, so that the number of workers changes nothing. */
const BATCH = 16;
const HOPELESS: Judgement = { score: Number.NEGATIVE_INFINITY };

/** @returns figures of every genome that came to something, by its key */
export async function runSearch<T>({ search, judges, judgementOf, onProgress, isStopped }: SearchRun<T>) {
  const figures = new Map<string, T>();
  while (!search.isDone && !isStopped()) {
    const batch = search.ask(BATCH);
    if (batch.length === 0) break;
    const share = Math.ceil(batch.length / judges.length);
    const parts = await Promise.all(judges.map((judge, i) => judge(batch.slice(i * share, (i + 1) * share))));
    if (isStopped()) break;
    parts.flat().forEach((f, i) => {
      if (f !== undefined) figures.set(batch[i].join(), f);
      search.tell(batch[i], f === undefined ? HOPELESS : judgementOf(f));
    });
    onProgress(figures);
  }
  return figures;
}
