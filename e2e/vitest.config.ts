import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['e2e/**/*.test.ts'],
    globalSetup: ['e2e/global-setup.ts'],
    testTimeout: 600_000,
    hookTimeout: 300_000,
    // Software rendering takes a core of its own: one browser at a time.
    maxWorkers: 1,
    fileParallelism: false,
  },
});
