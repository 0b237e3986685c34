/**
 * `npm test [-- --long] [path …]`: types, form, lint, then all tests against a throw-away MariaDB and headless Chromium. Ends with `N passed, N
 * failed`.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildWeb, bundleStale } from './build.mjs';
import { ownDatabase, sweepThrowAways } from './database.mjs';
import { checkNode, chromium, npmPackages } from './install.mjs';
import { main, ROOT, run, runTied, say, withLock } from './lib.mjs';

/** One step that either passes or fails as a whole. */
async function step(name, action) {
  say(name);
  try {
    await action();
    return true;
  } catch (error) {
    say(`${name} failed:\n${error.message}`);
    return false;
  }
}

const vitest = (args, env) =>
  runTied(process.execPath, [join(ROOT, 'node_modules', 'vitest', 'vitest.mjs'), 'run', ...args], { env });

await main(async () => {
  checkNode();
  await npmPackages();
  await sweepThrowAways();
  let passed = 0;
  let failed = 0;
  const count = (good) => (good ? passed++ : failed++);
  const bin = (name) => join(ROOT, 'node_modules', '.bin', name);
  const given = process.argv.slice(2);
  const long = given.includes('--long') || process.env.ZINC_LONG === '1';
  const chosen = given.filter((one) => one !== '--long');
  if (chosen.length === 0) {
    count(await step('types', () => run(bin('tsc'), ['--noEmit'])));
    count(await step('form', () => run(bin('prettier'), ['--check', '--log-level', 'warn', '.'])));
    count(await step('lint', () => run(bin('oxlint'), ['--deny-warnings'])));
  }
  count(
    await step('build', () =>
      withLock('build', 'building', async () => {
        await bundleStale(['server', 'forecast-worker', 'demo-load', 'zinc']);
        await buildWeb();
      }),
    ),
  );
  const browser = await chromium();
  const database = await ownDatabase(`test-${process.pid}`, { throwAway: true });
  const scratch = mkdtempSync(join(tmpdir(), 'zinc-test-'));
  const report = join(scratch, 'report.json');
  try {
    if (!long) say('the heavy property tests go through a part of their cases; all of them: npm run test:long');
    const env = {
      ...process.env,
      ZINC_LONG: long ? '1' : '0',
      ZINC_TEST_DATABASE_URL: database.url,
      ZINC_CHROMIUM: browser,
      TZ: 'UTC',
    };
    const code = await vitest(
      [
        '--reporter=default',
        `--reporter=${join(ROOT, 'scripts', 'progress.mjs')}`,
        '--reporter=json',
        `--outputFile.json=${report}`,
        ...chosen,
      ],
      env,
    );
    try {
      const counts = JSON.parse(readFileSync(report, 'utf8'));
      passed += counts.numPassedTests;
      failed += counts.numFailedTests;
      // A file that cannot even be read has no test to fail.
      failed += counts.testResults.filter(
        (file) => file.status === 'failed' && file.assertionResults.every((test) => test.status !== 'failed'),
      ).length;
      if (code !== 0 && failed === 0) failed++;
    } catch {
      failed++;
      say('the test runner left no report');
    }
  } finally {
    await database.leave();
    rmSync(scratch, { recursive: true, force: true });
  }
  console.log(`${passed} passed, ${failed} failed`);
  if (failed > 0 || passed === 0) process.exitCode = 1;
});
