import { defineConfig } from 'vitest/config';
import { longestFirst } from './tests/helpers/longest-first.ts';

const rank = (path: string) => (path.includes('/tests/kept-') ? 0 : path.includes('.slow.test.') ? 1 : 2);

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'tests/**/*.test.ts'],
    environment: 'node',
    // A busy machine takes its time: no test fails for that.
    testTimeout: 1_800_000,
    hookTimeout: 900_000,
    maxWorkers: 2,
    // Files that run one after the other load the core once: none changes what it imports.
    isolate: false,
    sequence: { sequencer: longestFirst(rank) },
  },
});
