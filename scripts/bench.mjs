/** `npm run bench`: figures, no thresholds. Bundles the benches and runs them one after the other in fresh processes. */
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { BUILD } from './build.mjs';
import { checkNode, npmPackages } from './install.mjs';
import { main, ROOT, say, Stop } from './lib.mjs';

await main(async () => {
  checkNode();
  await npmPackages();
  const { build } = await import('esbuild');
  const chosen = process.argv.slice(2);
  const benches = readdirSync(join(ROOT, 'bench')).filter((file) => file.endsWith('.bench.ts') && (chosen.length === 0 || chosen.some((word) => file.includes(word))));
  for (const file of benches) {
    const outfile = join(BUILD, 'bench', file.replace('.ts', '.mjs'));
    await build({ entryPoints: [join(ROOT, 'bench', file)], outfile, bundle: true, platform: 'node', format: 'esm', target: 'node20', external: ['mysql2', 'mysql2/*'], logLevel: 'warning' });
    say(file);
    const { status } = spawnSync(process.execPath, ['--expose-gc', outfile], { stdio: 'inherit', env: { ...process.env, ZINC_ROOT: ROOT } });
    if (status !== 0) throw new Stop(`${file} ended with ${status}`);
  }
});
