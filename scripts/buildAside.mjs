/**
 * Builds what is stale, as a process of its own: what bundlers hold in memory, some hundreds of megabytes, goes with it
 * instead of staying beside the server. `node scripts/buildAside.mjs server zinc …`; the interface is built always.
 */
import { fileURLToPath } from 'node:url';
import { buildWeb, bundleStale, isStale, isWebStale } from './build.mjs';
import { main, run, say } from './lib.mjs';

const SELF = fileURLToPath(import.meta.url);

export async function buildAside(names) {
  if (!names.some(isStale) && !isWebStale()) return;
  say('building what changed');
  await run(process.execPath, [SELF, ...names]);
}

if (process.argv[1] === SELF)
  await main(async () => {
    await bundleStale(process.argv.slice(2));
    await buildWeb();
  });
