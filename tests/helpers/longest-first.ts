/** The longest first, so that none is left to run alone at the end while the other core waits. */
import { BaseSequencer, type TestSequencerConstructor, type TestSpecification } from 'vitest/node';

/** @param rank of a file by its path: those of the least rank begin */
export const longestFirst = (rank: (path: string) => number): TestSequencerConstructor =>
  class extends BaseSequencer {
    override async sort(files: TestSpecification[]) {
      const sorted = await super.sort(files);
      return sorted.toSorted((a, b) => rank(a.moduleId) - rank(b.moduleId));
    }
  };
