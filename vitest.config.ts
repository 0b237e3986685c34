import { defineConfig } from 'vitest/config';

/** Tests of pure code share their workers, so that the engine is read and warmed up once. */
const PURE = ['core', 'contract', 'words', 'web/src', 'standins', 'demo', 'drill'];
/** Those with databases, browsers or processes of their own run in processes, not in threads. */
const APART = ['server', 'web/e2e', 'cli', 'scripts'];

/** No test fails because a machine is slow: this only ends one that hangs. */
const PATIENCE = { testTimeout: 300_000, hookTimeout: 300_000 };

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
          ...PATIENCE,
          sequence: { groupOrder: 0 },
        },
      },
      {
        test: {
          name: 'apart',
          include: testsIn(APART),
          pool: 'forks',
          // Modules are read once; databases, ports, browsers and processes are each file's own.
          isolate: false,
          ...PATIENCE,
          sequence: { groupOrder: 0 },
        },
      },
    ],
  },
});
