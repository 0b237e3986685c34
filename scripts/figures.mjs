/** `npm run figures`: the pictures of docs/model.md, drawn by the engine. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { BUILD } from './build.mjs';
import { checkNode, npmPackages } from './install.mjs';
import { main, ROOT, Stop } from './lib.mjs';

await main(async () => {
  checkNode();
  await npmPackages();
  const { build } = await import('esbuild');
  const outfile = join(BUILD, 'figures.mjs');
  await build({
    entryPoints: [join(ROOT, 'docs', 'figures.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
  });
  const { status } = spawnSync(process.execPath, [outfile], {
    stdio: 'inherit',
    env: { ...process.env, ZINC_ROOT: ROOT },
  });
  if (status !== 0) throw new Stop(`drawing ended with ${status}`);
});
