import { defineConfig } from 'vitest/config';

/** Tests of pure code share their workers, so that the engine is read and warmed up once. */
const PURE = ['core', 'contract', 'words', 'web/src', 'standins', 'demo', 'drill'];
/** Those with databases, browsers or processes of their own have each a process to themselves. */
const APART = ['server', 'web/e2e', 'cli', 'scripts'];

const testsIn = (folders: readonly string[]) => [
  `{${folders.join(',')}}/**/*.test.ts`,
  `{${folders.join(',')}}/**/*.test.tsx`,
];

export default defineConfig({
  test: {
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'pure',
          include: testsIn(PURE),
          pool: 'threads',
          isolate: false,
          testTimeout: 30_000,
          hookTimeout: 120_000,
          sequence: { groupOrder: 0 },
        },
      },
      {
        test: {
          name: 'apart',
          include: testsIn(APART),
          testTimeout: 30_000,
          hookTimeout: 120_000,
          sequence: { groupOrder: 0 },
        },
      },
    ],
  },
});
