import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'tests/**/*.test.ts'],
    environment: 'node',
    // A busy machine takes its time: no test fails for that.
    testTimeout: 600_000,
    hookTimeout: 120_000,
    maxWorkers: 2,
  },
});
