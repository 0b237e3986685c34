/**
 * What the docs show and no hand writes: `npm run figures` draws the pictures of docs/model.md by the engine, `npm run api`
 * writes docs/api.md from the routes.
 */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { BUILD, PACKAGES_OUTSIDE } from './build.mjs';
import { checkNode, npmPackages } from './install.mjs';
import { main, ROOT, Stop } from './lib.mjs';

const PAGES = ['figures', 'api'];

await main(async () => {
  checkNode();
  await npmPackages();
  const { build } = await import('esbuild');
  const page = process.argv[2];
  if (!PAGES.includes(page)) throw new Stop(`name one of ${PAGES.join(', ')}`);
  const outfile = join(BUILD, `docs-${page}.mjs`);
  await build({
    entryPoints: [join(ROOT, 'docs', `${page}.ts`)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
    plugins: [PACKAGES_OUTSIDE],
  });
  const { status } = spawnSync(process.execPath, [outfile], {
    stdio: 'inherit',
    env: { ...process.env, ZINC_ROOT: ROOT },
  });
  if (status !== 0) throw new Stop(`${page} ended with ${status}`);
});
