import { defineConfig } from 'vitest/config';
import { longestFirst } from './tests/helpers/longest-first.ts';

const rank = (path: string) => (path.includes('/tests/kept-') ? 0 : path.includes('.slow.test.') ? 1 : 2);

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'tests/**/*.test.ts'],
    environment: 'node',
    // A busy machine takes its time: no test fails for that.
    testTimeout: 600_000,
    hookTimeout: 120_000,
    maxWorkers: 2,
    sequence: { sequencer: longestFirst(rank) },
  },
});
