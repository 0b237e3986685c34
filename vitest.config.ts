import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: [
      '{core,contract,words,server,web,cli,scripts,demo}/**/*.test.ts',
      '{core,contract,words,server,web,cli,scripts,demo}/**/*.test.tsx',
    ],
    testTimeout: 30_000,
    hookTimeout: 120_000,
    maxWorkers: 2,
  },
});
