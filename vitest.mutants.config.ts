import { defineConfig } from 'vitest/config';

/** The tests that hold limits, cautions, units and signs: what `npm run mutants` runs over and over. */
export default defineConfig({
  test: {
    include: [
      'core/limits/*.test.ts',
      'core/craft/*.test.ts',
      'core/quantity/*.test.ts',
      'core/entry-line/*.test.ts',
      'core/record/*.test.ts',
      'core/work/stop-moves.test.ts',
    ],
    testTimeout: 60_000,
  },
});
