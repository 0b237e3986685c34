/** `npm run drill [-- part …]`: bundles the drill and runs it. It works in a folder of its own below the system's for such. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { BUILD, buildWeb, bundleStale, PACKAGES_OUTSIDE } from './build.mjs';
import { checkNode, mariadbd, npmPackages } from './install.mjs';
import { main, ROOT } from './lib.mjs';

await main(async () => {
  checkNode();
  await npmPackages();
  await mariadbd();
  await bundleStale(['server', 'forecast-worker', 'demo-load', 'zinc']);
  await buildWeb();
  const { build } = await import('esbuild');
  const outfile = join(BUILD, 'drill.mjs');
  await build({
    entryPoints: [join(ROOT, 'drill', 'main.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'inline',
    logLevel: 'warning',
    plugins: [PACKAGES_OUTSIDE],
  });
  const { status } = spawnSync(process.execPath, ['--enable-source-maps', outfile, ...process.argv.slice(2)], {
    stdio: 'inherit',
    env: { ...process.env, ZINC_ROOT: ROOT },
  });
  process.exitCode = status ?? 1;
});
