/**
 * `npm run dev`: the interface with hot reload by vite, the server bundled anew and started again whenever its sources
 * change.
 */
import { spawn } from 'node:child_process';
import { watch } from 'node:fs';
import { join } from 'node:path';
import { bundleStale } from './build.mjs';
import { ownDatabase } from './database.mjs';
import { checkNode, npmPackages } from './install.mjs';
import { freePort, main, ROOT, say } from './lib.mjs';

const QUIET_MS = 150;

await main(async () => {
  checkNode();
  await npmPackages();
  const database = process.env.ZINC_DATABASE_URL
    ? { url: process.env.ZINC_DATABASE_URL, keepUp() {}, leave: async () => {} }
    : await ownDatabase('database');
  database.keepUp();
  const port = await freePort();
  let server = null;
  let stopping = false;

  const start = () => {
    server = spawn(process.execPath, [join(ROOT, 'scripts', 'start.mjs'), '--port', String(port)], {
      stdio: 'inherit',
      env: { ...process.env, ZINC_DATABASE_URL: database.url, npm_lifecycle_event: '' },
    });
  };
  const restart = async () => {
    try {
      await bundleStale(['server', 'forecast-worker', 'demo-load', 'zinc']);
    } catch (error) {
      say(`not started again: ${error.message}`);
      return;
    }
    const old = server;
    if (old && old.exitCode === null) {
      await new Promise((resolve) => {
        old.once('exit', resolve);
        old.kill('SIGTERM');
      });
    }
    if (!stopping) start();
  };
  let timer = null;
  for (const folder of ['core/src', 'contract/src', 'words/src', 'server/src']) {
    watch(join(ROOT, folder), { recursive: true }, () => {
      clearTimeout(timer);
      timer = setTimeout(() => void restart(), QUIET_MS);
    });
  }
  start();

  process.env.ZINC_API = `http://127.0.0.1:${port}`;
  const { createServer } = await import('vite');
  const vite = await createServer({ root: join(ROOT, 'web'), configFile: join(ROOT, 'web', 'vite.config.ts') });
  await vite.listen();
  say(`interface with hot reload at ${vite.resolvedUrls.local[0]} (server at ${process.env.ZINC_API})`);

  const stop = async () => {
    if (stopping) return;
    stopping = true;
    await vite.close();
    server?.kill('SIGTERM');
    await database.leave();
    process.exit(0);
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
});
