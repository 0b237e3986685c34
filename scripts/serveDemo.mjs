/** The application with the demo collection on a throw-away database, for pictures and tests of the interface. */
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { BUILD, buildWeb, bundlePath, bundleStale } from './build.mjs';
import { ownDatabase, sweepThrowAways } from './database.mjs';
import { freePort, ROOT, say, withLock } from './lib.mjs';
import { weatherStandIn } from './weather.mjs';

/** @param weather whether the simulated weather service is started and asked @param empty as a keeper begins */
export async function serveDemo({ weather = false, empty = false } = {}) {
  await sweepThrowAways();
  await withLock('build', 'building', async () => {
    await bundleStale(['server', 'forecast-worker', 'demo-load', 'zinc', 'standin-weather']);
    await buildWeb();
  });
  const database = await ownDatabase(`test-${process.pid}`, { throwAway: true });
  const sky = await weatherStandIn(weather ? undefined : 'none', ['--outages', 'off']);
  const { serve } = await import(pathToFileURL(bundlePath('server')).href);
  const { loadDemo } = await import(pathToFileURL(bundlePath('demo-load')).href);
  const application = await serve({
    databaseUrl: database.url,
    port: await freePort(),
    webFolder: join(BUILD, 'web'),
    workerFile: bundlePath('forecast-worker'),
    migrationsFolder: join(ROOT, 'server', 'migrations'),
    tell: say,
    weatherUrl: sky.url,
    fill: empty ? null : (pool) => loadDemo(pool, say),
  });
  return {
    url: `http://127.0.0.1:${application.port}`,
    async close() {
      await application.close();
      sky.end();
      await database.leave();
    },
  };
}
