import { defineConfig } from 'vitest/config';

/**
 * The tests that hold what is decided and said: what `npm run mutants -- --wide` runs over and over.
 * The long simulations are left to `npm run unit`.
 */
export default defineConfig({
  test: {
    include: [
      'core/{order,advice,words,gains,bare-shaft,entry-line,log,limits,setup,walk-back,fine-tuning}/**/*.test.ts',
      // What is said is often held where it is reckoned.
      'core/{arrows,brace-search,card,care,compare,groups,proof,session,story}/**/*.test.ts',
      'core/sight-marks/{chase,crawl-effects,marks-evidence}.test.ts',
      'contract/*.test.ts',
    ],
    exclude: [
      'core/bare-shaft/calibration.test.ts',
      'core/gains/learned-gains.test.ts',
      'core/limits/all-doors.test.ts',
      'contract/recipes.test.ts',
    ],
    isolate: false,
    bail: 1,
    testTimeout: 60_000,
  },
});
