import { defineConfig } from 'vitest/config';
import { longestFirst } from '../tests/helpers/longest-first.ts';

export default defineConfig({
  test: {
    include: ['e2e/**/*.test.ts'],
    globalSetup: ['e2e/global-setup.ts'],
    testTimeout: 1_800_000,
    hookTimeout: 900_000,
    // A browser waits a third of its time, for its own worker or for the driver: two fill two cores.
    maxWorkers: 2,
    sequence: {
      sequencer: longestFirst((path) => (path.includes('/killed.') ? 0 : path.includes('/access.') ? 1 : 2)),
    },
  },
});
