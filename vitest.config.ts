import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** The longest first, so that none is left to run alone at the end while the other core waits. */
class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]) {
    const rank = ({ moduleId }: TestSpecification) =>
      moduleId.includes('/tests/kept-') ? 0 : moduleId.includes('.slow.test.') ? 1 : 2;
    const sorted = await super.sort(files);
    return sorted.toSorted((a, b) => rank(a) - rank(b));
  }
}

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'tests/**/*.test.ts'],
    environment: 'node',
    // A busy machine takes its time: no test fails for that.
    testTimeout: 600_000,
    hookTimeout: 120_000,
    maxWorkers: 2,
    sequence: { sequencer: LongestFirst },
  },
});
