/**
 * `npm run bench`: figures, no thresholds. Bundles the benches and runs them one after the other in fresh processes.
 */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { BUILD, buildWeb, bundleStale, PACKAGES_OUTSIDE } from './build.mjs';
import { ownDatabase } from './database.mjs';
import { checkNode, npmPackages } from './install.mjs';
import { main, ROOT, runTied, say, Stop } from './lib.mjs';

/** Benches that want a MariaDB get a throw-away one. */
const NEED_DATABASE = /collection|screens/;
/** Those that start the application whole want it built. */
const NEED_APPLICATION = /holdUp|list|screens/;

await main(async () => {
  checkNode();
  await npmPackages();
  const { build } = await import('esbuild');
  const chosen = process.argv.slice(2);
  const benches = readdirSync(join(ROOT, 'bench')).filter(
    (file) => file.endsWith('.bench.ts') && (chosen.length === 0 || chosen.some((word) => file.includes(word))),
  );
  const needsDatabase = benches.some((file) => NEED_DATABASE.test(file));
  if (needsDatabase) await bundleStale(['server', 'forecast-worker']);
  if (benches.some((file) => NEED_APPLICATION.test(file))) {
    await bundleStale(['server', 'forecast-worker', 'demo-load', 'zinc']);
    await buildWeb();
  }
  const database = needsDatabase ? await ownDatabase(`bench-${process.pid}`, { throwAway: true }) : null;
  try {
    for (const file of benches) {
      const outfile = join(BUILD, 'bench', file.replace('.ts', '.mjs'));
      await build({
        entryPoints: [join(ROOT, 'bench', file)],
        outfile,
        bundle: true,
        platform: 'node',
        format: 'esm',
        target: 'node20',
        plugins: [PACKAGES_OUTSIDE],
        logLevel: 'warning',
      });
      say(file);
      const status = await runTied(process.execPath, ['--expose-gc', outfile], {
        env: { ...process.env, ZINC_ROOT: ROOT, ...(database ? { ZINC_BENCH_DATABASE_URL: database.url } : {}) },
      });
      if (status !== 0) throw new Stop(`${file} ended with ${status}`);
    }
  } finally {
    await database?.leave();
  }
});
