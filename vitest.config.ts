import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{core,contract,server,web,demo,bench}/**/*.test.{ts,tsx}'],
    testTimeout: 240_000,
  },
});
