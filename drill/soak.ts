/** Ten keepers at their screens for minutes: what they look at in a day, and what they write. */
import { ask, type Ask, plantIds, quantile, sleep, writingOn } from './ask.ts';
import type { Chance } from './chance.ts';
import type { Home } from './home.ts';
import { deskOf } from './kills.ts';
import type { Table } from './table.ts';

const KEEPERS = 10;
/** Between two things a keeper looks at what came. */
const PAUSE_MS = 1000;
const MOST_MB = 450;
/** Of a memory that is level the last third is no larger than the one before by more. */
const LEVEL = 1.1;

export async function soak(home: Home, table: Table, minutes: number, chance: Chance): Promise<void> {
  const server = await home.start();
  const { url } = server;
  await ask(url, '/api/round');
  const desk = await deskOf(url);
  const plants = await plantIds(url);
  const [site] = (await ask(url, '/api/round')).body.sites as { id: number }[];
  const end = performance.now() + minutes * 60_000;
  const began = performance.now();
  const seen: { at: number; mb: number }[] = [];
  const watch = setInterval(() => seen.push({ at: performance.now() - began, mb: server.memoryMb() }), 500);
  const times: number[] = [];
  const failed: string[] = [];
  const looks = (): string => {
    const id = chance.of(plants);
    return chance.of([
      '/api/round',
      '/api/round',
      '/api/plants',
      '/api/places',
      '/api/clinic',
      `/api/plants/${id}`,
      `/api/plants/${id}/drying`,
      `/api/plants/${id}/clinic`,
      `/api/plants/${id}/pots`,
      `/api/potting/${site!.id}`,
      `/api/almanac/${site!.id}`,
      `/api/sites/${site!.id}/weather`,
      '/api/export/plants.csv',
      `/api/find?q=${chance.of(['aloe', 'sill', 'dry'])}`,
    ]);
  };
  const next = (): { path: string; request: Ask } => {
    if (chance.is(0.3)) {
      const { path, body } = writingOn(chance.of(plants), desk, chance);
      return { path, request: { body } };
    }
    return { path: looks(), request: {} };
  };
  await Promise.all(
    Array.from({ length: KEEPERS }, async () => {
      while (performance.now() < end) {
        const { path, request } = next();
        const { status, ms } = await ask(url, path, request);
        times.push(ms);
        if (status === 0 || status >= 500) failed.push(`${path} ${status}`);
        await sleep(PAUSE_MS);
      }
    }),
  );
  clearInterval(watch);
  await server.stop();
  const third = (n: number) =>
    quantile(
      seen.filter(({ at }) => Math.floor((3 * at) / (minutes * 60_000)) === n).map(({ mb }) => mb),
      0.5,
    );
  const most = Math.max(...seen.map(({ mb }) => mb));
  for (const what of failed.slice(0, 5)) console.log(`        ${what}`);
  table.hold(
    `${KEEPERS} keepers for ${minutes} minutes: nothing fails`,
    failed.length === 0,
    `${failed.length} of ${times.length}; ${quantile(times, 0.5).toFixed(0)} ms in the middle, ${quantile(times, 0.99).toFixed(0)} at the 99th`,
  );
  table.hold(`memory under ${MOST_MB} MB`, most <= MOST_MB, `at most ${most.toFixed(0)} MB`);
  table.hold(
    'and level at the end',
    third(2) <= LEVEL * third(1),
    `${[0, 1, 2].map((n) => third(n).toFixed(0)).join(', ')} MB in the middle of each third`,
  );
}
