import { defineConfig } from 'vitest/config';

const testTimeout = 240_000;
/** What is made before the tests is made on the same machine. */
const hookTimeout = testTimeout;

/**
 * What is pure shares its modules from file to file: nothing in them is left over from a test, and most of
 * the time went into reading them again. Server and pages have state of their own and start afresh.
 */
export default defineConfig({
  test: {
    // A machine of two cores would be left with one of them idle.
    maxWorkers: '100%',
    projects: [
      {
        test: {
          name: 'pure',
          include: ['{core,contract,demo,bench}/**/*.test.ts'],
          isolate: false,
          testTimeout,
          hookTimeout,
        },
      },
      {
        test: {
          name: 'stateful',
          include: ['{server,web}/**/*.test.{ts,tsx}'],
          testTimeout,
          hookTimeout,
        },
      },
    ],
  },
});
