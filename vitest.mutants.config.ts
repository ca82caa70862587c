import { defineConfig } from 'vitest/config';

/**
 * The tests that hold limits, cautions, units and signs: what `npm run mutants` runs over and over.
 * They share nothing, so one context serves all of them; the long property over all doors is left to
 * `npm run unit`.
 */
export default defineConfig({
  test: {
    include: [
      'core/limits/*.test.ts',
      'core/craft/*.test.ts',
      'core/quantity/*.test.ts',
      'core/entry-line/*.test.ts',
      'core/log/*.test.ts',
      'core/advice/stop-moves.test.ts',
      'core/setup/expected-figures.test.ts',
    ],
    exclude: ['core/limits/all-doors.test.ts'],
    isolate: false,
    bail: 1,
    testTimeout: 60_000,
  },
});
